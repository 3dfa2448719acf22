package dev.deftchisel.guard.comparison;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;

/**
 * Compares what lambdas and references to methods take where the method that they implement gets other parameters: each
 * parameter of a lambda that stays is the same variable in its new place, and a reference still passes on the same.
 */
final class FunctionComparison {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final Map<SymbolKey, NewSignature> signatures;

    FunctionComparison(Analysis before, Analysis after, Mapping mapping, Map<SymbolKey, NewSignature> signatures) {
        this.before = before;
        this.after = after;
        this.mapping = mapping;
        this.signatures = signatures;
    }

    /** Lambdas and references that would take something else. */
    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (SourceFile file : signatures.isEmpty() ? List.<SourceFile>of() : before.files()) {
            if (Functions.mayStandIn(file)) {
                before.code(file.path()).stream().flatMap(code -> Functions.implementations(code).stream())
                        .filter(one -> !isRight(one)).forEach(one -> differences.add(new Difference(
                        Difference.Kind.BINDING, file.path(), one.code().range(one.path().getLeaf()),
                        Optional.empty(), Optional.empty(),
                        "what this takes would not be what it takes, in another order")));
            }
        }
        return differences;
    }

    /** Whether this implements a method that changes; {@link ArgumentComparison} leaves it to this. */
    static boolean isConcerned(AttributedFile code, ExecutableElement function,
            Map<SymbolKey, NewSignature> signatures) {
        return Optional.ofNullable(signatures.get(code.key(function)))
                .filter(signature -> !signature.keepsPositions(function.getParameters().size())).isPresent();
    }

    private boolean isRight(Functions.Implementation one) {
        Optional<List<Integer>> origins = Optional.ofNullable(signatures.get(one.code().key(one.function())))
                .flatMap(NewSignature::origins);
        if (origins.isEmpty()) {
            return true;
        }
        return one.path().getLeaf() instanceof LambdaExpressionTree lambda
                ? isSame(one.code(), one.path(), lambda, origins.get())
                : !isConcerned(one.code(), one.function(), signatures) || isPassedOn(one, origins.get());
    }

    /** The lambda is known by its body, since what stands before that may be written anew. */
    private boolean isSame(AttributedFile code, TreePath path, LambdaExpressionTree lambda, List<Integer> origins) {
        Path file = code.file().path();
        Range body = mapping.code(file, code.range(lambda.getBody()));
        Optional<AttributedFile> there = after.code(mapping.file(file));
        Optional<Functions.Implementation> now = there.stream()
                .flatMap(known -> Functions.implementations(known).stream())
                .filter(one -> one.path().getLeaf() instanceof LambdaExpressionTree other
                        && one.code().range(other.getBody()).end() == body.end()
                        && one.code().range(other.getBody()).encloses(body)).findFirst();
        if (now.isEmpty()) {
            return false;
        }
        List<? extends VariableTree> parameters = ((LambdaExpressionTree) now.get().path().getLeaf()).getParameters();
        return parameters.size() == origins.size() && IntStream.range(0, origins.size()).allMatch(i ->
                origins.get(i) < 0 || key(before, code, path, lambda.getParameters()
                        .get(origins.get(i))).map(mapping::key).equals(key(after, now.get().code(),
                        now.get().path(), parameters.get(i))));
    }

    private static Optional<SymbolKey> key(Analysis analysis, AttributedFile code, TreePath lambda,
            VariableTree parameter) {
        Optional<Element> element = code.element(new TreePath(lambda, parameter));
        return element.map(analysis::key);
    }

    private boolean isPassedOn(Functions.Implementation one, List<Integer> origins) {
        Range whole = one.code().range(one.path().getLeaf());
        Optional<Binding> use = before.bindings(one.code().file().path()).stream()
                .filter(binding -> binding.role() == Role.CALL && whole.encloses(binding.range())
                        && (binding.isNamed() ? binding.range().end() == whole.end()
                        : binding.range().start() == whole.start())).findFirst();
        Optional<FunctionReference> reference = use.flatMap(binding -> FunctionReference.at(one.code(),
                binding.range()));
        Optional<ExecutableElement> method = one.code().element(one.path()).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast);
        if (reference.isEmpty() || method.isEmpty()) {
            return false;
        }
        List<Integer> passed = Optional.ofNullable(signatures.get(one.code().key(method.get())))
                .flatMap(NewSignature::origins)
                .orElseGet(() -> IntStream.range(0, method.get().getParameters().size()).boxed().toList());
        List<Integer> expected = ArgumentComparison.expected(method.get(), passed, reference.get().passed().size());
        boolean isSameChange = passed.equals(origins) && !reference.get().takesObject();
        return new Sites(after, mapping).of(use.get()).stream().allMatch(site -> after.code(site.file())
                .filter(code -> isSameChange && FunctionReference.at(code, site.range()).isPresent()
                        || isPassedOn(code, site, mapping.key(use.get().key()), call -> reference.get()
                        .isPassedOnBy(code, call, expected, origins))).isPresent());
    }

    private boolean isPassedOn(AttributedFile code, PlaceAfter site, SymbolKey method, Predicate<TreePath> isRight) {
        return after.bindings(site.file()).stream()
                .filter(binding -> binding.range().start() == site.range().start() && binding.key().equals(method)
                        && binding.role() != Role.DOC)
                .flatMap(binding -> code.call(binding).stream()).anyMatch(isRight);
    }
}
