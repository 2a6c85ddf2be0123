package anabion.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.spy;

import anabion.core.chassis.Chassis;
import anabion.core.isolation.Isolation;
import anabion.core.testing.CircuitFixtures;
import anabion.core.typical.TypicalCircuit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** What is said of a circuit while it is computed, and when that fails. */
class CircuitFactsTest {
    private final BlockingQueue<Runnable> answers = new LinkedBlockingQueue<>();
    private final ComputeScheduler compute = new ComputeScheduler(answers::add);
    private final List<Throwable> troubles = Collections.synchronizedList(new ArrayList<>());
    private final CircuitFacts facts = new CircuitFacts(compute, troubles::add);

    @AfterEach
    void close() {
        compute.close();
    }

    private void computed() throws Exception {
        compute.idle().get(30, TimeUnit.SECONDS);
        while (!answers.isEmpty()) answers.take().run();
    }

    /** What a transformer was proved to do says nothing of the circuit after a change that nobody could compute. */
    @Test
    void aProofDoesNotOutliveTheCircuitItWasGivenFor() throws Exception {
        Chassis sound = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE);
        facts.of(Optional.of(sound), false);
        assertThat(facts.isolation().get()).contains(Isolation.unproved(sound));
        computed();
        assertThat(facts.isolation().get()).map(Isolation::doubleWound).contains(true);

        Chassis broken = spy(sound);
        doThrow(new IllegalStateException("no solution")).when(broken).parts();
        facts.of(Optional.of(broken), true);
        assertThat(facts.isolation().get())
                .as("until it is known")
                .map(Isolation::doubleWound)
                .contains(true);
        computed();
        assertThat(facts.isolation().get()).contains(Isolation.unproved(sound));
        assertThat(troubles).singleElement().satisfies(t -> assertThat(t).hasMessage("no solution"));
    }
}
