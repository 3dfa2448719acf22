package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.navigation.declaration.DeclarationTree;
import dev.deftchisel.navigation.declaration.LibraryPage;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Who calls whom in the workspace, and which type is directly above or below which, there and in libraries. Of the
 * moment it was made.
 */
public final class Hierarchy {

    private final Analyst analyst;
    private final Navigator navigator;
    private final Function<Place, ResolvedPlace> spots;

    Hierarchy(Analyst analyst, Navigator navigator, Function<Place, ResolvedPlace> spots) {
        this.analyst = analyst;
        this.navigator = navigator;
        this.spots = spots;
    }

    /**
     * A declaration with a place of its own.
     *
     * @param file      in which it is declared
     * @param sketch    what is declared
     * @param container the type or package that it is declared in; empty in the unnamed package
     */
    public record Member(SourceFile file, MemberOutline sketch, String container) {

        /** Its name. */
        public Place place() {
            return new Place(file.path(), new Range(sketch.nameRange().start(), sketch.nameRange().start()));
        }
    }

    /**
     * Calls between two members.
     *
     * @param other  the one that calls, or is called
     * @param file   in which the calls are
     * @param ranges of the names in the calls, in order
     */
    public record Calls(Member other, Path file, List<Range> ranges) {

        /** Copies the list. */
        public Calls {
            ranges = List.copyOf(ranges);
        }
    }

    /**
     * The declaration of what stands at a place: a type, a method or a field; empty for others, and for what a library
     * declares.
     */
    public Optional<Member> declared(Place place) {
        return navigator.declaration(place).flatMap(found -> member(found.file(), found.selection()));
    }

    private Optional<Member> member(Path path, Range name) {
        return innermost(path, member -> member.nameRange().equals(name));
    }

    private Optional<Member> innermost(Path path, Predicate<MemberOutline> isMeant) {
        return analyst.snapshot().file(path).flatMap(file -> file.outline().members().stream()
                .filter(isMeant)
                .min(Comparator.comparingInt(member -> member.range().length()))
                .map(member -> new Member(file, member, DeclarationTree.container(file, member))));
    }

    /** The members that call the method or constructor at a place, in the order of files and places. */
    public List<Calls> callers(Place place) {
        Map<Member, List<Range>> calls = new LinkedHashMap<>();
        navigator.uses(place).map(Uses::all).orElse(List.of()).stream().filter(use -> use.role() == Role.CALL)
                .forEach(use -> innermost(use.file(), member -> member.range().encloses(use.range()))
                        .ifPresent(caller -> calls.computeIfAbsent(caller, member -> new ArrayList<>())
                                .add(use.range())));
        return calls.entrySet().stream().map(one -> new Calls(one.getKey(), one.getKey().file().path(), one.getValue()))
                .toList();
    }

    /** The methods of the workspace that the member at a place calls, in the order of the first calls. */
    public List<Calls> callees(Place place) {
        Optional<Member> caller = declared(place);
        if (caller.isEmpty()) {
            return List.of();
        }
        Path path = caller.get().file().path();
        Range body = caller.get().sketch().range();
        Analysis here = analyst.known(path).orElseGet(() -> analyst.analyse(Focus.around(path, body)));
        Map<SymbolKey, List<Range>> calls = new LinkedHashMap<>();
        here.bindings(path).stream().filter(binding -> binding.role() == Role.CALL && body.encloses(binding.range()))
                .forEach(binding -> calls.computeIfAbsent(binding.key(), key -> new ArrayList<>())
                        .add(binding.range()));
        Map<SymbolKey, Member> declared = declared(calls.keySet(), here);
        return calls.entrySet().stream().filter(one -> declared.containsKey(one.getKey()))
                .map(one -> new Calls(declared.get(one.getKey()), path, one.getValue())).toList();
    }

    /** Where symbols are declared; those of libraries are left out. */
    private Map<SymbolKey, Member> declared(Collection<SymbolKey> keys, Analysis where) {
        Set<Path> files = keys.stream().flatMap(key -> analyst.declaring(key).stream()).map(SourceFile::path)
                .collect(Collectors.toSet());
        Set<String> names = keys.stream().flatMap(key -> where.symbol(key).stream()).map(symbol -> symbol.name())
                .collect(Collectors.toSet());
        Map<SymbolKey, Member> found = new LinkedHashMap<>();
        if (!files.isEmpty() && !names.isEmpty()) {
            Analysis there = analyst.analyse(Focus.on(files, names));
            keys.forEach(key -> there.declaration(key).flatMap(binding -> member(binding.file(), binding.range()))
                    .ifPresent(member -> found.put(key, member)));
        }
        return found;
    }

    /** The types of the workspace that the type at a place extends or implements itself. */
    public List<Member> supertypes(Place place) {
        ResolvedPlace resolved = spots.apply(place);
        List<SymbolKey> above = resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                .filter(known -> known.element() instanceof TypeElement)
                .map(known -> supertypes((TypeElement) known.element(), resolved.analysis())).orElse(List.of());
        return List.copyOf(declared(above, resolved.analysis()).values());
    }

    private static List<SymbolKey> supertypes(TypeElement type, Analysis analysis) {
        return above(type).map(analysis::key).toList();
    }

    private static Stream<TypeElement> above(TypeElement type) {
        return Stream.concat(Stream.of(type.getSuperclass()), type.getInterfaces().stream())
                .filter(one -> one instanceof DeclaredType)
                .map((TypeMirror one) -> (TypeElement) ((DeclaredType) one).asElement());
    }

    /**
     * A type that no file of the workspace declares.
     *
     * @param name  qualified
     * @param place where a type of the workspace is named from which it was come to
     * @param page  where it can be read
     */
    public record LibraryType(String name, Place place, LibraryPage page) {
    }

    /** The types of libraries and of the JDK that the type at a place extends or implements itself. */
    public List<LibraryType> librarySupertypes(Place place) {
        return libraryTypes(place, resolved -> resolved.symbol()
                .flatMap(symbol -> resolved.analysis().known(symbol.key())).map(Analysis.KnownElement::element));
    }

    /** The same of a type that is in a library itself. */
    public List<LibraryType> librarySupertypes(Place place, String type) {
        return libraryTypes(place, resolved -> named(type, resolved).map(element -> element));
    }

    private List<LibraryType> libraryTypes(Place place, Function<ResolvedPlace, Optional<Element>> below) {
        ResolvedPlace resolved = spots.apply(place);
        return below.apply(resolved).filter(TypeElement.class::isInstance).stream()
                .flatMap(element -> above((TypeElement) element))
                .flatMap(type -> libraryType(type, resolved).stream()).toList();
    }

    private Optional<LibraryType> libraryType(TypeElement type, ResolvedPlace resolved) {
        Analysis analysis = resolved.analysis();
        return analysis.symbol(analysis.key(type)).flatMap(symbol -> navigator.libraryPage(symbol, resolved))
                .map(page -> new LibraryType(type.getQualifiedName().toString(), resolved.place(), page));
    }

    private static Optional<TypeElement> named(String type, ResolvedPlace resolved) {
        return resolved.symbol().flatMap(symbol -> resolved.analysis().known(symbol.key()))
                .map(known -> known.elements().getTypeElement(type));
    }

    /** The types of the workspace that extend or implement the type at a place themselves. */
    public List<Member> subtypes(Place place) {
        return spots.apply(place).symbol().map(this::subtypes).orElse(List.of());
    }

    /** The same of a type of a library. */
    public List<Member> subtypes(Place place, String type) {
        ResolvedPlace resolved = spots.apply(place);
        return named(type, resolved).map(element -> resolved.analysis().key(element))
                .flatMap(resolved.analysis()::symbol).map(this::subtypes).orElse(List.of());
    }

    private List<Member> subtypes(Symbol of) {
        return !(of.key() instanceof SymbolKey.Type) ? List.of()
                : navigator.typesBelow(of, (type, analysis) -> supertypes(type, analysis).contains(of.key())).stream()
                .flatMap(binding -> member(binding.file(), binding.range()).stream()).toList();
    }
}
