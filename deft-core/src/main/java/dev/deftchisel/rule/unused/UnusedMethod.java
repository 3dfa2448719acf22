package dev.deftchisel.rule.unused;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/** Private methods that nobody calls but themselves (JLS 8.4). */
public final class UnusedMethod implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-method", Tag.UNUSED, "A private method is never called",
                Effect.SAME_BEHAVIOUR)
                .because("It must be read and kept working, and does nothing.")
                .example("""
                        class Log {
                            void note(String line) {
                                System.out.println(line);
                            }

                            /** Once more. */
                            private void repeat(String line) {
                                repeat(line);
                                twice();
                            }

                            private void twice() {
                            }
                        }
                        """, """
                        class Log {
                            void note(String line) {
                                System.out.println(line);
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.function.Consumer;

                        class Log {
                            Consumer<String> note = this::note;

                            private void note(String line) {
                            }

                            private Object readResolve() {
                                return this;
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
        boolean isOwn = method.getModifiers().getFlags().contains(Modifier.PRIVATE) && !context.hasErrors();
        if (!isOwn) {
            return;
        }
        DeclarationUsage.at(path, context)
                .filter(declared -> declared.element() instanceof ExecutableElement element
                        && element.getKind() == ElementKind.METHOD && !PlatformMethods.isOne(element))
                .filter(declared -> !declared.isReachedOtherwise() && context.names().uses(declared.element()).stream()
                        .allMatch(use -> TreePaths.leadsThrough(use, null, tree -> tree == method)))
                .ifPresent(declared -> context.report(context.code().name(method), "'" + declared.name()
                        + "' is never called",
                        Fix.of("remove the method", declared::removeMember)));
    }
}
