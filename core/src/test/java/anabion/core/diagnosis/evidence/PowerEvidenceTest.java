package anabion.core.diagnosis.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.json.Extra;
import anabion.core.simulation.Simulator;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What a power-up counts for in the odds. */
class PowerEvidenceTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");

    private static PowerEntry powered(PowerEntry.Kind kind, double line, String what, double value) {
        return new PowerEntry(
                UUID.randomUUID(),
                NOON,
                kind,
                line,
                line,
                what,
                kind == PowerEntry.Kind.RAIL ? "CHASSIS" : "",
                value,
                "",
                FittedState.AS_FOUND,
                Extra.NONE);
    }

    @Test
    void aBandThatWasListenedToOnTheWayUpCountsForItsComplaint() {
        PowerEntry heard = powered(PowerEntry.Kind.BAND, 230, "AM", 0);
        Job job = Job.NEW
                .with(powered(PowerEntry.Kind.BEGAN, 230, PowerStage.WHOLE_SET.code(), 0))
                .with(new PowerEntry(
                        heard.id(),
                        NOON,
                        heard.kind(),
                        230,
                        230,
                        "AM",
                        "",
                        0,
                        "weak",
                        FittedState.AS_FOUND,
                        Extra.NONE));
        assertThat(Evidence.of(SET, List.of(), job))
                .containsExactly(new Observation.Heard(new Measurement.Listen("AM"), Outcome.WEAK));
    }

    /** From 85 % of the line on, of the whole set: with its tubes out a set takes other watts. */
    @Test
    void railsAndTheLastWattsOfAPowerUpCount() {
        Job job = Job.NEW
                .with(powered(PowerEntry.Kind.BEGAN, 230, PowerStage.TRANSFORMER.code(), 0))
                .with(powered(PowerEntry.Kind.WATTS, 230, "", 6))
                .with(powered(PowerEntry.Kind.OFF, 230, "", 0));
        assertThat(Evidence.of(SET, List.of(), job)).isEmpty();
        Job whole = job.with(powered(PowerEntry.Kind.BEGAN, 115, PowerStage.WHOLE_SET.code(), 0))
                .with(powered(PowerEntry.Kind.WATTS, 115, "", 9))
                .with(powered(PowerEntry.Kind.RAIL, 115, "B1", 90))
                .with(powered(PowerEntry.Kind.WATTS, 207, "", 31))
                .with(powered(PowerEntry.Kind.RAIL, 207, "B1", 220))
                .with(powered(PowerEntry.Kind.WATTS, 230, "", 38));
        assertThat(Evidence.of(SET, List.of(), whole))
                .extracting(o -> o.measurement().text() + " " + ((Observation.Measured) o).value())
                .containsExactly("volts B1 220.0", "watts 38.0");
        assertThat(Evidence.of(SharedSets.named("lark"), List.of(), whole))
                .noneMatch(o -> o.measurement() instanceof Measurement.Watts);
    }

    /** Who has no wattmeter has the lamp: 38 W behind 100 W leave it faint, and bright is another set. */
    @Test
    void theGlowOfTheLampTellsTheWattsWhereNoWattmeterDoes() {
        Job on = Job.NEW
                .with(powered(PowerEntry.Kind.LAMP, 0, "100W", 0))
                .with(behindLamp(PowerEntry.Kind.BEGAN, PowerStage.WHOLE_SET.code()));
        Observation.Measured dim = told(on.with(behindLamp(PowerEntry.Kind.GLOW, "faint")));
        Measurement.Watts watts = (Measurement.Watts) dim.measurement();
        assertThat(watts.byLamp()).isTrue();
        assertThat(watts.setting().line()).isBetween(190.0, 220.0);
        double sound = new Simulator().solve(SET, watts.setting()).wattsFromMains();
        assertThat(Math.abs(dim.value() - sound))
                .as("watts of the sound set there")
                .isLessThan(2 * watts.spread());
        assertThat(Evidence.of(SET, List.of(), on.with(behindLamp(PowerEntry.Kind.GLOW, "bright"))))
                .as("a set that has little of the line says by its own curve what is wrong with it")
                .isEmpty();
        assertThat(Evidence.of(
                        SET,
                        List.of(),
                        Job.NEW
                                .with(powered(PowerEntry.Kind.LAMP, 0, "", 0))
                                .with(behindLamp(PowerEntry.Kind.BEGAN, PowerStage.WHOLE_SET.code()))
                                .with(behindLamp(PowerEntry.Kind.GLOW, "faint"))))
                .as("without a lamp")
                .isEmpty();
        Job both = on.with(behindLamp(PowerEntry.Kind.GLOW, "faint")).with(powered(PowerEntry.Kind.WATTS, 230, "", 38));
        assertThat(((Measurement.Watts) told(both).measurement()).byLamp())
                .as("a wattmeter knows better")
                .isFalse();
    }

    private static Observation.Measured told(Job job) {
        List<Observation> all = Evidence.of(SET, List.of(), job);
        assertThat(all).hasSize(1);
        return (Observation.Measured) all.get(0);
    }

    private static PowerEntry behindLamp(PowerEntry.Kind kind, String what) {
        PowerEntry e = powered(kind, 230, what, 0);
        return new PowerEntry(e.id(), NOON, kind, 230, 0, what, "", 0, "", FittedState.AS_FOUND, Extra.NONE);
    }
}
