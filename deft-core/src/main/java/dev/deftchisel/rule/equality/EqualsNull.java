package dev.deftchisel.rule.equality;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** {@code equals(null)}, which is false or fails. */
public final class EqualsNull implements Rule {

    private static final Pattern NULL_IN_COMMENT = Pattern.compile("(//|\\*)[^\n]*\\bnull");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("equals-null", Tag.SUSPICIOUS, "Something is asked whether it equals null",
                Effect.OTHER)
                .because("No object does, and what is null cannot be asked.")
                .example("""
                        class Berth {
                            boolean isFree(Object vessel) {
                                return vessel.equals(null) || !vessel.equals(null);
                            }
                        }
                        """, """
                        class Berth {
                            boolean isFree(Object vessel) {
                                return vessel == null || vessel != null;
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Objects;

                        class Berth {
                            boolean isFree(Object vessel) {
                                return Objects.equals(vessel, null) || vessel.equals("none");
                            }

                            boolean isNone(Flag flag) {
                                return flag.equals(null);
                            }

                            static class Flag {
                                Object colour;

                                @Override
                                public boolean equals(Object other) {
                                    return other == null ? colour == null : other.equals(colour);
                                }

                                @Override
                                public int hashCode() {
                                    return 0;
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isNull = !context.isTest() && Calls.isOf(code, path, "java.lang.Object", "equals", 1)
                && call.getArguments().get(0).getKind() == Tree.Kind.NULL_LITERAL && !isOwn(path, code)
                && !isSaid(path, code);
        Optional<ExpressionTree> receiver = Calls.receiver(call);
        // what asks for null first and then whether it equals null knows an object that says so
        boolean isSecond = receiver.isPresent() && TreePaths.outer(path).getLeaf() instanceof BinaryTree both
                && both.getKind() == Tree.Kind.CONDITIONAL_OR
                && code.reads(both.getLeftOperand()).contains(code.reads(receiver.get()) + " == null");
        if (!isNull || isSecond || receiver.isEmpty() || receiver.get().toString().equals("super")) {
            return;
        }
        boolean isOpposite = path.getParentPath().getLeaf().getKind() == Tree.Kind.LOGICAL_COMPLEMENT;
        TreePath whole = isOpposite ? path.getParentPath() : path;
        boolean isGrouped = Precedence.needsParentheses(Tree.Kind.EQUAL_TO, whole.getLeaf(), whole.getParentPath()
                .getLeaf());
        context.report(call, "nothing equals null", Fix.of("compare with '" + (isOpposite ? "!=" : "==") + "'",
                edits -> edits.replace(whole.getLeaf(), to -> to.write(isGrouped ? "(" : "")
                        .carry(code.range(receiver.get()))
                        .write(isOpposite ? " != null" : " == null").write(isGrouped ? ")" : ""))));
    }

    /** Whether a class outside of the platform says itself what equals it: null may be among that. */
    private static boolean isOwn(TreePath call, AttributedFile code) {
        return Calls.method(code, call)
                .filter(method -> !code.elements().getPackageOf(method).getQualifiedName().toString()
                        .startsWith("java.")).isPresent();
    }

    /** Whether a comment in the method speaks of null. */
    private static boolean isSaid(TreePath path, AttributedFile code) {
        return TreePaths.function(path).filter(owner -> NULL_IN_COMMENT.matcher(code.text(owner.getLeaf())).find())
                .isPresent();
    }
}
