package anabion.core.tracing;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.format.JobCodec;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Tracing the medium wave of a set, point by point. */
class TraceTableTest {
    private static final Chassis SET = SharedSets.named("brae");
    private static final List<TracePoint> POINTS =
            TraceTable.points(SET, SET.band("MW").orElseThrow());

    private static Heard heard(TraceRow r, Outcome outcome) {
        return heard(r, Heard.How.INJECT, outcome);
    }

    private static Heard heard(TraceRow r, Heard.How how, Outcome outcome) {
        return new Heard(
                new UUID(5, r.point().hashCode()),
                Instant.EPOCH,
                "MW",
                how,
                r.signal(),
                r.point(),
                outcome,
                0,
                FittedState.AS_FOUND,
                Extra.NONE);
    }

    private static TraceTable of(Job job) {
        return TraceTable.of("MW", POINTS, job);
    }

    @Test
    void thePointsLieFromTheSpeakerToTheAerialAndNeedLessAndLess() {
        List<TraceRow> rows = of(Job.NEW).rows();
        assertThat(rows.get(0).stage()).isEqualTo("Output");
        assertThat(rows.get(rows.size() - 1).stage()).isEqualTo("Aerial");
        assertThat(rows).allMatch(TraceRow::left);
        double grid = row(rows, "V4.6").at().volts();
        assertThat(row(rows, "V3.3").at().volts())
                .as("a stage toward the aerial")
                .isLessThan(grid / 10);
    }

    /** One point alone contradicts nothing, whichever it is. */
    @Test
    void onlyTwoOutcomesContradict() {
        List<TraceRow> rows = of(Job.NEW).rows();
        TraceRow first = rows.get(0);
        TraceRow last = rows.get(rows.size() - 1);
        Job silent = Job.NEW.with(heard(last, Outcome.NOTHING));
        assertThat(of(silent).contradicts()).isFalse();
        assertThat(of(Job.NEW.with(heard(first, Outcome.NOTHING))).contradicts())
                .isFalse();
        assertThat(of(silent.with(heard(first, Outcome.LOUD))).contradicts()).isFalse();
        assertThat(of(Job.NEW.with(heard(first, Outcome.NOTHING)).with(heard(last, Outcome.LOUD)))
                        .contradicts())
                .isTrue();
    }

    private static TraceRow row(List<TraceRow> rows, String point) {
        return rows.stream().filter(r -> r.point().equals(point)).findFirst().orElseThrow();
    }

    /** Wherever the signal dies, each school finds the point, and halving in no more steps than halving needs. */
    @ParameterizedTest
    @EnumSource(School.class)
    void everySchoolFindsWhereTheSignalDies(School school) {
        int points = POINTS.size();
        for (int dies = 0; dies < points; dies++) {
            Job job = Job.NEW;
            int asked = 0;
            for (var next = of(job).next(school, s -> 0); next.isPresent(); next = of(job).next(school, s -> 0)) {
                int at = of(job).rows().indexOf(next.get());
                job = job.with(heard(next.get(), at < dies ? Outcome.LOUD : Outcome.NOTHING));
                asked++;
            }
            int found = dies;
            assertThat(of(job).rows())
                    .filteredOn(TraceRow::left)
                    .extracting(r -> r.signal() + r.point())
                    .as("%s, dies at %d", school, dies)
                    .containsExactly(of(job).rows().get(found).signal()
                            + of(job).rows().get(found).point());
            if (school == School.HALF)
                assertThat(asked).isLessThanOrEqualTo((int) Math.ceil(Math.log(points + 1) / Math.log(2)) + 1);
        }
    }

    /** From the aerial forwards with a tracer: what arrives leaves the rest toward the speaker, what is lost lies before. */
    @Test
    void aTracerNarrowsFromTheOtherSide() {
        int points = POINTS.size();
        for (int dies = 1; dies < points; dies++) {
            Job job = Job.NEW;
            for (var next = of(job).next(School.FORWARD, s -> 0);
                    next.isPresent();
                    next = of(job).next(School.FORWARD, s -> 0)) {
                boolean arrives = of(job).rows().indexOf(next.get()) >= dies;
                job = job.with(heard(next.get(), Heard.How.TAP, arrives ? Outcome.LOUD : Outcome.NOTHING));
            }
            assertThat(of(job).rows())
                    .filteredOn(TraceRow::left)
                    .containsExactly(of(job).rows().get(dies));
        }
    }

    /** The hum of a touched grid says that all after it is alive. */
    @Test
    void aTouchedGridThatHumsIsGood() {
        TraceRow grid = of(Job.NEW).rows().get(1);
        Job job = Job.NEW.with(heard(grid, Heard.How.TOUCH, Outcome.HUM));
        assertThat(of(job).rows().get(1).good()).isTrue();
        assertThat(of(job).rows().get(0).left()).isFalse();
        assertThat(of(Job.NEW.with(heard(grid, Heard.How.INJECT, Outcome.HUM)))
                        .rows()
                        .get(1)
                        .good())
                .isFalse();
    }

    @Test
    void outcomesThatContradictEachOtherClearNothing() {
        List<TraceRow> rows = of(Job.NEW).rows();
        Job job = Job.NEW.with(heard(rows.get(2), Outcome.NOTHING)).with(heard(rows.get(6), Outcome.LOUD));
        assertThat(of(job).rows()).allMatch(TraceRow::left);
    }

    @Test
    void aNewOutcomeReplacesTheOldOneAndARepairMakesAllOfThemOld() {
        List<TraceRow> rows = of(Job.NEW).rows();
        Job job = Job.NEW.with(heard(rows.get(4), Outcome.LOUD)).with(heard(rows.get(4), Outcome.WEAK));
        assertThat(job.heard()).hasSize(1);
        assertThat(of(job).rows().get(4).heard().map(Heard::outcome)).contains(Outcome.WEAK);
        Job repaired = job.altered(
                new Alteration(new UUID(6, 6), Instant.EPOCH, "C12", AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(of(repaired).rows()).allMatch(r -> r.heard().isEmpty());
    }

    @Test
    void whatWasHeardIsKeptInTheJob() {
        Job job = Job.NEW.with(heard(of(Job.NEW).rows().get(3), Outcome.DISTORTED));
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
        Job tapped = job.with(heard(of(Job.NEW).rows().get(3), Heard.How.TAP, Outcome.LOUD));
        assertThat(tapped.heard()).hasSize(2);
        assertThat(JobCodec.read(JobCodec.text(tapped))).isEqualTo(tapped);
    }

    /** Voltages first: the point that is asked for lies in the stage that they suspect. */
    @Test
    void voltagesFirstGoesToTheStageTheySuspect() {
        String audio = of(Job.NEW)
                .next(School.VOLTAGES, s -> s.equals("Audio") ? 0.8 : 0.1)
                .orElseThrow()
                .stage();
        assertThat(audio).isEqualTo("Audio");
    }
}
