package dev.deftchisel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The real command in a pseudo-terminal of its own, made by {@code script} of util-linux: sends keys and waits for what
 * it shows.
 */
final class TerminalSession implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final Process process;
    private final StringBuilder shown = new StringBuilder();
    private boolean hasEnded;

    TerminalSession(Path folder, String... arguments) throws IOException {
        List<String> words = new ArrayList<>(DeftProcess.command(folder, List.of(arguments)));
        // what the launcher says of the three streams
        words.add(1, "-Ddeft.terminal=012");
        String command = words.stream()
                .map(word -> "'" + word + "'").collect(Collectors.joining(" "));
        ProcessBuilder builder = new ProcessBuilder("script", "-qefc", "stty cols 120 rows 40; " + command,
                "/dev/null");
        builder.environment().put("TERM", "xterm");
        builder.environment().put("NO_COLOR", "1");
        process = builder.redirectErrorStream(true).start();
        Thread reader = new Thread(this::read, "terminal");
        reader.setDaemon(true);
        reader.start();
    }

    private void read() {
        try (InputStream in = process.getInputStream()) {
            byte[] bytes = new byte[4096];
            for (int count = in.read(bytes); count >= 0; count = in.read(bytes)) {
                synchronized (shown) {
                    shown.append(new String(bytes, 0, count, StandardCharsets.UTF_8));
                    shown.notifyAll();
                }
            }
        } catch (IOException closed) {
            // the process is gone, which the waiting side finds out
        }
        synchronized (shown) {
            hasEnded = true;
            shown.notifyAll();
        }
    }

    /** Sends keys and waits until what is shown from then on is as expected; gives that back. */
    String send(String keys, Predicate<String> expected) {
        int start;
        synchronized (shown) {
            start = shown.length();
        }
        try {
            process.getOutputStream().write(keys.getBytes(StandardCharsets.UTF_8));
            process.getOutputStream().flush();
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
        return await(start, expected);
    }

    /** Waits until all that is shown so far is as expected. */
    String await(int start, Predicate<String> expected) {
        Instant end = Instant.now().plus(PATIENCE);
        synchronized (shown) {
            while (!expected.test(shown.substring(start))) {
                long left = Duration.between(Instant.now(), end).toMillis();
                if (hasEnded || left <= 0) {
                    throw new AssertionError("this was not expected: " + shown.substring(start) + "\nafter: "
                            + shown.substring(Math.max(0, start - 3000), start));
                }
                try {
                    shown.wait(left);
                } catch (InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                    throw new AssertionError("stopped while waiting", stopped);
                }
            }
            return shown.substring(start);
        }
    }

    /** Tells the command to end, as a system does that is shut down. */
    void terminate() {
        process.descendants().filter(one -> one.info().command().filter(command -> command.endsWith("java"))
                .isPresent())
                .forEach(ProcessHandle::destroy);
    }

    /** Waits for the end of the process. */
    int end() throws InterruptedException {
        return process.waitFor();
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
