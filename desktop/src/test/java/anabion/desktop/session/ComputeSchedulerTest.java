package anabion.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import anabion.desktop.session.ComputeScheduler.Job;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Jobs off the interface thread, which the test plays itself: answers wait in a queue until it takes them. */
class ComputeSchedulerTest {
    private final BlockingQueue<Runnable> answers = new LinkedBlockingQueue<>();
    private final ComputeScheduler compute = new ComputeScheduler(answers::add);
    private final List<Object> seen = Collections.synchronizedList(new ArrayList<>());

    @AfterEach
    void close() {
        compute.close();
    }

    private void answered() throws InterruptedException {
        Runnable answer = answers.poll(5, TimeUnit.SECONDS);
        assertThat(answer).as("an answer").isNotNull();
        answer.run();
    }

    private static void awaited(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The first is under way until the second and third have come: it is interrupted, the second never begins, the third answers. */
    @Test
    void theLatestOfAJobWins() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch asked = new CountDownLatch(1);
        compute.ask(
                Job.VERDICT,
                () -> {
                    begun.countDown();
                    while (!Thread.interrupted()) Thread.onSpinWait();
                    seen.add("interrupted");
                    awaited(asked);
                    return 1;
                },
                seen::add);
        begun.await();
        compute.ask(Job.VERDICT, () -> seen.add("second"), seen::add);
        compute.ask(Job.VERDICT, () -> 3, seen::add);
        asked.countDown();
        compute.idle().get(5, TimeUnit.SECONDS);
        while (!answers.isEmpty()) answered();
        assertThat(seen).containsExactly("interrupted", 3);
    }

    @Test
    void jobsOfOtherNamesDoNotDisturbEachOther() throws Exception {
        compute.ask(Job.VERDICT, () -> "verdict", seen::add);
        compute.ask(Job.PINS, () -> "pins", seen::add);
        compute.ask(Job.PLAN, () -> "plan", seen::add);
        for (int n = 0; n < 3; n++) answered();
        assertThat(seen).containsExactlyInAnyOrder("verdict", "pins", "plan");
    }

    /** An error of any kind: an exception, and an error such as a full heap. */
    @Test
    void whatGoesWrongIsReported() throws Exception {
        compute.onTrouble(seen::add);
        compute.ask(
                Job.BANDS,
                () -> {
                    throw new IllegalStateException("no band");
                },
                seen::add);
        answered();
        compute.ask(
                Job.BANDS,
                () -> {
                    throw new OutOfMemoryError("full");
                },
                seen::add);
        answered();
        assertThat(seen)
                .extracting(Object::toString)
                .anyMatch(t -> t.contains("no band"))
                .anyMatch(t -> t.contains("full"));
    }

    /** What was stored last may be judged when the window is closed already. */
    @Test
    void whatIsAskedAfterTheEndBothersNobody() {
        compute.close();
        assertThatCode(() -> compute.ask(Job.CIRCUIT, () -> 1, seen::add)).doesNotThrowAnyException();
        assertThatCode(() -> compute.answer(() -> 1)).doesNotThrowAnyException();
    }
}
