package anabion.core.chassis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.reading.Condition;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

class PartLeadTest {
    private final Chassis halcyon = SharedSets.named("halcyon");

    private double volts(String net, String... off) {
        Setting setting = Setting.fed(halcyon).withFaults(CircuitPredictor.open(halcyon, List.of(off)));
        OperatingPoint solved = new Simulator().solve(halcyon, setting);
        assertThat(solved.converged()).isTrue();
        return solved.volts(net).orElseThrow();
    }

    @Test
    void sectionsWindingsAndPinsAreNamedInWhateverCase() {
        assertThat(PartLead.named(halcyon, "c18.1").orElseThrow().text()).isEqualTo("C18.1");
        assertThat(PartLead.named(halcyon, "T2.PRIMARY").orElseThrow().text()).isEqualTo("T2.primary");
        assertThat(PartLead.named(halcyon, "V3.6").orElseThrow().off()).isEqualTo(Fault.parse("V3.6:joint"));
        assertThat(PartLead.named(halcyon, "C18.2").orElseThrow().off()).isEqualTo(Fault.parse("C18.2:open"));
        assertThat(PartLead.named(halcyon, "C18")).isEmpty();
        assertThat(PartLead.named(halcyon, "C18.9")).isEmpty();
        assertThat(PartLead.named(halcyon, "Q7.1")).isEmpty();
    }

    /** A reading taken meanwhile is judged against the set with that lead off. */
    @Test
    void aLeadThatIsOffIsMissing() {
        assertThat(volts("V4.5")).isGreaterThan(200);
        assertThat(volts("V4.5", "T2.primary")).isLessThan(5);
        assertThat(volts("B1", "T2.primary")).isGreaterThan(volts("B1") + 5);
        assertThat(volts("B1", "C18.2")).isCloseTo(volts("B1"), within(2.0));
        assertThat(volts("B1", "C18.1")).isLessThan(volts("B1") - 10);
        Condition then = Condition.of(230, new MeterSpec.Fixed(10e6), "AM").withOpenEnds(List.of("T2.primary"));
        assertThat(CircuitPredictor.setting(halcyon, then).faults()).containsExactly(Fault.parse("T2.primary:open"));
    }
}
