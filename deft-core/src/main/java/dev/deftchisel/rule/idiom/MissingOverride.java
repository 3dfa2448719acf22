package dev.deftchisel.rule.idiom;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/** A method that overrides another and does not say so (JLS 9.6.4.4). */
public final class MissingOverride implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("missing-override", Tag.IDIOM, "A method overrides another without saying so",
                Effect.SAME_CLASSES)
                .because("With @Override the compiler tells when the other one changes its name or parameters.")
                .example("""
                        class Berth implements Runnable {
                            public void run() {
                            }

                            /** Its name. */
                            public String toString() {
                                return "berth";
                            }
                        }
                        """, """
                        class Berth implements Runnable {
                            @Override
                            public void run() {
                            }

                            /** Its name. */
                            @Override
                            public String toString() {
                                return "berth";
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            static void run() {
                            }

                            public String toString(int width) {
                                return "berth";
                            }

                            boolean equals(Berth other) {
                                return other == this;
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
        AttributedFile code = context.code();
        boolean mayOverride = method.getReturnType() != null && path.getParentPath().getLeaf()
                .getKind() != Tree.Kind.RECORD
                && !method.getModifiers().getFlags().contains(Modifier.STATIC)
                && !method.getModifiers().getFlags().contains(Modifier.PRIVATE)
                && method.getModifiers().getAnnotations().stream()
                        .noneMatch(annotation -> annotation.getAnnotationType().toString().endsWith("Override"));
        Optional<Element> element = mayOverride ? code.element(path) : Optional.empty();
        if (element.isPresent() && !Supertypes.overridden((ExecutableElement) element.get(), code.elements(),
                code.types()).isEmpty()) {
            Range all = code.range(method);
            context.report(code.name(method), "'" + method.getName() + "' overrides another method",
                    Fix.of("add '@Override'",
                    edits -> edits.insert(all.start(), "@Override" + Layout.of(code.file()).lineEnd()
                            + Layout.indentOf(code.file(), all.start()))));
        }
    }
}
