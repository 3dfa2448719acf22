package dev.deftchisel.proving.command.product;

import dev.deftchisel.proving.bench.GrowthBenchmark;
import dev.deftchisel.proving.bench.GrowthChart;
import dev.deftchisel.proving.bench.JournalBenchmark;
import dev.deftchisel.proving.bench.MissingNameBenchmark;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.concurrent.Callable;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.results.format.ResultFormatType;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** How long do things take, and how does that grow? */
@Command(name = "bench", mixinStandardHelpOptions = true,
        description = "Runs the benchmarks and draws how times grow with the code; about fifteen minutes.")
public final class BenchCommand implements Callable<Integer> {

    @Option(names = "--out", description = "where bench.json and growth.png go (${DEFAULT-VALUE})")
    private Path out = Path.of("target", "bench");

    @Option(names = "--only", paramLabel = "REGEX", description = "only benchmarks whose name matches")
    private String only = "";

    @Override
    public Integer call() throws IOException, RunnerException {
        Files.createDirectories(out);
        OptionsBuilder options = new OptionsBuilder();
        options.include(GrowthBenchmark.class.getName() + ".*" + only);
        options.include(JournalBenchmark.class.getName() + ".*" + only);
        options.include(MissingNameBenchmark.class.getName() + ".*" + only);
        options.jvmArgsAppend("-Djava.io.tmpdir=" + System.getProperty("java.io.tmpdir"));
        options.resultFormat(ResultFormatType.JSON);
        options.result(out.resolve("bench.json").toString());
        Collection<RunResult> results = new Runner(options.build()).run();
        GrowthChart chart = GrowthChart.of(results);
        chart.write(out.resolve("growth.png"));
        System.out.println(chart.table());
        return 0;
    }
}
