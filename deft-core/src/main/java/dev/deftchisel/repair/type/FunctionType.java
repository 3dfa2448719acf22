package dev.deftchisel.repair.type;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A function of two values in a variable for functions of one, and the other way round (java.util.function). */
public final class FunctionType implements Repair {

    /** What takes two values for what takes one: the name, and the type arguments by their places. */
    private static final Map<String, List<String>> OF_TWO = Map.of("Function", List.of("BiFunction", "0, 0, 1"),
            "UnaryOperator", List.of("BinaryOperator", "0"),
            "Consumer", List.of("BiConsumer", "0, 0"), "Predicate", List.of("BiPredicate", "0, 0"), "ToIntFunction",
            List.of("ToIntBiFunction", "0, 0"));
    private static final Map<String, List<String>> OF_ONE = Map.of("BiFunction", List.of("Function", "0, 2"),
            "BinaryOperator", List.of("UnaryOperator", "0"),
            "BiConsumer", List.of("Consumer", "0"), "BiPredicate", List.of("Predicate", "0"));
    private static final Map<String, List<String>> OF_NONE = Map.of("Function", List.of("Supplier", "1"), "Consumer",
            List.of("Runnable", ""));

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> lambda = site.nearest(LambdaExpressionTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof VariableTree variable
                && variable.getInitializer() == path.getLeaf() && variable.getType() instanceof ParameterizedTypeTree);
        if (lambda.isEmpty() || !site.error().message().contains("incompatible parameter types")) {
            return List.of();
        }
        ParameterizedTypeTree written = (ParameterizedTypeTree) ((VariableTree) lambda.get().getParentPath().getLeaf())
                .getType();
        int count = ((LambdaExpressionTree) lambda.get().getLeaf()).getParameters().size();
        Map<String, List<String>> others;
        if (count == 2) {
            others = OF_TWO;
        } else if (count == 1) {
            others = OF_ONE;
        } else if (count == 0) {
            others = OF_NONE;
        } else {
            others = Map.of();
        }
        return Optional.ofNullable(others.get(code.text(written.getType())))
                .map(other -> Fix.of("make it a '" + other.get(0) + "'", edits -> {
            String name = other.get(0).equals("Runnable") ? "java.lang.Runnable" : "java.util.function." + other.get(0);
            String arguments = arguments(other.get(1), written.getTypeArguments(), code);
            edits.replace(code.range(written), edits.types().name(code.elements().getTypeElement(name))
                    + (arguments.isEmpty() ? "" : "<" + arguments + ">"));
        })).stream().toList();
    }

    private static String arguments(String places, List<? extends Tree> written, AttributedFile code) {
        String text = places;
        for (int i = 0; i < written.size(); i++) {
            text = text.replace(String.valueOf(i), "#" + i);
        }
        for (int i = 0; i < written.size(); i++) {
            text = text.replace("#" + i, code.text(written.get(i)));
        }
        return text;
    }
}
