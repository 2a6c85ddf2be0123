package anabion.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.TestSets;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class JobTest {
    private static Alteration did(AlterationKind kind, String part) {
        return new Alteration(UUID.randomUUID(), Instant.EPOCH, part, kind, "", Extra.NONE);
    }

    private static WorkOrder.Item item(Step step, Chassis chassis, Job job, int read, int charted) {
        return WorkOrder.of(chassis, job, read, charted).get(step.ordinal());
    }

    @Test
    void aMarkedStepKeepsItsIdWhenMarkedAgain() {
        Job once = Job.NEW.withStep(Step.RECAP, StepState.UNDER_WAY);
        Job twice = once.withStep(Step.ARRIVAL, StepState.DONE).withStep(Step.RECAP, StepState.DONE);
        assertThat(twice.steps()).extracting(Marked::step).containsExactly(Step.ARRIVAL, Step.RECAP);
        assertThat(twice.marked(Step.RECAP).orElseThrow().id())
                .isEqualTo(once.steps().get(0).id());
    }

    @Test
    void aLiftedPartIsAnOpenEndUntilItIsBack() {
        Job job = Job.NEW.altered(did(AlterationKind.LIFTED, "R14")).altered(did(AlterationKind.STAND_IN, "C3"));
        assertThat(job.fitted().openEnds()).extracting(Alteration::part).containsExactly("R14");
        assertThat(job.fitted().temporary()).extracting(Alteration::part).containsExactly("C3");
        Job mended = job.altered(did(AlterationKind.REFITTED, "R14")).altered(did(AlterationKind.RENEWED, "C3"));
        assertThat(mended.fitted().openEnds()).isEmpty();
        assertThat(mended.fitted().temporary()).isEmpty();
    }

    @Test
    void aLiftedLeadIsAnOpenEndUntilItOrItsPartIsBack() {
        Job job = Job.NEW.altered(did(AlterationKind.LIFTED, "C18.1")).altered(did(AlterationKind.LIFTED, "C18.2"));
        assertThat(job.fitted().openEnds()).extracting(Alteration::part).containsExactly("C18.1", "C18.2");
        assertThat(job.altered(did(AlterationKind.REFITTED, "C18.1")).fitted().openEnds())
                .extracting(Alteration::part)
                .containsExactly("C18.2");
        assertThat(job.altered(did(AlterationKind.RENEWED, "C18")).fitted().openEnds())
                .isEmpty();
        assertThat(job.altered(did(AlterationKind.REFITTED, "C1")).fitted().openEnds())
                .hasSize(2);
        assertThat(did(AlterationKind.LIFTED, "C18.1").concerns("C18")).isTrue();
    }

    /** What was done to a part is told of it under its new name, and can be undone there. */
    @Test
    void alterationsAndTestsGoWithARenamedPart() {
        Job job = Job.NEW
                .altered(did(AlterationKind.LIFTED, "C18.1"))
                .altered(did(AlterationKind.LIFTED, "C1"))
                .withRecap(RecapLog.NONE.withMark("C18.2", "square"));
        Job renamed = job.renamed("C18", "C40");
        assertThat(renamed.fitted().openEnds()).extracting(Alteration::part).containsExactly("C40.1", "C1");
        assertThat(renamed.recap().marks()).containsOnlyKeys("C40.2");
        assertThat(renamed.renamed("C40", "C18")).isEqualTo(job);
    }

    @Test
    void theFittedStateIsNamedByItsLastAlteration() {
        assertThat(Job.NEW.fitted().id()).isEqualTo(FittedState.AS_FOUND);
        Alteration first = did(AlterationKind.LIFTED, "R1");
        Alteration second = did(AlterationKind.RENEWED, "R2");
        List<Alteration> all = List.of(first, second);
        assertThat(Job.NEW.altered(first).altered(second).fitted().id()).isEqualTo(second.id());
        assertThat(FittedState.since(FittedState.AS_FOUND, all)).isEqualTo(all);
        assertThat(FittedState.since(first.id(), all)).containsExactly(second);
        assertThat(FittedState.since(second.id(), all)).isEmpty();
        assertThat(FittedState.since(UUID.randomUUID(), all)).isEmpty();
    }

    @Test
    void stepsAreDerivedFromWhatIsKnown() {
        Chassis blank = TestSets.wired(Arrangement.TRANSFORMER);
        assertThat(item(Step.ARRIVAL, blank, Job.NEW, 0, 0).state()).isEqualTo(StepState.UNDER_WAY);
        assertThat(item(Step.STUDY, blank, Job.NEW, 0, 0).next().key()).isEqualTo("next.study-parts");
        Chassis full = TestSets.audioEnd();
        assertThat(item(Step.STUDY, full, Job.NEW, 0, 12).state()).isEqualTo(StepState.DONE);
        assertThat(item(Step.VOLTAGES, full, Job.NEW, 5, 12)).satisfies(i -> {
            assertThat(i.state()).isEqualTo(StepState.UNDER_WAY);
            assertThat(i.done()).isEqualTo(5);
            assertThat(i.next().fillings()).containsExactly(7);
        });
        assertThat(item(Step.VOLTAGES, full, Job.NEW, 12, 12).state()).isEqualTo(StepState.DONE);
    }

    @Test
    void theArrivalIsDoneOnceACompaintIsHeard() {
        Arrival heard = new Arrival(
                "",
                "",
                List.of(new Complaint("AM", SymptomKind.HUM, "", Extra.NONE)),
                Set.of(),
                List.of(),
                "",
                Extra.NONE);
        assertThat(item(Step.ARRIVAL, TestSets.audioEnd(), Job.NEW.withArrival(heard), 0, 0)
                        .state())
                .isEqualTo(StepState.DONE);
        assertThat(heard.symptom("AM")).isEqualTo(SymptomKind.HUM);
        assertThat(heard.symptom("FM")).isEqualTo(SymptomKind.UNTRIED);
    }

    @Test
    void whatTheUserMarksWins() {
        Job job = Job.NEW.withStep(Step.RECAP, StepState.DONE).withStep(Step.STUDY, StepState.OPEN);
        assertThat(item(Step.RECAP, TestSets.audioEnd(), job, 0, 0).state()).isEqualTo(StepState.DONE);
        assertThat(item(Step.STUDY, TestSets.audioEnd(), job, 0, 0).state()).isEqualTo(StepState.OPEN);
    }

    @Test
    void theJobStandsAtItsFirstOpenStep() {
        Job job = Job.NEW.withStep(Step.ARRIVAL, StepState.DONE).withStep(Step.STUDY, StepState.DONE);
        assertThat(WorkOrder.current(WorkOrder.of(TestSets.audioEnd(), job, 0, 0))
                        .step())
                .isEqualTo(Step.STRIP_DOWN);
        for (Step s : Step.values()) job = job.withStep(s, StepState.DONE);
        assertThat(WorkOrder.current(WorkOrder.of(TestSets.audioEnd(), job, 0, 0))
                        .step())
                .isEqualTo(Step.HAND_BACK);
    }
}
