package dev.deftchisel.repair;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.source.Range;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Gives a method another result (JLS 8.4.5). */
public final class ResultType {

    private ResultType() {
    }

    /**
     * Writes the type, and tells that the method is known by it (JVMS 4.3.3).
     *
     * @param method the path to its declaration
     */
    public static void change(FixEdits edits, TreePath method, TypeMirror result) {
        AttributedFile code = edits.code();
        String written = result.getKind() == TypeKind.VOID ? "void" : edits.types().write(result)
                .orElse(NamedTypes.shown(result));
        edits.replace(code.range(((MethodTree) method.getLeaf()).getReturnType()), written);
        code.element(method).filter(element -> element instanceof ExecutableElement).ifPresent(element -> {
            StringBuilder descriptor = new StringBuilder("(");
            ((ExecutableElement) element).getParameters()
                    .forEach(parameter -> descriptor.append(code.descriptor(parameter.asType())));
            edits.redescribe(code.key(element), descriptor.append(")").append(code.descriptor(result)).toString());
        });
    }

    /** Leaves out what the statements of a method return; what they do is kept. */
    public static void drop(FixEdits edits, TreePath method) {
        AttributedFile code = edits.code();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitReturn(ReturnTree tree, Void unused) {
                if (tree.getExpression() != null) {
                    Range value = code.range(tree.getExpression());
                    boolean isStatement = tree.getExpression() instanceof MethodInvocationTree
                            || tree.getExpression() instanceof AssignmentTree
                            || tree.getExpression() instanceof CompoundAssignmentTree
                            || tree.getExpression() instanceof UnaryTree step
                            && (step.getKind().name().endsWith("INCREMENT") || step.getKind().name()
                                    .endsWith("DECREMENT"));
                    Range word = new Range(code.range(tree).start(), value.start());
                    BlockTree body = ((MethodTree) method.getLeaf()).getBody();
                    boolean isLast = body.getStatements().get(body.getStatements().size() - 1) == tree;
                    if (isStatement && isLast) {
                        edits.cut(word);
                    } else if (isStatement) {
                        edits.replace(tree, to -> to.write("{ ").carry(value).write("; return; }"));
                    } else {
                        edits.replace(new Range(word.start(), value.end()), "return");
                    }
                }
                return null;
            }

            @Override
            public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
                return null;
            }

            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                return null;
            }
        }.scan(method, null);
    }
}
