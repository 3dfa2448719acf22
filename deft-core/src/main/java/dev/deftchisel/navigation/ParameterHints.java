package dev.deftchisel.navigation;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.UnaryTree;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;

/** The names of the parameters that literals are passed for: those say nothing of themselves. */
final class ParameterHints {

    /** What the compiler calls parameters of class files that do not tell their names, and names that tell nothing. */
    private static final String NO_NAME = "arg\\d+|\\w";

    private ParameterHints() {
    }

    static List<InlayHints.Hint> of(ExecutableElement method, List<? extends ExpressionTree> arguments,
            AttributedFile code) {
        List<? extends VariableElement> parameters = method.getParameters();
        int named = method.isVarArgs() ? parameters.size() - 1 : parameters.size();
        List<InlayHints.Hint> hints = new ArrayList<>();
        for (int i = 0; i < Math.min(named, arguments.size()); i++) {
            String name = parameters.get(i).getSimpleName().toString();
            Optional<Integer> start = code.find(arguments.get(i)).map(range -> range.start());
            if (start.isPresent() && isLiteral(arguments.get(i)) && !name.matches(NO_NAME)
                    && !(parameters.size() == 1 && isSaid(name, method))) {
                hints.add(new InlayHints.Hint(start.get(), name + ":", InlayHints.Kind.PARAMETER));
            }
        }
        return hints;
    }

    /** A literal with or without a sign. */
    private static boolean isLiteral(ExpressionTree argument) {
        return argument instanceof LiteralTree
                || argument instanceof UnaryTree signed && signed.getExpression() instanceof LiteralTree;
    }

    /** Whether the method says it already, as {@code setDepth(5)} does. */
    private static boolean isSaid(String parameter, ExecutableElement method) {
        return method.getSimpleName().toString().toLowerCase(Locale.ROOT)
                .endsWith(parameter.toLowerCase(Locale.ROOT));
    }
}
