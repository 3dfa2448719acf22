package dev.deftchisel.proving.look;

import dev.deftchisel.Chisel;
import dev.deftchisel.Hierarchy;
import dev.deftchisel.Navigator;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * Asks the same of two workspaces while keys are typed into bodies: one keeps what its files declare, the other must
 * read it again each time, because in it a file comes and goes that declares something.
 */
public final class KeptAnswers {

    private static final int NANOS_IN_MICRO = 1000;
    private static final Map<String, Function<Asked, String>> QUESTIONS = new TreeMap<>(Map.of(
            "problems", asked -> asked.chisel().problems().in(ProblemScope.of(List.of(asked.place().file()))).stream()
                    .map(Problem::toString).toList().toString(),
            "symbol", asked -> asked.navigator().symbol(asked.place()).map(KeptAnswers::symbol).toString(),
            "declaration", asked -> asked.navigator().declaration(asked.place()).toString(),
            "type declaration", asked -> asked.navigator().typeDeclaration(asked.place()).toString(),
            "typed", asked -> asked.navigator().typed(asked.place()).toString(),
            "implementations", asked -> asked.navigator().implementations(asked.place()).toString(),
            "uses", asked -> asked.navigator().uses(asked.place()).map(Uses::all).toString(),
            "hints", asked -> asked.navigator().hints(asked.place().file(), asked.around()).toString(),
            "supertypes", asked -> asked.chisel().hierarchy().supertypes(asked.place()).stream()
                    .map(Hierarchy.Member::place).toList().toString(),
            "offers", asked -> asked.chisel().offers(asked.place()).stream().map(KeptAnswers::offer).toList()
                    .toString()));

    private final Chisel kept;
    private final Chisel anew;
    private final Path comingAndGoing;
    private final Random random;
    private final List<SourceFile> files;

    private KeptAnswers(Chisel kept, Chisel anew, long seed) {
        this.kept = kept;
        this.anew = anew;
        this.random = new Random(seed);
        this.files = kept.snapshot().files().stream().filter(file -> file.outline().bodies().size() > 1).toList();
        this.comingAndGoing = files.get(0).root().folder().resolve("ComingAndGoing.java");
    }

    private record Asked(Chisel chisel, Place place) {

        private static final int LENGTH = 2000;

        Navigator navigator() {
            return chisel.navigator();
        }

        Range around() {
            int length = chisel.snapshot().source(place.file()).content().length();
            return new Range(Math.max(0, place.caret() - LENGTH), Math.min(length, place.caret() + LENGTH));
        }
    }

    /**
     * What came of one kind of question.
     *
     * @param kept      microseconds, sorted, with what is kept
     * @param anew      the same, reading it anew
     * @param different where the answers are not the same, with both of them
     */
    public record Row(String question, List<Long> kept, List<Long> anew, List<String> different) {
    }

    /**
     * Asks.
     *
     * @param places how many
     * @param seed   decides where
     */
    public static List<Row> ask(Corpus corpus, int places, long seed) {
        try (Chisel kept = Chisel.open(corpus.request(), Monitor.SILENT);
                Chisel anew = Chisel.open(corpus.request(), Monitor.SILENT)) {
            return new KeptAnswers(kept, anew, seed).ask(places);
        }
    }

    private List<Row> ask(int places) {
        Map<String, Row> rows = new TreeMap<>();
        QUESTIONS.keySet().forEach(question -> rows.put(question,
                new Row(question, new ArrayList<>(), new ArrayList<>(), new ArrayList<>())));
        for (int i = 0; i < places; i++) {
            SourceFile file = files.get(random.nextInt(files.size()));
            List<Integer> names = names(file);
            int name = names.get(random.nextInt(names.size()));
            for (Map.Entry<String, Function<Asked, String>> question : QUESTIONS.entrySet()) {
                Place place = type(file, name, i, question.getKey().length() % 2 == 0);
                Row row = rows.get(question.getKey());
                String one = timed(question.getValue(), new Asked(kept, place), row.kept());
                String other = timed(question.getValue(), new Asked(anew, place), row.anew());
                if (!one.equals(other)) {
                    row.different().add(file.path().getFileName() + ":" + file.position(name).line() + " " + one
                            + " but anew " + other);
                }
            }
        }
        rows.values().forEach(row -> {
            row.kept().sort(null);
            row.anew().sort(null);
        });
        return List.copyOf(rows.values());
    }

    private static String timed(Function<Asked, String> question, Asked asked, List<Long> times) {
        long start = System.nanoTime();
        String answer = question.apply(asked);
        times.add((System.nanoTime() - start) / NANOS_IN_MICRO);
        return answer;
    }

    /** A statement more or less in the first body; the other workspace gets one more file, or loses it. */
    private Place type(SourceFile file, int name, int round, boolean isMore) {
        int start = file.outline().bodies().get(0).start();
        String more = isMore ? ";" : ";;";
        Map<Path, String> texts = new HashMap<>();
        texts.put(file.path(), file.content().substring(0, start) + more + file.content().substring(start));
        kept.edited(texts);
        texts.put(comingAndGoing, "/** Nobody. */ class ComingAndGoing" + round + isMore + " { }");
        anew.edited(texts);
        int moved = name > start ? name + more.length() : name;
        return new Place(file.path(), new Range(moved, moved));
    }

    private static List<Integer> names(SourceFile file) {
        Tokens tokens = file.tokens();
        List<Integer> names = new ArrayList<>();
        for (int token = 0; token < tokens.count(); token++) {
            if (tokens.kind(token) == TokenKind.IDENTIFIER) {
                names.add(tokens.start(token));
            }
        }
        return names;
    }

    private static String symbol(Symbol symbol) {
        return symbol.toString();
    }

    private static String offer(Offer offer) {
        return offer.operation() + " " + offer.title();
    }
}
