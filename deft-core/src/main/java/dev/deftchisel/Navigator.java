package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.SearchWords;
import dev.deftchisel.analysis.Subtypes;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.navigation.CallSignatures;
import dev.deftchisel.navigation.DeclarationSummary;
import dev.deftchisel.navigation.EnclosingCall;
import dev.deftchisel.navigation.InlayHints;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;

/** From a name to where it is declared and used, and to what is known of it. Of the moment it was made. */
public final class Navigator {

    private final Analyst analyst;
    private final Function<Place, ResolvedPlace> spots;

    /** @param spots tells what the code at a place means */
    Navigator(Analyst analyst, Function<Place, ResolvedPlace> spots) {
        this.analyst = analyst;
        this.spots = spots;
    }

    /** Where the symbol at a place is declared; empty when no name stands there, or a library declares it. */
    public Optional<Place> declaration(Place place) {
        return spots.apply(place).symbol().flatMap(symbol -> analyst.declaring(symbol.key()).flatMap(file -> {
            Analysis analysis = analyst.analyse(Focus.on(Set.of(file.path()), Set.of(symbol.name())));
            return analysis.declaration(symbol.key()).map(binding -> new Place(binding.file(), binding.range()));
        }));
    }

    /** Where the type of what stands at a place is declared; empty for primitive types, and for types of libraries. */
    public Optional<Place> typeDeclaration(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                .map(Analysis.KnownElement::element)
                .map(element -> element instanceof ExecutableElement method ? method.getReturnType() : element.asType())
                .filter(type -> type instanceof DeclaredType)
                .map(type -> resolved.analysis().key(((DeclaredType) type).asElement()))
                .flatMap(key -> analyst.declaring(key).flatMap(file ->
                        analyst.analyse(Focus.on(Set.of(file.path()), Set.of())).declaration(key)))
                .map(binding -> new Place(binding.file(), binding.range()));
    }

    /** The types below the one at a place, or the methods that override the one there, in the workspace. */
    public List<Place> implementations(Place place) {
        return spots.apply(place).symbol()
                .map(symbol -> symbol.key() instanceof SymbolKey.Type
                        ? typesBelow(symbol, (type, analysis) -> analysis.isSubtype(type, symbol.key()))
                        : overriding(symbol))
                .orElse(List.of()).stream()
                .map(binding -> new Place(binding.file(), binding.range())).toList();
    }

    /** The declarations of those types of the workspace that may be below another by their names, and are wanted. */
    List<Binding> typesBelow(Symbol above, BiPredicate<TypeElement, Analysis> isWanted) {
        Map<SourceFile, List<TypeOutline>> below = new Subtypes(analyst.snapshot()).of(Set.of(above.name()));
        return declarations(above, below.keySet().stream().map(SourceFile::path).collect(Collectors.toSet()),
                below.values().stream().flatMap(List::stream).map(TypeOutline::name).collect(Collectors.toSet()),
                (key, analysis) -> analysis.known(key).filter(known -> known.element() instanceof TypeElement type
                        && isWanted.test(type, analysis)).isPresent());
    }

    private List<Binding> overriding(Symbol method) {
        return declarations(method, analyst.snapshot().pathsMentioning(Set.of(method.name())), Set.of(method.name()),
                (key, analysis) -> key instanceof SymbolKey.Method && analysis.overrides(key, method.key()));
    }

    private List<Binding> declarations(Symbol except, Set<Path> files, Set<String> names,
            BiPredicate<SymbolKey, Analysis> isWanted) {
        Analysis analysis = analyst.analyse(Focus.on(files, names));
        return files.stream().sorted()
                .flatMap(file -> analysis.bindings(file).stream())
                .filter(binding -> binding.role() == Role.DECLARATION && !binding.key().equals(except.key()))
                .filter(binding -> isWanted.test(binding.key(), analysis))
                .toList();
    }

    /**
     * What the declaration of the symbol at a place says of itself; empty for locals, and for what a library declares.
     */
    public Optional<DeclarationSummary> described(Place place) {
        return declaration(place).flatMap(found -> analyst.snapshot().file(found.file())
                .flatMap(file -> DeclarationSummary.at(file, found.selection())));
    }

    /**
     * The type of the variable or the result of the method at a place, and its value where that is a constant (JLS
     * 15.29).
     */
    public Optional<Typed> typed(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                .map(Analysis.KnownElement::element)
                .flatMap(element -> element instanceof ExecutableElement method
                        ? Optional.of(new Typed(InlayHints.shown(method.getReturnType()), Optional.empty()))
                        : element instanceof VariableElement variable
                        ? Optional.of(new Typed(InlayHints.shown(variable.asType()),
                                Optional.ofNullable(variable.getConstantValue()))) : Optional.empty());
    }

    /**
     * What is known of a value.
     *
     * @param type  with simple names
     * @param value of a constant: a box of a primitive type, or a string
     */
    public record Typed(String type, Optional<Object> value) {
    }

    /**
     * What the call can pass in whose arguments a place is; empty outside of calls, and where nobody knows what is
     * called.
     */
    public Optional<CallSignatures> signatures(Place place) {
        return analyst.snapshot().file(place.file()).flatMap(file -> EnclosingCall.at(file.tokens(), place.caret()))
                .flatMap(call -> {
            ResolvedPlace resolved = spots.apply(new Place(place.file(), new Range(call.name(), call.name())));
            return resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                    .filter(known -> known.element() instanceof ExecutableElement
                            || known.element() instanceof TypeElement)
                    .map(known -> CallSignatures.of(known.element(), known, call.argument()));
        });
    }

    /** What the compiler knows of a stretch of a file and the code does not say. */
    public List<InlayHints.Hint> hints(Path file, Range range) {
        return analyst.analyse(Focus.around(file, range)).code(file).map(code -> InlayHints.in(code, range))
                .orElse(List.of());
    }

    /** Every use of the symbol at a place; empty when no name stands there. */
    public Optional<Uses> uses(Place place) {
        return uses(place, false);
    }

    /** Every use in the same file. */
    public Optional<Uses> usesInFile(Place place) {
        return uses(place, true);
    }

    private Optional<Uses> uses(Place place, boolean onlyThere) {
        ResolvedPlace resolved = spots.apply(place);
        return resolved.symbol().map(symbol -> {
            Set<String> words = SearchWords.of(symbol, resolved.analysis());
            Set<Path> files = symbol.kind().isLocal() || onlyThere
                    ? Set.of(place.file())
                    : analyst.snapshot().pathsMentioning(words);
            Optional<Analysis> known = files.equals(Set.of(place.file())) ? analyst.known(place.file())
                    : Optional.empty();
            Analysis analysis = known.orElseGet(() -> analyst.analyse(Focus.on(files, words)));
            List<Uses.Use> found = Family.of(symbol, analysis).stream()
                    .flatMap(key -> analysis.uses(key).stream())
                    .filter(use -> files.contains(use.file()))
                    .map(this::use)
                    .distinct()
                    .sorted(Comparator.comparing(Uses.Use::file).thenComparing(Uses.Use::position))
                    .toList();
            return new Uses(symbol, found);
        });
    }

    private Uses.Use use(Binding binding) {
        SourceFile file = analyst.snapshot().source(binding.file());
        return new Uses.Use(file.path(), binding.range(), file.position(binding.range().start()), binding.role(),
                file.root().use(),
                file.lines().text(file.lines().line(binding.range().start())).strip());
    }
}
