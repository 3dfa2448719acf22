package dev.deftchisel.proving.program;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.change.DiffWriter;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.oracle.Rename;
import dev.deftchisel.proving.oracle.SameClasses;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Takes any offer anywhere in one program after the other: at random carets and selections, with random answers, one
 * step upon the other. After each step the program must compile and print what it printed in the beginning; in the end
 * everything is taken back, and the files must be what they were.
 */
public final class RandomOffers {

    /**
     * Operations with which the user asks for another behaviour, so that no more can be asked of them than to compile.
     */
    private static final Set<String> MEANT = Set.of("generate-equality", "generate-text-form", "implement-methods",
            "check-for-null");

    private final Runner runner;
    private final Consumer<Step> listener;
    private final OfferDraw draw;
    private final Map<String, Effect> effects = Rules.installed().abouts().stream()
            .collect(Collectors.toMap(RuleDescription::id, RuleDescription::effect));

    /**
     * @param seed     decides everything
     * @param runner   runs the programs
     * @param only     the sorts of offers to take; all when empty
     * @param listener is told of each step
     */
    public RandomOffers(long seed, Runner runner, Set<String> only, Consumer<Step> listener) {
        this.runner = runner;
        this.draw = new OfferDraw(new Random(seed), only);
        this.listener = listener;
    }

    /** A program that is being changed. */
    private record Copy(Program program, Path folder, Path classes, Chisel chisel, Working working) {

        Copy as(Working other) {
            return new Copy(program, folder, classes, chisel, other);
        }

        Printed printed() {
            return working.printed();
        }
    }

    /** The code as it was compiled last, and what it prints. */
    private record Working(CompiledCode code, Printed printed) {
    }

    /**
     * Works on one program.
     *
     * @param folder an empty folder for it
     * @param steps  how many offers to take
     * @throws IllegalStateException when the program does not compile in the first place, or is not as it was in the
     *                               end
     */
    public void run(Program program, Path folder, int steps) throws IOException, InterruptedException {
        Path sources = Files.createDirectories(folder.resolve("sources"));
        program.writeTo(sources);
        Files.writeString(sources.resolve(".editorconfig"), effects.keySet().stream().sorted()
                .map(rule -> "deft_" + rule + " = hint\n").collect(Collectors.joining("", "root = true\n[*]\n", "")));
        OpenRequest request = program.opened(sources);
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            Map<String, String> before = texts(chisel);
            Copy unprinted = new Copy(program, sources, folder.resolve("classes"), chisel,
                    new Working(new CompiledCode(Map.of(), List.of(), Set.of(), Set.of()), new Printed("", "")));
            CompiledCode code = compiled(unprinted);
            if (!code.errors().isEmpty()) {
                throw new IllegalStateException(program.name() + " does not compile: " + code.errors());
            }
            Copy copy = unprinted.as(new Working(code, print(unprinted, code)));
            int applied = 0;
            for (int i = 0; i < steps; i++) {
                Optional<Working> working = step(copy);
                applied += working.isPresent() ? 1 : 0;
                copy = copy.as(working.orElse(copy.working()));
            }
            for (int i = 0; i < applied; i++) {
                chisel.undo();
            }
            if (!texts(chisel).equals(before)) {
                listener.accept(new Step(program.name(), "undo", "", "", Answers.none(), Step.Verdict.FAILED,
                        "files are not as they were when all is taken back", ""));
            }
        }
    }

    private static Map<String, String> texts(Chisel chisel) throws IOException {
        Map<String, String> texts = new HashMap<>();
        try (Stream<Path> files = Files.walk(chisel.workspace().root())) {
            for (Path file : files.filter(Files::isRegularFile).filter(path -> !path.toString().contains(".deft"))
                    .toList()) {
                texts.put(chisel.workspace().show(file), Files.readString(file, StandardCharsets.ISO_8859_1));
            }
        }
        return texts;
    }

    private static CompiledCode compiled(Copy copy) {
        return copy.program().processors().isEmpty() ? CompiledCode.of(copy.chisel().snapshot())
                : CompiledCode.processed(copy.chisel().snapshot());
    }

    private Printed print(Copy copy, CompiledCode code) throws IOException, InterruptedException {
        if (Files.exists(copy.classes())) {
            try (Stream<Path> old = Files.walk(copy.classes())) {
                for (Path path : old.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
        code.writeTo(copy.classes());
        return runner.run(copy.classes(), copy.folder());
    }

    /** What the program prints now; empty when nothing was applied that stays. */
    private Optional<Working> step(Copy copy) throws IOException, InterruptedException {
        Optional<OfferDraw.Drawn> drawn;
        try {
            drawn = draw.from(copy.chisel());
        } catch (RuntimeException | StackOverflowError broken) {
            listener.accept(new Step(copy.program().name(), "offers", "", "", Answers.none(), Step.Verdict.FAILED,
                    where(broken), ""));
            return Optional.empty();
        }
        if (drawn.isEmpty()) {
            return Optional.empty();
        }
        OfferDraw.Drawn one = drawn.get();
        Outcome outcome;
        try {
            outcome = one.plan().get();
        } catch (RuntimeException | StackOverflowError broken) {
            tell(copy, one, Step.Verdict.FAILED, where(broken), "");
            return Optional.empty();
        }
        if (outcome instanceof Outcome.Refusal refusal) {
            tell(copy, one, Step.Verdict.REFUSED, refusal.reasons().stream().map(reason -> show(copy, reason))
                    .collect(Collectors.joining("; ")), "");
            return Optional.empty();
        }
        Outcome.Preview preview = (Outcome.Preview) outcome;
        if (preview.change().effective().isEmpty()) {
            tell(copy, one, Step.Verdict.NOTHING, "", "");
            return Optional.empty();
        }
        String diff = new String(new DiffWriter(copy.chisel().workspace()).write(preview.change()),
                StandardCharsets.UTF_8);
        copy.chisel().apply(preview);
        CompiledCode code = compiled(copy);
        if (!code.errors().isEmpty()) {
            tell(copy, one, Step.Verdict.BROKEN, code.errors().get(0), diff);
            copy.chisel().undo();
            return Optional.empty();
        }
        if (isMeant(one.sort())) {
            tell(copy, one, Step.Verdict.MEANT, "", diff);
            copy.chisel().undo();
            return Optional.empty();
        }
        Printed printed = print(copy, code);
        Printed expected = one.renamed().map(names -> copy.printed().renamed(names)).orElse(copy.printed());
        if (!one.renamed().map(printed::renamed).orElse(printed).equals(expected)) {
            boolean isInText = one.renamed().isPresent() && (preview.mentions(true) > 0 || preview.mentions(false) > 0);
            tell(copy, one, isInText ? Step.Verdict.TEXT : Step.Verdict.OTHER, expected.difference(printed), diff
                    + preview.change().notes().stream().map(note -> "note: " + note + "\n")
                    .collect(Collectors.joining()));
            copy.chisel().undo();
            return Optional.empty();
        }
        boolean mentions = preview.mentions(true) > 0 || preview.mentions(false) > 0;
        Optional<String> otherClasses = one.sort().equals("rename") && !copy.program().processors().isEmpty()
                && !mentions
                ? new SameClasses(true, made(copy, code), false)
                .objection(copy.working().code(), code, List.of(Rename.of(preview.change(), preview.before())))
                : Optional.empty();
        if (otherClasses.isPresent()) {
            tell(copy, one, Step.Verdict.CLASSES, otherClasses.get(), diff);
            copy.chisel().undo();
            return Optional.empty();
        }
        tell(copy, one, Step.Verdict.SAME, "", diff);
        return Optional.of(new Working(code, printed));
    }

    /** Names of types that stand in no text. */
    private static Set<String> made(Copy copy, CompiledCode after) {
        Set<String> written = copy.chisel().snapshot().files().stream().filter(file -> !file.root().isProcessed())
                .flatMap(file -> file.outline().types().stream().map(file.outline()::qualifiedName))
                .collect(Collectors.toSet());
        return Stream.concat(copy.working().code().classes().keySet().stream(), after.classes().keySet().stream())
                .filter(name -> !written.contains(name.replace('$', '.')) && !name.matches(".*\\$\\d.*"))
                .collect(Collectors.toSet());
    }

    private static String where(Throwable broken) {
        return broken + Stream.of(broken.getStackTrace()).limit(6).map(frame -> " at " + frame)
                .collect(Collectors.joining());
    }

    private boolean isMeant(String sort) {
        return MEANT.contains(sort) || effects.get(sort.substring(sort.indexOf(' ') + 1)) == Effect.OTHER;
    }

    private void tell(Copy copy, OfferDraw.Drawn one, Step.Verdict verdict, String words, String diff) {
        listener.accept(new Step(copy.program().name(), one.sort(), one.place(), one.title(), one.answers(), verdict,
                words, diff));
    }

    private static String show(Copy copy, Reason reason) {
        return reason.file().map(file -> copy.chisel().workspace().show(file) + ":" + copy.chisel().snapshot()
                .file(file)
                .map(source -> source.position(reason.range().start()) + " '" + source.content().lines()
                        .skip(source.position(reason.range().start()).line() - 1L).findFirst().orElse("").strip() + "'")
                        .orElse("") + ": ")
                .orElse("") + reason.sentence();
    }
}
