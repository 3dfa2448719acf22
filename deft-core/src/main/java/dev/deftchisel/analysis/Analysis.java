package dev.deftchisel.analysis;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.binding.Attribution;
import dev.deftchisel.analysis.binding.MethodRelations;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.StaticContexts;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.MethodRelation;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * What the names in some files mean. Immutable to those who use it; holds the compiler's trees and symbols, so it
 * should be dropped when the question it was made for is answered.
 */
public final class Analysis {

    private final Snapshot snapshot;
    private final Focus focus;
    private final List<Attribution> parts;
    private final List<Binding> moduleBindings;
    /** What names mean, read off the trees when it is asked for: those who only look at trees need none of it. */
    private final Map<Path, List<Binding>> byFile = new HashMap<>();
    private final Map<SymbolKey, List<Binding>> byKey = new HashMap<>();
    private final Libraries libraries;
    private final Map<Path, List<CompilerError>> errorsByFile;
    private final Map<String, Long> imports = new ConcurrentHashMap<>();
    private boolean isRead;

    Analysis(Snapshot snapshot, Focus focus, List<Attribution> parts, List<Binding> moduleBindings,
            Libraries libraries) {
        this.snapshot = snapshot;
        this.focus = focus;
        this.parts = List.copyOf(parts);
        this.moduleBindings = List.copyOf(moduleBindings);
        this.libraries = libraries;
        this.errorsByFile = errors().stream().collect(Collectors.groupingBy(CompilerError::file));
    }

    private void read() {
        if (isRead) {
            return;
        }
        isRead = true;
        Stream.concat(parts.stream().flatMap(part -> part.facts().all().stream())
                        .flatMap(facts -> facts.bindings().stream()), moduleBindings.stream())
                .forEach(binding -> {
                    byFile.computeIfAbsent(binding.file(), file -> new ArrayList<>()).add(binding);
                    byKey.computeIfAbsent(binding.key(), key -> new ArrayList<>()).add(binding);
                });
        byFile.values().forEach(list -> list.sort(Comparator.comparing(Binding::range)));
    }

    /** The snapshot that was analysed. */
    public Snapshot snapshot() {
        return snapshot;
    }

    /** What was looked at. */
    public Focus focus() {
        return focus;
    }

    /** The names in a file, in order; empty for a file that was not looked at. */
    public List<Binding> bindings(Path file) {
        read();
        return byFile.getOrDefault(file, List.of());
    }

    /** The files that were looked at. */
    public Collection<SourceFile> files() {
        return parts.stream().flatMap(part -> part.files().values().stream()).toList();
    }

    /** Every binding to a symbol. */
    public List<Binding> uses(SymbolKey key) {
        read();
        return byKey.getOrDefault(key, List.of());
    }

    /** Whether a variable gets a value anywhere else than where it is declared. */
    public boolean isAssigned(SymbolKey variable) {
        return uses(variable).stream().anyMatch(use -> use.role() == Role.WRITE)
                || variable instanceof SymbolKey.Field field && declaration(field)
                .flatMap(declared -> snapshot.file(declared.file()))
                .filter(file -> ImplicitOrigin.isAssigned(field, file, libraries.additions())).isPresent();
    }

    /** The named bindings at a caret: those whose name it stands in or directly after it. */
    public List<Binding> at(Path file, int caret) {
        List<Binding> touching = bindings(file).stream()
                .filter(binding -> binding.isNamed() && binding.range().touches(caret))
                .toList();
        List<Binding> within = touching.stream().filter(binding -> binding.range().contains(caret)).toList();
        return within.isEmpty() ? touching : within;
    }

    /** What is known of a symbol. */
    public Optional<Symbol> symbol(SymbolKey key) {
        if (key instanceof SymbolKey.Module module) {
            boolean isSource = declaration(key).isPresent();
            return Optional.of(new Symbol(key, SymbolKind.MODULE, module.name(), module.name(), Optional.empty(),
                    Set.of(), isSource));
        }
        return parts.stream()
                .map(part -> part.symbols().symbol(key))
                .flatMap(Optional::stream)
                .findFirst();
    }

    /** Where a symbol is declared, if in one of the files. */
    public Optional<Binding> declaration(SymbolKey key) {
        return uses(key).stream().filter(binding -> binding.role() == Role.DECLARATION).findFirst();
    }

    /** The errors in the files. */
    public List<CompilerError> errors() {
        return parts.stream().flatMap(part -> part.run().errors().stream()).toList();
    }

    /** Those in one file. */
    public List<CompilerError> errors(Path file) {
        return errorsByFile.getOrDefault(file, List.of());
    }

    /** The facts beyond names, in the files. */
    public List<Trace> traces() {
        return parts.stream()
                .flatMap(part -> part.facts().all().stream())
                .flatMap(facts -> facts.traces().stream())
                .toList();
    }

    /** What could not be analysed, one line each. */
    public List<String> gaps() {
        return parts.stream().flatMap(part -> part.run().gaps().stream()).distinct().toList();
    }

    /**
     * How methods of these names relate to each other, in the types of the files and in all that may be subtypes of
     * some given ones.
     *
     * @param names simple names of methods
     * @param above simple names of types whose subtypes are looked at wherever they are
     */
    public Set<MethodRelation> methodRelations(Set<String> names, Set<String> above) {
        Map<SourceFile, List<TypeOutline>> below = above.isEmpty() ? Map.of() : new Subtypes(snapshot).of(above);
        Set<MethodRelation> found = new LinkedHashSet<>();
        for (Attribution part : parts) {
            Set<TypeElement> types = new LinkedHashSet<>(part.facts().types());
            below.forEach((file, sketches) -> {
                if (part.scope().sees(file.module())) {
                    sketches.forEach(sketch -> {
                        TypeElement type = part.elements().getTypeElement(file.outline().qualifiedName(sketch));
                        if (type != null) {
                            types.add(type);
                        }
                    });
                }
            });
            MethodRelations relations = new MethodRelations(part, names);
            types.forEach(type -> relations.collect(type, found));
        }
        return found;
    }

    /** The key of an element that belongs to one of the compiler runs of this analysis. */
    public SymbolKey key(Element element) {
        return parts.stream()
                .map(part -> part.symbols().key(element))
                .filter(key -> !(key instanceof SymbolKey.Unknown))
                .findFirst()
                .orElseGet(() -> new SymbolKey.Unknown(element.getSimpleName().toString()));
    }

    /** Whether a method overrides another in the type that declares it (JLS 8.4.8.1). */
    public boolean overrides(SymbolKey method, SymbolKey other) {
        return known(method).filter(known -> known.element() instanceof ExecutableElement own
                && Supertypes.overridden(own, known.elements(), known.types()).stream()
                .anyMatch(above -> key(above).equals(other))).isPresent();
    }

    /** The element of a symbol together with the means to ask about it. */
    public Optional<KnownElement> known(SymbolKey key) {
        return parts.stream()
                .map(part -> part.symbols().keys().element(key)
                        .map(element -> new KnownElement(element, part.elements(), part.typeRelations())))
                .flatMap(Optional::stream)
                .findFirst();
    }

    /** Whether a type of this analysis is a subtype of another, type arguments aside. */
    public boolean isSubtype(TypeElement type, SymbolKey supertype) {
        return known(supertype).filter(known -> known.element() instanceof TypeElement declared
                && known.types().isSubtype(known.types().erasure(type.asType()), known.types()
                        .erasure(declared.asType())))
                .isPresent();
    }

    /**
     * An element of the compiler and the relations it belongs to; elements of different analyses must not be mixed.
     *
     * @param element   the element
     * @param elements  of the same compiler run
     * @param types     of the same compiler run
     */
    public record KnownElement(Element element, Elements elements, Types types) {
    }

    /**
     * A type around a place.
     *
     * @param key      its identity
     * @param name     simple name, empty for an anonymous class
     * @param element  the type
     * @param isStatic whether the place is in a static context of it, so that there is no {@code this} (JLS 8.1.3)
     */
    public record Enclosing(SymbolKey key, String name, TypeElement element, boolean isStatic) {
    }

    /** The types around an offset, innermost first. */
    public List<Enclosing> enclosing(Path file, int offset) {
        List<Enclosing> found = new ArrayList<>();
        Attribution part = partOf(file).orElse(null);
        if (part == null) {
            return found;
        }
        CompilationUnitTree unit = part.run().units().get(file);
        boolean isStatic = false;
        for (TreePath path = pathTo(part, unit, offset); path != null; path = path.getParentPath()) {
            Tree leaf = path.getLeaf();
            if (leaf instanceof ClassTree) {
                if (part.run().trees().getElement(path) instanceof TypeElement type) {
                    found.add(new Enclosing(
                            part.symbols().key(type), type.getSimpleName().toString(), type, isStatic));
                    isStatic |= type.getModifiers().contains(Modifier.STATIC) || type.getKind().isInterface();
                }
            } else {
                isStatic |= StaticContexts.opens(leaf);
            }
        }
        return found;
    }

    /** The qualified names of types that have a simple name: those of the workspace first, then those of libraries. */
    public List<String> typesCalled(String simpleName, Path from) {
        Set<String> found = new LinkedHashSet<>();
        partOf(from).ifPresent(part -> {
            snapshot.files().stream()
                    .filter(file -> file.header().headerNames().contains(simpleName) && part.scope()
                            .sees(file.module()))
                    .flatMap(file -> file.outline().types().stream().filter(type -> type.name().equals(simpleName))
                            .map(type -> file.outline().qualifiedName(type)))
                    .forEach(found::add);
            found.addAll(libraries.names(part.scope().classPath()).called(simpleName));
            SourceFile file = part.files().get(from);
            found.removeIf(name -> topLevel(part, name).flatMap(type -> part.visibility().objection(file, type))
                    .isPresent());
        });
        return List.copyOf(found);
    }

    /** The outermost type around a type that is known by its qualified name; empty when there is none. */
    private static Optional<String> topLevel(Attribution part, String qualifiedName) {
        TypeElement type = part.elements().getTypeElement(qualifiedName);
        while (type != null && type.getEnclosingElement() instanceof TypeElement outer) {
            type = outer;
        }
        return Optional.ofNullable(type).map(found -> found.getQualifiedName().toString());
    }

    /**
     * Where a file needs a type that its build does not let it see; none for a file that was not looked at.
     *
     * @param withMembers whether members of such types count too, where the type itself is not named
     */
    public List<UnseenType> unseen(Path file, boolean withMembers) {
        return partOf(file).map(part -> UnseenTypes.of(new AttributedFile(part.files().get(file), part),
                part.visibility(), withMembers)).orElse(List.of());
    }

    /** How many files import a name. */
    public long importing(String qualifiedName) {
        // asked for each of the many errors that one missing library causes
        return imports.computeIfAbsent(qualifiedName, this::countImports);
    }

    private long countImports(String qualifiedName) {
        return snapshot.mentioning(Set.of(qualifiedName.substring(qualifiedName.lastIndexOf('.') + 1))).stream()
                .filter(file -> file.outline().imports().stream()
                        .anyMatch(line -> !line.isStatic() && line.name().equals(qualifiedName)))
                .count();
    }

    /** The tree of a file; empty when the file was not looked at. */
    public Optional<AttributedFile> code(Path file) {
        return partOf(file).map(part -> new AttributedFile(part.files().get(file), part));
    }

    private static TreePath pathTo(Attribution part, CompilationUnitTree unit, int offset) {
        SourcePositions positions = part.run().positions();
        TreePath[] deepest = {new TreePath(unit)};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree == null) {
                    return null;
                }
                long start = positions.getStartPosition(unit, tree);
                long end = positions.getEndPosition(unit, tree);
                if (start >= 0 && start <= offset && offset < end) {
                    deepest[0] = new TreePath(getCurrentPath(), tree);
                    return super.scan(tree, null);
                }
                return null;
            }
        }.scan(new TreePath(unit), null);
        return deepest[0];
    }

    private Optional<Attribution> partOf(Path file) {
        return parts.stream().filter(part -> part.run().units().containsKey(file)).findFirst();
    }

    /** Whether some name in the files could not be resolved and reads like this one; in code, not in documentation. */
    public List<Binding> unresolved(String name) {
        return uses(new SymbolKey.Unknown(name)).stream()
                .filter(binding -> binding.role() != Role.DOC)
                .toList();
    }

    /** The text of a range. */
    public String text(Path file, Range range) {
        return snapshot.source(file).content().substring(range.start(), range.end());
    }
}
