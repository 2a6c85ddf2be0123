package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.IndependentSolver;
import anabion.core.testing.TransientDeck;
import anabion.core.typical.TypicalCircuit;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The rails of circuits that people have, against a run over time of a deck written from their wiring. */
class RealSuppliesTest {
    /** A circuit, and where its rail stands. */
    record Supplied(String name, Chassis set, String net, String foot) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Supplied> supplies() {
        return Stream.of(
                of("series-floating", TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "B-"),
                of("series-switch-in-return", TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "B-", t -> t.replace(
                                "S1 off/on MAINS-L LINE", "S1 off/on LINK B-")
                        .replace("F1 1A MAINS-N B-", "F1 1A MAINS-N LINK")
                        .replace("LP1 6.3V", "R40 0.5 MAINS-L LINE\nLP1 6.3V")),
                of(
                        "series-from-negative",
                        TypicalCircuit.FIVE_TUBE_AC_DC,
                        "B1",
                        "B-",
                        t -> t.replace("CHASSIS", "METALWORK")),
                of("series-other-names", TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "COMMON", t -> t.replace("B-", "COMMON")
                        .replace("CHASSIS", "CASE")),
                of("hot-chassis", TypicalCircuit.HOT_CHASSIS, "B1", "CHASSIS"),
                of("line-cord", TypicalCircuit.LINE_CORD, "B1", "B-"),
                of("autotransformer", TypicalCircuit.AUTOTRANSFORMER, "B1", "CHASSIS"),
                of("filament-end", TypicalCircuit.DIRECTLY_HEATED_RECTIFIER, "B1", "NEG"),
                of(
                        "other-filament-end",
                        TypicalCircuit.DIRECTLY_HEATED_RECTIFIER,
                        "B1",
                        "NEG",
                        t -> t.replace("V5 5Y3 2=FIL 8=B1", "V5 5Y3 2=B1 8=FIL")),
                of(
                        "bias-in-negative-leg",
                        TypicalCircuit.DIRECTLY_HEATED_RECTIFIER,
                        "B1",
                        "CHASSIS",
                        t -> t.replace("C18 16@450 B1 NEG", "C18 16@450 B1 CHASSIS")),
                of("three-way", TypicalCircuit.THREE_WAY_PORTABLE, "K", "B-"),
                of("heater-transformer", TypicalCircuit.HEATER_TRANSFORMER, "B1", "CHASSIS"),
                of("doubler", "doubler", "B1", "CHASSIS"),
                of("capacitor-dropper", "capacitor-dropper", "B1", "CHASSIS"),
                of("gas-rectifier", "regulated", "B1", "CHASSIS"),
                of("barretter", "barretter", "B1", "CHASSIS"));
    }

    private static Supplied of(String name, TypicalCircuit typical, String net, String foot) {
        return of(name, typical, net, foot, UnaryOperator.identity());
    }

    /** @param change of the circuit's file */
    private static Supplied of(
            String name, TypicalCircuit typical, String net, String foot, UnaryOperator<String> change) {
        return new Supplied(name, CircuitFixtures.typical(typical, change), net, foot);
    }

    private static Supplied of(String name, String fixture, String net, String foot) {
        return new Supplied(name, CircuitFixtures.named(fixture), net, foot);
    }

    @ParameterizedTest
    @MethodSource("supplies")
    void theRailAgrees(Supplied s) throws Exception {
        double line = s.set.supply().volts();
        OperatingPoint ours = new Simulator().solve(s.set, Setting.of(line));
        assertThat(ours.converged()).isTrue();
        double volts = ours.volts(s.net).orElseThrow() - ours.volts(s.foot).orElseThrow();
        Cycle cycle = ours.supplies().get(s.net);
        assertThat(cycle)
                .as("a rail at %s of %s", s.net, ours.supplies().keySet())
                .isNotNull();
        String deck = TransientDeck.of(s.set, line, s.set.supply().hertz(), ours, s.net, s.foot);
        String out = IndependentSolver.answer("real-" + s.name(), deck);
        double mean = measured(out, "mean_out");
        assertThat(volts).isCloseTo(mean, within(0.01 * Math.abs(mean)));
        double ripple = measured(out, "ripple_out");
        assertThat(cycle.ripple()).as("peak to peak").isCloseTo(ripple, within(0.07 * ripple));
    }

    private static double measured(String out, String what) {
        Matcher m = Pattern.compile("(?m)^" + what + "\\s*=\\s*(\\S+)").matcher(out);
        assertThat(m.find()).as(out).isTrue();
        return Double.parseDouble(m.group(1));
    }
}
