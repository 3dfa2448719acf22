package dev.deftchisel.guard.comparison;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.RecordPattern;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.CanonicalConstructor;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/**
 * Compares what is passed for which parameter where methods get other parameters: each argument that stays is the same
 * code and passed for the parameter that it was passed for, and each parameter that stays is the same variable. Types
 * alone would not tell two arguments of one type that change places.
 */
public final class ArgumentComparison {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final Sites sites;
    private final Map<SymbolKey, NewSignature> signatures;
    private final List<Difference> differences = new ArrayList<>();

    public ArgumentComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.mapping = change.mapping();
        this.sites = new Sites(after, mapping);
        this.signatures = change.meaning().signatures();
    }

    /** Calls and declarations that do not fit what the change says of the parameters. */
    public List<Difference> differences() {
        signatures.forEach((key, signature) -> signature.origins().ifPresent(origins -> {
            Optional<ExecutableElement> method = element(before, key);
            method.ifPresent(known -> compareParameters(key, known, signature));
            method.filter(known -> known.getEnclosingElement().getKind() == ElementKind.RECORD
                    && known.getKind() == ElementKind.CONSTRUCTOR)
                    .ifPresent(known -> comparePatterns((SymbolKey.Method) key, known, origins));
            for (Binding use : before.uses(key)) {
                if (use.role().isUse() && method.isPresent()) {
                    compareCall(use, method.get(), signature);
                }
            }
        }));
        differences.addAll(new FunctionComparison(before, after, mapping, signatures).differences());
        return differences;
    }

    private static Optional<ExecutableElement> element(Analysis analysis, SymbolKey key) {
        return analysis.known(key).map(Analysis.KnownElement::element)
                .filter(ExecutableElement.class::isInstance).map(ExecutableElement.class::cast);
    }

    private void compareParameters(SymbolKey key, ExecutableElement method, NewSignature signature) {
        List<Integer> origins = signature.origins().orElseThrow();
        SymbolKey expected = mapping.key(key);
        // nobody may have met it, as the constructor that a record has by itself
        Optional<ExecutableElement> now = element(after, expected).or(() -> after.known(((SymbolKey.Method) expected)
                .owner()).stream().flatMap(owner -> owner.element().getEnclosedElements().stream())
                .filter(member -> member instanceof ExecutableElement && after.key(member).equals(expected))
                .map(ExecutableElement.class::cast).findFirst());
        // that of a record need not be declared where it can be seen
        Optional<Binding> declared = before.declaration(key).or(() -> before.declaration(((SymbolKey.Method) key)
                .owner()));
        if (declared.isEmpty()) {
            return;
        }
        boolean isRight = now.isPresent() && now.get().getParameters().size() == origins.size()
                && NewSignature.Arity.of(now.get()) == signature.arity().orElse(NewSignature.Arity.of(method));
        for (int i = 0; isRight && i < origins.size(); i++) {
            isRight = origins.get(i) < 0
                    || isSame(method, origins.get(i), now.get(), i);
        }
        if (!isRight) {
            tell(declared.get().file(), declared.get().range(),
                    "its parameters would not be those that were announced");
        } else if (!object(method, signature).isAnnounced(now.get())) {
            tell(declared.get().file(), declared.get().range(),
                    "it would not do the same with the object that it is called on");
        }
    }

    private PassedObject object(ExecutableElement method, NewSignature signature) {
        return new PassedObject(before, after, mapping, method, signature);
    }

    /** Whether a parameter is the same variable, or stands for the same component of a record. */
    private boolean isSame(ExecutableElement method, int origin, ExecutableElement now, int index) {
        SymbolKey was = before.key(method.getParameters().get(origin));
        SymbolKey is = after.key(now.getParameters().get(index));
        if (CanonicalConstructor.is(method) && CanonicalConstructor.is(now)) {
            return mapping.key(component(before, method, origin)).equals(component(after, now, index));
        }
        return !(was instanceof SymbolKey.Local) || !(is instanceof SymbolKey.Local) || mapping.key(was).equals(is);
    }

    private static SymbolKey component(Analysis analysis, ExecutableElement constructor, int index) {
        TypeElement record = (TypeElement) constructor.getEnclosingElement();
        return new SymbolKey.Field(analysis.key(record), record.getRecordComponents().get(index).getSimpleName()
                .toString());
    }

    /** What is asked of a component is asked of the same one by each pattern (JLS 14.30.1). */
    private void comparePatterns(SymbolKey.Method key, ExecutableElement constructor, List<Integer> origins) {
        for (Binding use : before.uses(key.owner())) {
            Optional<RecordPattern> was = before.code(use.file()).flatMap(code -> RecordPattern.at(code, use.range()))
                    .filter(pattern -> pattern.parts().size() == constructor.getParameters().size());
            for (PlaceAfter site : was.isPresent() ? sites.of(use) : List.<PlaceAfter>of()) {
                after.code(site.file()).flatMap(code -> RecordPattern.at(code, site.range()))
                        .ifPresent(is -> compare(use, was.get().parts(), is.parts(), origins,
                                (part, place) -> isAt(use.file(), part, place)));
            }
        }
    }

    private void compareCall(Binding use, ExecutableElement method, NewSignature signature) {
        Optional<AttributedFile> code = before.code(use.file());
        Optional<TreePath> call = code.flatMap(file -> file.call(use));
        if (call.isEmpty()) {
            boolean isReference = !signature.keepsPositions(method.getParameters().size()) && !staysReference(use,
                    signature, method);
            if (isReference) {
                compareReference(use, method, signature);
            }
            return;
        }
        List<Range> was = passed(code.get(), call.get());
        List<Integer> expected = expected(method, signature.origins().orElseThrow(), was.size());
        PassedObject object = object(method, signature);
        for (PlaceAfter site : sites.of(use)) {
            // where it means something else, or nothing, that is told already
            Optional<List<Range>> is = arguments(site, mapping.key(use.key()), method.isVarArgs());
            Optional<AttributedFile> then = after.code(site.file());
            is.ifPresent(now -> compare(use, was, now, expected, (argument, place) -> isAt(use.file(), argument, place)
                    || isSameCode(code.get(), argument, then.get(), place, object, use.file())));
            is.ifPresent(now -> signature.components().forEach((index, components) -> compare(use, was,
                    made(then.get(), now, index), components, (argument, place) -> isAt(use.file(), argument, place))));
            boolean isOther = then.flatMap(file -> call(file, site, mapping.key(use.key()))).filter(now -> !object
                    .isSame(code.get(), call.get(), then.get(), now, (argument, place) -> isAt(use.file(), argument,
                            place))).isPresent();
            if (isOther) {
                tell(use.file(), use.range(), "this call would not get the same object");
            }
        }
    }

    /** What a record is made of that is passed at an index; nothing where none is. */
    private static List<Range> made(AttributedFile code, List<Range> passed, int index) {
        return index >= passed.size() ? List.of() : code.expression(passed.get(index)).map(TreePath::getLeaf)
                .filter(tree -> tree instanceof NewClassTree made && made.getClassBody() == null)
                .map(tree -> Calls.arguments(tree).stream().map(code::range).toList()).orElse(List.of());
    }

    /** A reference passes on what the function gets; a lambda in its place must do so itself (JLS 15.13). */
    private void compareReference(Binding use, ExecutableElement method, NewSignature signature) {
        Optional<FunctionReference> reference = before.code(use.file())
                .flatMap(code -> FunctionReference.at(code, use.range()));
        if (isOfFunction(use)) {
            return;
        }
        boolean isPassedOn = reference.isPresent() && signature.components().isEmpty();
        for (PlaceAfter site : isPassedOn ? sites.of(use) : List.<PlaceAfter>of()) {
            List<Integer> expected = expected(method, signature.origins().orElseThrow(),
                    reference.get().passed().size());
            isPassedOn &= after.code(site.file()).filter(code -> call(code, site, mapping.key(use.key()))
                    .filter(now -> reference.get().isPassedOnBy(code, now, expected,
                            IntStream.range(0, reference.get().taken()).boxed().toList())).isPresent()).isPresent();
        }
        if (!isPassedOn) {
            tell(use.file(), use.range(), "the method is named here without being called, and would be passed "
                    + "something else");
        }
    }

    /** Whether what gets the object first stays a reference: {@code Tariff::due} is one either way (JLS 15.13.1). */
    private boolean staysReference(Binding use, NewSignature signature, ExecutableElement method) {
        List<Integer> all = signature.origins().orElseThrow();
        boolean wasFirst = signature.objectParameter().filter(index -> index == 0).isPresent()
                && all.equals(IntStream.range(1, method.getParameters().size()).boxed().toList());
        boolean isFirst = !all.isEmpty() && all.get(0) == NewSignature.OBJECT && all.subList(1, all.size())
                .equals(IntStream.range(0, method.getParameters().size()).boxed().toList());
        return (wasFirst || isFirst && before.code(use.file()).flatMap(code -> FunctionReference.at(code, use.range()))
                .filter(FunctionReference::takesObject).isPresent())
                && sites.of(use).stream().allMatch(site -> after.code(site.file())
                        .flatMap(code -> FunctionReference.at(code, site.range())).isPresent());
    }

    private boolean isOfFunction(Binding use) {
        return before.code(use.file()).stream().flatMap(code -> code.around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof MemberReferenceTree)
                .flatMap(path -> Functions.implementation(code, path).stream()))
                .anyMatch(one -> FunctionComparison.isConcerned(one.code(), one.function(), signatures));
    }

    /** What is passed; in place of an array that was no argument before, what is in it. */
    private Optional<List<Range>> arguments(PlaceAfter site, SymbolKey key, boolean isAnyNumber) {
        return after.code(site.file()).flatMap(code -> call(code, site, key).map(call -> !isAnyNumber
                ? passed(code, call) : Calls.arguments(call.getLeaf()).stream().flatMap(argument ->
                argument instanceof NewArrayTree array && array.getInitializers() != null && isNew(site, code
                        .range(argument)) ? array.getInitializers().stream().map(code::range)
                        : Stream.of(code.range(argument))).toList()));
    }

    /** Whether code was written, and not carried as a whole. */
    private boolean isNew(PlaceAfter site, Range code) {
        Path file = mapping.origin(site.file());
        int origin = mapping.origin(file, code.start());
        return mapping.isReplaced(file, new Range(origin, origin + 1)) && before.code(file).stream()
                .flatMap(known -> known.expressions(new TreePath(known.unit())).stream()
                        .filter(path -> path.getLeaf() instanceof NewArrayTree)
                        .map(path -> known.range(path.getLeaf())))
                .noneMatch(array -> mapping.copies(file, array).stream()
                        .anyMatch(copy -> copy.range().equals(code)));
    }

    private Optional<TreePath> call(AttributedFile code, PlaceAfter site, SymbolKey key) {
        return after.bindings(site.file()).stream()
                .filter(binding -> binding.range().start() == site.range().start() && binding.key().equals(key)
                        && binding.role() != Role.DOC)
                .flatMap(binding -> code.call(binding).stream()).findFirst();
    }

    private static List<Range> passed(AttributedFile code, TreePath call) {
        return Calls.arguments(call.getLeaf()).stream().map((ExpressionTree argument) -> code.range(argument)).toList();
    }

    /** For each argument afterwards the one that it was, by index; those for a parameter of any number one by one. */
    static List<Integer> expected(ExecutableElement method, List<Integer> origins, int passed) {
        List<Integer> expected = new ArrayList<>();
        int last = method.getParameters().size() - 1;
        for (int origin : origins) {
            if (origin == last && method.isVarArgs()) {
                for (int i = last; i < passed; i++) {
                    expected.add(i);
                }
            } else {
                expected.add(origin);
            }
        }
        return expected;
    }

    private boolean isSameCode(AttributedFile code, Range was, AttributedFile codeAfter, Range is, PassedObject object,
            Path file) {
        Optional<TreePath> argument = code.expression(was);
        Optional<TreePath> now = codeAfter.expression(is);
        return argument.isPresent() && now.isPresent() && object.isSameCode(code, argument.get(), codeAfter, now.get(),
                (one, place) -> isAt(file, one, place));
    }

    private void compare(Binding use, List<Range> was, List<Range> is, List<Integer> expected,
            BiPredicate<Range, Range> isAt) {
        if (is.size() != expected.size()) {
            tell(use.file(), use.range(), "this call would pass " + is.size() + " arguments instead of "
                    + expected.size());
            return;
        }
        for (int i = 0; i < is.size(); i++) {
            int origin = expected.get(i);
            if (origin >= 0
                    && (origin >= was.size() || !isAt.test(was.get(origin), is.get(i)))) {
                tell(use.file(), origin < was.size() ? was.get(origin) : use.range(),
                        "this would not be passed for the parameter that it is passed for");
                return;
            }
        }
    }

    /**
     * Whether an argument is what stands at a place now, or what the variable there was given; what is inserted just
     * before it is no part of it.
     */
    private boolean isAt(Path file, Range argument, Range now) {
        if (mapping.isReplaced(file, argument)) {
            return mapping.copies(file, argument).stream().anyMatch(copy -> copy.range().equals(now)
                    || holds(copy, now));
        }
        Range stays = mapping.code(file, argument);
        return stays.end() == now.end() && stays.encloses(now);
    }

    /** Whether a variable of a body stands at a place that never holds anything but the value of some code. */
    private boolean holds(PlaceAfter value, Range name) {
        return after.code(value.file()).stream().flatMap(code -> code.around(name).stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree && code.range(path.getLeaf()).equals(name))
                .flatMap(path -> code.element(path).stream())
                .filter(element -> element.getKind() == ElementKind.LOCAL_VARIABLE
                        && !after.isAssigned(code.key(element)))
                .flatMap(element -> after.declaration(code.key(element)).stream())
                .flatMap(declared -> code.declaration(declared.range()).stream())
                .map(path -> ((VariableTree) path.getLeaf()).getInitializer())
                .filter(Objects::nonNull).map(code::range)).anyMatch(value.range()::equals);
    }

    private void tell(Path file, Range range, String sentence) {
        differences.add(new Difference(Difference.Kind.BINDING, file, range, Optional.empty(), Optional.empty(),
                sentence));
    }
}
