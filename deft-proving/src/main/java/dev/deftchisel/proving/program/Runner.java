package dev.deftchisel.proving.program;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** Runs programs in a process beside this one, which is ended and started anew when a program does not end. */
public final class Runner implements AutoCloseable {

    private static final int MOST_SECONDS = 10;

    private Process process;
    private DataOutputStream ask;
    private DataInputStream answer;

    /** Starts the process. */
    public Runner() throws IOException {
        start();
    }

    private void start() throws IOException {
        process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx256m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"), RunnerProcess.class.getName())
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
        ask = new DataOutputStream(process.getOutputStream());
        answer = new DataInputStream(process.getInputStream());
    }

    /**
     * Runs a program to its end, or for ten seconds.
     *
     * @param classes   its class files
     * @param resources what lies beside them
     */
    public Printed run(Path classes, Path resources) throws IOException, InterruptedException {
        CompletableFuture<Printed> result = CompletableFuture.supplyAsync(() -> {
            try {
                ask.writeUTF(classes.toString());
                ask.writeUTF(resources.toString());
                ask.flush();
                String text = new String(answer.readNBytes(answer.readInt()), StandardCharsets.UTF_8);
                return new Printed(text, answer.readUTF());
            } catch (IOException ended) {
                return new Printed("", "the process ended: " + ended.getMessage());
            }
        });
        try {
            Printed printed = result.get(MOST_SECONDS, TimeUnit.SECONDS);
            if (!process.isAlive()) {
                start();
            }
            return printed;
        } catch (TimeoutException endless) {
            close();
            start();
            return new Printed("", "does not end");
        } catch (ExecutionException failed) {
            throw new IOException(failed.getCause());
        }
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
