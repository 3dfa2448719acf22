package dev.deftchisel.signature;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.PlacedParameter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Takes away a parameter for which every call passes the same constant: the body has it as a variable of its own (the
 * refactoring "inline parameter" of the literature).
 */
public final class InlineParameterOperation implements Operation {

    @Override
    public String id() {
        return "inline-parameter";
    }

    @Override
    public String summary() {
        return "Inline a parameter for which all calls pass the same constant";
    }

    @Override
    public List<Question> questions() {
        return List.of();
    }

    /** One that is not of any number. */
    private static Optional<PlacedParameter> found(ResolvedPlace resolved) {
        return PlacedParameter.at(resolved).filter(one -> !(one.header().element().isVarArgs()
                && one.index() == one.header().header().parameters().size() - 1));
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return found(resolved).map(found -> new Offer(id(), "inline the parameter '" + found.name() + "'",
                Offer.Kind.INLINE, found.range(), List.of()));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<PlacedParameter> found = found(resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no parameter of a method here that calls pass one value for");
        }
        DeclaredHeader header = found.get().header();
        TypedHeader without = HeaderReader.read(without(header.header(), found.get().index())).header().orElseThrow();
        Analysis before = ChangeSignatureOperation.looking(analyst, header, without);
        SymbolKey method = header.code().key(header.element());
        Same same = new Same(before, found.get().index());
        Optional<Reason> objection = Family.of(before.symbol(method).orElseThrow(), before).stream()
                .flatMap(key -> before.uses(key).stream())
                .filter(use -> use.role().isUse())
                .flatMap(use -> same.look(use).stream()).findFirst();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        } else if (same.value.isEmpty()) {
            return Plan.refused(resolved, "nothing calls the method, so '" + found.get().name()
                    + "' has no value that could stand in its body");
        }
        NamesAround around = new NamesAround(method, before, answers);
        List<Reason> obstacles = around.obstacles();
        if (!obstacles.isEmpty()) {
            return new Plan.Refused(obstacles);
        }
        Plan plan = new PlannedSignature(analyst, before, method, without, Map.of()).withValue(found.get().index(),
                same.value.get()::text);
        return plan instanceof Plan.Ready ready ? around.with(ready) : plan;
    }

    private static String without(TypedHeader header, int index) {
        List<String> parameters = new ArrayList<>();
        for (int i = 0; i < header.parameters().size(); i++) {
            if (i != index) {
                parameters.add(header.declared(header.parameters().get(i)));
            }
        }
        return header.with(parameters);
    }

    /**
     * A constant that is passed: a literal as it is written, or a field.
     *
     * @param literal its text; empty for a field
     * @param field   what is named; empty for a literal
     */
    private record Value(String literal, Optional<Element> field, Optional<SymbolKey> key) {

        boolean isSame(Value other) {
            return literal.equals(other.literal) && key.equals(other.key);
        }

        String text(TypeWriter writer) {
            return field.map(element -> writer.name((TypeElement) element.getEnclosingElement()) + "."
                    + element.getSimpleName()).orElse(literal);
        }
    }

    /** What all calls pass, call by call. */
    private static final class Same {

        private final Analysis before;
        private final int index;
        private Optional<Value> value = Optional.empty();

        Same(Analysis before, int index) {
            this.before = before;
            this.index = index;
        }

        /** What is in the way. */
        Optional<Reason> look(Binding use) {
            AttributedFile code = before.code(use.file()).orElseThrow();
            Optional<TreePath> call = code.call(use);
            List<? extends ExpressionTree> arguments = call.map(path -> Calls.arguments(path.getLeaf()))
                    .orElse(List.of());
            if (arguments.size() <= index) {
                return Optional.of(Reason.at(use.file(), use.range(), "it is not to be seen what is passed here"));
            }
            TreePath argument = new TreePath(call.get(), arguments.get(index));
            Optional<Value> passed = constant(code, argument);
            if (passed.isEmpty()) {
                return Optional.of(Reason.at(use.file(), code.range(argument.getLeaf()),
                        "this is no constant, so it may be another value each time"));
            } else if (value.filter(one -> !one.isSame(passed.get())).isPresent()) {
                return Optional.of(Reason.at(use.file(), code.range(argument.getLeaf()),
                        "another call passes something else"));
            }
            value = value.or(() -> passed);
            return Optional.empty();
        }

        private static Optional<Value> constant(AttributedFile code, TreePath path) {
            Tree tree = path.getLeaf();
            boolean isLiteral = tree instanceof LiteralTree || tree instanceof UnaryTree sign
                    && sign.getKind() == Tree.Kind.UNARY_MINUS && sign.getExpression() instanceof LiteralTree;
            if (isLiteral) {
                return Optional.of(new Value(code.text(tree), Optional.empty(), Optional.empty()));
            }
            return code.element(path).filter(element -> element.getKind().isField() && element.getModifiers()
                    .containsAll(List.of(Modifier.STATIC, Modifier.FINAL)))
                    .map(element -> new Value("", Optional.of(element), Optional.of(code.key(element))));
        }
    }
}
