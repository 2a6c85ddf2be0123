package anabion.core.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.Phasor;
import anabion.core.signal.Domain;
import anabion.core.signal.SignalDeck;
import anabion.core.supply.Cycle;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Our answers against a general-purpose circuit solver on the exported decks, where it is installed. */
@Tag("slow")
class IndependentSolverTest {
    @TempDir
    Path folder;

    @BeforeEach
    void whereItIsInstalled() {
        boolean there = java.util.stream.Stream.of(System.getenv("PATH").split(":"))
                .anyMatch(p -> Files.isExecutable(Path.of(p, "ngspice")));
        assumeTrue(there, "no independent solver here");
    }

    private String run(String deck) throws IOException, InterruptedException {
        Path file = folder.resolve("deck.cir");
        Path out = folder.resolve("out.txt");
        Files.writeString(file, deck);
        Process p = new ProcessBuilder("ngspice", "-b", file.toString())
                .redirectErrorStream(true)
                .redirectOutput(out.toFile())
                .start();
        assertThat(p.waitFor(300, TimeUnit.SECONDS)).isTrue();
        return Files.readString(out, StandardCharsets.ISO_8859_1);
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
                .matcher(run(deck));
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

    @ParameterizedTest
    @CsvSource({
        "halcyon,AM,AF,DET1",
        "halcyon,AM,IF,V1.5",
        "brae,MW,AF,DET1",
        "brae,MW,IF,V1.2",
        "lark,MW,AF,DET",
        "lark,MW,IF,Q1.4"
    })
    void smallSignalsAgree(String name, String bandName, Domain domain, String net) throws Exception {
        Chassis set = SharedSets.named(name);
        Band band = set.band(bandName).orElseThrow();
        Setting setting = Setting.of(set.supply().volts())
                .withBand(bandName)
                .withControls(Controls.volume(set, 1))
                .withCarrier(domain == Domain.IF ? 1.5 : 0);
        Matcher rows = Pattern.compile("(?m)^\\d+\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*$")
                .matcher(run(SignalDeck.of(set, setting, band, domain, net)));
        int compared = 0;
        while (rows.find()) {
            double hertz = Double.parseDouble(rows.group(1));
            Phasor ours = SignalDeck.answer(set, setting, band, domain, net, hertz);
            assertThat(Double.parseDouble(rows.group(2)))
                    .as(hertz + " Hz")
                    .isCloseTo(ours.size(), within(0.01 * ours.size()));
            assertThat(Math.cos(Double.parseDouble(rows.group(3)) - ours.angle()))
                    .isGreaterThan(0.9995);
            compared++;
        }
        assertThat(compared).isGreaterThan(50);
    }

    private void agrees(Chassis set, Setting setting) throws Exception {
        Operating solved = new Engine().solve(set, setting);
        Cycle ours = solved.supplies().values().iterator().next();
        String out = run(Decks.overTime(set, setting));
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
