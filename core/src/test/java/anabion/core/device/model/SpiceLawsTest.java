package anabion.core.device.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.SemiconductorKind;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a deck says about a device is what our own law says. */
class SpiceLawsTest {
    private static final List<String> NODES = List.of("n1", "n2", "n3", "n4", "n5");

    /** Above this our junctions go on as tangents, in amperes; no set gets there. */
    private static final double SENSIBLE = 0.5;

    record Case(String name, DeviceModel law) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Case> laws() {
        List<Case> laws = new ArrayList<>();
        for (DeviceType t : DeviceLibrary.standard().all()) {
            for (Section s : t.sections()) {
                if (s.kind().rectifies() || s.kind() == Section.Kind.BARRETTER)
                    continue; // a deck's wire does not warm up
                laws.add(new Case(t.name() + " " + s.name(), Fit.law(s)));
            }
            t.semiconductor()
                    .filter(s -> s.kind() != SemiconductorKind.RECTIFIER)
                    .ifPresent(s -> laws.add(new Case(t.name(), Fit.law(s))));
        }
        return laws.stream();
    }

    private static double[] volts(DeviceModel law, Random r) {
        double[] v = new double[law.terminals()];
        boolean junction = law instanceof BipolarLaw || law instanceof JunctionLaw;
        for (int t = 0; t < v.length; t++) v[t] = junction ? 0.3 * r.nextGaussian() : 3 * r.nextGaussian();
        if (law instanceof TriodeLaw) v[1] = 250 * r.nextDouble();
        if (law instanceof PentodeLaw || law instanceof HeptodeLaw) {
            v[1] = 250 * r.nextDouble();
            v[law.terminals() - 2] = 250 * r.nextDouble();
        }
        if (law instanceof BipolarLaw b) {
            v[1] = (b.pnp() ? -9 : 9) * r.nextDouble();
            v[2] = 0;
        }
        return v;
    }

    /** The currents into each node by the deck's lines {@code B… from to I=…}. */
    private static Map<String, Double> currents(List<String> lines, Map<String, Double> volts) {
        Map<String, Double> into = new HashMap<>();
        for (String line : lines) {
            String[] words = line.split(" ", 4);
            if (!words[3].startsWith("I=")) continue;
            double i = Expression.value(words[3].substring(2), volts, Map.of());
            into.merge(words[1], i, Double::sum);
            into.merge(words[2], -i, Double::sum);
        }
        return into;
    }

    /** With the node behind a resistor of the deck, if it has one, where its currents balance. */
    private static Map<String, Double> settled(List<String> lines, Map<String, Double> volts) {
        Optional<String[]> resistor = lines.stream()
                .filter(l -> l.startsWith("R"))
                .map(l -> l.split(" "))
                .findFirst();
        if (resistor.isEmpty()) return currents(lines, volts);
        String outer = resistor.get()[1];
        String inner = resistor.get()[2];
        double ohms = Double.parseDouble(resistor.get()[3]);
        List<String> law = lines.stream().filter(l -> l.startsWith("B")).toList();
        double low = volts.get(outer) - 5;
        double high = volts.get(outer) + 5;
        Map<String, Double> all = new HashMap<>(volts);
        for (int n = 0; n < 55; n++) {
            all.put(inner, (low + high) / 2);
            double through = (volts.get(outer) - all.get(inner)) / ohms;
            if (through > currents(law, all).get(inner)) low = all.get(inner);
            else high = all.get(inner);
        }
        Map<String, Double> into = currents(law, all);
        into.put(outer, into.get(inner));
        return into;
    }

    @ParameterizedTest
    @MethodSource("laws")
    void theDeckGivesTheSameCurrents(Case c) {
        DeviceModel law = c.law();
        Random random = new Random(5);
        // a transistor's inner node is searched for every time
        int rounds = law instanceof BipolarLaw ? 6 : 25;
        for (int n = 0; n < rounds; n++) {
            double[] v = volts(law, random);
            double[] ours = new double[v.length];
            law.currents(v, ours);
            if (Arrays.stream(ours).anyMatch(i -> Math.abs(i) > SENSIBLE)) continue;
            Map<String, Double> nodes = new HashMap<>();
            for (int t = 0; t < v.length; t++) nodes.put(NODES.get(t), v[t]);
            Map<String, Double> theirs = settled(law.deck("X", NODES.subList(0, v.length)), nodes);
            for (int t = 0; t < v.length; t++)
                assertThat(theirs.getOrDefault(NODES.get(t), 0.0))
                        .as(c.name() + " terminal " + t)
                        .isCloseTo(ours[t], within(1e-6 * Math.abs(ours[t]) + 1e-11));
        }
    }

    /** Every phase hangs on shifted nodes of its own and gives a sixteenth of its currents back. */
    @Test
    void anOscillatingConverterIsTheMeanOfItsPhases() {
        Section s =
                DeviceLibrary.standard().find("6BE6").orElseThrow().sections().get(0);
        DeviceModel law = Driven.oscillating(Fit.law(s), 0, Fit.driveShare(s), 1, 4);
        double[] v = {-9.5, 100, -1, 220, 0};
        double[] ours = new double[5];
        law.currents(v, ours);
        Map<String, Double> nodes = new HashMap<>();
        for (int t = 0; t < 5; t++) nodes.put(NODES.get(t), v[t]);
        List<String> lines = law.deck("X", NODES);
        for (String line : lines) {
            String[] words = line.split(" ", 4);
            if (words[3].startsWith("V="))
                nodes.put(words[1], Expression.value(words[3].substring(2), nodes, Map.of()));
        }
        List<String> phases = lines.stream().filter(l -> !l.contains("I=-I(")).toList();
        Map<String, Double> drawn = currents(phases, nodes);
        double[] mean = new double[5];
        int shares = 0;
        for (String line : lines) {
            String[] words = line.split(" ", 4);
            if (!words[3].startsWith("I=-I(")) continue;
            String source = words[3].substring(5, words[3].indexOf(')'));
            double current = -drawn.getOrDefault(source.substring(1, source.length() - 1), 0.0);
            mean[NODES.indexOf(words[1])] += Expression.value(words[3].substring(2), nodes, Map.of(source, current));
            shares++;
        }
        assertThat(shares).isEqualTo(5 * 16);
        for (int t = 0; t < 5; t++) assertThat(mean[t]).isCloseTo(ours[t], within(1e-5 * Math.abs(ours[t]) + 1e-10));
    }

    @Test
    void aColdTubeLeavesNoTraceInADeckAndCarriesNothing() {
        DeviceModel cold = new ColdLaw(4);
        double[] i = {1, 1, 1, 1};
        cold.currents(new double[] {0, 100, 200, 0}, i);
        assertThat(i).containsOnly(0);
        assertThat(cold.deck("X", NODES.subList(0, 4))).isEmpty();
    }
}
