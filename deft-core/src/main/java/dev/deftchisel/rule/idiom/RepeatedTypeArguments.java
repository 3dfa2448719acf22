package dev.deftchisel.rule.idiom;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Type arguments of a new object that its variable says already (JLS 15.9.3). */
public final class RepeatedTypeArguments implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("diamond", Tag.IDIOM, "Type arguments are said twice", Effect.SAME_CLASSES)
                .because("The compiler takes them from the variable.")
                .example("""
                        import java.util.ArrayList;
                        import java.util.HashMap;
                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            List<String> names = new ArrayList<String>();

                            Map<String, List<String>> byTide() {
                                return new HashMap<String, List<String>>();
                            }
                        }
                        """, """
                        import java.util.ArrayList;
                        import java.util.HashMap;
                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            List<String> names = new ArrayList<>();

                            Map<String, List<String>> byTide() {
                                return new HashMap<>();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.ArrayList;
                        import java.util.List;

                        class Berths {
                            List<? extends Object> names = new ArrayList<String>();
                            Object all = new ArrayList<String>();
                            int count = new ArrayList<String>(3).size();
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        NewClassTree made = (NewClassTree) path.getLeaf();
        AttributedFile code = context.code();
        if (made.getClassBody() != null || !(made.getIdentifier() instanceof ParameterizedTypeTree named)
                || named.getTypeArguments().isEmpty() || made.getArguments().stream()
                .anyMatch(argument -> isOpen(argument, path, code))) {
            return;
        }
        Optional<TypeMirror> own = code.type(path);
        Optional<TypeMirror> wanted = TargetType.ofAssignment(path, code);
        if (own.isPresent() && wanted.isPresent() && saysAll(own.get(), wanted.get(), code)) {
            Range arguments = new Range(code.range(named.getType()).end(), code.range(named).end());
            context.report(arguments, "the type arguments are clear without this",
                    Fix.of("write '<>'", edits -> edits.replace(arguments, "<>")));
        }
    }

    /**
     * Whether an argument has wildcards in its type, which take part in what is inferred (JLS 18.5.1) and may spoil it.
     */
    private static boolean isOpen(ExpressionTree argument, TreePath made, AttributedFile code) {
        return code.type(new TreePath(made, argument)).filter(type -> NamedTypes.shown(type).contains("?")).isPresent();
    }

    /** Whether the type that is wanted fixes each type argument: it has no wildcards and names them all. */
    private static boolean saysAll(TypeMirror own, TypeMirror wanted, AttributedFile code) {
        if (!(own instanceof DeclaredType made) || !(wanted instanceof DeclaredType target) || target.getTypeArguments()
                .isEmpty()
                || target.getTypeArguments().stream().anyMatch(argument -> argument.getKind() == TypeKind.WILDCARD)
                || !code.types().isSubtype(own, wanted)) {
            return false;
        }
        TypeElement type = (TypeElement) made.asElement();
        Optional<DeclaredType> above = Supertypes.as(type.asType(), target.asElement(), code.types());
        return above.isPresent() && type.getTypeParameters().stream()
                .allMatch(parameter -> above.get().getTypeArguments().stream()
                .anyMatch(argument -> code.types().isSameType(argument, parameter.asType())));
    }
}
