package dev.deftchisel.analysis;

import dev.deftchisel.added.Additions;
import dev.deftchisel.analysis.binding.Attribution;
import dev.deftchisel.analysis.binding.LazyBindings;
import dev.deftchisel.analysis.binding.ModuleInfos;
import dev.deftchisel.analysis.binding.Symbols;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.CompilerRun;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.compiler.SnapshotFileManager;
import dev.deftchisel.analysis.compiler.VisibleText;
import dev.deftchisel.analysis.declared.DeclaredClass;
import dev.deftchisel.analysis.scope.CompilationScope;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.scope.Readability;
import dev.deftchisel.analysis.scope.SourceNames;
import dev.deftchisel.analysis.scope.TypeVisibility;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.ElementKeys;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.util.Elements;

/**
 * Has code attributed by the JDK's compiler and reads off what its names mean.
 *
 * <p>How little is analysed decides how fast everything is. Only the files of the {@link Focus} are attributed; in them
 * only the bodies in which a name of interest stands; every other source is read when the compiler asks for it, and
 * then without any body.
 */
public final class Analyst {

    private final Snapshot snapshot;
    private final Libraries libraries;
    private final Monitor monitor;
    private final Kept kept;
    /** The answer to the last question, which is often asked again: a place is read, then worked on. */
    private volatile Analysis latest;
    /** The latest answer about whole files, in which whoever looks around in one of them finds all he needs. */
    private volatile Analysis latestWhole;

    /**
     * @param snapshot  the code
     * @param libraries opened for the same workspace, shared between snapshots
     * @param monitor   is told of each file that is analysed
     */
    public Analyst(Snapshot snapshot, Libraries libraries, Monitor monitor) {
        this(snapshot, libraries, monitor, new Kept(Optional.empty(), Optional.empty(), false));
    }

    private Analyst(Snapshot snapshot, Libraries libraries, Monitor monitor, Kept kept) {
        this.snapshot = snapshot;
        this.libraries = libraries;
        this.monitor = monitor;
        this.kept = kept;
    }

    /**
     * What is there already.
     *
     * @param classes  what the files around declare, from question to question
     * @param other    whose answers will do as well
     * @param isEnough whether nothing else may be analysed
     */
    private record Kept(Optional<DeclaredClasses> classes, Optional<Analyst> other, boolean isEnough) {
    }

    /**
     * One for those who only look: what the files around declare is kept from question to question.
     *
     * @param declared shared between snapshots
     */
    public Analyst looking(DeclaredClasses declared) {
        return new Analyst(snapshot, libraries, monitor, new Kept(Optional.of(declared), Optional.of(this), false));
    }

    /**
     * One for whom there is no time to analyse anything: of files that are analysed already he gives that back, and
     * for all others throws {@link NotKnownException}.
     */
    public Analyst remembering() {
        return new Analyst(snapshot, libraries, monitor, new Kept(Optional.empty(), Optional.of(this), true));
    }

    /** The code that is analysed. */
    public Snapshot snapshot() {
        return snapshot;
    }

    /** What the types of a file have beyond its text. */
    public Additions added(SourceFile file) {
        return libraries.additions().of(file);
    }

    /**
     * Other code with what annotation processors make of it, where they may be run.
     *
     * @throws AnalysisException when one of them breaks down
     */
    public Snapshot remade(Snapshot changed) {
        return libraries.processing().remade(changed);
    }

    /** Whether it is known what an annotation processor adds, so that it need not be run. */
    public boolean standsFor(Library processor) {
        return libraries.standsFor(processor);
    }

    /** One who analyses other code with the same libraries. */
    public Analyst of(Snapshot other) {
        return new Analyst(other, libraries, monitor, new Kept(Optional.empty(), Optional.empty(), kept.isEnough));
    }

    /** The file in which a symbol is declared, as far as its key tells. */
    public Optional<SourceFile> declaring(SymbolKey symbol) {
        if (symbol instanceof SymbolKey.Type type) {
            return snapshot.files().stream()
                    .filter(file -> file.header().types().stream()
                            .anyMatch(name -> file.header().qualifiedName(name).equals(type.topLevel())))
                    .findFirst();
        } else if (symbol instanceof SymbolKey.Field field) {
            return declaring(field.owner());
        } else if (symbol instanceof SymbolKey.Method method) {
            return declaring(method.owner());
        } else if (symbol instanceof SymbolKey.TypeParameter parameter) {
            return declaring(parameter.owner());
        } else if (symbol instanceof SymbolKey.Local local) {
            return snapshot.file(local.file());
        }
        return symbol instanceof SymbolKey.LocalType local ? snapshot.file(local.file()) : Optional.empty();
    }

    /**
     * Analyses what the focus says.
     *
     * @throws AnalysisException when the compiler fails and cannot be helped
     * @throws NotKnownException when this one only remembers, and files of the focus were not analysed as a whole
     */
    public Analysis analyse(Focus focus) {
        if (kept.isEnough) {
            return focus.files().stream().findFirst().flatMap(this::known)
                    .filter(known -> focus.types().isEmpty() && known.focus().files().containsAll(focus.files()))
                    .orElseThrow(NotKnownException::new);
        }
        Analysis known = latest;
        if (known == null || !known.focus().equals(focus)) {
            known = DeepStack.call(() -> analyseHere(focus));
            latest = known;
            if (!focus.isPartial()) {
                latestWhole = known;
            }
        }
        return known;
    }

    /** An analysis of all of a file, if there is one already; it may be of other files, too. */
    public Optional<Analysis> known(Path file) {
        return Optional.ofNullable(latestWhole).filter(known -> known.focus().files().contains(file))
                .or(() -> kept.other.flatMap(analyst -> analyst.known(file)));
    }

    private Analysis analyseHere(Focus focus) {
        Map<SourceFile, List<TypeOutline>> subtypes = focus.types().isEmpty()
                ? Map.of()
                : new Subtypes(snapshot).of(focus.types());
        List<Attribution> parts = new ArrayList<>();
        for (CompilationScope scope : CompilationScope.of(snapshot)) {
            List<SourceFile> files = snapshot.files().stream()
                    .filter(file -> !file.isModuleInfo())
                    .filter(file -> scope.attributes(file.module()))
                    .filter(file -> focus.files().contains(file.path()) || hasLocalType(file, subtypes))
                    .toList();
            if (!files.isEmpty()) {
                parts.add(attribute(scope, files, focus, subtypes));
            }
        }
        ModuleInfos modules = new ModuleInfos(snapshot);
        List<Binding> moduleBindings = snapshot.files().stream()
                .filter(file -> file.isModuleInfo() && focus.files().contains(file.path()))
                .flatMap(file -> modules.bindings(file).stream())
                .toList();
        return new Analysis(snapshot, focus, parts, moduleBindings, libraries);
    }

    /** Whether a body of the file declares one of the types. */
    private static boolean hasLocalType(SourceFile file, Map<SourceFile, List<TypeOutline>> types) {
        return types.getOrDefault(file, List.of()).stream()
                .anyMatch(type -> file.outline().bodies().stream().anyMatch(body -> body.encloses(type.nameRange())));
    }

    private Attribution attribute(
            CompilationScope scope, List<SourceFile> files, Focus focus,
            Map<SourceFile, List<TypeOutline>> subtypes) {
        Map<Path, List<DeclaredClass>> classes = kept.classes.map(declared -> declared.of(snapshot, scope,
                files.stream().map(SourceFile::path).collect(Collectors.toSet()))).orElse(Map.of());
        SnapshotFileManager manager = new SnapshotFileManager(
                libraries.manager(scope.classPath()), libraries.additions(),
                snapshot.files().stream().filter(file -> scope.sees(file.module())), classes);
        CompilerRun.Attributed run = new CompilerRun(
                new CompilerRun.Input(libraries.compiler(), libraries.additions(), manager, kept.classes.isPresent()),
                scope.java(), focus, monitor).attribute(
                files, file -> VisibleText.of(file, focus, subtypes.getOrDefault(file, List.of())));
        Elements elements = run.task().getElements();
        kept.classes.ifPresent(declared -> declared.ran(scope, elements, run.task().getTypes(), manager.read()));
        SourceNames sources = SourceNames.of(snapshot, scope);
        Symbols symbols = new Symbols(new ElementKeys(elements, run.task().getTypes()), sources);
        Map<Path, SourceFile> byPath = new LinkedHashMap<>();
        files.forEach(file -> byPath.put(file.path(), file));
        LazyBindings facts = new LazyBindings(files, run, elements, symbols, focus);
        return new Attribution(scope, run, elements, run.task().getTypes(), symbols, byPath, facts,
                new TypeVisibility(snapshot.workspace(), scope, sources, libraries,
                        new Readability(snapshot.files(), elements)));
    }
}
