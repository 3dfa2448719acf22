package dev.deftchisel.cli;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.AppenderBase;
import ch.qos.logback.core.Appender;
import ch.qos.logback.core.FileAppender;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.slf4j.LoggerFactory;

/** What a server logs for as long as it runs: into a file, or to its client; never to the standard output. */
final class ServerLog implements AutoCloseable {

    private static final String NAME = "server";
    private static final String PATTERN = "%d{yyyy-MM-dd HH:mm:ss.SSS} %-5level %logger{0}: %msg%n";

    private final Logger root;
    private final ch.qos.logback.classic.Level before;

    /** What is worth logging; each includes those before it. */
    enum Level {
        ERROR, WARN, INFO, DEBUG;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private ServerLog(Appender<ILoggingEvent> appender, LoggerContext context, Level level) {
        this.root = context.getLogger(Logger.ROOT_LOGGER_NAME);
        this.before = root.getLevel();
        appender.setName(NAME);
        appender.setContext(context);
        appender.start();
        root.addAppender(appender);
        root.setLevel(ch.qos.logback.classic.Level.toLevel(level.name()));
    }

    /** Why a file cannot be logged to. */
    static Optional<String> objection(Path file) {
        Path folder = file.toAbsolutePath().getParent();
        if (Files.isDirectory(file) || !Files.isDirectory(folder)) {
            return Optional.of(file + " cannot be logged to: " + (Files.isDirectory(file) ? "it is a folder"
                    : "there is no folder " + folder));
        }
        return Files.isWritable(Files.exists(file) ? file : folder) ? Optional.empty()
                : Optional.of(file + " cannot be logged to: it may not be written");
    }

    /** Appends to a file. */
    static ServerLog to(Path file, Level level) {
        LoggerContext context = (LoggerContext) LoggerFactory.getILoggerFactory();
        PatternLayoutEncoder encoder = new PatternLayoutEncoder();
        encoder.setContext(context);
        encoder.setPattern(PATTERN);
        encoder.start();
        FileAppender<ILoggingEvent> appender = new FileAppender<>();
        appender.setFile(file.toString());
        appender.setEncoder(encoder);
        return new ServerLog(appender, context, level);
    }

    /** Tells a client each line, and whether it is about a failure. */
    static ServerLog to(BiConsumer<String, Boolean> client, Level level) {
        return new ServerLog(new AppenderBase<>() {
            @Override
            protected void append(ILoggingEvent event) {
                client.accept(event.getFormattedMessage(),
                        event.getLevel().isGreaterOrEqual(ch.qos.logback.classic.Level.WARN));
            }
        }, (LoggerContext) LoggerFactory.getILoggerFactory(), level);
    }

    @Override
    public void close() {
        Appender<ILoggingEvent> appender = root.getAppender(NAME);
        root.detachAppender(appender);
        appender.stop();
        root.setLevel(before);
    }
}
