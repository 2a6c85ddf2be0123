package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import anabion.core.testing.IndependentSolver;
import anabion.core.testing.SharedSets;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Our small-signal networks against a general-purpose solver on the exported decks. */
class SmallSignalNetlistTest {
    @ParameterizedTest
    @CsvSource({
        "halcyon,AM,AF,DET1",
        "halcyon,AM,IF,V1.5",
        "brae,MW,AF,DET1",
        "brae,MW,IF,V1.2",
        "lark,MW,AF,DET",
        "lark,MW,IF,Q1.4"
    })
    void aSweepOfTheDeckIsThatOfTheNetwork(String name, String bandName, Domain domain, String net) throws Exception {
        Chassis set = SharedSets.named(name);
        Band band = set.band(bandName).orElseThrow();
        Setting setting = Setting.of(set.supply().volts())
                .withBand(bandName)
                .withControls(Controls.volume(set, 1))
                .withCarrier(domain == Domain.IF ? 1.5 : 0);
        Matcher rows = Pattern.compile("(?m)^\\d+\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*$")
                .matcher(IndependentSolver.answer(
                        "sweep-" + name + "-" + domain.code() + "-" + net,
                        SmallSignalNetlist.of(set, setting, band, domain, net)));
        OperatingPoint solved = new Simulator().solve(set, setting);
        SpiceNetlist.AcPorts p = SmallSignalNetlist.probe(set, band, domain, net);
        var networks = new Networks(set, setting, solved, Optional.of(band)).aligned();
        int compared = 0;
        while (rows.find()) {
            double hertz = Double.parseDouble(rows.group(1));
            var driven = networks.at(hertz).driven(net, set.reference());
            Phasor source = new Generator(p.ohms(), p.farads()).impedance(hertz);
            Phasor ours = driven.at(p.output()).over(source.plus(driven.at(net)));
            assertThat(Double.parseDouble(rows.group(2)))
                    .as(hertz + " Hz")
                    .isCloseTo(ours.size(), within(0.01 * ours.size()));
            assertThat(Math.cos(Double.parseDouble(rows.group(3)) - ours.angle()))
                    .isGreaterThan(0.9995);
            compared++;
        }
        assertThat(compared).isGreaterThan(50);
    }
}
