package dev.deftchisel.background;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.analysis.compiler.DeepStack;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class PriorityWorkerTest {

    private static final WorkPriority LOOK = WorkPriority.inOrder(0);
    private static final WorkPriority CHANGE = WorkPriority.givingWay(1);
    private static final int PATIENCE = 20;

    private final PriorityWorker worker = new PriorityWorker("test", 5);
    private final BlockingQueue<String> done = new LinkedBlockingQueue<>();
    private final CountDownLatch begun = new CountDownLatch(1);

    @AfterEach
    void close() {
        worker.stopRunning();
        worker.close();
    }

    private void submit(WorkPriority priority, String name) {
        worker.submit(priority, () -> name, done::add, failed -> done.add(name + " failed"));
    }

    /** Goes on until it is stopped, or nothing more urgent is there. */
    private void submitLong(String name, CountDownLatch end) {
        worker.submit(CHANGE, () -> {
            begun.countDown();
            while (end.getCount() > 0) {
                worker.monitor().check();
                Thread.onSpinWait();
            }
            return name;
        }, done::add, failed -> done.add(name + " failed"));
    }

    private List<String> next(int count) throws InterruptedException {
        List<String> names = new java.util.ArrayList<>();
        for (int i = 0; i < count; i++) {
            names.add(String.valueOf(done.poll(PATIENCE, TimeUnit.SECONDS)));
        }
        return names;
    }

    @Test
    void workOfOneUrgencyIsDoneInOrder() throws InterruptedException {
        submit(LOOK, "one");
        submit(LOOK, "two");
        submit(CHANGE, "three");
        worker.start();
        assertEquals(List.of("one", "two", "three"), next(3));
    }

    @Test
    void whatIsMoreUrgentOvertakesAndTheOtherIsBegunAgain() throws InterruptedException {
        CountDownLatch end = new CountDownLatch(1);
        worker.start();
        submitLong("rename", end);
        begun.await();
        submit(LOOK, "hover");
        assertEquals(List.of("hover"), next(1));
        end.countDown();
        assertEquals(List.of("rename"), next(1));
    }

    @Test
    void workThatHasAThreadOfItsOwnStopsThereToo() throws InterruptedException {
        CountDownLatch end = new CountDownLatch(1);
        worker.start();
        worker.submit(CHANGE, () -> DeepStack.call(() -> {
            begun.countDown();
            while (end.getCount() > 0) {
                worker.monitor().check();
                Thread.onSpinWait();
            }
            return "rename";
        }), done::add, failed -> done.add("failed"));
        begun.await();
        submit(LOOK, "hover");
        assertEquals(List.of("hover"), next(1));
        end.countDown();
        assertEquals(List.of("rename"), next(1));
    }

    @Test
    void whatGaveWayGoesBeforeWhatCameAfterIt() throws InterruptedException {
        CountDownLatch end = new CountDownLatch(1);
        worker.start();
        submitLong("rename", end);
        begun.await();
        submit(CHANGE, "references");
        submit(LOOK, "hover");
        assertEquals(List.of("hover"), next(1));
        end.countDown();
        assertEquals(List.of("rename", "references"), next(2));
    }

    @Test
    void whoeverGaveWayOftenIsLetFinish() throws InterruptedException {
        CountDownLatch end = new CountDownLatch(1);
        worker.start();
        submitLong("rename", end);
        begun.await();
        for (int i = 0; i < PriorityWorker.MOST_TIMES_GIVEN_WAY; i++) {
            submit(LOOK, "hover");
            assertEquals(List.of("hover"), next(1));
            while (!worker.isRunning(CHANGE)) {
                Thread.onSpinWait();
            }
        }
        submit(LOOK, "late");
        end.countDown();
        assertEquals(List.of("rename", "late"), next(2));
    }

    @Test
    void onlyTheLatestOfReplacedWorkIsDone() throws InterruptedException {
        submit(WorkPriority.replaced(2, 0), "first look");
        submit(WorkPriority.replaced(2, 0), "second look");
        worker.start();
        assertEquals(List.of("second look"), next(1));
    }
}
