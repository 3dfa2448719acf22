package dev.deftchisel.declare;

import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Composition;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Declares all that a file names and nobody declares, one after the other, each by what its uses tell then. */
public final class DeclareAllOperation implements Operation {

    /** So many at most; what a broken file asks for may have no end. */
    private static final int MOST = 60;

    private final List<Operation> operations = List.of(new DeclareTypeOperation(), new DeclareConstructorOperation(),
            new DeclareVariableOperation(), new DeclareMethodOperation());

    @Override
    public String id() {
        return "declare-all";
    }

    @Override
    public String summary() {
        return "Declare all types, constructors, methods and variables that a file lacks";
    }

    @Override
    public List<Question> questions() {
        return List.of();
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return UnresolvedName.at(resolved.analysis(), resolved)
                .map(missing -> new Offer(id(), "declare all that is missing in " + resolved.file().path()
                        .getFileName(),
                        Offer.Kind.GENERATE,
                        new Range(0, resolved.file().content().length()), questions()));
    }

    /** What the steps were planned on, which the proof has to look at, too. */
    private static final class Seen {

        private final Set<Path> files = new HashSet<>();
        private final Set<String> names = new HashSet<>();

        void look(Focus focus) {
            files.addAll(focus.files());
            names.addAll(focus.names());
        }
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Seen seen = new Seen();
        Map<String, String> left = new LinkedHashMap<>();
        Optional<Change> all = Optional.empty();
        int count = 0;
        Optional<Plan.Ready> step = step(analyst, file, left);
        while (step.isPresent()) {
            seen.look(step.get().before().focus());
            Change change = step.get().change();
            all = Optional.of(all.map(before -> Composition.of(before, change)).orElse(change));
            count++;
            if (count == MOST) {
                break;
            }
            left.clear();
            step = step(analyst.of(all.get().applyTo(analyst.snapshot())), file, left);
        }
        if (all.isEmpty()) {
            return left.isEmpty() ? Plan.refused(resolved, "all that is named in " + file.getFileName()
                    + " is declared")
                    : Plan.refused(left.entrySet().stream().findFirst()
                            .map(one -> Reason.at(file, resolved.place().selection(),
                    "'" + one.getKey() + "' cannot be declared: " + one.getValue())).orElseThrow());
        }
        Change change = new Change("declare " + count + " things that are missing in " + file.getFileName(),
                all.get().files(), all.get().meaning(), all.get().notes());
        for (Map.Entry<String, String> one : left.entrySet()) {
            change = change.note("'" + one.getKey() + "' is not declared: " + one.getValue());
        }
        seen.files.add(file);
        change.files().stream().filter(one -> !one.isNew()).forEach(one -> seen.files.add(one.path()));
        seen.files.removeIf(one -> analyst.snapshot().file(one).isEmpty());
        Map<Path, List<Range>> around = new HashMap<>();
        around.put(file, List.of(new Range(0, resolved.file().content().length())));
        return new Plan.Ready(change, analyst.analyse(new Focus(seen.files, seen.names, Set.of(), around, true)));
    }

    /** The first of what is missing that can be declared. */
    private Optional<Plan.Ready> step(Analyst analyst, Path file, Map<String, String> left) {
        SourceFile source = analyst.snapshot().source(file);
        Analysis analysis = analyst.analyse(Focus.whole(Set.of(file)).deeply());
        AttributedFile code = analysis.code(file).orElseThrow();
        for (UnresolvedName missing : missing(analysis, code)) {
            int offset = missing.range().start();
            ResolvedPlace resolved = new ResolvedPlace(new Place(file, new Range(offset, offset)), source, analysis);
            Optional<Operation> operation = operations.stream().filter(one -> one.offer(resolved).isPresent())
                    .findFirst();
            Plan plan = operation.map(one -> one.plan(resolved, Answers.none(), analyst))
                    .orElseGet(() -> Plan.refused("nobody can tell what it is"));
            if (plan instanceof Plan.Ready ready) {
                return Optional.of(ready);
            }
            left.putIfAbsent(missing.name(), ((Plan.Refused) plan).reasons().get(0).sentence());
        }
        return Optional.empty();
    }

    /** All that is missing: types first, since nothing else can be told before; constructors last. */
    private static Collection<UnresolvedName> missing(Analysis analysis, AttributedFile code) {
        Stream<UnresolvedName> names = analysis.bindings(code.file().path()).stream()
                .filter(binding -> binding.isNamed() && binding.key() instanceof SymbolKey.Unknown
                        && binding.role() != Role.DOC
                        && binding.role() != Role.IMPORT)
                .flatMap(binding -> UnresolvedName.at(analysis, code, binding.range().start()).stream())
                .sorted(Comparator.comparing((UnresolvedName missing) -> !missing.isType())
                        .thenComparing(missing -> missing.range().start()));
        Stream<UnresolvedName> constructors = code.expressions(new TreePath(code.unit())).stream()
                .filter(path -> path.getLeaf() instanceof NewClassTree)
                .flatMap(path -> UnresolvedName.at(analysis, code, code.range(path.getLeaf()).start()).stream());
        Map<Range, UnresolvedName> all = new LinkedHashMap<>();
        Stream.concat(names, constructors).forEach(missing -> all.putIfAbsent(missing.range(), missing));
        return all.values();
    }
}
