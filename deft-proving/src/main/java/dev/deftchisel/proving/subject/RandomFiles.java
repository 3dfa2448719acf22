package dev.deftchisel.proving.subject;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.corpus.CorpusException;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;

/** Subjects for which a file is drawn first, then something in it; files in which there is nothing are drawn over. */
abstract class RandomFiles implements Subjects {

    private static final int LEAST_ATTEMPTS = 200;
    private static final int ATTEMPTS_PER_FILE = 20;

    private final Analyst analyst;
    private final Draw draw;

    /**
     * @param analyst of the untouched corpus
     * @param draw    which files, and how
     */
    RandomFiles(Analyst analyst, Draw draw) {
        this.analyst = analyst;
        this.draw = draw;
    }

    final Analyst analyst() {
        return analyst;
    }

    @Override
    public final Subject subject(int number) {
        return draw(draw.random(number, 1_000_003), (file, random) -> subject(number, file, random));
    }

    @Override
    public final Place barren(int number) {
        return draw(draw.random(number, 7_000_003), (file, random) ->
                file.tokens().count() < 3 ? Optional.empty() : barren(file, random));
    }

    private <T> T draw(Random random, BiFunction<SourceFile, Random, Optional<T>> inFile) {
        List<SourceFile> files = draw.from(List.copyOf(analyst.snapshot().files()));
        for (int attempt = 0; attempt < LEAST_ATTEMPTS + files.size() * ATTEMPTS_PER_FILE; attempt++) {
            Optional<T> found = inFile.apply(files.get(random.nextInt(files.size())), random);
            if (found.isPresent()) {
                return found.get();
            }
        }
        throw new CorpusException("in " + files.size()
                + " files there is nothing of the kind to try; leave this corpus out");
    }

    /** Something in a file; empty when there is nothing. */
    abstract Optional<Subject> subject(int number, SourceFile file, Random random);

    /**
     * Draws one token and takes its place if nothing can be done there.
     *
     * @param file of three tokens or more
     */
    abstract Optional<Place> barren(SourceFile file, Random random);

    /** A token that is neither the first nor the last. */
    static int token(Tokens tokens, Random random) {
        return 1 + random.nextInt(tokens.count() - 2);
    }
}
