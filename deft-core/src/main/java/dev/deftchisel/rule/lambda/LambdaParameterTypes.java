package dev.deftchisel.rule.lambda;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeMirror;

/** Types of a lambda's parameters that the function it becomes has already (JLS 15.27.1). */
public final class LambdaParameterTypes implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("lambda-parameter-types", Tag.REDUNDANT, "A lambda says the types of its parameters",
                Effect.SAME_CLASSES)
                .because("The function that it becomes has them already.")
                .example("""
                        import java.util.Comparator;
                        import java.util.function.Function;

                        class Berths {
                            Comparator<String> byLength = (String one, String other) -> one.length() - other.length();

                            Function<String, Integer> length() {
                                return (String name) -> name.length();
                            }
                        }
                        """, """
                        import java.util.Comparator;
                        import java.util.function.Function;

                        class Berths {
                            Comparator<String> byLength = (one, other) -> one.length() - other.length();

                            Function<String, Integer> length() {
                                return name -> name.length();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Comparator;
                        import java.util.function.Function;

                        class Berths {
                            Function<? super String, Integer> length = (Object name) -> name.hashCode();
                            Comparator<String> same = (final String one, @Deprecated String other) -> 0;
                            Comparator<String> reversed = Comparator.comparing((String name) -> name.length()).reversed();
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LAMBDA_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        AttributedFile code = context.code();
        List<? extends VariableTree> parameters = lambda.getParameters();
        if (parameters.isEmpty() || !parameters.stream().allMatch(parameter -> isPlain(parameter, code))) {
            return;
        }
        boolean isFixed = TargetType.ofAssignmentOrCall(path, code).map(TypeMirror::toString)
                .filter(type -> !type.contains("?")).isPresent();
        int close = code.tokens().codeBefore(code.tokens().at(code.range(parameters.get(parameters.size() - 1)).end()));
        Range head = new Range(code.range(lambda).start(), code.tokens()
                .end(code.tokens().text(close).equals(")") ? close
                : code.tokens().code(close + 1)));
        if (isFixed && !code.hasComment(head) && code.text(head).endsWith(")")) {
            context.report(head, "the types of the parameters are known", Fix.of("write the names alone",
                    edits -> edits.replace(head, to -> {
                        to.write(parameters.size() == 1 ? "" : "(");
                        String before = "";
                        for (VariableTree parameter : parameters) {
                            to.write(before).carry(code.name(parameter));
                            before = ", ";
                        }
                        to.write(parameters.size() == 1 ? "" : ")");
                    })));
        }
    }

    /** Whether it is a type and a name, and no more. */
    private static boolean isPlain(VariableTree parameter, AttributedFile code) {
        return code.saysType(parameter) && parameter.getModifiers().getFlags().isEmpty()
                && parameter.getModifiers().getAnnotations().isEmpty()
                && code.text(parameter).matches("(?s)" + Pattern.quote(code.text(parameter.getType())) + "\\s+\\w+");
    }
}
