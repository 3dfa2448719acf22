package dev.deftchisel.cli.console;

import dev.deftchisel.analysis.compiler.Monitor;
import java.time.Duration;
import java.time.Instant;
import me.tongfei.progressbar.ConsoleProgressBarConsumer;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import me.tongfei.progressbar.ProgressBarStyle;

/** A bar for work that takes longer than a second; on terminals only, and gone when the work is done. */
public final class ProgressLine implements Monitor, AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(1);

    private final Console console;
    private final boolean isShown;
    private Instant start = Instant.now();
    private boolean isFirst = true;
    private ProgressBar bar;

    public ProgressLine(Console console, boolean quiet) {
        this.console = console;
        this.isShown = console.isTerminalErr() && !quiet;
    }

    @Override
    public synchronized void at(String step, int done, int total) {
        if (bar == null && done <= 1 && !isFirst) {
            start = Instant.now();
        }
        isFirst = false;
        if (!isShown || bar == null && Duration.between(start, Instant.now()).compareTo(PATIENCE) < 0) {
            return;
        }
        if (bar == null) {
            bar = new ProgressBarBuilder()
                    .setTaskName(step)
                    .setInitialMax(total)
                    .setStyle(ProgressBarStyle.ASCII)
                    .setConsumer(new ConsoleProgressBarConsumer(console.err(), 60))
                    .clearDisplayOnFinish()
                    .build();
        }
        bar.maxHint(total);
        bar.stepTo(done);
        if (done == total) {
            close();
        }
    }

    @Override
    public synchronized void close() {
        if (bar != null) {
            bar.close();
            bar = null;
            console.err().print("\r\u001b[K");
            console.err().flush();
        }
    }
}
