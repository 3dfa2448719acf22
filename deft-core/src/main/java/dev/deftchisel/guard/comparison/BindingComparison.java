package dev.deftchisel.guard.comparison;

import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.guard.retyped.RetypedResults;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Compares two analyses of the same code, place by place. */
public final class BindingComparison {

    private static final String UNKNOWN = "(unknown)";
    /** What stands in a descriptor for a type that could not be resolved. */
    private static final String UNKNOWN_TYPE = "?";

    private final Analysis before;
    private final Uncertainty uncertainty;
    private final Analysis after;
    private final Mapping mapping;
    private final Sites sites;
    private final Set<SymbolKey> extended;
    private final Set<DeclarationPlace> revalued;
    private final SymbolEffects.Leeway freedom;
    private final RetypedResults results;
    private final Set<String> marks;
    private final Set<SymbolKey> factories;
    private final Map<Path, BindingsAfter> found = new HashMap<>();
    private final Map<SymbolKey, Set<SymbolKey>> standIns = new HashMap<>();

    /** Where a name is declared. */
    private record DeclarationPlace(Path file, Range name) {
    }

    public BindingComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.uncertainty = new Uncertainty(before);
        this.after = after;
        this.mapping = change.mapping();
        this.sites = new Sites(after, mapping);
        this.extended = change.meaning().extended();
        this.revalued = change.meaning().rewritten().stream().flatMap(key -> before.declaration(key).stream())
                .map(declared -> new DeclarationPlace(declared.file(), declared.range())).collect(Collectors.toSet());
        this.freedom = change.meaning().freedom();
        this.marks = change.meaning().marks();
        this.factories = change.meaning().factories().keySet();
        this.results = new RetypedResults(before, change.meaning());
    }

    /** Names, and what is bound without one, that mean something else. */
    public List<Difference> bindings() {
        List<Difference> differences = new ArrayList<>();
        for (SourceFile file : files()) {
            for (Binding binding : before.bindings(file.path())) {
                sites.of(binding).forEach(site -> compare(binding, site).ifPresent(differences::add));
            }
        }
        return differences;
    }

    private List<SourceFile> files() {
        // what annotation processors make is made anew, and compared as a whole
        List<SourceFile> files = new ArrayList<>(before.files().stream().filter(file -> !file.root().isProcessed())
                .toList());
        before.focus().files().forEach(path -> before.snapshot().file(path)
                .filter(SourceFile::isModuleInfo)
                .ifPresent(files::add));
        return files;
    }

    private BindingsAfter found(Path file) {
        return found.computeIfAbsent(file, path -> {
            BindingsAfter all = new BindingsAfter();
            after.bindings(path).forEach(all::add);
            return all;
        });
    }

    /** Whether a method is new in a type that gets members, and takes the place of another there as is wished. */
    private boolean isNewOverride(SymbolKey method, SymbolKey other) {
        return method instanceof SymbolKey.Method fresh && extended.contains(fresh.owner())
                && before.declaration(method).isEmpty()
                && after.overrides(method, other);
    }

    /**
     * Whether a variable of a body is declared no longer, since that was the error: its name means what it means then.
     */
    private boolean isMendedAway(SymbolKey key) {
        return freedom == SymbolEffects.Leeway.TYPES && key instanceof SymbolKey.Local local && before.declaration(key)
                .filter(declared -> !found(mapping.file(local.file()))
                        .declares(mapping.code(local.file(), declared.range())))
                .isPresent();
    }

    /**
     * Whether a method or its type parameter is the same one, of whose parameters or result the compiler did not know a
     * type before.
     */
    private static boolean isNowKnown(SymbolKey expected, SymbolKey actual) {
        if (expected instanceof SymbolKey.TypeParameter before && actual instanceof SymbolKey.TypeParameter now) {
            return before.index() == now.index() && isNowKnown(before.owner(), now.owner());
        }
        return expected instanceof SymbolKey.Method before && actual instanceof SymbolKey.Method now
                && before.descriptor().contains(UNKNOWN_TYPE) && before.owner().equals(now.owner()) && before.name()
                .equals(now.name())
                && now.descriptor().matches(Stream.of(before.descriptor().split(Pattern.quote(UNKNOWN_TYPE), -1))
                .map(Pattern::quote).collect(Collectors.joining("[^()]+")));
    }

    /** What a symbol may be where code is carried to which its declaration is carried too. */
    private Set<SymbolKey> standIns(SymbolKey key) {
        return standIns.computeIfAbsent(key, known -> before.declaration(known).stream()
                .flatMap(declared -> mapping.copies(declared.file(), declared.range()).stream())
                .flatMap(site -> found(site.file()).declaredAt(site.range()).stream())
                .collect(Collectors.toSet()));
    }

    private Optional<Difference> compare(Binding binding, PlaceAfter site) {
        // what no one could resolve before proves nothing now; a static import that names several members may be split
        if (binding.key() instanceof SymbolKey.Unknown || binding.role() == Role.IMPORT || isOfFactory(binding)) {
            return Optional.empty();
        }
        SymbolKey expected = mapping.key(binding.key());
        Set<SymbolKey> actual = binding.isNamed()
                ? found(site.file()).at(site.range())
                : found(site.file()).startingAt(site.range().start(),
                        mapping.code(binding.file(), binding.range()).start());
        if (actual.contains(expected) || actual.stream().anyMatch(standIns(binding.key())::contains)
                || actual.stream().anyMatch(key -> isNewOverride(key, expected) || isNowKnown(expected, key))
                || results.isSameDispatch(binding, actual)
                || uncertainty.of(binding) || isMendedAway(binding.key())
                || freedom == SymbolEffects.Leeway.TYPES && uncertainty.isHalfRead(binding.file())) {
            return Optional.empty();
        }
        Optional<SymbolKey> other = actual.stream().filter(key -> !(key instanceof SymbolKey.Unknown)).findFirst();
        if (other.isEmpty() && isNearMark(site)) {
            return Optional.empty();
        }
        if (expected instanceof SymbolKey.Package && other.filter(key -> !(key instanceof SymbolKey.Package))
                .isEmpty()) {
            // a package is only the beginning of the name of a type, which is compared itself; but it can be obscured
            return Optional.empty();
        }
        return Optional.of(difference(binding, site, other, other
                .map(key -> "would mean " + after.symbol(key).map(this::describe).orElse("something else")
                        + instead(binding))
                .orElse("would no longer be found" + instead(binding))));
    }

    /** Whether an object is made which a method may make instead; which one that is, is compared for itself. */
    private boolean isOfFactory(Binding binding) {
        Optional<AttributedFile> code = factories.contains(binding.key()) && binding.role() != Role.DECLARATION
                ? before.code(binding.file()) : Optional.empty();
        return code.filter(file -> file.call(binding).map(call -> call.getLeaf() instanceof NewClassTree made
                && made.getClassBody() == null).orElseGet(() -> file.around(binding.range()).stream()
                        .anyMatch(path -> path.getLeaf() instanceof MemberReferenceTree))).isPresent();
    }

    /** What is bound in a file after the change. */
    private static final class BindingsAfter {

        private final Map<Range, Set<SymbolKey>> byRange = new HashMap<>();
        private final Map<Integer, Set<SymbolKey>> byStart = new HashMap<>();
        private final Map<Range, SymbolKey> declared = new HashMap<>();

        void add(Binding binding) {
            byRange.computeIfAbsent(binding.range(), range -> new HashSet<>()).add(binding.key());
            byStart.computeIfAbsent(binding.range().start(), start -> new HashSet<>()).add(binding.key());
            if (binding.role() == Role.DECLARATION) {
                declared.put(binding.range(), binding.key());
            }
        }

        Set<SymbolKey> at(Range place) {
            return byRange.getOrDefault(place, Set.of());
        }

        boolean declares(Range place) {
            return declared.containsKey(place);
        }

        Optional<SymbolKey> declaredAt(Range place) {
            return Optional.ofNullable(declared.get(place));
        }

        /** Also what was inserted there, such as the name of an annotation's element. */
        Set<SymbolKey> startingAt(int start, int insertion) {
            Set<SymbolKey> keys = new HashSet<>(byStart.getOrDefault(start, Set.of()));
            keys.addAll(byStart.getOrDefault(insertion, Set.of()));
            return keys;
        }
    }

    private Difference difference(Binding binding, PlaceAfter site, Optional<SymbolKey> actual, String what) {
        String name = after.text(site.file(), site.range());
        Difference.Kind kind;
        if (binding.role() == Role.DOC) {
            kind = Difference.Kind.DOCUMENTATION;
        } else if (isMeantOtherwise(binding, actual)) {
            kind = Difference.Kind.OVERLOAD;
        } else {
            kind = Difference.Kind.BINDING;
        }
        return new Difference(kind, binding.file(), binding.range(),
                Optional.of(binding.key()), actual, "'" + name + "' " + what);
    }

    /**
     * Whether an error is mended, and a call means another method of the same name, or another constructor, or another
     * one now that what is around it was written otherwise.
     */
    private boolean isMeantOtherwise(Binding binding, Optional<SymbolKey> actual) {
        boolean isOtherOverload = binding.key() instanceof SymbolKey.Method before && actual.isPresent()
                && actual.get() instanceof SymbolKey.Method now
                && (before.name().equals(now.name()) || now.name().equals("<init>"));
        boolean isOwnDeclaration = binding.role() == Role.DECLARATION && actual.isPresent();
        return freedom == SymbolEffects.Leeway.TYPES && !before.errors(binding.file()).isEmpty()
                && (isOtherOverload || isOwnDeclaration || !binding.isNamed());
    }

    private String instead(Binding binding) {
        return before.symbol(binding.key()).map(symbol -> " instead of " + describe(symbol)).orElse("");
    }

    private String describe(Symbol symbol) {
        return "the " + symbol.describe();
    }

    /** Errors that the code does not have today. */
    public List<Difference> errors() {
        Map<String, Integer> known = new LinkedHashMap<>();
        for (CompilerError problem : before.errors()) {
            PlaceAfter place = mapping.codePlace(problem.file(), problem.range());
            known.merge(signature(place.file(), place.range().start(), problem.code()), 1, Integer::sum);
        }
        List<Difference> differences = new ArrayList<>();
        for (CompilerError problem : after.errors()) {
            String signature = signature(problem.file(), problem.range().start(), problem.code());
            if (known.merge(signature, -1, Integer::sum) < 0 && !wasHidden(problem) && !isOfNewClass(problem)
                    && !isMark(problem)) {
                Path file = mapping.origin(problem.file());
                if (freedom == SymbolEffects.Leeway.TYPES && uncertainty.isHalfRead(file)
                        && !Uncertainty.isOfParser(problem)) {
                    // the compiler had not got that far
                    continue;
                }
                int origin = mapping.origin(file, problem.range().start());
                differences.add(new Difference(Difference.Kind.ERROR, file, new Range(origin, origin),
                        Optional.empty(), Optional.empty(), "the compiler would say: " + problem.message()));
            }
        }
        return differences;
    }

    /**
     * Whether a name is as unknown as before, when the compiler had no reason to say so: what it would be selected from
     * was unknown, too.
     */
    private boolean wasHidden(CompilerError problem) {
        boolean isUnknownName = problem.code().startsWith("compiler.err.cant.resolve")
                || problem.code().equals("compiler.err.invalid.mref");
        if (!isUnknownName) {
            return false;
        }
        Path file = mapping.origin(problem.file());
        return before.bindings(file).stream()
                .filter(binding -> binding.isNamed() && binding.key() instanceof SymbolKey.Unknown)
                .flatMap(binding -> mapping.sites(file, binding.range()).stream())
                .anyMatch(site -> site.file().equals(problem.file()) && problem.range().encloses(site.range())
                        && found(site.file()).at(site.range()).stream()
                        .anyMatch(key -> key instanceof SymbolKey.Unknown));
    }

    private boolean isNearMark(Trace trace, String actual) {
        return readable(actual).equals(UNKNOWN) && places(trace).stream().anyMatch(this::isNearMark);
    }

    /** Whether what is unknown is a name that stands for a value to be chosen, where the change wrote it. */
    private boolean isMark(CompilerError problem) {
        return !marks.isEmpty() && problem.code().startsWith("compiler.err.cant.resolve")
                && after.snapshot().file(problem.file()).map(SourceFile::tokens)
                .filter(tokens -> marks.contains(tokens.text(tokens.at(problem.range().start())))).isPresent();
    }

    /** Whether a value is yet to be chosen in the statement around a place, so that nobody knows what that is. */
    private boolean isNearMark(PlaceAfter site) {
        return !marks.isEmpty() && after.code(site.file()).flatMap(code -> code.around(site.range()).stream()
                .filter(path -> path.getLeaf() instanceof StatementTree || path.getLeaf() instanceof MethodTree)
                .findFirst().map(path -> code.text(path.getLeaf())))
                .filter(statement -> marks.stream().anyMatch(statement::contains)).isPresent();
    }

    /** Whether an object is made in a way that a new class does not have: nobody knew the class before. */
    private boolean isOfNewClass(CompilerError problem) {
        Path file = mapping.origin(problem.file());
        return problem.code().startsWith("compiler.err.cant.apply.symbol") && before.bindings(file).stream()
                .filter(binding -> binding.isNamed() && binding.key() instanceof SymbolKey.Unknown
                        && uncertainty.isMade(binding))
                .flatMap(binding -> mapping.sites(file, binding.range()).stream())
                .anyMatch(site -> site.file().equals(problem.file()) && problem.range().encloses(site.range()));
    }

    private static String signature(Path file, int start, String code) {
        return file + ":" + start + ":" + code;
    }

    /** Types of expressions and values of constants that differ; {@link
     * dev.deftchisel.guard.retyped.RetypedValues} looks at variables. */
    public List<Difference> traces() {
        Map<Trace, String> found = new HashMap<>();
        for (Trace trace : after.traces()) {
            found.put(new Trace(trace.file(), trace.range(), trace.fact(), ""), trace.value());
        }
        List<Difference> differences = new ArrayList<>();
        for (Trace trace : before.traces()) {
            boolean isType = trace.fact() == Trace.Fact.TYPE;
            if (trace.fact() == Trace.Fact.VARIABLE
                    || !isType && revalued.contains(new DeclarationPlace(trace.file(), trace.range()))) {
                continue;
            }
            String expected = isType ? mapping.descriptor(trace.value()) : trace.value();
            Optional<String> other = places(trace).stream()
                    .map(site -> found.get(new Trace(site.file(), site.range(), trace.fact(), "")))
                    .filter(actual -> actual != null && !actual.equals(expected))
                    .findFirst();
            if (isType && other.isEmpty() && mapping.isReplaced(trace.file(), trace.range())) {
                other = choice(before, trace.file(), trace.range()).stream()
                        .flatMap(choice -> mapping.copies(trace.file(), choice).stream())
                        .flatMap(site -> typeOfChoice(site).stream())
                        .filter(actual -> !actual.equals(expected)).findFirst();
            }
            // what had no type before proves nothing now
            if (other.isPresent() && !(isType && (readable(expected).equals(UNKNOWN) || uncertainty.of(trace)
                    || results.areFree(trace, other.get()) || isNearMark(trace, other.get())))) {
                String actual = other.get();
                differences.add(new Difference(
                        isType ? Difference.Kind.TYPE : Difference.Kind.CONSTANT, trace.file(), trace.range(),
                        Optional.empty(), Optional.empty(),
                        isType
                                ? "this would have the type " + readable(actual) + " instead of " + readable(expected)
                                : "this constant would be " + actual + " instead of " + expected));
            }
        }
        return differences;
    }

    /**
     * The question mark of the conditional expression at a range. Its type depends on whether its parts are constants
     * (JLS 15.25.2), and where all its parts are written otherwise only the question mark is still the same.
     */
    private static Optional<Range> choice(Analysis analysis, Path file, Range range) {
        return analysis.code(file).stream().flatMap(code -> code.around(range).stream()
                .filter(path -> path.getLeaf() instanceof ConditionalExpressionTree && code.range(path.getLeaf())
                        .equals(range))
                .map(path -> questionMark(code, (ConditionalExpressionTree) path.getLeaf()))).findFirst();
    }

    private static Range questionMark(AttributedFile code, ConditionalExpressionTree choice) {
        return code.tokens().range(code.tokens().code(code.tokens().at(code.range(choice.getCondition()).end())));
    }

    private Optional<String> typeOfChoice(PlaceAfter questionMark) {
        return after.code(questionMark.file()).stream().flatMap(code -> code.around(questionMark.range()).stream()
                .filter(path -> path.getLeaf() instanceof ConditionalExpressionTree choice
                        && questionMark(code, choice).equals(questionMark.range()))
                .flatMap(path -> code.type(path).stream()).map(code::descriptor)).findFirst();
    }

    private List<PlaceAfter> places(Trace trace) {
        if (trace.fact() != Trace.Fact.TYPE) {
            return mapping.sites(trace.file(), trace.range());
        }
        List<PlaceAfter> places = new ArrayList<>(mapping.copies(trace.file(), trace.range()));
        if (!mapping.isReplaced(trace.file(), trace.range())) {
            places.add(new PlaceAfter(mapping.file(trace.file()), mapping.code(trace.file(), trace.range())));
        }
        return places;
    }

    /** A descriptor as people write types. */
    private static String readable(String descriptor) {
        return switch (descriptor.charAt(0)) {
            case '[' -> readable(descriptor.substring(1)) + "[]";
            case 'L' -> descriptor.substring(1, descriptor.length() - 1).replace('$', '.');
            case 'Z' -> "boolean";
            case 'B' -> "byte";
            case 'S' -> "short";
            case 'I' -> "int";
            case 'J' -> "long";
            case 'C' -> "char";
            case 'F' -> "float";
            case 'D' -> "double";
            case 'V' -> "void";
            default -> UNKNOWN;
        };
    }
}
