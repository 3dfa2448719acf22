package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.SearchWords;
import dev.deftchisel.analysis.Subtypes;
import dev.deftchisel.analysis.UsingFiles;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.navigation.CallSignatures;
import dev.deftchisel.navigation.EnclosingCall;
import dev.deftchisel.navigation.InlayHints;
import dev.deftchisel.navigation.NameMeaning;
import dev.deftchisel.navigation.declaration.DeclarationSummary;
import dev.deftchisel.navigation.declaration.DeclaredMethods;
import dev.deftchisel.navigation.declaration.LibraryPage;
import dev.deftchisel.navigation.declaration.OutlinedDeclaration;
import dev.deftchisel.operation.NamedConstructor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Function;
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

    /** What a place means to somebody who looks around, see {@link NamedConstructor}; empty where no name stands. */
    public Optional<Symbol> symbol(Place place) {
        return symbol(spots.apply(place));
    }

    /** Where the name stands that is at a place; empty where none is. */
    public Optional<Range> name(Place place) {
        return spots.apply(place).bindings().stream().findFirst().map(Binding::range);
    }

    private static Optional<Symbol> symbol(ResolvedPlace resolved) {
        return NamedConstructor.at(resolved.analysis(), resolved.file(), resolved.place().caret())
                .or(resolved::symbol);
    }

    /** Where the symbol at a place is declared; empty when no name stands there, or a library declares it. */
    public Optional<Place> declaration(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        Optional<Symbol> meant = symbol(resolved);
        return meant.flatMap(symbol -> declaration(symbol, resolved.analysis()))
                // a constructor that nobody wrote is declared with its class
                .or(() -> resolved.symbol().filter(symbol -> !meant.equals(Optional.of(symbol)))
                        .flatMap(symbol -> declaration(symbol, resolved.analysis())));
    }

    private Optional<Place> declaration(Symbol symbol, Analysis here) {
        return here.declaration(symbol.key()).map(binding -> new Place(binding.file(), binding.range()))
                .or(() -> analyst.declaring(symbol.key()).flatMap(file -> declaration(symbol, file)));
    }

    /** What the outline does not tell has the compiler look at what the file declares, without any body. */
    private Optional<Place> declaration(Symbol symbol, SourceFile file) {
        return OutlinedDeclaration.of(symbol.key(), file).map(range -> new Place(file.path(), range))
                .or(() -> analyst.analyse(Focus.declarations(List.of(file.path()))).declaration(symbol.key())
                        .map(binding -> new Place(binding.file(), binding.range())));
    }

    /** Where the type of what stands at a place is declared; empty for primitive types, and for types of libraries. */
    public Optional<Place> typeDeclaration(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return typeAt(resolved).flatMap(type -> declaration(type, resolved.analysis()));
    }

    private static Optional<Symbol> typeAt(ResolvedPlace resolved) {
        return resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                .map(Analysis.KnownElement::element)
                .map(element -> element instanceof ExecutableElement method ? method.getReturnType() : element.asType())
                .filter(type -> type instanceof DeclaredType)
                .map(type -> resolved.analysis().key(((DeclaredType) type).asElement()))
                .flatMap(key -> resolved.analysis().symbol(key));
    }

    /** The file of a library or of the JDK that declares the symbol at a place; empty for what is in the workspace. */
    public Optional<LibraryPage> libraryDeclaration(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return symbol(resolved).flatMap(symbol -> libraryPage(symbol, resolved));
    }

    /** The same for the type of what stands at a place. */
    public Optional<LibraryPage> libraryTypeDeclaration(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return typeAt(resolved).flatMap(type -> libraryPage(type, resolved));
    }

    Optional<LibraryPage> libraryPage(Symbol symbol, ResolvedPlace resolved) {
        boolean isMember = symbol.kind().isType() || symbol.kind().isMethod() || symbol.kind().isField()
                || symbol.kind() == SymbolKind.CONSTRUCTOR;
        return resolved.analysis().known(symbol.key()).filter(known -> !symbol.isSource() && isMember)
                .flatMap(known -> LibraryPage.of(known, symbol.key(), resolved.file().module().classPath(),
                        analyst.snapshot().workspace().root()));
    }

    /** The types below the one at a place, or the methods that override the one there, in the workspace. */
    public List<Place> implementations(Place place) {
        return spots.apply(place).symbol().map(this::implementations).orElse(List.of()).stream()
                .map(binding -> new Place(binding.file(), binding.range())).toList();
    }

    private List<Binding> implementations(Symbol symbol) {
        if (symbol.key() instanceof SymbolKey.Type) {
            return typesBelow(symbol, (type, analysis) -> analysis.isSubtype(type, symbol.key()));
        }
        boolean isOverridable = symbol.kind() == SymbolKind.METHOD && !symbol.isStatic() && !symbol.isPrivate();
        return isOverridable ? overriding(symbol) : List.of();
    }

    /** The declarations of those types of the workspace that may be below another by their names, and are wanted. */
    List<Binding> typesBelow(Symbol above, BiPredicate<TypeElement, Analysis> isWanted) {
        Map<SourceFile, List<TypeOutline>> below = new Subtypes(analyst.snapshot()).of(Set.of(above.name()));
        Map<Path, List<Range>> names = new HashMap<>();
        below.forEach((file, types) -> names.put(file.path(), types.stream().map(TypeOutline::nameRange).toList()));
        return declarations(above, names, (key, analysis) -> analysis.known(key)
                .filter(known -> known.element() instanceof TypeElement type && isWanted.test(type, analysis))
                .isPresent());
    }

    /** In files that name a type which may be below the one of the method, and that may declare such a method. */
    private List<Binding> overriding(Symbol method) {
        Set<String> types = method.owner().filter(SymbolKey.Type.class::isInstance)
                .map(owner -> Set.of(simpleName((SymbolKey.Type) owner))).orElse(Set.of());
        Set<String> below = new HashSet<>(types);
        new Subtypes(analyst.snapshot()).of(types).values().forEach(found ->
                found.forEach(type -> below.add(type.name())));
        Set<Path> naming = new HashSet<>(analyst.snapshot().pathsMentioning(Set.of(method.name())));
        if (!types.isEmpty()) {
            naming.retainAll(analyst.snapshot().pathsMentioning(below));
        }
        Map<Path, List<Range>> names = new HashMap<>();
        naming.forEach(path -> names.put(path, DeclaredMethods.in(analyst.snapshot().source(path), method.name())));
        names.values().removeIf(List::isEmpty);
        return declarations(method, names, (key, analysis) -> key instanceof SymbolKey.Method
                && analysis.overrides(key, method.key()) || isImplementedByComponent(key, method, analysis));
    }

    private static String simpleName(SymbolKey.Type type) {
        return type.binaryName().replaceFirst(".*[.$]", "");
    }

    /** A component of a record has an accessor that nobody need write (JLS 8.10.3). */
    private static boolean isImplementedByComponent(SymbolKey key, Symbol method, Analysis analysis) {
        return key instanceof SymbolKey.Field field && field.name().equals(method.name())
                && analysis.symbol(key).filter(symbol -> symbol.kind() == SymbolKind.RECORD_COMPONENT).isPresent()
                && analysis.known(field.owner()).filter(known -> known.element() instanceof TypeElement record
                        && record.getRecordComponents().stream()
                        .filter(component -> component.getSimpleName().contentEquals(field.name()))
                        .anyMatch(component -> analysis.overrides(analysis.key(component.getAccessor()),
                                method.key()))).isPresent();
    }

    /** @param names where what is looked for may be declared, by file */
    private List<Binding> declarations(Symbol except, Map<Path, List<Range>> names,
            BiPredicate<SymbolKey, Analysis> isWanted) {
        if (names.isEmpty()) {
            return List.of();
        }
        Analysis analysis = analyst.analyse(Focus.around(names));
        return names.keySet().stream().sorted()
                .flatMap(file -> analysis.bindings(file).stream()
                        .filter(binding -> binding.role() == Role.DECLARATION && !binding.key().equals(except.key()))
                        .filter(binding -> names.get(file).stream().anyMatch(name -> name.encloses(binding.range()))))
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

    /** What all names of a file mean, in order. */
    public List<NameMeaning> names(Path file) {
        return NameMeaning.in(analyst.known(file).orElseGet(() -> analyst.analyse(Focus.whole(List.of(file)))), file);
    }

    /** The method of a library that the one at a place overrides, which keeps it from being called otherwise. */
    public Optional<Symbol> libraryMethodAbove(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        return resolved.symbol().filter(symbol -> symbol.kind().isMethod()).stream()
                .flatMap(symbol -> Family.of(symbol, resolved.analysis()).stream())
                .flatMap(key -> resolved.analysis().symbol(key).stream())
                .filter(symbol -> !symbol.isSource()).findFirst();
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
        return (onlyThere ? resolved.symbol() : symbol(resolved)).map(symbol -> {
            Set<String> words = SearchWords.of(symbol, resolved.analysis());
            Set<Path> files = symbol.kind().isLocal() || onlyThere
                    ? Set.of(place.file())
                    : UsingFiles.of(symbol, words, resolved.analysis(), analyst);
            Optional<Analysis> known = files.equals(Set.of(place.file())) ? analyst.known(place.file())
                    : Optional.empty();
            Analysis analysis = known.orElseGet(() -> analyst.analyse(Focus.on(files, words)));
            Map<Path, Set<Range>> constructors = onlyThere || !symbol.kind().isType() ? Map.of()
                    : NamedConstructor.declarations(analysis, files);
            List<Uses.Use> found = Family.of(symbol, analysis).stream()
                    .flatMap(key -> analysis.uses(key).stream())
                    .filter(use -> files.contains(use.file()))
                    .filter(use -> use.role() != Role.TYPE
                            || !constructors.getOrDefault(use.file(), Set.of()).contains(use.range()))
                    .map(this::use)
                    .distinct()
                    .sorted(Comparator.comparing(Uses.Use::file).thenComparing(Uses.Use::position))
                    .toList();
            return new Uses(symbol, found);
        });
    }

    private Uses.Use use(Binding binding) {
        SourceFile file = analyst.snapshot().source(binding.file());
        Range range = binding.isNamed() ? binding.range() : NamedConstructor.created(file.tokens(), binding.range());
        return new Uses.Use(file.path(), range, file.position(range.start()), binding.role(),
                file.root().use(),
                file.lines().text(file.lines().line(range.start())).strip());
    }
}
