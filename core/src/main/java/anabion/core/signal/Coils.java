package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.circuit.Reactances;
import anabion.core.circuit.SmallSignal;
import anabion.core.error.InputException;
import anabion.core.numeric.Phasor;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.PassiveStamps;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What the windings of a chassis are to alternating currents, with usual values for what no sheet tells: an IF coil has a quality of
 * {@link #QUALITY} and, where two tuned ones share a can, nine tenths of critical coupling; an output transformer's primary has its
 * load's ohms at {@link #CORNER} Hz. (Usual designs of the time, from textbooks.) Coils of the IF are taken as aligned, but for what the trims of their
 * cores say.
 */
final class Coils {
    static final double QUALITY = 100;
    private static final double CORNER = 80;
    private static final double IRON = 0.998;
    /** Coupling of an untuned link, and quality of the coil it is on: the small cans of transistor sets, from catalogues of their time. */
    private static final double LINK = 0.7;

    private static final double LINKED_QUALITY = 70;
    private static final double AERIAL = 0.3;
    private static final double LOOSE = 0.5;
    /** Share of the tuned winding's inductance below which another on an aerial's coil couples it to what follows. */
    private static final double LINKS = 0.3;
    /** A capacitor from this on is a short at radio frequency. */
    private static final double BYPASS = 2e-9;
    /** Henries of a coil of which nothing is known but its copper. */
    private static final double WIRE = 1e-9;
    /** Coupling of shorted turns to the others of an air coil; on iron all turns share one field. */
    private static final double TURNS = 0.7;
    /** By which share a core that was turned without need changes the inductance, where a fault does not say. */
    private static final double MISTUNED = 0.1;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final Optional<Double> intermediate;
    private final IdentityHashMap<Winding, Double> henries = new IdentityHashMap<>();
    private final IdentityHashMap<Winding, Double> across = new IdentityHashMap<>();
    private final IdentityHashMap<Part, Optional<Double>> own = new IdentityHashMap<>();

    Coils(Chassis chassis, Setting setting, Faults faults, Optional<Double> intermediate) {
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
        this.intermediate = intermediate;
    }

    /** A winding between its nets. */
    private record Coil(Part part, int index, Winding winding, String from, String to) {
        boolean iron() {
            return part.role().filter(PartRole::hasIron).isPresent();
        }

        boolean ofIf() {
            return part.is(PartRole.IF_TRANSFORMER);
        }

        boolean aerial() {
            return part.role().filter(PartRole::isOfAerial).isPresent();
        }
    }

    /** Whether the coils of a part are put in here: all but those of a mains transformer. */
    static boolean covers(Part p) {
        return p.component() instanceof Component.Windings w
                && w.windings().stream().noneMatch(x -> x.volts() > 0);
    }

    void into(Reactances network) {
        for (Part p : chassis.parts()) {
            if (!covers(p)) continue;
            List<Coil> own = coils(p);
            if (own.isEmpty() || !own.get(0).aerial()) put(own, network);
        }
        put(aerial(), network);
    }

    private List<Coil> aerial() {
        return chassis.parts().stream()
                .filter(Coils::covers)
                .map(this::coils)
                .filter(own -> !own.isEmpty() && own.get(0).aerial())
                .flatMap(List::stream)
                .toList();
    }

    /** What a field drives through a winding: amperes that go in at one net and out at the other, as if its volts stood behind its own impedance. */
    record Induced(String from, String to, Phasor amperes) {}

    /**
     * What a field does to the windings of loops, frames and rods: one volt in the largest, in others by their turns.
     *
     * @param hears the parts that lie in the field
     * @return empty where no inductance is known
     */
    List<Induced> induced(double hertz, Predicate<Part> hears) {
        List<Coil> known = aerial().stream().filter(c -> henries(c) > 0).toList();
        // against the largest of the sound set, whichever is open now
        double most = chassis.parts().stream()
                .filter(hears)
                .flatMap(p -> ((Component.Windings) p.component()).windings().stream())
                .mapToDouble(Winding::henries)
                .max()
                .orElse(0);
        if (most == 0 || known.isEmpty()) return List.of();
        Group group = group(known);
        int n = known.size();
        double[] x = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) x[i] = hears.test(known.get(i).part()) ? Math.sqrt(group.henries[i][i] / most) : 0;
        SmallSignal.impedances(group.ohms, group.loss, group.henries, 2 * Math.PI * hertz)
                .solve(x, y);
        List<Induced> all = new ArrayList<>();
        for (int i = 0; i < n; i++)
            all.add(new Induced(known.get(i).from(), known.get(i).to(), new Phasor(x[i], y[i])));
        return all;
    }

    private List<Coil> coils(Part p) {
        List<Winding> all = ((Component.Windings) p.component()).windings();
        List<Coil> found = new ArrayList<>();
        for (int n = 0; n < all.size(); n++) {
            Winding w = all.get(n);
            boolean open = faults.is(p.reference() + "." + w.name(), FaultMode.OPEN)
                    || (n == 0 && faults.is(p.reference(), FaultMode.OPEN));
            if (!open) found.add(new Coil(p, n, w, faults.net(p, w.from()), faults.net(p, w.to())));
        }
        return found;
    }

    private void put(List<Coil> group, Reactances network) {
        List<Coil> known = group.stream().filter(c -> henries(c) > 0).toList();
        for (Coil c : group)
            if (henries(c) <= 0)
                network.coils(
                        List.<String[]>of(new String[] {c.from(), c.to()}),
                        new double[] {Math.max(0.01, c.winding().ohms())},
                        new double[] {0},
                        new double[][] {{WIRE}});
        if (known.isEmpty()) return;
        for (Coil c : known)
            if (tuned(c) && across(c) == 0) network.capacitor(c.from(), c.to(), resonant(c, aligned(c)), 0);
        for (Coil c : known)
            if (c.iron())
                shorted(c)
                        .ifPresent(s ->
                                // the shorted turns' copper lies across all of them, by the square of the turns
                                network.capacitor(
                                        c.from(),
                                        c.to(),
                                        0,
                                        s / Math.max(1, c.winding().ohms())));
        Group all = group(known);
        network.coils(
                known.stream().map(c -> new String[] {c.from(), c.to()}).toList(), all.ohms, all.loss, all.henries);
    }

    /** Ohms, losses and inductances of coils on one core. */
    private static final class Group {
        private final double[] ohms;
        private final double[] loss;
        private final double[][] henries;

        private Group(double[] ohms, double[] loss, double[][] henries) {
            this.ohms = ohms;
            this.loss = loss;
            this.henries = henries;
        }
    }

    /** Coils on one core, whose inductances are known. */
    private Group group(List<Coil> known) {
        int n = known.size();
        double[] ohms = new double[n];
        double[] loss = new double[n];
        double[][] henries = new double[n][n];
        boolean linked = linked(known);
        for (int i = 0; i < n; i++) {
            Coil c = known.get(i);
            ohms[i] = Math.max(1e-3, c.winding().ohms());
            loss[i] = c.iron() ? 0 : 1 / (linked ? LINKED_QUALITY : QUALITY);
            // in what is left of an air coil the shorted turns' copper is seen by the square of their coupling
            if (!c.iron())
                ohms[i] += TURNS
                        * TURNS
                        * shorted(c)
                                .map(s -> Math.max(1e-3, c.winding().ohms()) / s)
                                .orElse(0.0);
            for (int j = 0; j < n; j++)
                henries[i][j] = i == j
                        ? henries(c)
                        : coupling(known, linked, c, known.get(j)) * Math.sqrt(henries(c) * henries(known.get(j)));
        }
        return new Group(ohms, loss, henries);
    }

    private static double coupling(List<Coil> group, boolean linked, Coil a, Coil b) {
        if (a.iron()) return IRON;
        if (a.ofIf()) return linked ? LINK : 0.9 / QUALITY;
        if (a.aerial() && a.part().equals(b.part()) && group.size() == 2) return LOOSE;
        if (a.aerial()) return links(a) != links(b) ? AERIAL : 0;
        return LOOSE;
    }

    /** Whether a can has but one tuned coil. */
    private boolean linked(List<Coil> group) {
        return group.stream().allMatch(Coil::ofIf)
                && group.stream().filter(this::tuned).count() <= 1;
    }

    private static boolean links(Coil c) {
        double largest = ((Component.Windings) c.part().component())
                .windings().stream().mapToDouble(Winding::henries).max().orElse(0);
        return c.part().is(PartRole.AERIAL_COUPLING_COIL) || c.winding().henries() < LINKS * largest;
    }

    private double henries(Coil c) {
        return henries.computeIfAbsent(c.winding(), w -> computed(c));
    }

    private double computed(Coil c) {
        double sound = aligned(c) * setting.trim(Setting.core(c.part().reference(), c.winding()));
        double shorted = shorted(c).orElse(0.0);
        double left = (1 - shorted) * (1 - shorted) * (shorted > 0 && !c.iron() ? 1 - TURNS * TURNS : 1);
        return sound
                * left
                * (1 + fault(c, FaultMode.MISTUNED).map(f -> mistuned(f, c)).orElse(0.0));
    }

    /** The share of its inductance by which a core stands off: stated, or as the farads or henries that do the same. */
    private double mistuned(Fault f, Coil c) {
        if (f.amount().isEmpty() || f.plain()) return share(f, MISTUNED);
        Quantity off = f.size();
        double whole = off.unit() == Unit.HENRY ? aligned(c) : across(c);
        if (off.value() >= whole && whole > 0)
            throw InputException.at(f.text())
                    .because("that is as much as the whole circuit has")
                    .so("write less than " + Figures.si(new Quantity(whole, off.unit())));
        if (whole > 0) return off.value() / whole;
        throw InputException.at(f.text())
                .because(
                        off.unit() == Unit.HENRY
                                ? "the inductance of this winding is not known"
                                : "no capacitor tunes this winding")
                .so("write a share, such as " + f.target() + ":mistuned:0.06");
    }

    /** The share of its turns that are shorted. */
    private Optional<Double> shorted(Coil c) {
        return fault(c, FaultMode.SHORT).map(f -> share(f, PassiveStamps.SHORTED));
    }

    /** A winding's own fault; one that names no winding is the first's. */
    private Optional<Fault> fault(Coil c, FaultMode mode) {
        return faults.find(c.part().reference() + "." + c.winding().name(), mode)
                .or(() -> c.index() == 0 ? faults.find(c.part().reference(), mode) : Optional.empty());
    }

    private static double share(Fault f, double usual) {
        return f.amount().isEmpty() ? usual : Double.parseDouble(f.amount());
    }

    private double aligned(Coil c) {
        if (tuned(c) && across(c) > 0) return resonant(c, across(c));
        if (c.winding().henries() > 0) return c.winding().henries();
        if (!c.part().is(PartRole.OUTPUT_TRANSFORMER)) return 0;
        return load(c, 0)
                .map(primary -> load(c, c.index()).orElse(0.0) / (2 * Math.PI * CORNER))
                .orElse(0.0);
    }

    /** The ohms that an output transformer's winding is meant for: the second of {@code 3k5:3} at its secondary. */
    private static Optional<Double> load(Coil c, int index) {
        String[] loads = c.part().printed().split(":");
        if (loads.length != 2 || index > 1) return Optional.empty();
        try {
            return Optional.of(Notation.exact(loads[index].strip(), Unit.OHM));
        } catch (InputException e) {
            return Optional.empty(); // printed is what stood on the part: it need not be a ratio
        }
    }

    /** What resonates with an inductance, or a capacitance, at the frequency of a coil. */
    private double resonant(Coil c, double other) {
        double w = 2 * Math.PI * own(c).orElseThrow();
        return 1 / (w * w * other);
    }

    /** The frequency printed on its can, else the set's; of an FM coil the middle of the band. */
    private Optional<Double> own(Coil c) {
        if (c.part().is(PartRole.FM_RF_COIL)) return Optional.of(Frequencies.FM);
        if (!c.ofIf()) return Optional.empty();
        return own.computeIfAbsent(c.part(), p -> Frequencies.printed(p).or(() -> intermediate));
    }

    /** Tuned to the intermediate frequency: a coil of an IF can with a capacitor, or one as large as its neighbour. */
    private boolean tuned(Coil c) {
        if (own(c).isEmpty()) return false;
        if (across(c) > 0) return true;
        double largest = ((Component.Windings) c.part().component())
                .windings().stream().mapToDouble(Winding::henries).max().orElse(0);
        return c.winding().henries() > 0.4 * largest;
    }

    private double across(Coil c) {
        return across.computeIfAbsent(c.winding(), w -> tuning(c));
    }

    private double tuning(Coil c) {
        String from = c.part().nets().getOrDefault(c.winding().from(), "");
        String to = c.part().nets().getOrDefault(c.winding().to(), "");
        double sum = 0;
        for (Part p : chassis.partsOn(from))
            if (p.component() instanceof Capacitor k
                    && k.farads().size() == 1
                    && k.farads().get(0) < BYPASS
                    && (joins(p, from, to) || joins(p, to, from)))
                sum += k.farads().get(0);
        return sum;
    }

    private static boolean joins(Part p, String one, String two) {
        return p.nets().getOrDefault("1", "").equals(one)
                && p.nets().getOrDefault("2", "").equals(two);
    }
}
