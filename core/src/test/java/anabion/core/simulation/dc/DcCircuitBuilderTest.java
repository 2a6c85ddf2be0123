package anabion.core.simulation.dc;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Element;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The circuit of a faulty set, taken for the most part from the sound one's, is the one that is built from nothing. */
class DcCircuitBuilderTest {
    private static final FittedLaws FITTED = new FittedLaws();

    @ParameterizedTest
    @MethodSource("anabion.core.simulation.AllSetsTest#names")
    void aFaultChangesItsOwnPartAlone(String name) {
        Chassis set = SharedSets.named(name);
        Optional<AcSupply> mains = AcSupply.has(set) ? Optional.of(mains(set)) : Optional.empty();
        Circuit sound = direct(set, List.of(), mains).circuit().build();
        for (Fault f : Deep.some("faults of " + name + " built from nothing", 60, FaultList.of(set))) {
            DcCircuitBuilder faulty = direct(set, List.of(f), mains);
            assertThat(elements(faulty.circuit(sound).build()))
                    .as(f.text())
                    .isEqualTo(elements(faulty.circuit().build()));
        }
    }

    private static DcCircuitBuilder direct(Chassis set, List<Fault> faults, Optional<AcSupply> mains) {
        return new DcCircuitBuilder(set, usual(set), new Faults(set, faults), set.reference(), mains, FITTED);
    }

    private static AcSupply mains(Chassis set) {
        return new AcSupply(set, usual(set), new Faults(set, List.of()), set.reference(), 0, new DcSolver()::solve);
    }

    private static Setting usual(Chassis set) {
        return Setting.of(set.supply().volts());
    }

    /** With their values, and the nets between which they lie by name: numbers of nodes are free. */
    private static Set<String> elements(Circuit c) {
        return c.elements().stream().map(e -> said(e, c)).collect(Collectors.toSet());
    }

    private static String said(Element e, Circuit c) {
        if (e instanceof Element.Resistor r)
            return r.name() + " " + c.net(r.a()) + " " + c.net(r.b()) + " " + r.siemens();
        if (e instanceof Element.Source s)
            return s.name() + " " + c.net(s.plus()) + " " + c.net(s.minus()) + " " + s.volts();
        if (e instanceof Element.Current i)
            return i.name() + " " + c.net(i.from()) + " " + c.net(i.to()) + " " + i.amperes();
        Element.Device d = (Element.Device) e;
        return d.name() + " " + d.nodes().stream().map(c::net).toList() + " " + d.law();
    }
}
