package dev.deftchisel.proving;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.SourceFile;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * Times a preview of a rename against the compiler over the same files, in turn in the same run: as whole processes,
 * and in a process that is warm. Medians are given, and ratios, which mean more than seconds.
 */
@Command(name = "speed", mixinStandardHelpOptions = true,
        description = "Times rename previews against javac over the same files.")
final class SpeedCommand implements Callable<Integer> {

    private static final int WARM_UP = 8;

    @Mixin
    private final CorpusOptions corpus = new CorpusOptions();

    @Option(names = "--deft", required = true, description = "the launcher of deft")
    private Path deft;

    @Option(names = "--rounds", description = "how often each is timed (${DEFAULT-VALUE})")
    private int rounds = 3;

    @Parameters(arity = "1..*", description = "places of members to rename")
    private List<String> places = List.of();

    @Override
    public Integer call() throws IOException, InterruptedException {
        OpenRequest request = corpus.request();
        List<Long> javac = new ArrayList<>();
        List<List<Long>> cold = new ArrayList<>();
        places.forEach(place -> cold.add(new ArrayList<>()));
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            for (int round = 0; round < rounds; round++) {
                javac.add(javac(chisel));
                for (int i = 0; i < places.size(); i++) {
                    cold.get(i).add(wholeProcess(request, places.get(i)));
                }
            }
            long reference = median(javac);
            System.out.printf("javac -proc:none over %d files: %d ms%n", chisel.snapshot().files().size(), reference);
            for (int i = 0; i < places.size(); i++) {
                long process = median(cold.get(i));
                List<Long> warm = new ArrayList<>();
                int files = 0;
                Place place = chisel.place(places.get(i));
                for (int run = 0; run < WARM_UP + 2 * rounds + 1; run++) {
                    // read anew, so that nothing is remembered but what the libraries keep open
                    chisel.refresh();
                    long start = System.nanoTime();
                    Outcome outcome = chisel.preview(place, "rename", Answers.of("name", "zqName"));
                    long millis = (System.nanoTime() - start) / 1_000_000;
                    files = outcome instanceof Outcome.Preview preview ? preview.files() : 0;
                    if (run >= WARM_UP) {
                        warm.add(millis);
                    }
                }
                System.out.printf("%s (%d files): whole process %d ms = 1/%.1f, warm %d ms = 1/%.1f of javac%n",
                        places.get(i), files, process, (double) reference / process,
                        median(warm), (double) reference / median(warm));
            }
        }
        return 0;
    }

    private long javac(Chisel chisel) throws IOException, InterruptedException {
        Path out = Files.createTempDirectory("javac");
        Path list = out.resolve("files");
        Files.writeString(list, chisel.snapshot().files().stream()
                .filter(file -> !file.isModuleInfo())
                .map(SourceFile::path)
                .map(Path::toString)
                .collect(Collectors.joining("\n")));
        String classPath = chisel.workspace().modules().stream()
                .map(Module::classPath)
                .flatMap(List::stream)
                .map(Path::toString)
                .distinct()
                .collect(Collectors.joining(File.pathSeparator));
        return time(List.of(Path.of(System.getProperty("java.home"), "bin", "javac").toString(), "-proc:none", "-nowarn",
                "-cp", classPath.isEmpty() ? "." : classPath, "-d", out.toString(), "@" + list));
    }

    private long wholeProcess(OpenRequest request, String place) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                deft.toString(), "rename", place, "zqName", "--yes", "--quiet", "--workspace", request.folder().toString()));
        request.sources().forEach(source -> command.addAll(List.of("--source", source.toString())));
        return time(command);
    }

    private static long time(List<String> command) throws IOException, InterruptedException {
        long start = System.nanoTime();
        int code = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
        if (code != 0) {
            throw new IOException(String.join(" ", command.subList(0, Math.min(4, command.size()))) + " … failed: " + code);
        }
        return (System.nanoTime() - start) / 1_000_000;
    }

    private static long median(List<Long> values) {
        List<Long> sorted = values.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }
}
