package dev.deftchisel.desk.terminal;

import dev.deftchisel.desk.Desk;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import org.jline.terminal.Attributes;
import org.jline.terminal.Terminal;
import org.jline.terminal.TerminalBuilder;
import org.jline.utils.InfoCmp;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Shows a desk on the terminal of the process until the user leaves. One thread reads keys; the thread that calls
 * {@link #show} does everything else, in the order in which it comes.
 */
public final class DeskTerminal implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(DeskTerminal.class);
    private static final String ENTER = "\u001b[?1049h\u001b[?2004h";
    private static final String EXIT = "\u001b[0m\u001b[?2004l\u001b[?25h\u001b[?1049l";
    private static final int MANY = 256;
    private static final int STANDARD_HEIGHT = 24;
    private static final int STANDARD_WIDTH = 80;

    private final Terminal terminal;
    private final Attributes before;
    private final Painter painter;
    private final BlockingQueue<Runnable> events = new LinkedBlockingQueue<>();
    private final Thread atEnd = new Thread(this::restore, "deft-terminal-end");
    private boolean isRestored;

    /**
     * Takes the terminal.
     *
     * @param hasColours whether colours are wanted
     * @param isLight    whether its ground is light; when that is not said, the terminal is asked
     * @param environment of the process
     */
    public DeskTerminal(boolean hasColours, Optional<Boolean> isLight, Map<String, String> environment) {
        try {
            terminal = TerminalBuilder.builder().name("deft").system(true).dumb(true).build();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        before = terminal.enterRawMode();
        Attributes raw = new Attributes(terminal.getAttributes());
        // keys that a terminal takes for itself otherwise: to interrupt, to suspend, to stop output
        raw.setLocalFlag(Attributes.LocalFlag.ISIG, false);
        raw.setInputFlag(Attributes.InputFlag.IXON, false);
        raw.setInputFlag(Attributes.InputFlag.ICRNL, false);
        terminal.setAttributes(raw);
        Runtime.getRuntime().addShutdownHook(atEnd);
        boolean light = isLight.or(() -> said(environment))
                .or(() -> hasColours ? Ask.isLight(terminal) : Optional.empty()).orElse(false);
        painter = new Painter(new Colours(hasColours ? depth(environment) : Colours.Depth.NONE, light));
        terminal.writer().print(ENTER);
        terminal.writer().flush();
        terminal.handle(Terminal.Signal.WINCH, signal -> events.add(painter::forget));
    }

    /** What some terminals say in the environment: numbers of the colours of text and ground. */
    private static Optional<Boolean> said(Map<String, String> environment) {
        String colours = environment.getOrDefault("COLORFGBG", "");
        String ground = colours.substring(colours.lastIndexOf(';') + 1);
        return ground.matches("\\d{1,2}") ? Optional.of(ground.equals("7") || ground.equals("15")) : Optional.empty();
    }

    private Colours.Depth depth(Map<String, String> environment) {
        if (environment.getOrDefault("COLORTERM", "").matches("truecolor|24bit")) {
            return Colours.Depth.TRUE;
        }
        Integer count = terminal.getNumericCapability(InfoCmp.Capability.max_colors);
        return count != null && count >= MANY ? Colours.Depth.MANY : Colours.Depth.SIXTEEN;
    }

    /** Does something on the thread that shows the desk. */
    public Executor front() {
        return events::add;
    }

    /** Shows a desk until the user leaves or the terminal is gone. */
    public void show(Desk desk) {
        KeyReader reader = new KeyReader(terminal.reader());
        reader.discard();
        draw(desk);
        Thread keys = new Thread(() -> read(reader, desk), "deft-keys");
        keys.setDaemon(true);
        keys.start();
        try {
            while (!desk.hasLeft()) {
                run(events.take(), desk);
                // what has come meanwhile is to be seen at once
                for (Runnable next = events.poll(); next != null && !desk.hasLeft(); next = events.poll()) {
                    run(next, desk);
                }
                if (!desk.hasLeft()) {
                    draw(desk);
                }
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    /** A fault in what one key does must not take the others, or what was typed, along. */
    private static void run(Runnable event, Desk desk) {
        try {
            event.run();
        } catch (RuntimeException fault) {
            LOG.error("a key or an answer failed", fault);
            desk.say("something went wrong inside deft, that was not done: " + fault);
        }
    }

    private void draw(Desk desk) {
        int height = terminal.getHeight() > 0 ? terminal.getHeight() : STANDARD_HEIGHT;
        int width = terminal.getWidth() > 0 ? terminal.getWidth() : STANDARD_WIDTH;
        terminal.writer().print(painter.paint(desk.draw(height, width)));
        terminal.writer().flush();
    }

    private void read(KeyReader reader, Desk desk) {
        boolean isOpen = true;
        while (isOpen) {
            Input input = reader.next();
            if (input instanceof Input.Pressed pressed) {
                events.add(() -> desk.press(pressed.key()));
            } else if (input instanceof Input.Pasted pasted) {
                events.add(() -> desk.paste(pasted.text()));
            } else if (input instanceof Input.Ended) {
                events.add(desk::end);
                isOpen = false;
            }
        }
    }

    private synchronized void restore() {
        if (!isRestored) {
            isRestored = true;
            terminal.writer().print(EXIT);
            terminal.writer().flush();
            terminal.setAttributes(before);
        }
    }

    /** Gives the terminal back as it was. */
    @Override
    public void close() {
        restore();
        try {
            Runtime.getRuntime().removeShutdownHook(atEnd);
        } catch (IllegalStateException ending) {
            // the process ends already, and the hook has run or will
        }
        try {
            terminal.close();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
