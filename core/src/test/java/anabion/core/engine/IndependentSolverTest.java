package anabion.core.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.supply.Cycle;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Our answers against a general-purpose circuit solver on the exported decks, where it is installed. */
@Tag("slow")
class IndependentSolverTest {
    @TempDir
    Path folder;

    private IndependentSolver solver() {
        return IndependentSolver.here(folder);
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "rover", "trunk-road", "concerto", "true/moor"})
    void theOperatingPointAgrees(String name) throws Exception {
        Chassis set = SharedSets.named(name);
        Setting setting = Setting.of(set.supply().volts());
        Operating ours = new Engine().solve(set, setting);
        String deck = Decks.direct(set, setting);
        Map<String, Double> theirs = new HashMap<>();
        Matcher m = Pattern.compile("(?m)^\\s*(n\\d+)\\s+(-?[\\d.]+(?:e[+-]?\\d+)?)\\s*$")
                .matcher(solver().run(deck));
        while (m.find()) theirs.put(m.group(1), Double.parseDouble(m.group(2)));
        int compared = 0;
        Matcher nets = Pattern.compile("(?m)^\\* net (\\S+) = (\\S+)$").matcher(deck);
        while (nets.find()) {
            if (!theirs.containsKey(nets.group(1))) continue;
            double v = ours.volts(nets.group(2)).orElseThrow();
            assertThat(theirs.get(nets.group(1)))
                    .as(nets.group(2))
                    .isCloseTo(v, within(Math.max(2e-3, 1e-3 * Math.abs(v))));
            compared++;
        }
        assertThat(compared).isGreaterThan(15);
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "concerto", "true/moor"})
    void theSupplyAgrees(String name) throws Exception {
        Chassis set = SharedSets.named(name);
        agrees(set, Setting.of(set.supply().volts()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"BRIDGE", "COMMON_LINE", "IN_SERIES", "VIBRATOR"})
    void oddSuppliesAgree(OddSupplies kind) throws Exception {
        agrees(kind.set(), Setting.of(kind.volts()));
    }

    private void agrees(Chassis set, Setting setting) throws Exception {
        Operating solved = new Engine().solve(set, setting);
        Cycle ours = solved.supplies().values().iterator().next();
        String out = solver().run(Decks.overTime(set, setting));
        assertThat(measured(out, "mean")).isCloseTo(ours.volts(), within(0.01 * ours.volts()));
        assertThat(measured(out, "ripple")).isCloseTo(ours.ripple(), within(0.05 * ours.ripple()));
        assertThat(measured(out, "peak")).isCloseTo(ours.peak(), within(0.05 * ours.peak()));
        assertThat(measured(out, "effective")).isCloseTo(ours.effective(), within(0.05 * ours.effective()));
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
