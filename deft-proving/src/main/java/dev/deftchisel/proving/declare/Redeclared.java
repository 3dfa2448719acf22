package dev.deftchisel.proving.declare;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.DeepStack;
import dev.deftchisel.analysis.Focus;
import dev.deftchisel.analysis.Libraries;
import dev.deftchisel.analysis.Monitor;
import dev.deftchisel.analysis.Role;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.change.Difference;
import dev.deftchisel.guard.Guard;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Spot;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;

/**
 * Takes a random method or field away that is used, and has it declared again from its first use. All in memory: nothing
 * is written. It is well when no file that mentions the name has more errors than before.
 */
public final class Redeclared {

    private final Corpus corpus;
    private final long seed;
    private final Consumer<Result> listener;

    /**
     * @param corpus   only read
     * @param seed     makes a run repeatable
     * @param listener called after each trial
     */
    public Redeclared(Corpus corpus, long seed, Consumer<Result> listener) {
        this.corpus = corpus;
        this.seed = seed;
        this.listener = listener;
    }

    /** How a trial ended. */
    public enum End { COMPILES, REFUSED, BROKEN }

    /**
     * One trial.
     *
     * @param member that was taken away
     * @param end    how it ended
     * @param why    the reason of a refusal, or the first error
     */
    public record Result(String member, End end, String why) {
    }

    /** A member that can be taken away, and where it is used first. */
    private record Member(Symbol symbol, Path file, Range range, Binding use) {
    }

    /** So many trials. */
    public List<Result> run(int count) {
        List<Result> results = new ArrayList<>();
        try (Libraries libraries = new Libraries(); Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            Snapshot snapshot = chisel.snapshot();
            List<SourceFile> files = snapshot.files().stream().sorted(Comparator.comparing(SourceFile::path)).toList();
            Random random = new Random(seed);
            while (results.size() < count) {
                SourceFile file = files.get(random.nextInt(files.size()));
                Analyst analyst = new Analyst(snapshot, libraries, Monitor.SILENT);
                long draw = random.nextLong();
                DeepStack.call(() -> member(analyst, file, new Random(draw))).ifPresent(member -> {
                    Result result = DeepStack.call(() -> trial(analyst, libraries, member));
                    results.add(result);
                    listener.accept(result);
                });
            }
        }
        return results;
    }

    /** A method with a body or a field of a class, that overrides nothing and is used in its file. */
    private static Optional<Member> member(Analyst analyst, SourceFile file, Random random) {
        Analysis analysis = analyst.analyse(Focus.whole(Set.of(file.path())));
        Code code = analysis.code(file.path()).orElseThrow();
        List<Member> found = new ArrayList<>();
        for (Binding declared : analysis.bindings(file.path())) {
            Optional<Symbol> symbol = declared.role() != Role.DECLARATION || !declared.isNamed() ? Optional.empty()
                    : analysis.symbol(declared.key()).filter(one -> one.kind() == SymbolKind.METHOD || one.kind() == SymbolKind.FIELD);
            Optional<Range> range = code.members().stream().filter(member -> member.encloses(declared.range()))
                    .min(Comparator.comparing(Range::length));
            Optional<Binding> use = symbol.stream().flatMap(one -> analysis.uses(one.key()).stream())
                    .filter(one -> one.file().equals(file.path()) && one.isNamed() && !range.orElseThrow().encloses(one.range())
                            && (one.role() == Role.CALL || one.role() == Role.READ || one.role() == Role.WRITE))
                    .findFirst();
            boolean isMarked = range.filter(one -> code.text(one).contains("@Override")).isPresent();
            if (use.isPresent() && !isMarked) {
                found.add(new Member(symbol.get(), file.path(), range.get(), use.get()));
            }
        }
        return found.isEmpty() ? Optional.empty() : Optional.of(found.get(random.nextInt(found.size())));
    }

    private static Result trial(Analyst analyst, Libraries libraries, Member member) {
        Set<Path> files = new HashSet<>(Set.of(member.file()));
        analyst.snapshot().mentioning(Set.of(member.symbol().name())).forEach(file -> files.add(file.path()));
        int known = analyst.analyse(Focus.whole(files)).problems().size();
        SourceFile file = analyst.snapshot().file(member.file()).orElseThrow();
        String content = file.content();
        // white space of the same length keeps every place
        String without = content.substring(0, member.range().start())
                + content.substring(member.range().start(), member.range().end()).replaceAll("[^\\r\\n]", " ") + content.substring(member.range().end());
        Snapshot broken = analyst.snapshot().with(Map.of(member.file(), Optional.of(without)), Map.of());
        Analyst after = new Analyst(broken, libraries, Monitor.SILENT);
        Place place = new Place(member.file(), new Range(member.use().range().start(), member.use().range().start()));
        boolean isMethod = member.symbol().kind() == SymbolKind.METHOD;
        Spot spot = new Spot(place, broken.file(member.file()).orElseThrow(),
                after.analyse(Focus.on(Set.of(member.file()), Set.of(member.symbol().name()))));
        // a method of the file may be used from others, which the first use does not tell
        Answers answers = (isMethod ? Answers.none() : Answers.of("as", "field")).and("visibility", visibility(member.symbol()));
        Plan plan = Chisel.operation(isMethod ? "declare-method" : "declare-variable").plan(spot, answers, after);
        if (!(plan instanceof Plan.Ready ready)) {
            return new Result(member.symbol().signature(), End.REFUSED, ((Plan.Refused) plan).reasons().get(0).sentence());
        }
        Optional<Difference> difference = new Guard(after).check(ready.before(), ready.change()).stream().filter(Difference::isBlocking).findFirst();
        if (difference.isPresent()) {
            return new Result(member.symbol().signature(), End.REFUSED, difference.get().sentence());
        }
        Analysis declared = new Analyst(ready.change().applyTo(broken), libraries, Monitor.SILENT).analyse(Focus.whole(files));
        return declared.problems().size() <= known ? new Result(member.symbol().signature(), End.COMPILES, "")
                : new Result(member.symbol().signature(), End.BROKEN, declared.problems().get(0).message());
    }

    private static String visibility(Symbol symbol) {
        return symbol.modifiers().stream().map(Object::toString).filter(Set.of("private", "protected", "public")::contains)
                .findFirst().orElse("package");
    }
}
