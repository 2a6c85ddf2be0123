package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Solution;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where direct currents know nothing of a fault the sound set's operating point is taken: it must be the faulty set's own. */
class UnchangedPointTest {
    private static final double WITHIN = 1e-3;

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "lark"})
    void ofAFaultThatLeavesTheCircuitAlone(String name) {
        Chassis chassis = SharedSets.named(name);
        Setting setting = Setting.fed(chassis);
        Simulator engine = new Simulator();
        int alike = 0;
        for (Fault f : FaultList.of(chassis)) {
            Simulator.PreparedCircuit bench = engine.prepare(chassis, setting.withFaults(List.of(f)));
            OperatingPoint taken = bench.solve();
            if (taken.direct().circuit() == bench.circuit()) continue;
            alike++;
            Solution own = new DcSolver().solve(bench.circuit());
            for (String net : bench.circuit().nets())
                assertThat(taken.volts(net).orElseThrow())
                        .as("%s at %s", f.text(), net)
                        .isCloseTo(own.volts(net).orElseThrow(), within(WITHIN));
        }
        assertThat(alike).isGreaterThan(30);
    }
}
