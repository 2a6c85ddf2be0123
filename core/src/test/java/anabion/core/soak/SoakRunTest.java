package anabion.core.soak;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.format.JobCodec;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Circumstance;
import anabion.core.job.Complaint;
import anabion.core.job.Job;
import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Event;
import anabion.core.job.SoakEntry.Kind;
import anabion.core.job.SoakEntry.Value;
import anabion.core.job.SymptomKind;
import anabion.core.json.Extra;
import anabion.core.soak.SoakRun.Finding;
import anabion.core.soak.SoakRun.State;
import anabion.core.testing.SharedSets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** Hours at work, and what speaks against the set. */
class SoakRunTest {
    private static final Chassis HALCYON = SharedSets.named("halcyon");
    private static final Instant START = Instant.parse("2026-11-01T08:00:00Z");
    private static final double LINE = HALCYON.supply().volts();

    private static Instant minute(long m) {
        return START.plus(Duration.ofMinutes(m));
    }

    private static SoakEntry entry(Kind kind, long minutes) {
        return SoakEntry.of(UUID.randomUUID(), minute(minutes), kind, new UUID(0, 0));
    }

    private static SoakEntry read(long minutes, double line, double rail) {
        return entry(Kind.READ, minutes).withValues(Map.of(Value.LINE, line, Value.RAIL, rail));
    }

    private static Job job(SoakEntry... all) {
        Job job = Job.NEW.with(entry(Kind.BEGAN, 0));
        for (SoakEntry e : all) job = job.with(e);
        return job;
    }

    private static SoakRun run(Job job, long now) {
        return SoakRun.of(HALCYON, job, minute(now));
    }

    private static Job everyHour(int hours) {
        Job job = job();
        for (int h = 1; h <= hours; h++) job = job.with(read(60L * h, LINE, 250));
        return job;
    }

    @Test
    void fourHoursWithAReadingInEachPass() {
        assertThat(SoakRun.of(HALCYON, Job.NEW, START).state()).isEqualTo(State.NOT_BEGUN);
        assertThat(run(everyHour(3), 200).state()).isEqualTo(State.RUNNING);
        assertThat(run(everyHour(3), 200).left()).isEqualTo(Duration.ofMinutes(40));
        assertThat(run(everyHour(4), 241).state()).isEqualTo(State.PASSED);
        assertThat(run(everyHour(3).with(entry(Kind.ENDED, 190)), 400).state()).isEqualTo(State.SHORT);
    }

    /** A clock that was set back, or a file from elsewhere. */
    @Test
    void whatEndedHasItsLengthWhateverTheClockSays() {
        Job job = everyHour(4).with(entry(Kind.ENDED, 241));
        assertThat(run(job, -600).state()).isEqualTo(State.PASSED);
    }

    @Test
    void hoursInWhichNobodyLookedProveNothing() {
        Job job = job(read(30, LINE, 250), read(240, LINE, 250), entry(Kind.ENDED, 241));
        assertThat(run(job, 300).state()).isEqualTo(State.UNSEEN);
    }

    @Test
    void theRailIsJudgedAtTheNominalLine() {
        Job sagging = job(read(20, LINE, 250), read(60, 0.9 * LINE, 225), read(120, 1.05 * LINE, 262.5));
        assertThat(run(sagging, 130).findings()).as("it follows the line").isEmpty();
        Job wandering = job(read(20, LINE, 250), read(60, LINE, 241), read(120, LINE, 230));
        assertThat(run(wandering, 130).findings()).singleElement().satisfies(f -> {
            assertThat(((Finding.RailWanders) f).share()).isCloseTo(-0.036, within(1e-3));
            assertThat(((Finding.RailWanders) f).after()).isEqualTo(Duration.ofMinutes(60));
        });
        assertThat(run(job(read(3, LINE, 280), read(20, LINE, 250), read(40, LINE, 250)), 50)
                        .findings())
                .as("before the tubes draw it stands higher")
                .isEmpty();
    }

    @Test
    void aTransformerIsJudgedByItsRiseAndATubeNotAtAll() {
        SoakEntry hot = entry(Kind.READ, 60).withValues(Map.of(Value.HOTTEST, 78.0, Value.AMBIENT, 24.0));
        Job job = job(hot.withPart("T1"));
        assertThat(run(job, 70).findings()).containsExactly(new Finding.TooHot("T1", 54, Insulation.A.outside()));
        assertThat(run(job(hot.withPart("V5")), 70).findings()).isEmpty();
        assertThat(run(job.with(entry(Kind.INSULATION, 61).withText("b")), 70).findings())
                .as("another insulation bears it")
                .isEmpty();
        assertThat(run(job(hot.withValues(Map.of(Value.HOTTEST, 78.0)).withPart("T1")), 70)
                        .findings())
                .as("without the room's nothing is known")
                .isEmpty();
    }

    @Test
    void anEventEndsItAndTheNextMustBeLonger() {
        SoakEntry crackle = entry(Kind.EVENT, 100).withEvent(Optional.of(Event.CRACKLE));
        Job job = job(read(60, LINE, 250), crackle);
        SoakRun run = run(job, 110);
        assertThat(run.state()).isEqualTo(State.FAILED);
        assertThat(run.findings()).containsExactly(new Finding.Happened(crackle, Duration.ofMinutes(100)));
        assertThat(run.plan().length())
                .as("three times as long, in whole hours")
                .isEqualTo(Duration.ofHours(5));
    }

    @Test
    void whoExchangesAPartBeginsAnew() {
        Job job = everyHour(3)
                .altered(new Alteration(
                        UUID.randomUUID(), minute(185), "C14", AlterationKind.RENEWED, "10n", Extra.NONE));
        SoakRun run = run(job, 250);
        assertThat(run.elapsed()).isEqualTo(Duration.ofMinutes(65));
        assertThat(run.rows()).isEmpty();
        assertThat(run.state()).isEqualTo(State.RUNNING);
    }

    @Test
    void theLengthFollowsTheHistoryUnlessItIsChosen() {
        assertThat(SoakPlan.of(Job.NEW).length()).isEqualTo(Duration.ofHours(4));
        Job intermittent = Job.NEW.withArrival(Job.NEW
                .arrival()
                .withComplaints(List.of(new Complaint("AM", SymptomKind.INTERMITTENT, "", Extra.NONE))));
        assertThat(SoakPlan.of(intermittent).length()).isEqualTo(Duration.ofHours(6));
        Job warm = Job.NEW.withArrival(Job.NEW
                .arrival()
                .withComplaints(List.of(new Complaint("AM", SymptomKind.HUM, Circumstance.WARM, "", Extra.NONE))));
        assertThat(SoakPlan.of(warm).length()).isEqualTo(Duration.ofHours(6));
        Job chosen = intermittent.with(entry(Kind.PLANNED, 0).withValues(Map.of(Value.HOURS, 2.5)));
        assertThat(SoakPlan.of(chosen).length()).isEqualTo(Duration.ofMinutes(150));
    }

    @Test
    void theLogIsInTheJobFile() {
        Job job = everyHour(2)
                .with(entry(Kind.EVENT, 130).withEvent(Optional.of(Event.HOWL)).withText("tapped V3"))
                .with(entry(Kind.INSULATION, 131).withText("e"));
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }
}
