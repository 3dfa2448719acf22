package dev.deftchisel.rule.equality;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Locale;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;

/** An {@code equals} that does not override that of {@code Object} (JLS 8.4.8.1). */
public final class OverloadedEquals implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("overloaded-equals", Tag.SUSPICIOUS, "An equals takes something else than Object",
                Effect.OTHER)
                .because("Collections call the one that takes Object, which compares identity.")
                .example("""
                        class Berth {
                            int number;

                            public boolean equals(Berth other) {
                                return other.number == number;
                            }
                        }
                        """, """
                        class Berth {
                            int number;

                            public boolean equals(Berth other) {
                                return other.number == number;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            int number;

                            public boolean equals(Berth other) {
                                return other.number == number;
                            }

                            @Override
                            public boolean equals(Object other) {
                                return other instanceof Berth && equals((Berth) other);
                            }

                            static boolean equals(Berth one, Berth other) {
                                return one.equals(other);
                            }

                            @Override
                            public int hashCode() {
                                return number;
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
        boolean isOther = method.getName().contentEquals("equals") && method.getParameters().size() == 1
                && !method.getModifiers().getFlags().contains(Modifier.STATIC)
                && !method.getModifiers().getFlags().contains(Modifier.PRIVATE)
                && code.type(new TreePath(path, method.getReturnType()))
                .filter(type -> type.getKind() == TypeKind.BOOLEAN).isPresent()
                && code.type(new TreePath(path, method.getParameters().get(0)))
                        .filter(type -> code.element(path.getParentPath())
                                .filter(owner -> code.types().isSameType(owner.asType(), type)).isPresent())
                        .isPresent();
        boolean hasRight = path.getParentPath().getLeaf() instanceof ClassTree type && type.getMembers().stream()
                .anyMatch(member -> member instanceof MethodTree other && other != method && other.getName()
                        .contentEquals("equals"));
        boolean isSaid = method.getModifiers().getAnnotations().stream()
                .anyMatch(one -> one.getAnnotationType().toString().endsWith("SuppressWarnings")
                && code.text(one).toLowerCase(Locale.ROOT).contains("equals"));
        if (isOther && !hasRight && !isSaid) {
            context.report(method.getParameters().get(0), "collections do not call an 'equals' that takes this");
        }
    }
}
