package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.lsp.session.Worker.Urgency;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class WorkerTest {

    private final Worker worker = new Worker();
    private final List<String> done = new CopyOnWriteArrayList<>();

    @AfterEach
    void close() {
        worker.close();
    }

    private static void await(CountDownLatch latch) {
        try {
            assertTrue(latch.await(1, TimeUnit.MINUTES));
        } catch (InterruptedException stopped) {
            throw new AssertionError(stopped);
        }
    }

    /** Works until it is stopped. */
    private void workOn(CountDownLatch started) {
        started.countDown();
        while (true) {
            Thread.onSpinWait();
            worker.monitor().check();
        }
    }

    @Test
    void whatIsDoneUnaskedGivesWayAndBeginsAgainBehind() {
        CountDownLatch first = new CountDownLatch(1);
        CountDownLatch again = new CountDownLatch(2);
        worker.later(() -> {
            again.countDown();
            if (again.getCount() == 1) {
                workOn(first);
            }
            done.add("unasked");
        }, 0);
        await(first);
        worker.ask(Urgency.LOOK, () -> done.add("asked")).join();
        await(again);
        worker.ask(Urgency.LOOK, () -> done.add("last")).join();
        assertEquals(List.of("asked", "unasked", "last"), done);
    }

    @Test
    void onlyTheLaterOfTwoIsDoneUnasked() {
        CountDownLatch first = new CountDownLatch(1);
        CountDownLatch second = new CountDownLatch(1);
        worker.later(() -> workOn(first), 0);
        await(first);
        worker.later(second::countDown, 0);
        await(second);
        assertEquals("free", worker.ask(Urgency.LOOK, () -> "free").join());
    }

    @Test
    void aQuestionThatIsTakenBackIsStopped() {
        CountDownLatch started = new CountDownLatch(1);
        CompletableFuture<Object> asked = worker.ask(Urgency.LOOK, () -> {
            workOn(started);
            return "never";
        });
        await(started);
        asked.cancel(true);
        assertEquals("free", worker.ask(Urgency.LOOK, () -> "free").join());
        assertThrows(CancellationException.class, asked::join);
    }

    @Test
    void aLookOvertakesWorkWhichIsBegunAgain() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch again = new CountDownLatch(2);
        CompletableFuture<Object> rename = worker.ask(Urgency.WORK, () -> {
            again.countDown();
            if (again.getCount() == 1) {
                workOn(started);
            }
            return done.add("rename");
        });
        await(started);
        worker.ask(Urgency.LOOK, () -> done.add("hover")).join();
        rename.join();
        assertEquals(List.of("hover", "rename"), done);
    }

    @Test
    void whoeverStopsWhatIsBeingDoneHasItsAskerTold() {
        CountDownLatch started = new CountDownLatch(1);
        CompletableFuture<Object> rename = worker.ask(Urgency.WORK, () -> {
            workOn(started);
            return "never";
        });
        await(started);
        worker.stop();
        assertThrows(CancellationException.class, rename::join);
        assertEquals("free", worker.ask(Urgency.WORK, () -> "free").join());
    }

    @Test
    void whatBreaksDownIsNotTheEnd() {
        CountDownLatch broken = new CountDownLatch(1);
        worker.later(() -> {
            broken.countDown();
            throw new IllegalStateException("broken");
        }, 0);
        await(broken);
        assertEquals("free", worker.ask(Urgency.LOOK, () -> "free").join());
    }
}
