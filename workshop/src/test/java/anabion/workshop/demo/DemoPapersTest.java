package anabion.workshop.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.reading.judgement.Judge;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The papers of the demo sets are those of their circuits, and the circuits are sound ones. */
class DemoPapersTest {
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark"})
    void theChartIsTheComputedOne(String name) {
        Chassis chassis = DemoWorkshop.chassis(name);
        Chassis again = DemoPapers.charted(chassis);
        List<ChartRow> printed = chassis.chart().orElseThrow().rows();
        List<ChartRow> computed = again.chart().orElseThrow().rows();
        for (int i = 0; i < printed.size(); i++)
            assertThat(printed.get(i).value())
                    .as(printed.get(i).point())
                    .isCloseTo(
                            computed.get(i).value(),
                            within(0.011 * Math.max(1, Math.abs(printed.get(i).value()))));
        assertThat(chassis.chart().get().provisional()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "trunk-road"})
    void theReadingsAreThoseOfThePlantedFaults(String name) {
        List<Reading> taken = DemoWorkshop.set(name).readings();
        assertThat(taken).hasSizeGreaterThan(5);
        List<Reading> computed = DemoPapers.read(name, taken);
        for (int i = 0; i < taken.size(); i++)
            assertThat(taken.get(i).value())
                    .as(taken.get(i).point())
                    .isCloseTo(
                            computed.get(i).value(),
                            within(0.011 * Math.max(1, Math.abs(taken.get(i).value()))));
    }

    @Test
    void theVerdictOnThemNamesThePlantedPartsAndNoOther() {
        SetRecord set = DemoWorkshop.set("halcyon");
        Judge.Verdict v = set.judged(set.usual(), new Predictors());
        List<String> planted =
                DemoPapers.planted("halcyon").stream().map(Fault::part).toList();
        assertThat(v.findings().stream()
                        .limit(2)
                        .map(f -> f.suspects().get(0).fault().part()))
                .containsExactlyInAnyOrderElementsOf(planted);
        assertThat(v.rows().stream().filter(r -> r.standing() == Standing.OUT).map(r -> r.point()
                        .label()))
                .contains("V2.6", "V4.1")
                .doesNotContain("V1.6", "V4.6", "V5.1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae"})
    void tubesStayInsideTheirLimits(String name) {
        Chassis chassis = DemoWorkshop.chassis(name);
        OperatingPoint o =
                new Simulator().solve(chassis, Setting.of(chassis.supply().volts()));
        for (Part p : chassis.parts()) {
            if (p.device().isEmpty()) continue;
            DeviceType type =
                    DeviceLibrary.standard().find(p.device().get().type()).orElseThrow();
            Double most = type.limits().get("plateWatts");
            if (most != null)
                assertThat(plateWatts(o, p.reference())).as(p.reference()).isLessThan(most);
            Double micro = type.limits().get("reservoirMicrofarads");
            if (micro != null) {
                Component.Capacitor can =
                        (Component.Capacitor) chassis.part("C18").orElseThrow().component();
                assertThat(can.farads().get(0) * 1e6).as(p.reference()).isLessThanOrEqualTo(micro);
            }
            Double peak = type.limits().get("peakMilliamps");
            if (peak != null)
                assertThat(o.supplies().values().iterator().next().peak() * 1e3).isLessThan(peak);
        }
    }

    private static double plateWatts(OperatingPoint o, String reference) {
        double most = 0;
        for (Element e : o.direct().circuit().elements()) {
            if (!(e instanceof Element.Device d) || !e.name().split("\\.")[0].equals(reference)) continue;
            int k = d.nodes().size() - 1;
            if (k < 2) continue;
            double volts = volts(o, d.nodes().get(k - 1)) - volts(o, d.nodes().get(k));
            most = Math.max(most, o.direct().amperes(e)[k - 1] * volts);
        }
        return most;
    }

    private static double volts(OperatingPoint o, int node) {
        return node < 0 ? 0 : o.direct().unknowns()[node];
    }

    @Test
    void theSeriesHeatersOfTheBraeAddUp() {
        Chassis brae = DemoWorkshop.chassis("brae");
        double sum = brae.parts().stream()
                .filter(p -> p.device().isPresent())
                .mapToDouble(p -> DeviceLibrary.standard()
                        .find(p.device().get().type())
                        .orElseThrow()
                        .heaterVolts())
                .sum();
        assertThat(sum).isCloseTo(116.6, within(0.01));
        OperatingPoint o = new Simulator().solve(brae, Setting.of(230));
        assertThat(o.alternating("HC").orElseThrow()).isCloseTo(116.6, within(6.0));
        OperatingPoint dark =
                new Simulator().solve(brae, Setting.of(230).withFaults(List.of(Fault.of("V3", FaultMode.HEATER_OPEN))));
        assertThat(dark.volts("B1").orElseThrow())
                .as("one heater open darkens all")
                .isCloseTo(0, within(1.0));
    }

    @Test
    void thePositiveEarthSetReadsNegative() {
        OperatingPoint o = new Simulator().solve(DemoWorkshop.chassis("lark"), Setting.of(9));
        for (String net : List.of("NEG", "Q1.4", "Q4.3", "Q6.3", "Q4.1"))
            assertThat(o.volts(net).orElseThrow()).as(net).isNegative();
        double vbe = o.volts("Q4.2").orElseThrow() - o.volts("Q4.1").orElseThrow();
        assertThat(vbe).isBetween(-0.3, -0.08);
    }
}
