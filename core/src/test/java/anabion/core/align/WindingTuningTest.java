package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.align.TrackingAdvice.Point;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.Job;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What a can that peaks elsewhere, a station on the wrong side and a level that is too high say. */
class WindingTuningTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final double IF = 465e3;

    private static Adjuster adjuster(Chassis set, String letter) {
        return set.adjusters().stream()
                .filter(a -> a.letter().equals(letter))
                .findFirst()
                .orElseThrow();
    }

    private static WindingTuning tuning() {
        return WindingTuning.of(SET, adjuster(SET, "A1"), IF).orElseThrow();
    }

    @Test
    void whatIsWantedComesToResonance() {
        WindingTuning w = tuning();
        double omega = 2 * Math.PI * IF;
        assertThat(omega * omega * w.henries() * (w.wanted() + w.stray())).isCloseTo(1, within(1e-9));
        assertThat(w.made() / w.wanted()).isBetween(0.9, 1.1);
        assertThat(w.wanted()).isBetween(w.least(), w.most());
        double in = w.henries() * (1 + Travel.CORE.reach());
        assertThat(omega * omega * in * (w.least() + w.stray())).isCloseTo(1, within(1e-9));
    }

    /** A core in the middle and so much more across it peaks where it was heard to. */
    @Test
    void theExcessExplainsThePeak() {
        WindingTuning w = tuning();
        double peak = 452e3;
        double omega = 2 * Math.PI * peak;
        WindingTuning.Excess e = w.excess(peak);
        assertThat(omega * omega * w.henries() * (w.whole() + e.farads())).isCloseTo(1, within(1e-9));
        assertThat(omega * omega * (w.henries() + e.henries()) * w.whole()).isCloseTo(1, within(1e-9));
        assertThat(w.excess(470e3).farads()).isNegative();
        assertThat(w.excessAtEnd(true).farads())
                .as("still rising all the way in")
                .isNegative();
        assertThat(w.excessAtEnd(false).farads()).isPositive();
        assertThat(w.excessAtEnd(false).least()).isTrue();
    }

    /** A capacitor that is on no drawing is that of its coil; a coil of which no sheet gives the inductance is that of its capacitor. */
    @Test
    void eitherOfTheTwoIsEnough() {
        Part mica = tuning().drawn().orElseThrow();
        Chassis without =
                SET.withParts(SET.parts().stream().filter(p -> !p.equals(mica)).toList());
        WindingTuning w = WindingTuning.of(without, adjuster(without, "A1"), IF).orElseThrow();
        assertThat(w.drawn()).isEmpty();
        double farads = ((Component.Capacitor) mica.component()).farads().get(0);
        assertThat(w.wanted()).isCloseTo(farads, within(0.15 * farads));
    }

    private static Alignment alignment(AlignmentEntry... entries) {
        Job job = Job.NEW;
        for (AlignmentEntry e : entries) job = job.with(e);
        Setting setting = Setting.fed(SET).withControls(Controls.volume(SET, 1));
        return Alignment.Computed.of(
                        new Simulator(), SET, setting, SET.band("AM").orElseThrow())
                .with(job);
    }

    private static AlignmentEntry entry(
            Kind kind, Optional<AlignmentPurpose> purpose, String letters, double before, double after, Given given) {
        return AlignmentEntry.of(
                        UUID.randomUUID(),
                        Instant.EPOCH,
                        kind,
                        "AM",
                        Job.NEW.fitted().id())
                .withPurpose(purpose)
                .withAdjusters(letters)
                .withBefore(before)
                .withAfter(after)
                .withGiven(given);
    }

    private static AlignmentEntry station(double heard, double dial) {
        return entry(Kind.STATION, Optional.empty(), "", dial, heard, Given.NOT_SAID);
    }

    @Test
    void anImageSaysNothingOfTheDial() {
        Alignment a = alignment(station(600e3, 605e3), station(1_500e3, 575e3), station(620e3, 1_548e3));
        assertThat(a.images())
                .extracting(Image::point)
                .containsExactly(new Point(575e3, 1_500e3), new Point(1_548e3, 620e3));
        assertThat(a.images()).extracting(Image::wrongSide).containsExactly(false, true);
        assertThat(a.advice().orElseThrow().points()).hasSize(1);
        assertThat(alignment(station(1_500e3, 575e3)).advice()).isEmpty();
    }

    /** What it takes for the same output, against what the circuit takes. */
    @Test
    void whatASetLacksFollowsFromTheLevel() {
        AlignmentProcedure p = alignment().table().procedure();
        AlignmentLine l = p.lines().get(0);
        double given = 4 * l.level().orElseThrow();
        AlignmentTable t = alignment(entry(
                        Kind.PEAK,
                        Optional.of(l.purpose()),
                        "A1",
                        0,
                        p.output().orElseThrow().wanted(),
                        new Given(given, 0)))
                .table();
        assertThat(t.rows().get(0).lacking(p.output()).orElseThrow()).isCloseTo(12.04, within(0.01));
        assertThat(t.rows().get(1).lacking(p.output())).isEmpty();
    }

    /** The frequency of a peak is no reading of an indicator. */
    @Test
    void aPeakElsewhereIsAFindingAndNoGain() {
        Alignment a = alignment(
                entry(Kind.READ, Optional.of(AlignmentPurpose.INTERMEDIATE), "A1", 0, 1, Given.NOT_SAID),
                entry(Kind.PEAKS_AT, Optional.of(AlignmentPurpose.INTERMEDIATE), "A1", 0, 452e3, Given.NOT_SAID));
        assertThat(a.table().rows().get(0).finding()).isTrue();
        assertThat(a.table().rows().get(0).gained()).isEmpty();
    }

    @Test
    void aHowlAsksForTheBypassesOfItsStage() {
        AlignmentLine l = alignment().table().procedure().lines().get(0);
        List<Part> steadying = Alignment.steadying(SET, l);
        assertThat(steadying).isNotEmpty().allSatisfy(c -> {
            assertThat(c.component()).isInstanceOf(Component.Capacitor.class);
            assertThat(SET.returns().stream().anyMatch(c::touches)).isTrue();
        });
    }

    @Test
    void peaksAreTypedInTheUnitOfTheirLine() {
        assertThat(AlignRequest.parse("A1 peaks at 452")).isEqualTo(new AlignRequest.PeaksAt(Optional.of("A1"), 452));
        assertThat(AlignRequest.parse("peaks 452k")).isEqualTo(new AlignRequest.PeaksAt(Optional.empty(), 452e3));
        AlignmentLine l = alignment().table().procedure().lines().get(0);
        assertThat(l.meant(452)).isEqualTo(452e3);
        assertThat(l.meant(452e3)).isEqualTo(452e3);
        assertThatThrownBy(() -> l.meant(1000))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("peaks there");
        assertThatThrownBy(() -> AlignRequest.parse("1.2 at 452k")).isInstanceOf(InputException.class);
    }

    private static Shortfall.Kind lacking(double first, double second, Kind how) {
        AlignmentProcedure p = alignment().table().procedure();
        double wanted = p.output().orElseThrow().wanted();
        double level = p.lines().get(0).level().orElseThrow();
        AlignmentTable t = alignment(
                        entry(
                                how,
                                Optional.of(p.lines().get(0).purpose()),
                                "A1",
                                0,
                                wanted,
                                new Given(first * level, 0)),
                        entry(
                                Kind.PEAK,
                                Optional.of(p.lines().get(1).purpose()),
                                "A3",
                                0,
                                wanted,
                                new Given(second * level, 0)))
                .table();
        List<Shortfall> all = Shortfall.of(t);
        assertThat(all).as("both cans are reached from one point").hasSize(1);
        return all.get(0).kind();
    }

    /** A stage is named only when all that tunes from there on is in tune, and alignment is left alone where it has nothing to give. */
    @Test
    void aStageThatLacksGainIsNamedWhenAllIsInTune() {
        assertThat(lacking(4, 4, Kind.PEAK)).isEqualTo(Shortfall.Kind.STAGE);
        assertThat(lacking(4, 4, Kind.BETTER)).isEqualTo(Shortfall.Kind.OPEN);
        assertThat(lacking(4, 1.5, Kind.PEAK)).isEqualTo(Shortfall.Kind.OPEN);
        assertThat(lacking(4, 1.1, Kind.PEAK)).isEqualTo(Shortfall.Kind.LITTLE);
    }
}
