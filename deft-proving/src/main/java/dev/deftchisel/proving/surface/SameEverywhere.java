package dev.deftchisel.proving.surface;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;

/**
 * Takes offers at random places through every surface, as many of each operation as asked for, and compares all files
 * byte by byte.
 */
public final class SameEverywhere {


    private final Corpus corpus;
    private final Random random;
    private final Map<String, Integer> taken = new TreeMap<>();
    private final List<String> wrong = new ArrayList<>();

    /** @param seed decides the places */
    public SameEverywhere(Corpus corpus, long seed) {
        this.corpus = corpus;
        this.random = new Random(seed);
    }

    /**
     * What came of it.
     *
     * @param taken how many offers of each operation were taken
     * @param wrong where a surface gave something else
     */
    public record Result(Map<String, Integer> taken, List<String> wrong) {
    }

    /**
     * Takes offers.
     *
     * @param each   how many offers of each operation at most
     * @param places at how many places it is looked for them
     */
    public Result run(int each, int places) throws IOException, InterruptedException {
        try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT);
                Surface command = new CommandSurface(corpus);
                Surface server = new ServerSurface(corpus, StandardCharsets.UTF_8);
                Surface screen = new ScreenSurface(corpus)) {
            List<SourceFile> files = chisel.snapshot().files().stream().filter(file -> !file.isModuleInfo()).toList();
            for (int i = 0; i < places; i++) {
                Place place = place(files.get(random.nextInt(files.size())));
                int number = i;
                Optional<Offer> offer = chisel.offers(place).stream()
                        .filter(one -> taken.getOrDefault(one.operation(), 0) < each)
                        .skip(random.nextInt(2)).findFirst();
                if (offer.isPresent()) {
                    take(chisel, taken(chisel, place, offer.get(), number), List.of(command, server, screen));
                }
            }
        }
        return new Result(taken, wrong);
    }

    /** A caret at a token, or a selection of some tokens. */
    private Place place(SourceFile file) {
        Tokens tokens = file.tokens();
        int token = random.nextInt(tokens.count());
        if (tokens.kind(token) == TokenKind.IDENTIFIER || random.nextBoolean()) {
            return new Place(file.path(), new Range(tokens.start(token), tokens.start(token)));
        }
        int last = Math.min(tokens.count() - 1, token + random.nextInt(20));
        return new Place(file.path(), new Range(tokens.start(token), tokens.end(last)));
    }

    private static Taken taken(Chisel chisel, Place place, Offer offer, int number) {
        SourceFile file = chisel.snapshot().source(place.file());
        Range selection = place.selection();
        String shown = place.file() + ":" + file.position(selection.start())
                + (selection.length() == 0 ? "" : "-" + file.position(selection.end()));
        boolean needsName = offer.questions().stream().anyMatch(Question.Name.class::isInstance);
        boolean isType = needsName && offer.title().matches(".* (class|interface|enum|record|annotation type) .*");
        return new Taken(place, shown, offer,
                needsName ? Optional.of((isType ? "Zq" : "zq") + number) : Optional.empty());
    }

    private void take(Chisel chisel, Taken one, List<Surface> surfaces) throws IOException, InterruptedException {
        Outcome outcome = chisel.preview(one.place(), one.offer().operation(), one.answers());
        if (!(outcome instanceof Outcome.Preview preview) || preview.change().effective().isEmpty()) {
            return;
        }
        taken.merge(one.offer().operation(), 1, Integer::sum);
        Path folder = corpus.request().folder();
        Contents before = Contents.of(folder);
        Contents expected = before.after(preview.change());
        chisel.apply(preview);
        compare("library", one, expected, folder, Optional.empty());
        chisel.undo();
        for (Surface surface : surfaces) {
            Optional<String> said = surface.take(one);
            compare(surface.name(), one, expected, folder, said);
            restore(before, folder);
            chisel.refresh();
        }
    }

    private void compare(String surface, Taken one, Contents expected, Path folder, Optional<String> said)
            throws IOException {
        if (said.isPresent()) {
            wrong.add(surface + ": " + one + ": " + said.get());
        } else {
            expected.difference(Contents.of(folder))
                    .ifPresent(path -> wrong.add(surface + ": " + one + ": " + path + " is another"));
        }
    }

    /** Whatever a surface did, the next begins with the same files. */
    private static void restore(Contents before, Path folder) throws IOException {
        Contents now = Contents.of(folder);
        for (Path path : now.byPath().keySet()) {
            if (!before.byPath().containsKey(path)) {
                Files.delete(path);
            }
        }
        for (Map.Entry<Path, String> file : before.byPath().entrySet()) {
            if (!file.getValue().equals(now.byPath().get(file.getKey()))) {
                Files.createDirectories(file.getKey().getParent());
                Files.writeString(file.getKey(), file.getValue(), StandardCharsets.ISO_8859_1);
            }
        }
    }
}
