package dev.deftchisel.proving.bench;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * What is offered for a name that nobody declares, in a file of 2,000 lines with 20 other errors; and in the same file
 * without any.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgsAppend = "-Xmx4g")
@Warmup(iterations = 3, time = 5)
@Measurement(iterations = 3, time = 5)
public class MissingNameBenchmark {

    private static final int LINES = 2000;
    private static final int ERRORS = 20;
    private static final int LINES_OF_METHOD = 5;

    private Chisel chisel;
    private Place missing;
    private Place known;

    /** Writes a file of each sort and opens them. */
    @Setup
    public void open() throws IOException {
        Path folder = Files.createTempDirectory("missing");
        missing = write(folder.resolve("harbour/Berths.java"), "Berths", true);
        known = write(folder.resolve("harbour/Quays.java"), "Quays", false);
        chisel = Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), Monitor.SILENT);
    }

    /** The place of a call in the middle. */
    private static Place write(Path file, String name, boolean isBroken) throws IOException {
        StringBuilder text = new StringBuilder("package harbour;\n\nimport java.util.List;\n\nclass ").append(name)
                .append(" {\n");
        int methods = LINES / LINES_OF_METHOD;
        int caret = 0;
        for (int i = 0; i < methods; i++) {
            boolean isWrong = isBroken && i % (methods / ERRORS) == 1;
            text.append("\n    int free").append(i)
                    .append("(List<String> vessels, int depth) {\n        int places = vessels.size() + depth * ");
            if (i == methods / 2) {
                caret = text.length();
                text.append(isBroken ? "unit" : "twice").append("(depth);\n");
            } else {
                text.append(isWrong ? "missing" + i + "(depth)" : "twice(depth)").append(";\n");
            }
            text.append("        return places - vessels.indexOf(\"Ada\");\n    }\n");
        }
        text.append("\n    int twice(int depth) {\n        return 2 * depth;\n    }\n}\n");
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
        return new Place(file, new Range(caret, caret));
    }

    /** At the name that nobody declares. */
    @Benchmark
    public List<Offer> offersForAMissingName() {
        return offers(missing, "declare-method");
    }

    /** Reference: at a name that is declared, in a file without errors. */
    @Benchmark
    public List<Offer> offersForAKnownName() {
        return offers(known, "rename");
    }

    private List<Offer> offers(Place place, String expected) {
        chisel.refresh();
        List<Offer> offers = chisel.offers(place);
        if (offers.stream().noneMatch(offer -> offer.operation().equals(expected))) {
            throw new IllegalStateException("not offered: " + expected);
        }
        return offers;
    }
}
