package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import anabion.core.simulation.tolerance.Sensitivity;
import anabion.core.testing.IndependentSolver;
import anabion.core.testing.SharedSets;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Our answers against those of a general-purpose circuit solver on the exported decks. */
class IndependentSolverTest {
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "rover", "trunk-road", "concerto", "true/moor"})
    void theOperatingPointAgrees(String name) throws Exception {
        Chassis set = SharedSets.named(name);
        Setting setting = Setting.of(set.supply().volts());
        OperatingPoint ours = new Simulator().solve(set, setting);
        Map<String, Double> theirs = theirs("operating-point-" + file(name), set, setting);
        theirs.forEach((net, volts) -> {
            double v = ours.volts(net).orElseThrow();
            assertThat(volts).as(net).isCloseTo(v, within(Math.max(2e-3, 1e-3 * Math.abs(v))));
        });
        assertThat(theirs).hasSizeGreaterThan(15);
    }

    /** Its operating point by our names of the nets. */
    private static Map<String, Double> theirs(String name, Chassis set, Setting setting) throws Exception {
        String deck = SpiceNetlist.direct(set, setting);
        Map<String, Double> numbered = new HashMap<>();
        Matcher m = Pattern.compile("(?m)^\\s*(n\\d+)\\s+(-?[\\d.]+(?:e[+-]?\\d+)?)\\s*$")
                .matcher(IndependentSolver.answer(name, deck));
        while (m.find()) numbered.put(m.group(1), Double.parseDouble(m.group(2)));
        Map<String, Double> named = new HashMap<>();
        Matcher nets = Pattern.compile("(?m)^\\* net (\\S+) = (\\S+)$").matcher(deck);
        while (nets.find())
            if (numbered.containsKey(nets.group(1))) named.put(nets.group(2), numbered.get(nets.group(1)));
        return named;
    }

    /** On batteries the deck holds the whole supply, so that a part may be changed in it. */
    @ParameterizedTest
    @CsvSource({"lark,R12", "lark,R15", "lark,R21", "trunk-road,R12", "trunk-road,V2"})
    void whatAPartDoesToEveryReadingAgrees(String name, String part) throws Exception {
        Chassis set = SharedSets.named(name);
        Setting usual = Setting.of(set.supply().volts());
        Simulator engine = new Simulator();
        Sensitivity ours =
                Sensitivity.about(engine, set, usual, engine.solve(set, usual)).orElseThrow();
        Map<String, Double> up = theirs("up-" + name + "-" + part, set, usual.withTrims(Map.of(part, 1.05)));
        Map<String, Double> down = theirs("down-" + name + "-" + part, set, usual.withTrims(Map.of(part, 0.95)));
        double most = 0;
        for (String net : up.keySet()) {
            double slope = (up.get(net) - down.get(net)) / 0.1;
            assertThat(ours.slope(net, part)).as(net).isCloseTo(slope, within(0.05 * Math.abs(slope) + 0.01));
            most = Math.max(most, Math.abs(slope));
        }
        assertThat(most).as("the part matters").isGreaterThan(0.05);
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "concerto", "true/moor"})
    void theSupplyAgrees(String name) throws Exception {
        Chassis set = SharedSets.named(name);
        agrees(file(name), set, Setting.of(set.supply().volts()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"BRIDGE", "COMMON_LINE", "IN_SERIES", "VIBRATOR"})
    void oddSuppliesAgree(OddSupplies kind) throws Exception {
        agrees(kind.name().toLowerCase(Locale.ROOT), kind.set(), Setting.of(kind.volts()));
    }

    private static void agrees(String name, Chassis set, Setting setting) throws Exception {
        OperatingPoint solved = new Simulator().solve(set, setting);
        Cycle ours = solved.supplies().values().iterator().next();
        String out = IndependentSolver.answer("supply-" + name, SpiceNetlist.overTime(set, setting));
        assertThat(measured(out, "mean")).isCloseTo(ours.volts(), within(0.01 * ours.volts()));
        assertThat(measured(out, "ripple")).isCloseTo(ours.ripple(), within(0.05 * ours.ripple()));
        assertThat(measured(out, "peak")).isCloseTo(ours.peak(), within(0.05 * ours.peak()));
        assertThat(measured(out, "effective")).isCloseTo(ours.effective(), within(0.05 * ours.effective()));
    }

    private static String file(String set) {
        return set.replace('/', '-');
    }

    /** The largest of what was measured under a name. */
    private static double measured(String out, String what) {
        Matcher m = Pattern.compile("(?m)^" + what + "_\\w+\\s*=\\s*(\\S+)").matcher(out);
        double most = Double.NEGATIVE_INFINITY;
        while (m.find()) most = Math.max(most, Double.parseDouble(m.group(1)));
        assertThat(most).as(what + " in:\n" + out).isFinite();
        return most;
    }
}
