package dev.deftchisel.rule.idiom;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.MultiDeclaration;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;

/** The type of a local variable that its value says already, so that {@code var} does (JLS 14.4). */
public final class RepeatedType implements Rule {

    private static final int LOWEST = 10;

    @Override
    public RuleDescription about() {
        return RuleDescription.of("repeated-type", Tag.IDIOM, "The type of a variable stands in its value, too",
                Effect.SAME_CLASSES)
                .because("With 'var' it is said once. Not looked for unless .editorconfig says so.")
                .example("""
                        import java.util.ArrayList;

                        class Berths {
                            int count(Object given) {
                                ArrayList<String> names = new ArrayList<String>();
                                final StringBuilder line = new StringBuilder();
                                String name = (String) given;
                                names.add(name + line);
                                return names.size();
                            }
                        }
                        """, """
                        import java.util.ArrayList;

                        class Berths {
                            int count(Object given) {
                                var names = new ArrayList<String>();
                                final var line = new StringBuilder();
                                var name = (String) given;
                                names.add(name + line);
                                return names.size();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.ArrayList;
                        import java.util.List;

                        class Berths {
                            StringBuilder all = new StringBuilder();

                            int count() {
                                List<String> names = new ArrayList<>();
                                ArrayList<String> others = new ArrayList<>();
                                StringBuilder one = new StringBuilder(), two = new StringBuilder();
                                Object empty = new Object() { };
                                names.add(one.append(two).append(empty).toString());
                                return names.size() + others.size();
                            }
                        }
                        """)
                .weighing(Severity.OFF)
                .from(LOWEST);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.VARIABLE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        VariableTree variable = (VariableTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isLocal = code.element(path).filter(element -> element.getKind() == ElementKind.LOCAL_VARIABLE
                || element.getKind() == ElementKind.RESOURCE_VARIABLE).isPresent();
        if (isLocal && variable.getInitializer() != null && code.saysType(variable) && isAlone(path, variable, code)
                && said(variable.getInitializer()).filter(type -> code.readsSame(variable.getType(), type))
                .isPresent()) {
            Range type = code.range(variable.getType());
            context.report(type, "the value of '" + variable.getName() + "' says its type, too",
                    Fix.of("write 'var'", edits -> edits.replace(type, "var")));
        }
    }

    /** The type that an expression says of itself; a class without a name has another one. */
    private static Optional<Tree> said(ExpressionTree value) {
        if (value instanceof NewClassTree made) {
            boolean isWhole = made.getClassBody() == null && made.getEnclosingExpression() == null
                    && !(made.getIdentifier() instanceof ParameterizedTypeTree type && type.getTypeArguments()
                            .isEmpty());
            return isWhole ? Optional.of(made.getIdentifier()) : Optional.empty();
        }
        return value instanceof TypeCastTree cast ? Optional.of(cast.getType()) : Optional.empty();
    }

    /** Whether no other variable has part in the type, and no brackets stand after the name. */
    private static boolean isAlone(TreePath path, VariableTree variable, AttributedFile code) {
        Range name = code.name(variable);
        Range type = code.range(variable.getType());
        return !MultiDeclaration.isShared(path, code) && code.text(new Range(type.end(), name.start())).isBlank()
                && code.text(new Range(name.end(), code.range(variable.getInitializer()).start())).strip().equals("=");
    }
}
