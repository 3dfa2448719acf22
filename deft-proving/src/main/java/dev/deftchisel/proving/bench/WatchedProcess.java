package dev.deftchisel.proving.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * One run of a command.
 *
 * @param millis   from its start to its end
 * @param peakKiB  the most memory it held, as Linux counts resident pages; looked at every few milliseconds, 0
 *                 elsewhere
 */
public record WatchedProcess(long millis, long peakKiB) {

    private static final int LOOK_EVERY_MILLIS = 5;

    /**
     * Runs a command to its end; what it prints is thrown away.
     *
     * @throws IOException when it does not end well
     */
    public static WatchedProcess run(List<String> command) throws IOException, InterruptedException {
        long start = System.nanoTime();
        Process process = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        long peak = 0;
        while (!process.waitFor(LOOK_EVERY_MILLIS, TimeUnit.MILLISECONDS)) {
            peak = Math.max(peak, peak(process.pid()));
        }
        long millis = (System.nanoTime() - start) / 1_000_000;
        if (process.exitValue() != 0) {
            throw new IOException(String.join(" ", command.subList(0, Math.min(4, command.size())))
                    + " … failed: " + process.exitValue());
        }
        return new WatchedProcess(millis, peak);
    }

    private static long peak(long pid) {
        try {
            return Files.readAllLines(Path.of("/proc", String.valueOf(pid), "status")).stream()
                    .filter(line -> line.startsWith("VmHWM:"))
                    .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                    .findFirst()
                    .orElse(0);
        } catch (IOException ended) {
            return 0;
        }
    }
}
