package dev.deftchisel.proving.desk;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.CaretInFile;
import dev.deftchisel.desk.CommandList;
import dev.deftchisel.desk.Desk;
import dev.deftchisel.desk.background.WorkerTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyBinding;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.terminal.Colours;
import dev.deftchisel.desk.terminal.Painter;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.journal.Entry;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Presses keys that somebody could press, as fast as they are taken, mostly those that do something. Now and then it
 * waits for what is looked up meanwhile, so that lists and previews are filled and changes are applied.
 */
public final class RandomKeys {

    private static final int DRAWN = 20;
    private static final int WAITED = 400;
    private static final int STEADY = 1500;
    private static final int FOUND = 150;
    private static final int OFFERED = 5;
    private static final int MOMENT_MILLIS = 3;
    private static final int LONGEST_WAIT = 200;
    private static final String TEXTS = "abcxyz(){};=.,\"' 0123+-@é漢😀\t";

    private final Random random;
    private final List<SourceFile> files = new ArrayList<>();
    private final List<Key> known;
    private final CommandList commandList = CommandList.installed();
    private final KeyMap keys = DefaultKeys.with(commandList.operations());
    private final BlockingQueue<Runnable> front = new LinkedBlockingQueue<>();
    private final Painter painter = new Painter(new Colours(Colours.Depth.TRUE, false));
    private final List<String> wrong = new ArrayList<>();
    private int applied;
    private int desks;

    /** @param seed decides the keys */
    public RandomKeys(long seed) {
        this.random = new Random(seed);
        this.known = keys.bindings().stream().map(KeyBinding::chord).flatMap(List::stream).distinct().toList();
    }

    /**
     * What came of it.
     *
     * @param applied how many changes were applied or taken back
     * @param desks   how often the desk was left and begun again
     * @param wrong   what must not be
     */
    public record Result(int applied, int desks, List<String> wrong) {
    }

    /** Presses keys in a workspace that may be written to. */
    public Result press(OpenRequest request, int count) {
        WorkerTasks helper = new WorkerTasks();
        try (Chisel chisel = Chisel.open(request, helper.monitor())) {
            files.addAll(chisel.snapshot().files().stream().filter(file -> !file.isModuleInfo()).toList());
            helper.start(chisel, front::add);
            Desk desk = desk(chisel, helper);
            for (int i = 0; i < count && wrong.size() < DRAWN; i++) {
                try {
                    if (random.nextInt(STEADY) == 0) {
                        // what was typed at random would be in the way
                        desk = desk(chisel, helper);
                        steadily(desk, helper);
                    }
                    press(desk);
                    boolean waits = i % WAITED == 0 || random.nextInt(WAITED) == 0;
                    settle(waits ? LONGEST_WAIT : 0, helper);
                    look(desk, i);
                } catch (RuntimeException | StackOverflowError broken) {
                    wrong.add("key " + i + ": " + broken + " at " + Stream.of(broken.getStackTrace()).limit(8)
                            .toList());
                    desk = desk(chisel, helper);
                }
                if (desk.hasLeft()) {
                    desk = desk(chisel, helper);
                }
            }
            helper.close();
            history(chisel);
        }
        leftovers(request.folder());
        return new Result(applied, desks, List.copyOf(wrong));
    }

    private Desk desk(Chisel chisel, WorkerTasks helper) {
        desks++;
        front.clear();
        SourceFile file = files.get(random.nextInt(files.size()));
        return new Desk(chisel.workspace(), new CaretInFile(file, random.nextInt(file.content().length() + 1)),
                    helper, keys, commandList);
    }

    /** Takes something as people do, who look before they go on. */
    private void steadily(Desk desk, WorkerTasks helper) {
        List<String> openings = List.of("Tab", "Tab", "Alt-e Alt-f", "Alt-b", "Alt-r z q", "Alt-r b a",
                "End Left Left Alt-t v", "Alt-p");
        String somewhere = "Alt-j " + "Down ".repeat(random.nextInt(FOUND)) + "Enter ";
        String opening = openings.get(random.nextInt(openings.size())) + " Down".repeat(random.nextInt(OFFERED));
        for (String word : (somewhere + opening + " Enter Enter Enter Alt-z Alt-y").split(" ")) {
            desk.press(Key.read(word).orElseThrow());
            settle(LONGEST_WAIT, helper);
            look(desk, 0);
        }
    }

    private void press(Desk desk) {
        int which = random.nextInt(100);
        if (which < 70) {
            desk.press(known.get(random.nextInt(known.size())));
        } else if (which < 95) {
            int[] texts = TEXTS.codePoints().toArray();
            desk.press(Key.of(Character.toString(texts[random.nextInt(texts.length)])));
        } else if (which < 97) {
            desk.paste("void moor() {\n\tint berth = 3;\n}\n");
        } else {
            desk.press(new Key(random.nextBoolean(), random.nextBoolean(), random.nextBoolean(),
                    Key.NAMES.get(random.nextInt(Key.NAMES.size()))));
        }
    }

    /** Takes the results of background tasks; sometimes until there are no more. */
    private void settle(int patience, WorkerTasks helper) {
        int moments = patience;
        try {
            Runnable next = front.poll();
            while (next != null || moments > 0 && helper.isWorking()) {
                if (next != null) {
                    next.run();
                }
                moments -= next == null ? 1 : 0;
                next = moments > 0 ? front.poll(MOMENT_MILLIS, TimeUnit.MILLISECONDS) : front.poll();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    private void look(Desk desk, int pressed) {
        int length = desk.draft().content().length();
        for (Caret caret : desk.draft().carets()) {
            if (caret.range().start() < 0 || caret.range().end() > length) {
                wrong.add("key " + pressed + ": a caret is outside of the text");
            }
        }
        applied += desk.message().startsWith("done") || desk.message().startsWith("taken back") ? 1 : 0;
        if (pressed % DRAWN == 0) {
            Picture picture = desk.draw(1 + random.nextInt(60), 1 + random.nextInt(250));
            painter.paint(picture);
        }
    }

    private void history(Chisel chisel) {
        chisel.history().stream().filter(entry -> entry.state() != Entry.State.APPLIED
                && entry.state() != Entry.State.UNDONE)
                .forEach(entry -> wrong.add("half applied: " + entry.title()));
    }

    private void leftovers(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            all.filter(path -> path.getFileName().toString().endsWith(".deft-new"))
                    .forEach(path -> wrong.add("left behind: " + path));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
