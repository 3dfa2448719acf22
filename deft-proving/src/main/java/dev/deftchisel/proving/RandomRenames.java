package dev.deftchisel.proving;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.Monitor;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Renames random symbols in a copy of a workspace and has them judged in batches: after each batch the whole workspace
 * must compile and its class files must differ in the names alone; at the end, undoing everything must give back every
 * byte.
 */
final class RandomRenames {

    private final OpenRequest corpus;
    private final Set<SymbolKind> skipped;
    private final PrintStream out;
    private final Map<SymbolKind, Tally> tallies = new EnumMap<>(SymbolKind.class);
    private final List<String> failures = new ArrayList<>();
    private final List<Long> millis = new ArrayList<>();

    /**
     * @param corpus a workspace that may be written to, normally a copy
     * @param skipped kinds of symbols that are left alone
     * @param out    for the report
     */
    RandomRenames(OpenRequest corpus, Set<SymbolKind> skipped, PrintStream out) {
        this.corpus = corpus;
        this.skipped = Set.copyOf(skipped);
        this.out = out;
    }

    private static final class Tally {
        private int tried;
        private int applied;
        private int refused;
    }

    /**
     * Runs.
     *
     * @param count    how many renames to try
     * @param seed     makes a run repeatable
     * @param batch    how many applied renames are judged together
     * @param clashing whether new names are taken from the file, so that clashes are likely, rather than made up
     * @param keep     whether the workspace stays renamed
     * @return whether no oracle failed
     */
    boolean run(int count, long seed, int batch, boolean clashing, boolean keep) {
        try (Chisel chisel = Chisel.open(corpus, Monitor.SILENT)) {
            Map<Path, String> original = hashes(chisel);
            CompiledCode before = CompiledCode.of(chisel.snapshot());
            if (!before.errors().isEmpty()) {
                out.println("the corpus does not compile: " + before.errors().get(0));
                return false;
            }
            out.println(before.classes().size() + " classes in " + chisel.snapshot().files().size() + " files");
            int applied = 0;
            List<String> titles = new ArrayList<>();
            Map<String, String> names = new LinkedHashMap<>();
            for (int i = 0; i < count; i++) {
                Random random = new Random(seed * 1_000_003 + i);
                Subjects.Subject subject = new Subjects(chisel, random, skipped, this::tried).next();
                Tally tally = tallies.computeIfAbsent(subject.symbol().kind(), kind -> new Tally());
                tally.tried++;
                String newName = clashing ? takenName(chisel, subject, random) : freshName(subject, i);
                long start = System.nanoTime();
                Outcome outcome = preview(chisel, subject, newName);
                millis.add((System.nanoTime() - start) / 1_000_000);
                if (outcome instanceof Outcome.Preview preview) {
                    chisel.apply(preview);
                    tally.applied++;
                    applied++;
                    titles.add("#" + i + " " + preview.change().title());
                    names.put(last(newName), last(subject.symbol().name()));
                } else {
                    tally.refused++;
                    Reason reason = ((Outcome.Refusal) outcome).reasons().get(0);
                    out.println("refused #" + i + " " + subject.symbol().describe() + " -> " + newName + ": "
                            + reason.file().map(file -> chisel.workspace().show(file) + ": ").orElse("")
                            + reason.sentence());
                }
                if (titles.size() >= batch || i == count - 1) {
                    Optional<CompiledCode> after = judge(chisel, before, names, titles, clashing);
                    for (int wrong = 0; after.isEmpty() && wrong < titles.size(); wrong++) {
                        chisel.undo();
                        applied--;
                    }
                    before = after.orElse(before);
                    titles.clear();
                    names.clear();
                }
            }
            for (int i = 0; i < applied && !keep; i++) {
                chisel.undo();
            }
            chisel.refresh();
            if (!keep && !original.equals(hashes(chisel))) {
                failures.add("undoing all " + applied + " renames does not give back every byte");
            }
        }
        report();
        return failures.isEmpty();
    }

    private int tried(SymbolKind kind) {
        return tallies.containsKey(kind) ? tallies.get(kind).tried : 0;
    }

    private Outcome preview(Chisel chisel, Subjects.Subject subject, String newName) {
        try {
            return chisel.preview(subject.place(), "rename", Answers.of("name", newName).and("mentions", "none")
                    .and("subpackages", String.valueOf(!hasTypes(chisel, subject.symbol().name()))));
        } catch (RuntimeException crashed) {
            failures.add("crash at " + subject.symbol().describe() + " -> " + newName + ": " + crashed);
            crashed.printStackTrace(out);
            return new Outcome.Refusal(List.of(Reason.of("crashed: " + crashed)), List.of());
        }
    }

    /** A package that has only packages below it can only be renamed with them. */
    private static boolean hasTypes(Chisel chisel, String packageName) {
        return chisel.snapshot().files().stream()
                .anyMatch(file -> file.skeleton().packageName().equals(packageName));
    }

    /** The code after the batch, or empty when an oracle failed. */
    private Optional<CompiledCode> judge(
            Chisel chisel, CompiledCode before, Map<String, String> names, List<String> titles, boolean clashing) {
        CompiledCode after = CompiledCode.of(chisel.snapshot());
        int known = failures.size();
        if (!after.errors().isEmpty()) {
            failures.add("does not compile after " + titles + ": " + after.errors().get(0));
        } else if (!clashing) {
            List<String> differences = ClassTexts.differences(before, after, names);
            if (!differences.isEmpty()) {
                failures.add("class files differ after " + titles + ": " + differences.get(0)
                        + " (" + differences.size() + " classes)");
            }
        }
        out.println("judged " + titles.size() + " renames, failures so far: " + failures.size());
        return failures.size() > known ? Optional.empty() : Optional.of(after);
    }

    private static String last(String dotted) {
        return dotted.substring(dotted.lastIndexOf('.') + 1);
    }

    private static String freshName(Subjects.Subject subject, int number) {
        String old = subject.symbol().name();
        return switch (subject.symbol().kind()) {
            case PACKAGE -> old.substring(0, old.lastIndexOf('.') + 1) + "zq" + number + "p";
            case CLASS, INTERFACE, ENUM, RECORD, ANNOTATION, TYPE_PARAMETER -> "Zq" + number + "T";
            case ENUM_CONSTANT -> "ZQ" + number + "C";
            default -> "zq" + number + "m";
        };
    }

    /** A name that stands in the same file already. */
    private static String takenName(Chisel chisel, Subjects.Subject subject, Random random) {
        SourceFile file = chisel.snapshot().file(subject.place().file()).orElseThrow();
        Tokens tokens = file.tokens();
        boolean upper = Character.isUpperCase(last(subject.symbol().name()).charAt(0));
        List<String> candidates = new ArrayList<>();
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) == TokenKind.IDENTIFIER && Character.isUpperCase(tokens.name(i).charAt(0)) == upper
                    && !tokens.name(i).equals(subject.symbol().name())) {
                candidates.add(tokens.name(i));
            }
        }
        return candidates.isEmpty() ? "zqName" : candidates.get(random.nextInt(candidates.size()));
    }

    private static Map<Path, String> hashes(Chisel chisel) {
        Map<Path, String> hashes = new LinkedHashMap<>();
        try (Stream<Path> files = Files.walk(chisel.workspace().root())) {
            files.filter(Files::isRegularFile)
                    .filter(file -> !file.startsWith(chisel.workspace().root().resolve(".deft")))
                    .sorted()
                    .forEach(file -> hashes.put(file, hash(file)));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return hashes;
    }

    private static String hash(Path file) {
        try {
            return SourceText.hash(Files.readAllBytes(file));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void report() {
        out.printf("%-20s %6s %8s %8s%n", "kind", "tried", "applied", "refused");
        int tried = 0;
        int applied = 0;
        for (Map.Entry<SymbolKind, Tally> entry : tallies.entrySet()) {
            Tally tally = entry.getValue();
            out.printf("%-20s %6d %8d %8d%n", entry.getKey().words(), tally.tried, tally.applied, tally.refused);
            tried += tally.tried;
            applied += tally.applied;
        }
        out.printf("%-20s %6d %8d %8d%n", "all", tried, applied, tried - applied);
        millis.sort(null);
        if (!millis.isEmpty()) {
            out.printf("preview: median %d ms, 90 %% under %d ms, longest %d ms%n", millis.get(millis.size() / 2),
                    millis.get(millis.size() * 9 / 10), millis.get(millis.size() - 1));
        }
        failures.forEach(failure -> out.println("FAILED " + failure));
        out.println(failures.isEmpty() ? "no oracle failed" : failures.size() + " failures");
    }
}
