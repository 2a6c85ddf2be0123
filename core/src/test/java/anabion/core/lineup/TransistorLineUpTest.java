package anabion.core.lineup;

import static anabion.core.lineup.LineUpReadings.diagnosis;
import static anabion.core.lineup.LineUpReadings.line;
import static anabion.core.lineup.LineUpReadings.model;
import static anabion.core.lineup.LineUpReadings.reading;
import static anabion.core.lineup.LineUpReadings.readings;
import static anabion.core.lineup.LineUpReadings.row;
import static anabion.core.lineup.LineUpReadings.theRightPlaceComesFirst;
import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.command.WiringLine;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.lineup.LineUpReadings.Story;
import anabion.core.reading.Reading;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a line-up of transistors and a chart say: what can be wrong at the places of one set is solved once. */
class TransistorLineUpTest {
    /** Of transistors the volts do not tell the currents; ratios of resistors are enough. */
    private static final List<Story> TRANSISTORS = List.of(
            new Story("lark", "R14:open", "emitter-resistor@Q4/1"),
            new Story("lark", "R12:open", "base-feed@Q4/2"),
            new Story("lark", "R13:open", "base-return@Q4/2"),
            new Story("lark", "C14:short", "emitter-bypass@Q4/1"),
            new Story("lark", "Q4:short", "Q4"),
            new Story("lark", "Q4:open", "Q4"),
            new Story("lark", "R8:open", "base-feed@Q3/2"),
            new Story("lark", "C20:leaky:330", "smoothing@Q1/4"),
            new Story("lark", "R18:open", "emitter-resistor@Q5/1"),
            new Story("lark", "Q5.bc:leaky:5k", "Q5"),
            new Story("lark", "R4:open", "base-feed@Q2/2"),
            new Story("lark", "C15:leaky:2k", "base-coupling@Q5/2"));

    @Test
    void theRightPlaceComesFirstAmongTransistors() {
        theRightPlaceComesFirst(TRANSISTORS, 10);
    }

    @Test
    void aSoundSetConvictsNobody() {
        for (long seed : new long[] {1, 2, 3})
            assertThat(diagnosis("lark", List.of(), seed).decided()).isFalse();
    }

    /** Of transistors likewise: the emitter resistor goes to the reference, what feeds the base does not. */
    @Test
    void anEnteredPartTakesItsPlaceAtATransistor() {
        Chassis whole = SharedSets.named("lark");
        Chassis some = LineUp.alone(whole);
        for (String line : List.of("R14 1k Q4.1 CHASSIS", "R12 47k Q4.2 NEG2", "R13 10k Q4.2 CHASSIS")) {
            List<Part> parts = new ArrayList<>(some.parts());
            parts.add(WiringLine.parse(line, some));
            some = some.withParts(parts);
        }
        LineUpModel model = model(some).orElseThrow();
        List<Reading> readings = readings(whole, List.of(Fault.parse("R14:open")), 7);
        assertThat(model.diagnosis(model.evidence(readings, Job.NEW))
                        .singly()
                        .get(0)
                        .parts())
                .contains("R14");
        Chassis inferred = model.predictions().chassis();
        assertThat(inferred.part("R12").orElseThrow().joins("Q4.2", Chassis.METAL))
                .isFalse();
        assertThat(inferred.part("R13").orElseThrow().joins("Q4.2", Chassis.METAL))
                .isTrue();
        assertThat(inferred.part("base-feed@Q4/2")).isEmpty();
    }

    /** Makers measure against either pole of the battery, and put either type of transistor on either of them. */
    @Test
    void transistorsAreInferredAgainstEitherPole() {
        Chassis lark = SharedSets.named("lark");
        double battery = lark.supply().volts();
        Chart chart = lark.chart().orElseThrow();
        Chart.Conditions on = chart.conditions();
        Chart.Conditions other = new Chart.Conditions(
                on.line(), on.meter(), on.band(), on.volume(), on.signal(), on.dial(), "NEG", on.extra());
        List<ChartRow> rows =
                chart.rows().stream().map(r -> row(r, r.value() + battery)).toList();
        LineUpModel model = model(LineUp.alone(lark)
                        .withChart(Optional.of(
                                new Chart(chart.id(), "", false, chart.tolerance(), other, rows, Extra.NONE))))
                .orElseThrow();
        for (Story s : TRANSISTORS.subList(0, 5)) {
            List<Reading> shifted = readings(lark, List.of(Fault.parse(s.fault())), 7).stream()
                    .map(r -> reading(r.point(), "NEG", battery, r.value() + battery))
                    .toList();
            List<RankedCause> causes =
                    model.diagnosis(model.evidence(shifted, Job.NEW)).singly();
            // against the far pole a meter's error hides the volts between base and emitter
            assertThat(causes.stream().limit(3).flatMap(c -> c.causes().stream()))
                    .as("%s", s)
                    .anyMatch(h -> h.from().get(0).part().startsWith(s.place()));
        }
    }
}
