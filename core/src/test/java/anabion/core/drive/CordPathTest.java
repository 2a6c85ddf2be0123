package anabion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.command.DriveLine;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.job.CordRun;
import anabion.core.job.Job;
import anabion.core.text.Phrase;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lengths of cords, entered as they are typed. */
class CordPathTest {
    private static CordRun run(double cord, String wheels, String... more) {
        CordRun run = CordRun.named(new UUID(0, 1), "front").withCord(cord);
        for (String line : wheels.split("; ")) run = ((DriveLine.OfCord) DriveLine.parse(line, run)).run();
        for (String line : more) run = ((DriveLine.OfCord) DriveLine.parse(line, run)).run();
        return run;
    }

    /** Ten layouts; straight pieces and arcs were found beforehand by seeking, point by point, where a taut line touches both circles. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0|drum D 60 at 0 0; drum E 60 at 200 0|run D@0 cw, E@90 cw|200.0|47.1",
                "0.6|drum D 60 at 0 0; pulley P 12 at 150 0|run D@270 cw, P@90 cw|148.1|61.3",
                "0.6|drum D 60 at 0 0; pulley P 12 at 150 0|run D@270 cw, P@90 ccw|145.5|66.5",
                "0.8|drum D 76 at 0 0; pulley P1 10 at 120 60; pulley P2 10 at -90 60|run D@180 cw, P2 cw, P1 cw, D@180 cw|443.1|87.1",
                "0.6|drum D 60 at 0 0; shaft S 6 at 80 -40; pulley P 12 at 160 30|run D@90 cw, S ccw 2.5, P cw, D@270 cw|349.8|295.9",
                "0.5|drum D 50 at 0 0; pulley P1 8 at 100 0; pulley P2 8 at 100 80; pulley P3 8 at -60 80|run D@200 cw, P3 cw, P2 cw, P1 cw, D@120 cw|435.5|178.5",
                "1|drum A 40 at 0 0; drum B 40 at 0 150|run A@90 ccw, B@90 ccw|150.0|0.0",
                "0.6|drum D 90 at 0 0; shaft S 6.35 at 0 -90|run D@45 ccw, S cw 3, D@315 ccw|151.3|323.9",
                "0.7|drum D 64 at 0 0; post Q 3 at 70 90; pulley P 14 at 180 90; shaft S 6 at 180 -30|run D@30 ccw, Q cw, P cw, S cw 2, D@150 cw|518.7|405.6",
                "0.6|drum D 60 at 0 0; drum E 30 at 110 0; pulley P1 10 at 60 70|run D@300 cw, P1 cw, E cw, D@240 cw|283.2|90.5"
            })
    void theLengthIsThatOfTheTautLine(double cord, String wheels, String path, double straight, double around) {
        CordPath p = CordPath.of(run(cord, wheels, path));
        assertThat(p.straight()).isCloseTo(straight, within(0.1));
        assertThat(p.around()).isCloseTo(around, within(0.1));
        assertThat(p.length()).isCloseTo(straight + around, within(0.2));
    }

    /** What a wheel turns by nobody can see from elsewhere. */
    @Property(tries = 200)
    void turningTheWholePictureChangesNoLength(
            @ForAll @DoubleRange(min = 0, max = 360) double degrees,
            @ForAll @DoubleRange(min = 60, max = 200) double x,
            @ForAll @DoubleRange(min = -90, max = 90) double y) {
        double here = CordPath.of(turned(0, x, y)).length();
        double there = CordPath.of(turned(degrees, x, y)).length();
        assertThat(there).isCloseTo(here, within(1e-6));
    }

    private static CordRun turned(double degrees, double x, double y) {
        double a = -Math.toRadians(degrees);
        double px = x * Math.cos(a) - y * Math.sin(a);
        double py = x * Math.sin(a) + y * Math.cos(a);
        return CordRun.named(new UUID(0, 1), "front")
                .with(new CordRun.Wheel("D", CordRun.Kind.DRUM, 60, 0, 0))
                .with(new CordRun.Wheel("P", CordRun.Kind.PULLEY, 12, px, py))
                .withPasses(java.util.List.of(
                        new CordRun.Pass("D", CordRun.Turning.CLOCKWISE, 0, java.util.Optional.of(200 + degrees)),
                        new CordRun.Pass("P", CordRun.Turning.CLOCKWISE, 0, java.util.Optional.empty()),
                        new CordRun.Pass("D", CordRun.Turning.CLOCKWISE, 0, java.util.Optional.of(160 + degrees))));
    }

    @Test
    void knotsAndEndsAreAddedAndTheSpringIsNot() {
        CordRun run = run(0.6, "drum D 60 at 0 0; pulley P 12 at 150 0", "run D@270 cw, P@90 cw");
        double bare = CordPath.of(run).length();
        CordRun made = run.withKnots(40).withInside(25).withSpring(java.util.Optional.of(new CordRun.Spring(18, 24)));
        assertThat(CordPath.of(made).length()).isCloseTo(bare + 65, within(1e-9));
        assertThat(CordPath.of(made).stretch()).isCloseTo(1.0 / 3, within(1e-9));
    }

    @Test
    void thePointerGoesAsFarAsTheDrumTakesIt() {
        CordRun run = run(0.6, "drum D 60 at 0 0; shaft S 6 at 80 -40", "run D@90 cw, S@0 cw 2", "scale 190");
        CordPath p = CordPath.of(run);
        assertThat(p.travel()).as("half a turn of 60.6 mm").isCloseTo(Math.PI * 60.6 / 2, within(1e-6));
        assertThat(p.turnsOf(p.arcs().get(1))).isCloseTo(60.6 / 2 / 6.6, within(1e-6));
        assertThat(CordCheck.of(p)).extracting(Phrase::key).containsExactly("cord.travel-short");
        CordRun fitting = run.with(new CordRun.Wheel("D", CordRun.Kind.DRUM, p.wanted(), 0, 0));
        assertThat(CordCheck.of(CordPath.of(fitting))).isEmpty();
    }

    @Test
    void aSpringWithoutAWayToGoAndAShaftWithoutGripAreSaid() {
        CordRun run = run(0.6, "drum D 60 at 0 0; shaft S 6 at 80 -40", "run D@90 cw, S cw, D@0 cw", "spring 18 19");
        assertThat(CordCheck.of(CordPath.of(run))).extracting(Phrase::key).containsExactly("cord.slack", "cord.slips");
        CordRun worn = run(0.6, "drum D 60 at 0 0; pulley S 6 at 80 -40", "run D@90 cw, S cw, D@0 cw", "spring 10 25");
        assertThat(CordCheck.of(CordPath.of(worn))).extracting(Phrase::key).containsExactly("cord.overstretched");
    }

    @Test
    void aRunThatNoCordCanTakeIsRefused() {
        CordRun inside = run(0.6, "drum D 60 at 0 0; pulley P 12 at 10 0", "run D@0 cw, P@90 cw");
        assertThatThrownBy(() -> CordPath.of(inside))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("too near");
        CordRun nameless = run(0.6, "drum D 60 at 0 0", "run D@0 cw, P@90 cw");
        assertThatThrownBy(() -> CordPath.of(nameless)).hasMessageContaining("no wheel of that name");
        assertThatThrownBy(() -> DriveLine.parse("run D cw, P cw", nameless)).hasMessageContaining("made fast");
        assertThatThrownBy(() -> DriveLine.parse("drum D 60", nameless)).hasMessageContaining("to the right");
        assertThatThrownBy(() -> DriveLine.parse("whatever", nameless)).hasMessageContaining("drum D 60 at 0 0");
    }

    @Test
    void theRunIsInTheJobFile() {
        CordRun run = run(
                0.6,
                "drum D 60 at 0 0; shaft S 6 at 80 -40",
                "run D@90 cw, S ccw 2.5, D@270 cw",
                "knots 40",
                "scale 95",
                "spring 18 24",
                "broke at the shaft");
        Job job = Job.NEW.with(run);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }
}
