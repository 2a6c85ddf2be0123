package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.IndependentSolver;
import anabion.core.testing.SharedSets;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An independent solver, given the coils and capacitors of a set without its tubes, finds the oscillator's circuit in tune where the front end has it. */
class TankNetlistTest {
    /** Share of a frequency within which both must agree. */
    private static final double EXACT = 5e-4;

    @ParameterizedTest
    @CsvSource({
        "halcyon,AM,0.05",
        "halcyon,AM,0.5",
        "halcyon,AM,0.95",
        "brae,MW,0.05",
        "brae,MW,0.95",
        "rover,MW,0.5",
        "trunk-road,MW,0.5"
    })
    void theOscillatorIsInTuneWhereTheSolverHasIt(String name, String bandName, double place) throws Exception {
        Chassis set = SharedSets.named(name);
        Band band = set.band(bandName).orElseThrow();
        Setting plain = Setting.of(set.supply().volts()).withBand(bandName);
        FrontEnd f = FrontEnd.of(new Simulator(), set, plain, band).orElseThrow();
        Circuit c = f.circuits().get(0);
        Winding winding = ((Windings) c.coil().component())
                .windings().stream()
                        .filter(w -> w.name().equals(c.winding()))
                        .findFirst()
                        .orElseThrow();
        Map<String, Double> trims = new HashMap<>();
        trims.put(Setting.core(c.coil().reference(), winding), c.inferredCore());
        c.trimmer().ifPresent(t -> trims.put(t.reference(), 0.5));
        double hertz = f.range().at(place) + f.intermediate();
        double gang = f.share(f.range().at(place)) * section(set, c.net());
        String hot = c.coil().nets().get(winding.from());
        String deck = deck(
                SmallSignalNetlist.of(set, plain.withTrims(trims), band, Domain.IF, c.net()),
                c.net(),
                gang,
                hot,
                c.inferredStray(),
                hertz);
        Matcher rows = Pattern.compile("(?m)^\\d+\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*$")
                .matcher(IndependentSolver.answer(String.format(Locale.ROOT, "tank-%s-%.0f", name, 100 * place), deck));
        // in tune is where nothing of the impedance is reactive: below it the phase is positive, above negative
        double best = 0;
        double before = Double.NaN;
        double at = Double.NaN;
        while (rows.find()) {
            double phase = Double.parseDouble(rows.group(3));
            double now = Double.parseDouble(rows.group(1));
            if (before > 0 && phase <= 0) best = at + (now - at) * before / (before - phase);
            before = phase;
            at = now;
        }
        assertThat(best).isCloseTo(hertz, within(EXACT * hertz));
    }

    private static double section(Chassis set, String net) {
        return set.parts().stream()
                .filter(p -> p.is(PartRole.TUNING_GANG))
                .flatMap(p -> p.nets().entrySet().stream()
                        .filter(e -> e.getValue().equals(net))
                        .map(e -> ((Capacitor) p.component()).farads().get(Integer.parseInt(e.getKey()) - 1)))
                .findFirst()
                .orElseThrow();
    }

    /** Coils, capacitors, resistors and what feeds them stay; tubes and the generator go, the gang's section and the wiring come in. */
    private static String deck(String whole, String net, double gang, String hot, double stray, double hertz) {
        Map<String, String> nodes = new HashMap<>();
        Matcher names = Pattern.compile("(?m)^\\* net (\\S+) = (\\S+)$").matcher(whole);
        while (names.find()) nodes.put(names.group(2), names.group(1));
        String kept = whole.lines()
                .filter(l -> l.matches("(?i)[RLCKV].*") && !l.matches("(?i)[RCV]gen .*"))
                .collect(Collectors.joining("\n"));
        String ties = nodes.values().stream()
                .filter(n -> !n.equals("0"))
                .sorted()
                .map(n -> "Rtie" + n + " " + n + " 0 1e12")
                .collect(Collectors.joining("\n"));
        return String.join(
                "\n",
                "* oscillator without its tube",
                kept,
                ties,
                String.format(Locale.ROOT, "Cgang %s 0 %.9e", nodes.get(net), gang),
                String.format(Locale.ROOT, "Cstray %s 0 %.9e", nodes.get(hot), stray),
                "Igen 0 " + nodes.get(net) + " AC 1",
                String.format(Locale.ROOT, ".ac lin 401 %.3f %.3f", hertz * 0.98, hertz * 1.02),
                String.format(".print ac vm(%s) vp(%s)", nodes.get(net), nodes.get(net)),
                ".end",
                "");
    }
}
