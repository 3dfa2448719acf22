package dev.deftchisel.rule.idiom;

import com.sun.source.tree.CatchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.type.TypeMirror;

/** Neighbouring handlers that do the same (JLS 14.20). */
public final class SameCatches implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("same-catches", Tag.IDIOM, "Two handlers do the same", Effect.SAME_BEHAVIOUR)
                .because("One handler for both exceptions says that it is the same.")
                .example("""
                        class Log {
                            int number(String text, Class<?> type) {
                                try {
                                    type.getMethod(text);
                                    return 1;
                                } catch (NoSuchMethodException e) {
                                    return e.hashCode();
                                } catch (SecurityException e) {
                                    return e.hashCode();
                                }
                            }
                        }
                        """, """
                        class Log {
                            int number(String text, Class<?> type) {
                                try {
                                    type.getMethod(text);
                                    return 1;
                                } catch (NoSuchMethodException | SecurityException e) {
                                    return e.hashCode();
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            int number(String text, Class<?> type) {
                                try {
                                    type.getMethod(text);
                                    return 1;
                                } catch (NoSuchMethodException e) {
                                    return 2;
                                } catch (SecurityException e) {
                                    return 3;
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.TRY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        List<? extends CatchTree> catches = ((TryTree) path.getLeaf()).getCatches();
        AttributedFile code = context.code();
        for (int i = 0; i + 1 < catches.size(); i++) {
            CatchTree one = catches.get(i);
            CatchTree next = catches.get(i + 1);
            boolean isSame = one.getParameter().getName().equals(next.getParameter().getName())
                    && code.readsSame(one.getBlock(), next.getBlock()) && !one.getBlock().getStatements().isEmpty()
                    && one.getParameter().getModifiers().getAnnotations().isEmpty() && areApart(path, one, next, code)
                    && !code.hasComment(new Range(code.range(one.getBlock()).start(), code.range(next).end()))
                    && !isAssigned(path, one, code) && !isAssigned(path, next, code);
            if (isSame) {
                context.report(next.getParameter(), "the handler above does the same",
                        Fix.of("catch both there", edits -> {
                    edits.replace(one.getParameter().getType(), to -> to.carry(code.range(one.getParameter().getType()))
                            .write(" | ")
                            .carry(code.range(next.getParameter().getType())));
                    int before = code.tokens().end(code.tokens()
                            .codeBefore(code.tokens().at(code.range(next).start()) - 1));
                    edits.cut(new Range(before, code.range(next).end()));
                }));
                return;
            }
        }
    }

    /** Whether none of the exceptions is a kind of the other (JLS 14.20). */
    private static boolean areApart(TreePath path, CatchTree one, CatchTree next, AttributedFile code) {
        return types(path, one, code).stream().allMatch(first -> types(path, next, code).stream()
                .noneMatch(second -> code.isKind(first, second) || code.isKind(second, first)));
    }

    private static List<TypeMirror> types(TreePath path, CatchTree tree, AttributedFile code) {
        TreePath parameter = new TreePath(new TreePath(path, tree), tree.getParameter());
        TreePath type = new TreePath(parameter, tree.getParameter().getType());
        return type.getLeaf() instanceof UnionTypeTree union
                ? union.getTypeAlternatives().stream().flatMap(part -> code.type(new TreePath(type, part)).stream())
                .toList()
                : code.type(type).stream().toList();
    }

    private static boolean isAssigned(TreePath path, CatchTree tree, AttributedFile code) {
        Optional<Element> variable = code.element(new TreePath(new TreePath(path, tree), tree.getParameter()));
        return code.occurrences(new TreePath(new TreePath(path, tree), tree.getBlock())).stream()
                .anyMatch(place -> place.isWritten() && variable.filter(place.variable()::equals).isPresent());
    }
}
