package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.SearchWords;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.guard.comparison.AddedComparison;
import dev.deftchisel.guard.comparison.ArgumentComparison;
import dev.deftchisel.guard.comparison.BindingComparison;
import dev.deftchisel.guard.comparison.ConstantComparison;
import dev.deftchisel.guard.comparison.LostWrites;
import dev.deftchisel.guard.comparison.OverridingComparison;
import dev.deftchisel.guard.comparison.ProcessorOutputComparison;
import dev.deftchisel.guard.comparison.VisibilityComparison;
import dev.deftchisel.guard.retyped.RetypedValues;
import dev.deftchisel.guard.moved.MovedTypes;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Lets no change through that is not proven to keep the meaning of the code.
 *
 * <p>The files that were looked at before, which must be all that mention a name that is declared differently, are
 * analysed again with the change applied in memory. Then for everything that survives, under the mapping of the change:
 * <ol>
 * <li>no error is new;</li>
 * <li>each name binds to the same declaration, and so does what is bound without a name, such as constructors
 * (overload resolution, JLS 15.12, is covered by this: another overload is another declaration);</li>
 * <li>each argument is passed for the parameter that it was passed for, wherever that stands now;</li>
 * <li>calls, lambdas, method references and conditionals have the same erased type, variables the one they had or the
 * announced one, constants the same value;</li>
 * <li>each method overrides the same methods (JLS 8.4.8), in every type below those concerned;</li>
 * <li>what is opened is not found by anyone who found something else before, and overrides nothing new;</li>
 * <li>no file comes to need a type that its build does not let it see;</li>
 * <li>no member that serialization finds by its name gets or loses that name;</li>
 * <li>a name that is given to something new means that wherever it is written;</li>
 * <li>annotation processors that are run make the same of it, but for names;</li>
 * <li>no edit does anything that its kind does not say.</li>
 * </ol>
 */
public final class Guard {

    private static final String FAULT = "; that is a fault of deft";

    private final Analyst analyst;

    /** @param analyst of the code before the change */
    public Guard(Analyst analyst) {
        this.analyst = analyst;
    }

    /**
     * Compares the code before and after.
     *
     * @param before the analysis the change was planned with
     * @param change the change, with the edits that are taken
     * @return every difference that is not part of the change's meaning; empty when the change is proven
     */
    public List<Difference> check(Analysis before, Change change) {
        List<Difference> blind = unseen(before, change);
        if (!blind.isEmpty()) {
            return blind;
        }
        Snapshot remade;
        try {
            remade = analyst.remade(change.applyTo(before.snapshot()));
        } catch (AnalysisException failed) {
            return List.of(new Difference(Difference.Kind.UNPROVEN, before.snapshot().workspace()
                    .root(), new Range(0, 0), Optional.empty(),
                    Optional.empty(), failed.getMessage()));
        }
        Snapshot changed = remade;
        Set<Path> files = new HashSet<>();
        before.focus().files().forEach(file -> files.add(change.mapping().file(file)));
        change.effective().stream()
                .filter(file -> file.isNew() || before.snapshot().file(file.path()).isPresent())
                .map(FileChange::pathAfter)
                .forEach(files::add);
        files.removeIf(file -> changed.file(file).isEmpty());
        Focus focus = before.focus();
        Analysis after;
        try {
            after = analyst.of(changed).analyse(new Focus(
                    files, focus.names(), typesAfter(focus, change), aroundAfter(focus, change), focus.isDeep()));
        } catch (AnalysisException failed) {
            return List.of(new Difference(Difference.Kind.UNPROVEN, before.snapshot().workspace().root(),
                    new Range(0, 0), Optional.empty(), Optional.empty(),
                    "the compiler itself breaks down on the code as it would be, so that it cannot be proved right"));
        }
        BindingComparison comparison = new BindingComparison(before, after, change);
        List<Difference> differences = new ArrayList<>(comparison.bindings());
        differences.addAll(comparison.errors());
        differences.addAll(new NewNameCheck(after, change).differences());
        differences.addAll(new ProcessorOutputComparison(analyst, analyst.of(changed), change).differences());
        if (differences.isEmpty()) {
            // other meanings of names are told better by themselves
            differences.addAll(new ArgumentComparison(before, after, change).differences());
            differences.addAll(new CreationComparison(before, after, change).differences());
            differences.addAll(new ParameterObjectComparison(before, after, change).differences());
            differences.addAll(new AnnotationComparison(before, after, change).differences());
        }
        if (differences.isEmpty() && change.meaning().freedom() != SymbolEffects.Leeway.TYPES) {
            // otherwise other types only follow from other names
            differences.addAll(comparison.traces());
            differences.addAll(new RetypedValues(before, after, change).differences());
            differences.addAll(new ConstantComparison(before, after, change.mapping()).differences());
            differences.addAll(new LostWrites(before, after, change).differences());
            differences.addAll(new DoubleEvaluation(before, change).differences());
            differences.addAll(new CallerSensitive(before, change).differences());
        }
        if (differences.isEmpty()) {
            differences.addAll(new MovedTypes(before, after, change).differences());
        }
        differences.addAll(new OverridingComparison(before, after, change).differences());
        differences.addAll(new PlatformNames(before, change).differences());
        if (differences.isEmpty() && change.meaning().freedom() != SymbolEffects.Leeway.TYPES) {
            differences.addAll(new AddedComparison(analyst, changed, before, change).differences());
        }
        if (differences.isEmpty()) {
            differences.addAll(new VisibilityComparison(before, after, change).differences());
        }
        if (differences.isEmpty()) {
            differences.addAll(new EditKindCheck(before, after, change).differences());
        }
        return differences;
    }

    /**
     * Files that mention a renamed symbol or its new name, but were not looked at: the proof would have a hole there.
     * Which files these are is computed here again, so that the guard does not rest on what it judges.
     */
    private List<Difference> unseen(Analysis before, Change change) {
        List<Difference> undeclared = Stream.of(change.meaning().names(), change.meaning().owners())
                .flatMap(said -> said.keySet().stream())
                .map(analyst::declaring)
                .flatMap(Optional::stream)
                .filter(file -> !file.root().isProcessed() && !before.focus().files().contains(file.path()))
                .map(file -> blind(file, "what changes is declared in this file, which was not analysed"))
                .toList();
        if (!undeclared.isEmpty()) {
            return undeclared;
        }
        List<Difference> bodies = change.meaning().signatures().entrySet().stream()
                .filter(entry -> entry.getValue().origins().isPresent())
                .flatMap(entry -> before.declaration(entry.getKey()).stream())
                .filter(declared -> !isSeen(before, declared))
                .map(declared -> new Difference(Difference.Kind.UNPROVEN, declared.file(), declared.range(),
                        Optional.empty(), Optional.empty(), "its parameters change, but its body was not analysed"
                        + FAULT))
                .toList();
        if (!bodies.isEmpty()) {
            return bodies;
        }
        List<Difference> lambdas = unseenLambdas(before, change);
        if (!lambdas.isEmpty()) {
            return lambdas;
        }
        Set<String> names = new HashSet<>();
        change.meaning().names().forEach((key, newName) -> before.symbol(key)
                .filter(symbol -> !symbol.kind().isLocal())
                .ifPresent(symbol -> {
                    names.add(newName);
                    if (!symbol.isPrivate()) {
                        names.addAll(SearchWords.of(symbol, before));
                    }
                }));
        change.meaning().owners().keySet().forEach(key -> before.symbol(key)
                .filter(symbol -> !symbol.kind().isLocal())
                .ifPresent(symbol -> names.addAll(SearchWords.of(symbol, before))));
        List<Difference> near = unseenNear(before, change);
        if (!near.isEmpty()) {
            return near;
        }
        Set<String> opened = new HashSet<>();
        change.meaning().opened().forEach(key -> before.symbol(key).map(Symbol::name).ifPresent(opened::add));
        if (!before.focus().names().isEmpty() && !before.focus().names().containsAll(opened)) {
            return List.of(new Difference(Difference.Kind.UNPROVEN, before.snapshot().workspace()
                    .root(), new Range(0, 0),
                    Optional.empty(), Optional.empty(), "bodies that mention what is opened were not analysed"
                    + FAULT));
        }
        names.addAll(opened);
        change.meaning().variables().keySet().forEach(key -> before.symbol(key)
                .filter(symbol -> !symbol.kind().isLocal() && !symbol.isPrivate())
                .ifPresent(symbol -> names.add(symbol.name())));
        names.addAll(newTypes(change));
        if (names.isEmpty()) {
            return List.of();
        }
        return before.snapshot().mentioning(names).stream()
                .filter(file -> !before.focus().files().contains(file.path()))
                .map(file -> blind(file, "this file mentions what changes but was not analysed"))
                .toList();
    }

    /** In its own package, what is not public of a type that leaves it may be used without its name. */
    private static List<Difference> unseenNear(Analysis before, Change change) {
        List<Difference> unseen = new ArrayList<>();
        change.meaning().owners().forEach((key, owner) -> {
            boolean leaves = key instanceof SymbolKey.Type type && !home(type).equals(home(
                    change.mapping().key(key)));
            Set<String> members = leaves ? before.known(key).map(known -> closedMembers(known.element()))
                    .orElse(Set.of()) : Set.of();
            before.snapshot().mentioning(members).stream()
                    .filter(file -> file.header().packageName().equals(home(key)))
                    .filter(file -> !before.focus().files().contains(file.path()))
                    .forEach(file -> unseen.add(blind(file, "this file names a member of what leaves its package but"
                            + " was not analysed")));
        });
        return unseen;
    }

    private static String home(SymbolKey key) {
        String name = key instanceof SymbolKey.Type type ? type.binaryName() : "";
        return name.substring(0, Math.max(0, name.lastIndexOf('.')));
    }

    private static Set<String> closedMembers(Element type) {
        Set<String> names = new HashSet<>();
        type.getEnclosedElements().stream().filter(member -> !member.getModifiers().contains(Modifier.PUBLIC)
                && !member.getModifiers().contains(Modifier.PRIVATE)
                && !member.getSimpleName().contentEquals("<init>"))
                .forEach(member -> names.add(member.getSimpleName().toString()));
        type.getEnclosedElements().stream().filter(TypeElement.class::isInstance)
                .forEach(member -> names.addAll(closedMembers(member)));
        return names;
    }

    /** Lambdas do not name the method that they implement (JLS 15.27.3): where one may stand, all must be looked at. */
    private static List<Difference> unseenLambdas(Analysis before, Change change) {
        Set<SymbolKey> others = change.meaning().signatures().entrySet().stream()
                .filter(entry -> entry.getKey() instanceof SymbolKey.Method method && !entry.getValue().descriptor()
                        .equals(method.descriptor()))
                .map(Map.Entry::getKey).collect(Collectors.toSet());
        boolean isFunction = Family.mayHaveLambdas(others, before);
        return !isFunction ? List.of() : before.snapshot().files().stream().filter(Functions::mayStandIn)
                .filter(file -> before.focus().isPartial() || !before.focus().files().contains(file.path()))
                .map(file -> blind(file, "a lambda here may implement what changes, but this was not analysed"))
                .toList();
    }

    /** Whether the body of a declared method was looked at, whatever stands in it. */
    private static boolean isSeen(Analysis before, Binding declared) {
        return !before.focus().isPartial() || before.snapshot().file(declared.file())
                .filter(file -> file.outline().bodies().stream()
                        .filter(body -> body.start() > declared.range().end()).findFirst()
                        .filter(body -> isOf(file, declared, body))
                        .filter(body -> before.focus().around().getOrDefault(declared.file(), List.of()).stream()
                                .noneMatch(code -> code.encloses(body)))
                        .isPresent()).isEmpty();
    }

    /** Whether a body is that of the method: nothing ends in between. */
    private static boolean isOf(SourceFile file, Binding declared, Range body) {
        Tokens tokens = file.tokens();
        for (int i = tokens.at(declared.range().end()); i < tokens.count() && tokens.start(i) < body.start(); i++) {
            if (tokens.is(i, ';')) {
                return false;
            }
        }
        return true;
    }

    /** The types that come to be in files of their own, each of which may be found where another of its name was. */
    private static List<String> newTypes(Change change) {
        return change.effective().stream()
                .filter(FileChange::isNew)
                .map(file -> file.path().getFileName().toString().replaceAll("\\.java$", ""))
                .toList();
    }

    private static Difference blind(SourceFile file, String what) {
        return new Difference(Difference.Kind.UNPROVEN, file.path(), new Range(0, 0), Optional.empty(),
                Optional.empty(),
                what + FAULT);
    }

    /** The same stretches of code, and all that is written anew. */
    private static Map<Path, List<Range>> aroundAfter(Focus focus, Change change) {
        boolean isWhole = focus.names().isEmpty() && focus.around().isEmpty();
        if (isWhole) {
            return Map.of();
        }
        Mapping mapping = change.mapping();
        Map<Path, List<Range>> around = new HashMap<>();
        focus.around().forEach((file, all) -> all.forEach(code ->
                around.computeIfAbsent(mapping.file(file), path -> new ArrayList<>()).add(mapping.code(file, code))));
        for (FileChange file : change.effective()) {
            file.takenEdits().stream()
                    .filter(edit -> edit.kind() == Edit.Kind.CODE)
                    .forEach(edit -> around.computeIfAbsent(file.pathAfter(), path -> new ArrayList<>())
                            .add(mapping.written(file.path(), edit)));
        }
        return around;
    }

    private static Set<String> typesAfter(Focus focus, Change change) {
        Set<String> types = new HashSet<>(focus.types());
        types.addAll(change.meaning().names().entrySet().stream()
                .filter(entry -> entry.getKey() instanceof SymbolKey.Type)
                .map(Map.Entry::getValue)
                .collect(Collectors.toSet()));
        return focus.types().isEmpty() ? Set.of() : types;
    }
}
