package dev.deftchisel.repair.type;

import com.sun.source.tree.BindingPatternTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/**
 * Type arguments that a type does not have, that are gone when the program runs, that are missing, or that the value
 * contradicts (JLS 4.5 to 4.8).
 */
public final class WrongTypeArguments implements Repair {

    private static final Pattern CONTRADICTION =
            Pattern.compile("equality constraints: ?([\\w.]+),\\s*([\\w.]+)|equality constraints "
                    + "([\\w.]+),\\s*([\\w.]+)");

    @Override
    public Set<String> codes() {
        return Set.of("type.doesnt.take.params", "cant.apply.diamond", "cant.apply.diamond.1",
                "instanceof.reifiable.not.safe",
                "prob.found.req", "incompatible.types");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return switch (site.id()) {
            case "type.doesnt.take.params", "cant.apply.diamond", "cant.apply.diamond.1" -> none(site);
            case "instanceof.reifiable.not.safe" -> unknown(site);
            default -> site.error().message().contains("equality constraints") ? contradicted(site) : missing(site);
        };
    }

    /** {@code Berth<String> b = new Berth<>()} of a type without parameters. */
    private static List<Fix> none(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> type = site.nearest(ParameterizedTypeTree.class);
        Optional<TypeElement> element = type.flatMap(
                path -> code.element(new TreePath(path, ((ParameterizedTypeTree) path.getLeaf()).getType())))
                .filter(found -> found instanceof TypeElement).map(found -> (TypeElement) found);
        if (element.filter(found -> found.getTypeParameters().isEmpty()).isEmpty()) {
            return List.of();
        }
        Tree parent = type.get().getParentPath().getLeaf();
        Optional<ParameterizedTypeTree> made = parent instanceof VariableTree variable
                && variable.getInitializer() instanceof NewClassTree value
                && value.getIdentifier() instanceof ParameterizedTypeTree written && code.text(written.getType())
                .equals(code.text(((ParameterizedTypeTree)
                type.get().getLeaf()).getType())) ? Optional.of(written) : Optional.empty();
        return List.of(Fix.of("leave out the type arguments", edits -> {
            cut((ParameterizedTypeTree) type.get().getLeaf(), edits::cut, code);
            made.ifPresent(written -> cut(written, edits::cut, code));
        }));
    }

    private static void cut(ParameterizedTypeTree type, Consumer<Range> edits, AttributedFile code) {
        edits.accept(new Range(code.range(type.getType()).end(), code.range(type).end()));
    }

    /** {@code o instanceof List<String>}: what a list is of cannot be asked (JLS 4.7). */
    private static List<Fix> unknown(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<Tree> type = site.nearest(InstanceOfTree.class).map(path -> (InstanceOfTree) path.getLeaf())
                .map(test -> test.getType() != null ? test.getType() : test.getPattern())
                .map(tree -> tree instanceof BindingPatternTree pattern ? pattern.getVariable().getType() : tree);
        return type.filter(tree -> tree instanceof ParameterizedTypeTree).map(tree -> (ParameterizedTypeTree) tree)
                .map(tree -> List.of(Fix.of("write '?'",
                edits -> tree.getTypeArguments().forEach(argument -> edits.replace(code.range(argument), "?")))))
                .orElse(List.of());
    }

    /** {@code for (String name : names)} over a list that does not say what it holds. */
    private static List<Fix> missing(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> loop = site.nearest(EnhancedForLoopTree.class)
                .filter(path -> code.range(((EnhancedForLoopTree) path.getLeaf()).getExpression())
                .encloses(site.error().range()));
        Optional<Tree> raw = loop.flatMap(path ->
                site.declaration(new TreePath(path, ((EnhancedForLoopTree) path.getLeaf()).getExpression())))
                .filter(path -> path.getLeaf() instanceof VariableTree variable
                        && variable.getType() instanceof IdentifierTree
                        && code.type(new TreePath(path, variable.getType()))
                        .filter(type -> type instanceof DeclaredType known && known.getTypeArguments().isEmpty()
                        && ((TypeElement) known.asElement()).getTypeParameters().size() == 1).isPresent())
                .map(path -> ((VariableTree) path.getLeaf()).getType());
        return raw.map(tree -> {
            String element = code.text(((EnhancedForLoopTree) loop.get().getLeaf()).getVariable().getType());
            return List.of(Fix.of("say that it holds " + element,
                    edits -> edits.insert(code.range(tree).end(), "<" + element + ">")));
        }).orElse(List.of());
    }

    /** {@code Map<Integer, Integer> counts = ... counting()}, which counts in Long: the declared type follows. */
    private static List<Fix> contradicted(ErrorSite site) {
        AttributedFile code = site.code();
        Matcher types = CONTRADICTION.matcher(site.error().message());
        Optional<ParameterizedTypeTree> declared = site.around().stream()
                .filter(path -> path.getLeaf() instanceof VariableTree variable
                && variable.getInitializer() instanceof ExpressionTree).findFirst()
                .map(path -> ((VariableTree) path.getLeaf()).getType())
                .filter(type -> type instanceof ParameterizedTypeTree).map(type -> (ParameterizedTypeTree) type);
        if (!types.find() || declared.isEmpty()) {
            return List.of();
        }
        String one = simple(types.group(1) == null ? types.group(3) : types.group(1));
        String other = simple(types.group(2) == null ? types.group(4) : types.group(2));
        List<? extends Tree> arguments = declared.get().getTypeArguments();
        for (int i = arguments.size() - 1; i >= 0; i--) {
            Tree argument = arguments.get(i);
            String written = code.text(argument);
            if (written.equals(one) || written.equals(other)) {
                String meant = written.equals(one) ? other : one;
                return List.of(Fix.of("write '" + meant + "' instead of '" + written + "'",
                        edits -> edits.replace(code.range(argument), meant)));
            }
        }
        return List.of();
    }

    private static String simple(String name) {
        return name.replaceFirst(".*\\.", "");
    }
}
