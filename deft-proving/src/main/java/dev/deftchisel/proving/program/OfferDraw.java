package dev.deftchisel.proving.program;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Draws places and what is offered there, so that in the end all sorts of offers were drawn about as often. */
final class OfferDraw {

    /** One draw in so many is a fix. */
    private static final int FIX_IN = 4;
    /** One draw in so many takes any offer, the others one of the rarest. */
    private static final int ANY_IN = 3;
    private static final int MOST_PLACES = 20;
    /** The last name of a title such as {@code rename the method Box.map(Function<T,R>)}. */
    private static final Pattern NAME = Pattern.compile("([\\w$]+)(<[^()]*>)?(\\(.*\\))?$");

    private final Random random;
    private final Set<String> only;
    private final Map<String, Integer> drawn = new HashMap<>();

    /** @param only the sorts to draw; all when empty */
    OfferDraw(Random random, Set<String> only) {
        this.random = random;
        this.only = only;
    }

    /**
     * What is to be tried.
     *
     * @param sort    the operation, or {@code fix}, the rule, and which of its fixes unless it is the first
     * @param place   as people write it
     * @param title   of the offer
     * @param answers what it is told
     * @param plan    works it out
     */
    record Drawn(String sort, String place, String title, Answers answers, Supplier<Outcome> plan) {

        /** The old name and the new one, for a rename: both show in what a program prints of itself. */
        Optional<Map.Entry<String, String>> renamed() {
            Matcher old = NAME.matcher(title);
            return sort.equals("rename") && old.find() ? answers.single("name")
                    .map(name -> Map.entry(old.group(1), name))
                    : Optional.empty();
        }
    }

    /** Draws one; empty when nothing is offered at many places. */
    Optional<Drawn> from(Chisel chisel) throws IOException {
        List<SourceFile> files = chisel.snapshot().files().stream().filter(file -> !file.root().isMade()).toList();
        boolean wantsFixes = only.isEmpty() || only.stream().anyMatch(sort -> sort.startsWith("fix "));
        Optional<Drawn> found = Optional.empty();
        for (int i = 0; i < MOST_PLACES && found.isEmpty(); i++) {
            SourceFile file = files.get(random.nextInt(files.size()));
            found = wantsFixes && random.nextInt(FIX_IN) == 0 ? fix(chisel, file) : offer(chisel, file);
        }
        found.ifPresent(one -> drawn.merge(one.sort(), 1, Integer::sum));
        return found;
    }

    private boolean isWanted(String sort) {
        return only.isEmpty() || only.contains(sort);
    }

    private Optional<Drawn> fix(Chisel chisel, SourceFile file) {
        Problems problems = chisel.problems();
        return rarest(problems.in(ProblemScope.of(List.of(file.path()))).stream()
                .filter(problem -> !problem.fixes().isEmpty() && isWanted("fix " + problem.rule())).toList(),
                problem -> "fix " + problem.rule())
                .map(problem -> {
                    int fix = random.nextBoolean() ? 0 : random.nextInt(problem.fixes().size());
                    return new Drawn("fix " + problem.rule() + (fix == 0 ? "" : " " + (fix + 1)),
                            chisel.workspace().show(file.path()) + ":" + problem.position(),
                            problem.fixes().get(fix), Answers.none(), () -> problems.fix(problem, fix));
                });
    }

    private Optional<Drawn> offer(Chisel chisel, SourceFile file) throws IOException {
        Place place = place(file);
        String shown = chisel.workspace().show(file.path()) + ":" + file.position(place.selection().start())
                + (place.selection().length() == 0 ? "" : "-" + file.position(place.selection().end()));
        return rarest(chisel.offers(place).stream().filter(offer -> isWanted(offer.operation()))
                .toList(), Offer::operation)
                .map(offer -> {
                    Answers answers = new RandomAnswers(random, names(file)).to(offer.questions());
                    return new Drawn(offer.operation(), shown, offer.title(), answers,
                            () -> chisel.preview(place, offer.operation(), answers));
                });
    }

    /** Mostly one of those that were taken least so far. */
    private <T> Optional<T> rarest(List<T> all, Function<T, String> sort) {
        if (all.isEmpty()) {
            return Optional.empty();
        }
        if (random.nextInt(ANY_IN) == 0) {
            return Optional.of(all.get(random.nextInt(all.size())));
        }
        int least = all.stream().mapToInt(one -> drawn.getOrDefault(sort.apply(one), 0)).min().orElseThrow();
        List<T> rare = all.stream().filter(one -> drawn.getOrDefault(sort.apply(one), 0) == least).toList();
        return Optional.of(rare.get(random.nextInt(rare.size())));
    }

    private Place place(SourceFile file) throws IOException {
        Tokens tokens = file.tokens();
        List<Range> ranges = NodeRanges.of(file.content());
        if (random.nextBoolean() || ranges.isEmpty()) {
            int caret = tokens.start(random.nextInt(tokens.count()));
            return new Place(file.path(), new Range(caret, caret));
        }
        return new Place(file.path(), ranges.get(random.nextInt(ranges.size())));
    }

    private List<String> names(SourceFile file) {
        Tokens tokens = file.tokens();
        return IntStream.range(0, tokens.count()).filter(token -> tokens.kind(token) == TokenKind.IDENTIFIER)
                .mapToObj(tokens::name)
                .collect(Collectors.toCollection(HashSet::new)).stream().sorted().toList();
    }
}
