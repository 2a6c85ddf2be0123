package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What must hold of every plan, on the demo sets with their capacitors, ratings and line scattered at random. Everything is recomputed here by
 * solving the set; nothing is taken from the plan's own figures.
 */
class PlanLawsTest {
    private static final List<String> SETS =
            List.of("halcyon", "brae", "rover", "lark", "trunk-road", "concerto", "true/moor");

    private record Case(String name, Chassis set, Policy policy, Plan plan) {
        @Override
        public String toString() {
            return name + " " + policy.text();
        }
    }

    /** Planned once: every law is held against the same plans. */
    private static final List<Case> CASES = planned();

    static Stream<Case> cases() {
        return CASES.stream();
    }

    private static List<Case> planned() {
        List<Case> all = new ArrayList<>();
        for (String name : SETS)
            for (int seed = 1; seed <= 4; seed++) {
                Random random = new Random(31L * seed + name.hashCode());
                Chassis set = scattered(SharedSets.named(name), random);
                Policy policy = policy(random);
                all.add(new Case(name + " " + seed, set, policy, Planner.plan(set, policy, Stock.NONE)));
            }
        return all;
    }

    private static Policy policy(Random r) {
        return new Policy(
                Policy.Scope.values()[r.nextInt(3)],
                Policy.Cans.values()[r.nextInt(3)],
                Policy.Rounding.values()[r.nextInt(2)],
                r.nextBoolean() ? 0.1 : 0.2);
    }

    /** Every paper and electrolytic with another value and rating, some the wrong way round; another line. */
    private static Chassis scattered(Chassis set, Random r) {
        List<Part> parts = new ArrayList<>();
        for (Part p : set.parts()) parts.add(p.component() instanceof Capacitor c ? scattered(p, c, r) : p);
        var s = set.supply();
        double line = s.volts() * (0.9 + 0.2 * r.nextDouble());
        return set.withParts(parts)
                .withSupply(new anabion.core.chassis.Supply(s.arrangement(), line, s.hertz(), s.note(), s.extra()));
    }

    private static Part scattered(Part p, Capacitor c, Random r) {
        if (c.farads().get(0) < 9e-10) return p;
        List<Double> farads = new ArrayList<>();
        for (double f : c.farads()) farads.add(f * (0.4 + 1.8 * r.nextDouble()));
        double rating = r.nextInt(4) == 0 ? 0 : c.volts() * (0.3 + r.nextDouble());
        Part changed = p.withComponent(new Capacitor(farads, rating, c.dielectric()));
        if (farads.size() > 1 || r.nextInt(8) > 0) return changed;
        var turned = new java.util.LinkedHashMap<String, String>();
        turned.put("1", p.nets().get("2"));
        turned.put("2", p.nets().get("1"));
        return changed.withReference(p.reference(), turned);
    }

    private static double volts(OperatingPoint o, CapacitorSection c) {
        return o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0);
    }

    private static OperatingPoint solve(Chassis set, double line, boolean cold) {
        Setting setting = Setting.of(line);
        if (cold) {
            List<Fault> dead = new ArrayList<>();
            for (Part p : set.parts()) {
                Optional<DeviceType> t = Sockets.type(p);
                if (t.filter(x -> x.heaterVolts() > 0
                                && x.sections().stream().noneMatch(s -> s.kind().rectifies()))
                        .isPresent()) dead.add(Fault.of(p.reference(), FaultMode.DEAD));
            }
            setting = setting.withFaults(dead);
        }
        return new Simulator().solve(set, setting);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void nothingNewIsBelowItsWorstVolts(Case k) {
        double line = k.set().supply().volts();
        List<OperatingPoint> worst = List.of(
                solve(k.set(), line, false), solve(k.set(), 1.1 * line, false), solve(k.set(), 1.1 * line, true));
        for (Item i : k.plan().items()) {
            if (i.choice().action() == Choice.Action.KEEP || i.choice().safety().isPresent()) continue;
            double most = worst.stream()
                    .mapToDouble(o -> Math.abs(volts(o, i.piece())))
                    .max()
                    .orElse(0);
            boolean warned = warned(i, "recap.warn.too-high");
            assertThat(i.choice().bears()).as("%s %s", k, i.key()).matches(b -> b >= most || warned);
            assertThat(i.choice().bears())
                    .as("%s as printed", i.key())
                    .matches(b -> b >= i.piece().rating() || warned);
        }
    }

    private static boolean warned(Item i, String key) {
        return i.choice().warnings().stream().map(Phrase::key).anyMatch(key::equals);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void noReservoirGoesAboveItsRectifiersDataOrPeakWithoutANamedWarning(Case k) {
        for (Item i : k.plan().items()) {
            if (i.role() != Role.RESERVOIR) continue;
            for (Part p : k.set().parts()) {
                Optional<DeviceType> t = Sockets.type(p);
                boolean feeds = t.filter(x -> x.sections().stream()
                                        .anyMatch(s -> s.kind().rectifies()))
                                .isPresent()
                        && p.touches(i.piece().plus());
                if (!feeds) continue;
                double most = t.get().limits().getOrDefault("reservoirMicrofarads", 1e9) * 1e-6;
                if (i.choice().effective() > most * 1.001)
                    assertThat(warned(i, "recap.warn.reservoir"))
                            .as("%s %s", k, i.key())
                            .isTrue();
                double peak = peak(k.set(), i);
                double limit = t.get().limits().getOrDefault("peakMilliamps", 1e9) / 1e3;
                if (peak > 1.02 * limit)
                    assertThat(warned(i, "recap.warn.peak"))
                            .as("%s %s peak", k, i.key())
                            .isTrue();
            }
        }
    }

    private static double peak(Chassis set, Item i) {
        List<Part> parts = new ArrayList<>(set.parts());
        Capacitor old = (Capacitor) i.piece().part().component();
        List<Double> farads = new ArrayList<>(old.farads());
        farads.set(i.piece().section() - 1, i.choice().effective());
        parts.set(
                parts.indexOf(i.piece().part()),
                i.piece().part().withComponent(new Capacitor(farads, old.volts(), old.dielectric())));
        OperatingPoint o = new Simulator()
                .solve(set.withParts(parts), Setting.of(1.1 * set.supply().volts()));
        return o.supplies().get(i.piece().plus()).peak();
    }

    /** The nets of the mains, found here by walking through fuses and switches from the plug. */
    private static Set<String> mains(Chassis set) {
        Set<String> found = new HashSet<>(Set.of("MAINS-L", "MAINS-N"));
        for (int round = 0; round < 6; round++)
            for (Part p : set.parts()) {
                if (p.component() instanceof Component.Fuse
                        && p.nets().values().stream().anyMatch(found::contains))
                    found.addAll(p.nets().values());
                if (p.component() instanceof Component.Switch s
                        && s.contacts().isEmpty()
                        && p.nets().values().stream().anyMatch(found::contains))
                    found.addAll(p.nets().values());
                if (p.component() instanceof Component.Switch s)
                    s.contacts().stream()
                            .filter(c -> c.at().contains("on") || c.at().contains("mains"))
                            .filter(c -> found.contains(p.nets().get(c.from()))
                                    || found.contains(p.nets().get(c.to())))
                            .forEach(c -> {
                                found.add(p.nets().get(c.from()));
                                found.add(p.nets().get(c.to()));
                            });
            }
        return found;
    }

    @ParameterizedTest
    @MethodSource("cases")
    void whatTouchesTheMainsHasAClassAndItsTouchCurrent(Case k) {
        if (!k.set().supply().arrangement().usesMains()) return;
        Set<String> mains = mains(k.set());
        String reference = k.set().reference();
        for (Item i : k.plan().items()) {
            boolean plug =
                    mains.contains(i.piece().plus()) && mains.contains(i.piece().minus());
            boolean one =
                    mains.contains(i.piece().plus()) != mains.contains(i.piece().minus());
            boolean toChassis = one && i.piece().on(reference) && !mains.contains(reference);
            if (!plug && !toChassis) continue;
            assertThat(i.choice().safety()).as("%s %s", k, i.key()).isPresent();
            var s = i.choice().safety().orElseThrow();
            assertThat(i.choice().action()).isEqualTo(Choice.Action.RENEW);
            if (plug) assertThat(s.klass()).isEqualTo(Choice.SafetyClass.X2);
            else {
                double amperes = 2
                        * Math.PI
                        * k.set().supply().hertz()
                        * k.set().supply().volts()
                        * i.choice().value();
                assertThat(s.amperes()).isCloseTo(amperes, org.assertj.core.api.Assertions.within(1e-9));
                assertThat(amperes).isLessThanOrEqualTo(0.5e-3);
                assertThat(s.klass()).isIn(Choice.SafetyClass.Y1, Choice.SafetyClass.Y2);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void whatStandsTheWrongWayRoundIsSaid(Case k) {
        OperatingPoint o = solve(k.set(), k.set().supply().volts(), false);
        for (Item i : k.plan().items()) {
            if (i.piece().dielectric() != Dielectric.ELECTROLYTIC || i.choice().kind() != Dielectric.ELECTROLYTIC)
                continue;
            double v = volts(o, i.piece());
            assertThat(warned(i, "recap.warn.reversed"))
                    .as("%s %s at %.2f V", k, i.key(), v)
                    .isEqualTo(v < -0.1);
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void everyPartToDoStandsInJustOneBatchAndNothingElseDoes(Case k) {
        List<String> keys =
                k.plan().batches().stream().flatMap(b -> b.keys().stream()).toList();
        assertThat(keys).as("%s", k).doesNotHaveDuplicates();
        List<String> wanted = new ArrayList<>();
        for (Item i : k.plan().items()) if (i.choice().action() != Choice.Action.KEEP) wanted.add(i.key());
        k.plan().resistors().stream()
                .filter(r -> r.action() != Choice.Action.KEEP)
                .forEach(r -> wanted.add(r.part().reference()));
        k.plan().swaps().forEach(s -> wanted.add(s.part().reference()));
        assertThat(keys).containsExactlyInAnyOrderElementsOf(wanted);
        assertThat(k.plan().items()).hasSameSizeAs(CapacitorSection.of(k.set()));
        assertThat(k.plan().renewed())
                .isEqualTo(k.plan().items().stream()
                        .filter(i -> i.choice().action() == Choice.Action.RENEW)
                        .count());
    }

    @ParameterizedTest
    @MethodSource("cases")
    void valuesKeepTheirRule(Case k) {
        for (Item i : k.plan().items()) {
            double ratio = i.choice().effective() / i.piece().farads();
            if (i.choice().safety().isPresent()) continue;
            if (i.choice().action() == Choice.Action.KEEP) {
                assertThat(ratio).isEqualTo(1);
                continue;
            }
            boolean limited = i.choice().rule().key().equals("recap.rule.limited")
                    || warned(i, "recap.warn.reservoir")
                    || warned(i, "recap.warn.reservoir-alone")
                    || i.choice().pair().isPresent();
            if (i.piece().dielectric() == Dielectric.ELECTROLYTIC && !limited) {
                double least = k.policy().rounding() == Policy.Rounding.NEAREST ? 0.8 : 0.999;
                assertThat(ratio).as("%s %s", k, i.key()).isBetween(least, 2.2);
            }
            if (i.piece().dielectric() == Dielectric.PAPER)
                assertThat(ratio).as("%s %s", k, i.key()).isBetween(0.8, 1.21);
        }
    }
}
