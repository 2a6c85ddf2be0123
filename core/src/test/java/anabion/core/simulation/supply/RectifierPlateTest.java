package anabion.core.simulation.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A meter on direct volts, where a rectifier is fed: its mean current drops there what the way from its return has in ohms. */
class RectifierPlateTest {
    private static OperatingPoint solved(Chassis set) {
        OperatingPoint o = new Simulator().solve(set, Setting.of(set.supply().volts()));
        assertThat(o.converged()).isTrue();
        return o;
    }

    /** Each half of a winding carries half of the current. */
    @ParameterizedTest
    @CsvSource({"halcyon, V5.1, B1", "halcyon, V5.6, B1", "concerto, HTA, B1", "concerto, HTB, B1"})
    void aWindingDropsHalfOfTheCurrentTimesItsOwnOhms(String name, String plate, String reservoir) {
        Chassis set = SharedSets.named(name);
        OperatingPoint o = solved(set);
        Cycle cycle = o.supplies().get(reservoir);
        double ohms = set.parts().stream()
                .filter(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer())
                .flatMap(p -> ((Component.Windings) p.component())
                        .windings().stream()
                                .filter(w -> plate.equals(p.nets().get(w.from()))
                                        || plate.equals(p.nets().get(w.to()))))
                .findFirst()
                .orElseThrow()
                .ohms();
        double wanted = -cycle.amperes() / 2 * ohms;
        assertThat(wanted).isLessThan(-1);
        assertThat(o.volts(plate).orElseThrow()).isCloseTo(wanted, within(0.02 * -wanted));
    }

    /** Fed from the line through a piece of its own heater: the current comes through that and through the chain, and falls towards the line. */
    @Test
    void alongAChainOfHeatersItFallsFromThePlateToTheLine() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE_AC_DC);
        OperatingPoint o = solved(set);
        List<Double> volts = List.of("PLATE", "TAP", "H1", "H2", "H3", "H4").stream()
                .map(n -> o.volts(n).orElseThrow())
                .toList();
        assertThat(volts).isSorted().allMatch(v -> v < 0);
        assertThat(volts.get(0)).isBetween(-5.0, -2.0);
    }

    /** In a bridge as much comes as goes; through a capacitor no direct current flows. */
    @ParameterizedTest
    @CsvSource({"capacitor-dropper", "doubler", "regulated"})
    void whereNoDirectCurrentFlowsNothingRunsAway(String name) {
        Chassis set = CircuitFixtures.named(name);
        OperatingPoint o = solved(set);
        double most = 1.5 * set.supply().volts() * 2;
        for (Part p : set.parts())
            for (String net : p.nets().values())
                assertThat(Math.abs(o.volts(net).orElse(0))).as(net).isLessThan(most);
    }
}
