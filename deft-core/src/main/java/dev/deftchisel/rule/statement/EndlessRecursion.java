package dev.deftchisel.rule.statement;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.util.ElementFilter;

/** A method that does nothing but to call itself with what it was given (JLS 15.12.4). */
public final class EndlessRecursion implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("endless-recursion", Tag.SUSPICIOUS, "A method only calls itself", Effect.OTHER)
                .because("It ends in a StackOverflowError; another method of the name, or that of another object, was "
                        + "meant.")
                .example("""
                        class Berth {
                            private String name;

                            String name() {
                                return name();
                            }
                        }
                        """, """
                        class Berth {
                            private String name;

                            String name() {
                                return name;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            private Berth next;

                            String name() {
                                return next.name();
                            }

                            int depth(int tide) {
                                return depth();
                            }

                            int depth() {
                                return 3;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodTree method = (MethodTree) path.getLeaf();
        if (method.getBody() == null || method.getBody().getStatements().size() != 1) {
            return;
        }
        StatementTree only = method.getBody().getStatements().get(0);
        TreePath statement = new TreePath(new TreePath(path, method.getBody()), only);
        ExpressionTree value;
        if (only instanceof ReturnTree result) {
            value = result.getExpression();
        } else if (only instanceof ExpressionStatementTree called) {
            value = called.getExpression();
        } else {
            value = null;
        }
        if (!(value instanceof MethodInvocationTree call)) {
            return;
        }
        AttributedFile code = context.code();
        boolean isOwn = Calls.receiver(call).filter(object -> !object.toString().equals("this")).isEmpty()
                && !call.getMethodSelect().toString().equals("super")
                && code.element(new TreePath(statement, call)).equals(code.element(path));
        // of an argument whose type is not known nobody can tell which method takes it
        boolean isKnown = call.getArguments().stream()
                .allMatch(argument -> code.type(new TreePath(new TreePath(statement, call), argument))
                .filter(type -> type.getKind() != TypeKind.ERROR).isPresent());
        if (isOwn && isKnown) {
            boolean hasField = call.getArguments().isEmpty() && only instanceof ReturnTree
                    && code.element(path.getParentPath())
                    .filter(type -> ElementFilter.fieldsIn(type.getEnclosedElements()).stream()
                            .anyMatch(field -> field.getSimpleName().equals(method.getName())
                                    && code.types().isAssignable(field.asType(),
                                            code.type(new TreePath(path, method.getReturnType()))
                                            .orElse(code.object()))))
                    .isPresent();
            context.report(call, "this calls the method itself again", hasField ? new Fix[] {Fix.of("return the field",
                    edits -> edits.replace(call, to -> to.write(method.getName().toString())))} : new Fix[0]);
        }
    }
}
