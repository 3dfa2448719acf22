package dev.deftchisel.proving.declare;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.NewClassTree;
import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Difference;
import dev.deftchisel.guard.Guard;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.ResolvedPlace;
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
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javax.lang.model.element.Modifier;

/**
 * Takes a random method, field, constructor or nested type away that is used, and has it declared again from its first
 * use; of a type also all that is asked of it. All in memory: nothing is written. It is well when no file that mentions
 * the name has more errors than before.
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
            Set<Path> all = files.stream().map(SourceFile::path).collect(Collectors.toSet());
            Analyst analyst = new Analyst(snapshot, libraries, Monitor.SILENT);
            // once for all trials: what the code is before anything is taken away
            Analysis whole = analyst.analyse(Focus.whole(all));
            while (results.size() < count) {
                SourceFile file = files.get(random.nextInt(files.size()));
                long draw = random.nextLong();
                DeepStack.call(() -> member(whole, file, new Random(draw))).ifPresent(member -> {
                    DeepStack.call(() -> safely(whole, libraries, member)).ifPresent(result -> {
                        results.add(result);
                        listener.accept(result);
                    });
                });
            }
        }
        return results;
    }

    private static final Set<SymbolKind> KINDS = Set.of(SymbolKind.METHOD, SymbolKind.FIELD, SymbolKind.CONSTRUCTOR,
            SymbolKind.CLASS,
            SymbolKind.RECORD, SymbolKind.INTERFACE, SymbolKind.ENUM);

    /** A member that overrides nothing and is used in its file. */
    private static Optional<Member> member(Analysis analysis, SourceFile file, Random random) {
        AttributedFile code = analysis.code(file.path()).orElseThrow();
        List<Member> found = new ArrayList<>();
        for (Binding declared : analysis.bindings(file.path())) {
            Optional<Symbol> symbol = declared.role() != Role.DECLARATION || !declared.isNamed() ? Optional.empty()
                    : analysis.symbol(declared.key()).filter(one -> KINDS.contains(one.kind()));
            Optional<Range> range;
            if (symbol.isEmpty()) {
                range = Optional.empty();
            } else if (isType(symbol.get())) {
                range = type(code, declared.range());
            } else {
                range = code.members().stream().filter(member -> member.encloses(declared.range()))
                        .min(Comparator.comparing(Range::length));
            }
            Optional<Binding> use = symbol.stream().flatMap(one -> analysis.uses(one.key()).stream())
                    .filter(one -> one.file().equals(file.path()) && range.filter(own -> !own.encloses(one.range()))
                            .isPresent()
                            && isUse(code, symbol.get(), one))
                    .findFirst();
            boolean isMarked = range.filter(one -> code.text(one).contains("@Override")).isPresent();
            if (use.isPresent() && !isMarked) {
                found.add(new Member(symbol.get(), file.path(), range.get(), use.get()));
            }
        }
        return found.isEmpty() ? Optional.empty() : Optional.of(found.get(random.nextInt(found.size())));
    }

    private static boolean isType(Symbol symbol) {
        return symbol.kind() != SymbolKind.METHOD && symbol.kind() != SymbolKind.FIELD
                && symbol.kind() != SymbolKind.CONSTRUCTOR;
    }

    /** A type within another one, without its documentation. */
    private static Optional<Range> type(AttributedFile code, Range name) {
        return code.declaration(name).filter(path -> path.getParentPath().getLeaf() instanceof ClassTree)
                .map(path -> code.range(path.getLeaf()));
    }

    private static boolean isUse(AttributedFile code, Symbol symbol, Binding use) {
        if (symbol.kind() == SymbolKind.CONSTRUCTOR) {
            return !use.isNamed() && code.call(use).filter(call -> call.getLeaf() instanceof NewClassTree).isPresent();
        }
        return use.isNamed() && (isType(symbol) ? use.role() == Role.TYPE
                : use.role() == Role.CALL || use.role() == Role.READ || use.role() == Role.WRITE);
    }

    /** A trial in which a crash is a failure like any other. */
    private static Optional<Result> safely(Analysis whole, Libraries libraries, Member member) {
        try {
            return trial(whole, libraries, member);
        } catch (IllegalArgumentException | IllegalStateException | NullPointerException | IndexOutOfBoundsException
                | NoSuchElementException crash) {
            return Optional.of(new Result(shown(member), End.BROKEN, "crashed: " + crash));
        }
    }

    /** Empty when nobody misses the member there, since another one takes its place. */
    private static Optional<Result> trial(Analysis whole, Libraries libraries, Member member) {
        Set<Path> files = new HashSet<>(Set.of(member.file()));
        files.addAll(whole.snapshot().pathsMentioning(Set.of(member.symbol().name())));
        long known = problems(whole, files);
        SourceFile file = whole.snapshot().source(member.file());
        String content = file.content();
        // white space of the same length keeps every place
        String without = content.substring(0, member.range().start())
                + content.substring(member.range().start(), member.range().end()).replaceAll("[^\\r\\n]", " ")
                + content.substring(member.range().end());
        Snapshot broken = whole.snapshot().with(Map.of(member.file(), Optional.of(without)), Map.of());
        Analyst after = new Analyst(broken, libraries, Monitor.SILENT);
        Place place = new Place(member.file(), new Range(member.use().range().start(), member.use().range().start()));
        ResolvedPlace resolved = new ResolvedPlace(place, broken.file(member.file()).orElseThrow(),
                after.analyse(Focus.on(Set.of(member.file()), Set.of(member.symbol().name()))));
        // a name that nobody declares is an error by itself; a constructor has no name, so all errors must be counted
        Set<Path> users = new HashSet<>(Set.of(member.file()));
        whole.uses(member.symbol().key()).forEach(use -> users.add(use.file()));
        boolean isConstructor = member.symbol().kind() == SymbolKind.CONSTRUCTOR;
        Analysis missing = after.analyse(isConstructor ? Focus.whole(users)
                : Focus.on(users, Set.of(member.symbol().name())));
        boolean isMissed = isConstructor ? missing.errors().size() > problems(whole, users)
                : resolved.bindings().stream().anyMatch(binding -> binding.key() instanceof SymbolKey.Unknown)
                        && whole.uses(member.symbol().key()).stream().noneMatch(use -> isTaken(missing, use));
        if (!isMissed) {
            return Optional.empty();
        }
        Plan plan = Chisel.operation(operation(member.symbol())).plan(resolved, answers(member.symbol()), after);
        if (!(plan instanceof Plan.Ready ready)) {
            return Optional.of(new Result(shown(member), End.REFUSED, ((Plan.Refused) plan).reasons().get(0)
                    .sentence()));
        }
        Optional<Difference> difference = new Guard(after).check(ready.before(), ready.change()).stream()
                .filter(Difference::isBlocking)
                .findFirst();
        if (difference.isPresent()) {
            return Optional.of(new Result(shown(member), End.REFUSED, difference.get().sentence() + written(ready)));
        }
        Snapshot declared = ready.change().applyTo(broken);
        if (isType(member.symbol())) {
            for (Path user : files) {
                declared = all(declared, user, libraries);
            }
        }
        // whoever used it is compiled whole; of the others what mentions the name
        Analyst last = new Analyst(declared, libraries, Monitor.SILENT);
        List<CompilerError> problems = new ArrayList<>(last.analyse(Focus.whole(users)).errors());
        files.removeAll(users);
        problems.addAll(last.analyse(Focus.on(files, Set.of(member.symbol().name()))).errors());
        return Optional.of(problems.size() <= known ? new Result(shown(member), End.COMPILES, "")
                : new Result(shown(member), End.BROKEN, problems.get(0).message() + written(ready)));
    }

    private static long problems(Analysis analysis, Set<Path> files) {
        return analysis.errors().stream().filter(problem -> files.contains(problem.file())).count();
    }

    /** Whether a use means another declaration of the name now, which the one that is to be made would take it from. */
    private static boolean isTaken(Analysis missing, Binding use) {
        return use.isNamed() && missing.bindings(use.file()).stream()
                .anyMatch(now -> now.range().equals(use.range()) && !(now.key() instanceof SymbolKey.Unknown));
    }

    private static String written(Plan.Ready plan) {
        return plan.change().files().stream().flatMap(file -> file.edits().stream())
                .map(edit -> edit.replacement().strip())
                .collect(Collectors.joining(" … ", " (", ")"));
    }

    /** All that a file asks of what was declared. */
    private static Snapshot all(Snapshot snapshot, Path file, Libraries libraries) {
        Analyst analyst = new Analyst(snapshot, libraries, Monitor.SILENT);
        Place place = new Place(file, new Range(0, 0));
        ResolvedPlace resolved = new ResolvedPlace(place, snapshot.source(file),
                analyst.analyse(Focus.around(file, place.selection())));
        Plan plan = Chisel.operation("declare-all").plan(resolved, Answers.none(), analyst);
        return plan instanceof Plan.Ready ready ? ready.change().applyTo(snapshot) : snapshot;
    }

    private static String operation(Symbol member) {
        return isType(member) ? "declare-type" : switch (member.kind()) {
            case METHOD -> "declare-method";
            case CONSTRUCTOR -> "declare-constructor";
            default -> "declare-variable";
        };
    }

    private static Answers answers(Symbol member) {
        // a member may be used from other files, which the first use does not tell
        Answers answers = Answers.of("visibility", visibility(member));
        if (isType(member)) {
            return answers.and("where", "nested");
        }
        if (member.kind() == SymbolKind.FIELD) {
            return answers.and("as", isConstant(member) ? "constant" : "field");
        }
        return answers;
    }

    private static boolean isConstant(Symbol symbol) {
        return symbol.modifiers().containsAll(Set.of(Modifier.STATIC, Modifier.FINAL));
    }

    private static String shown(Member member) {
        return member.symbol().describe() + " in " + member.file().getFileName();
    }

    private static String visibility(Symbol symbol) {
        return symbol.modifiers().stream().map(Object::toString)
                .filter(Set.of("private", "protected", "public")::contains)
                .findFirst().orElse("package");
    }
}
