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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The rails of circuits that people have, against a run over time of a deck written from their wiring. */
class RealSuppliesTest {
    /** A circuit, what is changed in its file, and where its rail stands. */
    enum Supplied {
        SERIES_FLOATING(TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "B-"),
        SERIES_SWITCH_IN_RETURN(TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "B-", t -> t.replace(
                        "S1 off/on MAINS-L LINE", "S1 off/on LINK B-")
                .replace("F1 1A MAINS-N B-", "F1 1A MAINS-N LINK")
                .replace("LP1 6.3V", "R40 0.5 MAINS-L LINE\nLP1 6.3V")),
        SERIES_FROM_NEGATIVE(TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "B-", t -> t.replace("CHASSIS", "METALWORK")),
        SERIES_OTHER_NAMES(TypicalCircuit.FIVE_TUBE_AC_DC, "B1", "COMMON", t -> t.replace("B-", "COMMON")
                .replace("CHASSIS", "CASE")),
        HOT_CHASSIS(TypicalCircuit.HOT_CHASSIS, "B1", "CHASSIS"),
        LINE_CORD(TypicalCircuit.LINE_CORD, "B1", "B-"),
        AUTOTRANSFORMER(TypicalCircuit.AUTOTRANSFORMER, "B1", "CHASSIS"),
        FILAMENT_END(TypicalCircuit.DIRECTLY_HEATED_RECTIFIER, "B1", "NEG"),
        OTHER_FILAMENT_END(
                TypicalCircuit.DIRECTLY_HEATED_RECTIFIER,
                "B1",
                "NEG",
                t -> t.replace("V5 5Y3 2=FIL 8=B1", "V5 5Y3 2=B1 8=FIL")),
        BIAS_IN_NEGATIVE_LEG(
                TypicalCircuit.DIRECTLY_HEATED_RECTIFIER,
                "B1",
                "CHASSIS",
                t -> t.replace("C18 16@450 B1 NEG", "C18 16@450 B1 CHASSIS")),
        THREE_WAY(TypicalCircuit.THREE_WAY_PORTABLE, "K", "B-"),
        HEATER_TRANSFORMER(TypicalCircuit.HEATER_TRANSFORMER, "B1", "CHASSIS"),
        DOUBLER("doubler", "B1", "CHASSIS"),
        CAPACITOR_DROPPER("capacitor-dropper", "B1", "CHASSIS");

        private final Chassis set;
        private final String net;
        private final String foot;

        Supplied(TypicalCircuit typical, String net, String foot) {
            this(typical, net, foot, UnaryOperator.identity());
        }

        Supplied(TypicalCircuit typical, String net, String foot, UnaryOperator<String> change) {
            this.set = CircuitFixtures.typical(typical, change);
            this.net = net;
            this.foot = foot;
        }

        Supplied(String name, String net, String foot) {
            this.set = CircuitFixtures.named(name);
            this.net = net;
            this.foot = foot;
        }
    }

    @ParameterizedTest
    @EnumSource(Supplied.class)
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
        String out = IndependentSolver.answer(
                "real-" + s.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'), deck);
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
