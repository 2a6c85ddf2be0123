package anabion.core.stripdown;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Part;
import anabion.core.format.JobCodec;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.Kind;
import anabion.core.job.StripDownEntry.Lead;
import anabion.core.job.StripDownEntry.State;
import anabion.core.job.WorkOrder;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** Backwards it goes together again. */
class ReassemblyTest {
    private static final StripDownEntry BACK = entry(1, Kind.COVER, "back", Optional.empty());
    private static final StripDownEntry RED = entry(2, Kind.LEAD, "", Optional.of(new Lead("red", "V3.5", "T2.1")));
    private static final StripDownEntry BLUE = entry(3, Kind.LEAD, "", Optional.of(new Lead("blue", "", "hole 9")));

    private static StripDownEntry entry(int n, Kind kind, String what, Optional<Lead> lead) {
        return new StripDownEntry(
                new UUID(0, n), Instant.ofEpochSecond(n), kind, 1, what, "", lead, State.OFF, Extra.NONE);
    }

    private static Job job(StripDownEntry... all) {
        Job job = Job.NEW;
        for (StripDownEntry e : all) job = job.with(e);
        return job;
    }

    @Test
    void whatCameOffLastGoesOnFirst() {
        Reassembly r = Reassembly.of(job(BACK, RED, BLUE).stripDown());
        assertThat(r.order()).containsExactly(BLUE, RED, BACK);
        assertThat(r.hanging()).containsExactly(BLUE, RED);
        assertThat(r.before(BACK)).containsExactly(BLUE, RED);
        Job on = job(BACK, RED, BLUE).with(BLUE.withState(State.ON));
        assertThat(Reassembly.of(on.stripDown()).missing()).containsExactly(RED, BACK);
    }

    @Test
    void whatIsLeftOverIsInNoOrderAndStaysOpen() {
        StripDownEntry washer =
                entry(4, Kind.FASTENER, "washer", Optional.empty()).withState(State.LEFT_OVER);
        Reassembly r = Reassembly.of(job(BACK, washer).stripDown());
        assertThat(r.order()).containsExactly(BACK);
        assertThat(r.leftOver()).containsExactly(washer);
        assertThat(washer.isOpenEnd()).isTrue();
        assertThat(BLUE.isOpenEnd()).as("nobody knows where it goes").isTrue();
        assertThat(RED.isOpenEnd()).isFalse();
    }

    @Test
    void aLeadLeadsToTheParts() {
        assertThat(Reassembly.partsAt(RED, SharedSets.named("halcyon")))
                .extracting(Part::reference)
                .containsExactly("V3", "T2");
        assertThat(Reassembly.partsAt(BLUE, SharedSets.named("halcyon"))).isEmpty();
    }

    @Test
    void theLogIsInTheJobFile() {
        Job job = job(BACK, RED.withState(State.BROKEN), BLUE);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }

    /** A set whose readings are half done stands there, though nobody wrote down how it was taken apart. */
    @Test
    void whoWorksInsideHasPassedTheStep() {
        var chassis = SharedSets.named("halcyon");
        Job arrived = Job.NEW.withStep(Step.ARRIVAL, StepState.DONE).withStep(Step.COLD_CHECKS, StepState.DONE);
        assertThat(WorkOrder.current(WorkOrder.of(chassis, arrived, 0, 5)).step())
                .isEqualTo(Step.FIRST_POWER);
        Job opened = Job.NEW.withStep(Step.ARRIVAL, StepState.DONE);
        assertThat(WorkOrder.current(WorkOrder.of(chassis, opened, 0, 5)).step())
                .isEqualTo(Step.STRIP_DOWN);
        WorkOrder.Item item = WorkOrder.of(chassis, arrived.with(BACK), 0, 5).get(Step.STRIP_DOWN.ordinal());
        assertThat(item.state()).isEqualTo(StepState.UNDER_WAY);
        assertThat(item.total()).isEqualTo(1);
        assertThat(WorkOrder.current(WorkOrder.of(chassis, arrived.with(BACK), 0, 5))
                        .step())
                .as("what is off stays off until the end")
                .isEqualTo(Step.FIRST_POWER);
    }
}
