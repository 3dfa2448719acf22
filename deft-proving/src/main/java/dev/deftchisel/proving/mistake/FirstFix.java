package dev.deftchisel.proving.mistake;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.program.Printed;
import dev.deftchisel.proving.program.Runner;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Takes the first fix of the first error of a program, and looks at what came of it. */
public final class FirstFix {

    private static final int SHOWN_FIRST = 3;

    private final Runner runner;

    /** @param runner runs what compiles */
    public FirstFix(Runner runner) {
        this.runner = runner;
    }

    /** What the first fix made of a program. */
    public enum Verdict {
        /** It prints what was meant. */
        MEANT,
        /** It compiles, and prints something else. */
        COMPILES,
        /** It does not compile. */
        BROKEN,
        /** There is no fix. */
        NONE
    }

    /**
     * What came of a program.
     *
     * @param mistake which
     * @param verdict of the first fix
     * @param error   the first error, its code and place
     * @param fixes   the titles of all its fixes
     * @param idle    those of the first three that cannot be taken, or change nothing
     * @param words   what is wrong after the first
     */
    public record Result(Mistake mistake, Verdict verdict, String error, List<String> fixes, List<String> idle,
            String words) {
    }

    /** Tries one. */
    public Result of(Mistake mistake) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("prove-mistake");
        Files.writeString(folder.resolve("Main.java"), mistake.code());
        try (Chisel chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT)) {
            Problems problems = chisel.problems();
            Optional<Problem> first = problems.in(problems.everywhere()).stream().filter(one -> one.tag() == Tag.ERROR)
                    .findFirst()
                    .map(problems::checked);
            if (first.isEmpty()) {
                return new Result(mistake, Verdict.NONE, "no error", List.of(), List.of(), "");
            }
            String error = first.get().rule() + " at " + first.get().position() + " " + first.get().sentence();
            List<String> idle = idle(problems, first.get());
            if (first.get().fixes().isEmpty()) {
                return new Result(mistake, Verdict.NONE, error, List.of(), idle, "");
            }
            Outcome outcome;
            try {
                outcome = problems.fix(first.get(), 0);
            } catch (RuntimeException broken) {
                return new Result(mistake, Verdict.BROKEN, error, first.get().fixes(), idle, broken.toString());
            }
            if (!(outcome instanceof Outcome.Preview preview)) {
                return new Result(mistake, Verdict.BROKEN, error, first.get().fixes(), idle, "refused: "
                        + ((Outcome.Refusal) outcome).reasons().get(0).sentence());
            }
            return tried(mistake, preview.change().applyTo(chisel.snapshot()), error, first.get().fixes(), idle,
                    folder);
        }
    }

    private Result tried(Mistake mistake, Snapshot mended, String error, List<String> fixes, List<String> idle,
            Path folder)
            throws IOException, InterruptedException {
        CompiledCode code = CompiledCode.of(mended);
        if (!code.errors().isEmpty()) {
            return new Result(mistake, Verdict.BROKEN, error, fixes, idle, code.errors().get(0));
        }
        code.writeTo(folder.resolve("classes"));
        Printed printed = runner.run(folder.resolve("classes"), folder);
        return new Result(mistake, printed.text().equals(mistake.prints()) && printed.failure().isEmpty()
                ? Verdict.MEANT
                : Verdict.COMPILES, error, fixes, idle, "prints " + printed.text().strip().replace("\n", "|") + " "
                + printed.failure());
    }

    private static List<String> idle(Problems problems, Problem problem) {
        List<String> idle = new ArrayList<>();
        for (int fix = 0; fix < Math.min(SHOWN_FIRST, problem.fixes().size()); fix++) {
            try {
                boolean isTaken = problems.fix(problem, fix) instanceof Outcome.Preview preview && !preview.change()
                        .effective().isEmpty();
                if (!isTaken) {
                    idle.add(problem.fixes().get(fix));
                }
            } catch (RuntimeException broken) {
                idle.add(problem.fixes().get(fix) + ": " + broken);
            }
        }
        return idle;
    }
}
