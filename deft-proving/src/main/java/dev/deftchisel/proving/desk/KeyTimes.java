package dev.deftchisel.proving.desk;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.CaretInFile;
import dev.deftchisel.desk.CommandList;
import dev.deftchisel.desk.Desk;
import dev.deftchisel.desk.background.WorkerTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.terminal.Colours;
import dev.deftchisel.desk.terminal.Painter;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;

/**
 * Times from a key until all that the terminal must be sent is there, while code is looked at as it is when somebody
 * works.
 */
public final class KeyTimes {

    private static final int HEIGHT = 50;
    private static final int WIDTH = 160;

    private final Chisel chisel;
    private final WorkerTasks helper;
    private final BlockingQueue<Runnable> front = new LinkedBlockingQueue<>();

    /**
     * In a workspace that is open.
     *
     * @param helper that was not started yet
     */
    public KeyTimes(Chisel chisel, WorkerTasks helper) {
        this.chisel = chisel;
        this.helper = helper;
    }

    /**
     * Types, moves and scrolls in a file.
     *
     * @param pauseMillis between two keys
     * @return microseconds for each key, sorted, by what the key does
     */
    public Map<String, List<Long>> measure(SourceFile file, int rounds, int pauseMillis) throws InterruptedException {
        CommandList commandList = CommandList.installed();
        helper.start(chisel, front::add);
        int middle = file.lines().rangeOf(file.lines().count() / 2).end();
        Desk desk = new Desk(chisel.workspace(), new CaretInFile(file, middle),
                    helper, DefaultKeys.with(commandList.operations()), commandList);
        Painter painter = new Painter(new Colours(Colours.Depth.TRUE, false));
        Map<String, Key> keys = new LinkedHashMap<>();
        keys.put("a letter is typed", Key.of("x"));
        keys.put("the caret moves right", Key.of("Right"));
        keys.put("the caret moves down", Key.of("Down"));
        keys.put("a page is turned", Key.of("PageDown"));
        Map<String, List<Long>> times = new LinkedHashMap<>();
        for (Map.Entry<String, Key> key : keys.entrySet()) {
            List<Long> all = new ArrayList<>();
            for (int i = 0; i < 2 * rounds; i++) {
                for (Runnable next = front.poll(pauseMillis, TimeUnit.MILLISECONDS); next
                        != null; next = front.poll()) {
                    next.run();
                }
                long start = System.nanoTime();
                desk.press(key.getValue());
                painter.paint(desk.draw(HEIGHT, WIDTH));
                long micros = (System.nanoTime() - start) / 1000;
                if (i >= rounds) {
                    all.add(micros);
                }
                if (i % 8 == 7 && key.getValue().name().equals("x")) {
                    desk.press(Key.of("Enter"));
                }
            }
            all.sort(null);
            times.put(key.getKey(), all);
        }
        return times;
    }
}
