package dev.deftchisel.desk.background;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

@Timeout(60)
class WorkerTasksTest {

    private final BlockingQueue<Runnable> front = new LinkedBlockingQueue<>();
    private final BlockingQueue<String> told = new LinkedBlockingQueue<>();
    private final WorkerTasks helper = new WorkerTasks();
    private final CountDownLatch isBusy = new CountDownLatch(1);

    @TempDir
    private Path folder;

    @BeforeEach
    void write() throws Exception {
        Files.writeString(folder.resolve("Berth.java"), "class Berth { }");
    }

    private Chisel open() {
        return Chisel.open(OpenRequest.plain(folder, List.of(folder), List.of()), helper.monitor());
    }

    private void ask(TaskPurpose lane, String name) {
        helper.ask(lane, Map.of(), chisel -> name, told::add, failed -> told.add("failed: " + failed.getMessage()));
    }

    /** Works until it is stopped, or let go on. */
    private void askForLong(TaskPurpose lane, String name, CountDownLatch goOn) {
        helper.ask(lane, Map.of(), chisel -> {
            isBusy.countDown();
            while (goOn.getCount() > 0) {
                helper.monitor().check();
                Thread.onSpinWait();
            }
            return name;
        }, told::add, failed -> told.add("failed: " + failed.getMessage()));
    }

    private String next() throws InterruptedException {
        while (told.isEmpty()) {
            front.take().run();
        }
        return told.take();
    }

    @Test
    void whatIsMoreUrgentStopsWhatIsLessWhichIsBegunAgain() throws Exception {
        CountDownLatch goOn = new CountDownLatch(1);
        try (Chisel chisel = open(); helper) {
            helper.start(chisel, front::add);
            askForLong(TaskPurpose.PROBLEMS, "problems", goOn);
            isBusy.await();
            ask(TaskPurpose.OFFERS, "offers");
            assertEquals("offers", next());
            goOn.countDown();
            assertEquals("problems", next());
        }
    }

    @Test
    void aLaterQuestionOfTheSameSortTakesThePlaceOfTheEarlier() throws Exception {
        CountDownLatch never = new CountDownLatch(1);
        try (Chisel chisel = open(); helper) {
            helper.start(chisel, front::add);
            askForLong(TaskPurpose.OFFERS, "first", never);
            isBusy.await();
            ask(TaskPurpose.OFFERS, "second");
            assertEquals("second", next());
            assertFalse(helper.isWorking());
            assertTrue(told.isEmpty() && front.isEmpty());
        }
    }

    @Test
    void whatWritesIsNeverStopped() throws Exception {
        CountDownLatch goOn = new CountDownLatch(1);
        try (Chisel chisel = open(); helper) {
            helper.start(chisel, front::add);
            askForLong(TaskPurpose.WRITE, "first", goOn);
            isBusy.await();
            ask(TaskPurpose.WRITE, "second");
            ask(TaskPurpose.OFFERS, "offers");
            goOn.countDown();
            assertEquals("first", next());
            assertEquals("second", next());
            assertEquals("offers", next());
        }
    }

    @Test
    void whatFailsIsToldAndTheNextIsDone() throws Exception {
        try (Chisel chisel = open(); helper) {
            helper.start(chisel, front::add);
            helper.ask(TaskPurpose.GO, Map.of(), known -> {
                throw new IllegalArgumentException("no such berth");
            }, found -> told.add("found"), failed -> told.add(failed.getMessage()));
            assertEquals("no such berth", next());
            ask(TaskPurpose.GO, "next");
            assertEquals("next", next());
        }
    }

    @Test
    void theEndWaitsForWhatWritesOnly() throws Exception {
        CountDownLatch goOn = new CountDownLatch(1);
        CountDownLatch isWritten = new CountDownLatch(1);
        try (Chisel chisel = open()) {
            helper.start(chisel, front::add);
            helper.ask(TaskPurpose.WRITE, Map.of(), known -> {
                isBusy.countDown();
                awaitQuietly(goOn);
                isWritten.countDown();
                return "written";
            }, told::add, failed -> { });
            isBusy.await();
            ask(TaskPurpose.PROBLEMS, "problems");
            Thread closing = new Thread(helper::close);
            closing.start();
            goOn.countDown();
            closing.join();
            assertEquals(0, isWritten.getCount());
            ask(TaskPurpose.GO, "too late");
            assertFalse(helper.isWorking());
        }
    }

    private static void awaitQuietly(CountDownLatch latch) {
        try {
            assertTrue(latch.await(30, TimeUnit.SECONDS));
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
