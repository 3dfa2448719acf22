package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.Name;
import javax.lang.model.element.VariableElement;

/** A {@code this.} before a name that means the same without it (JLS 6.5.6.1, 15.12.1). */
public final class RedundantThis implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-this", Tag.REDUNDANT, "A 'this' stands before what is meant anyway",
                Effect.SAME_CLASSES)
                .because("Nothing else of the name is in reach. Not looked for unless .editorconfig says so: many "
                        + "write it on purpose.")
                .example("""
                        class Berth {
                            private int length;

                            void extend(int by) {
                                this.length = this.length + by;
                                this.tell();
                            }

                            void tell() {
                                System.out.println(this.length);
                            }
                        }
                        """, """
                        class Berth {
                            private int length;

                            void extend(int by) {
                                length = length + by;
                                tell();
                            }

                            void tell() {
                                System.out.println(length);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            private int early = this.length;
                            private int length;
                            private final int least = 3;

                            Berth(int length) {
                                this.length = length;
                                Runnable tell = () -> this.<String>tell();
                                early = this.least;
                            }

                            <T> void tell() {
                            }
                        }
                        """)
                .weighing(Severity.OFF);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.MEMBER_SELECT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MemberSelectTree select = (MemberSelectTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isOfThis = select.getExpression() instanceof IdentifierTree name && name.getName()
                .contentEquals("this");
        boolean hasTypeArguments = path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == select && !call.getTypeArguments().isEmpty();
        boolean isMember = code.element(path).filter(member -> !isConstant(member)).isPresent();
        if (isOfThis && !hasTypeArguments && isMember && isSeen(path, select.getIdentifier())) {
            Range qualifier = new Range(code.range(select).start(), code.range(select).end() - select.getIdentifier()
                    .length());
            context.report(qualifier, "'" + select.getIdentifier() + "' means the same without 'this'",
                    Fix.of("leave out 'this'", edits -> edits.cut(qualifier)));
        }
    }

    /** Whether the name alone is a constant expression, which what is selected from an object never is (JLS 15.29). */
    private static boolean isConstant(Element member) {
        return member instanceof VariableElement field && field.getConstantValue() != null;
    }

    /** Whether no variable of the method has the name; in a field's value the name could come too early (JLS 8.3.3). */
    private static boolean isSeen(TreePath path, Name name) {
        TreePath at = path;
        while (at != null && !(at.getLeaf() instanceof MethodTree) && !(at.getLeaf() instanceof ClassTree)) {
            at = at.getParentPath();
        }
        if (at == null || !(at.getLeaf() instanceof MethodTree)) {
            return false;
        }
        // a class within a method sees the method's variables, too, but its own member is nearer
        return !Boolean.TRUE.equals(at.getLeaf().accept(new TreeScanner<Boolean, Void>() {
            @Override
            public Boolean visitVariable(VariableTree variable, Void unused) {
                return variable.getName().equals(name) || Boolean.TRUE.equals(super.visitVariable(variable, null));
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }, null));
    }
}
