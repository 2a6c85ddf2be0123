package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.align.TrackingAdvice.Point;
import anabion.core.align.TrackingAdvice.Turn;
import anabion.core.align.TrackingAdvice.Way;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.stream.DoubleStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the errors of a dial say. */
class TrackingAdviceTest {
    private static final Chassis HALCYON = SharedSets.named("halcyon");
    private static final FrontEnd TUNED = frontEnd(HALCYON, "AM");

    private static FrontEnd frontEnd(Chassis set, String band) {
        return FrontEnd.of(
                        new Simulator(), set, Setting.fed(set), set.band(band).orElseThrow())
                .orElseThrow();
    }

    private static List<Point> heard(FrontEnd f, Turned turned, double... dials) {
        var heard = f.receives(turned);
        return DoubleStream.of(dials)
                .mapToObj(d -> new Point(d, heard.apply(d)))
                .toList();
    }

    @Property(tries = 40)
    void whatWasTurnedIsTurnedBack(
            @ForAll @DoubleRange(min = 0.85, max = 1.2) double padder,
            @ForAll @DoubleRange(min = -8, max = 8) double picofarads) {
        List<Point> points = heard(TUNED, new Turned(1, picofarads * 1e-12, padder), 600e3, 1500e3);
        TrackingAdvice a = TrackingAdvice.of(HALCYON, TUNED, points);
        assertThat(a.found().padder()).isCloseTo(padder, within(1e-3));
        assertThat(a.found().trimmer()).isCloseTo(picofarads * 1e-12, within(1e-14));
        assertThat(a.after()).allSatisfy(e -> assertThat(e).isCloseTo(0, within(50.0)));
        for (Turn t : a.turns()) {
            boolean more = t.part().reference().equals("C5") ? padder < 1 : picofarads < 0;
            assertThat(t.way()).as(t.part().reference()).isEqualTo(more ? Way.IN : Way.OUT);
        }
    }

    @Test
    void anAlignedDialAsksForNothing() {
        TrackingAdvice a = TrackingAdvice.of(HALCYON, TUNED, heard(TUNED, Turned.NOTHING, 600e3, 1000e3, 1500e3));
        assertThat(a.turns()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"1500, 1510, A5", "600, 610, A6"})
    void oneStationTellsOfTheAdjusterOfItsEnd(double dial, double heard, String letter) {
        TrackingAdvice a = TrackingAdvice.of(HALCYON, TUNED, List.of(new Point(dial * 1e3, heard * 1e3)));
        assertThat(a.turns())
                .singleElement()
                .satisfies(t -> assertThat(t.adjuster().map(Adjuster::letter)).contains(letter));
        assertThat(a.after().get(0)).isCloseTo(0, within(50.0));
    }

    @Test
    void threeStationsAreFittedByLeastSquares() {
        List<Point> all = List.of(new Point(600e3, 610e3), new Point(1000e3, 1003e3), new Point(1500e3, 1480e3));
        TrackingAdvice a = TrackingAdvice.of(HALCYON, TUNED, all);
        double before = a.before().stream().mapToDouble(e -> e * e).sum();
        double after = a.after().stream().mapToDouble(e -> e * e).sum();
        assertThat(after).isLessThan(before / 4);
    }

    @Test
    void withoutAnAdjusterOnRecordItSaysSo() {
        Chassis bare = HALCYON.withAdjusters(List.of());
        TrackingAdvice a = TrackingAdvice.of(bare, TUNED, List.of(new Point(600e3, 615e3), new Point(1500e3, 1500e3)));
        assertThat(a.turns()).isNotEmpty().allSatisfy(t -> {
            assertThat(t.adjuster()).isEmpty();
            assertThat(t.reached()).isFalse();
        });
    }

    @Test
    void aTrimmerThatCannotGoSoFarIsAFinding() {
        // thirty picofarads too many: more than a trimmer of thirty has to give back from its middle
        List<Point> points = heard(TUNED, new Turned(1, 22e-12, 1), 600e3, 1400e3);
        TrackingAdvice a = TrackingAdvice.of(HALCYON, TUNED, points);
        assertThat(a.turns())
                .filteredOn(t ->
                        t.adjuster().map(Adjuster::letter).filter("A5"::equals).isPresent())
                .singleElement()
                .satisfies(t -> assertThat(t.reached()).isFalse());
    }

    /** On long waves the trimmer of medium waves stays where it is. */
    @Test
    void aBandLeavesTheAdjustersOfAHigherOneAlone() {
        Chassis brae = SharedSets.named("brae");
        FrontEnd lw = frontEnd(brae, "LW");
        TrackingAdvice a = TrackingAdvice.of(brae, lw, List.of(new Point(205e3, 200e3)));
        assertThat(a.turns()).singleElement().satisfies(t -> {
            assertThat(t.part().reference()).isEqualTo("L6");
            assertThat(t.way()).isEqualTo(Way.OUT);
        });
    }
}
