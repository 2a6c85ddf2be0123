package anabion.core.coldcheck;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Winding;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.quantity.Figures;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The ohms worth taking on a set, each with the circuit's prediction, and what the readings say. */
public final class ColdTable {
    /** Open-probe volts of a usual ohmmeter. */
    private static final double TEST = 1.5;
    /** Copper, and probes: tolerance of a winding. */
    private static final double COPPER = 0.25;

    private static final double PARTS = 0.2;
    /** Of a resistor, whatever is printed on it. */
    private static final double LEAST_TOLERANCE = 0.05;
    /** Below this share of the least that is sound, it is a short and no spread. */
    private static final double SHORT = 0.2;

    /** What a usual ohmmeter shows at most: insulation that a circuit computes beyond it is asked of no set. */
    private static final double OPEN = 2e7;

    private static final double RAIL = 2e-6;
    private static final double PROBES = 0.3;
    /** Where the two ways round differ by more than this factor, a junction beside the resistor conducts one way. */
    private static final double ONE_WAY = 1.2;

    private final Chassis chassis;
    private final List<Reading> readings;
    private final Job job;
    private final boolean untaken;
    private final String reference;
    private final List<String> off;
    private final Map<List<String>, List<ColdSet>> sets = new HashMap<>();
    private final Set<Set<String>> listed = new HashSet<>();
    private final List<ColdRow> rows = new ArrayList<>();

    /** @param untaken whether rows without a reading are wanted too */
    private ColdTable(Chassis chassis, List<Reading> readings, Job job, boolean untaken) {
        this.untaken = untaken;
        this.chassis = chassis;
        this.readings = readings;
        this.job = job;
        this.reference = chassis.reference();
        this.off = job.fitted().openEnds().stream().map(Alteration::part).toList();
    }

    /** With some parts off: electrolytics in usual state, that have lain, and new-formed. */
    private List<ColdSet> sets(List<String> parts) {
        return sets.computeIfAbsent(parts, p -> {
            Setting cold = Setting.of(chassis.supply().volts()).withFaults(CircuitPredictor.open(chassis, p));
            ColdSet usual = ColdSet.of(chassis, cold);
            return List.of(
                    usual,
                    ColdSet.of(chassis, cold, ColdOhms.WORN, Optional.of(usual)),
                    ColdSet.of(chassis, cold, ColdOhms.FORMED, Optional.of(usual)));
        });
    }

    /** All rows, in the order of the work; none for a set without parts. */
    public static List<ColdRow> of(Chassis chassis, List<Reading> readings, Job job) {
        return of(chassis, readings, job, true);
    }

    /** The rows that were read: their prediction is all that is computed. */
    public static List<ColdRow> taken(Chassis chassis, List<Reading> readings, Job job) {
        boolean any = readings.stream().anyMatch(r -> r.measure() == Measure.OHMS);
        return any ? of(chassis, readings, job, false) : List.of();
    }

    private static List<ColdRow> of(Chassis chassis, List<Reading> readings, Job job, boolean untaken) {
        if (chassis.parts().isEmpty()) return List.of();
        ColdTable sheet = new ColdTable(chassis, readings, job, untaken);
        sheet.mains();
        sheet.rails();
        sheet.heaters();
        sheet.windings();
        sheet.resistors();
        sheet.pins();
        sheet.others();
        return List.copyOf(sheet.rows);
    }

    private void mains() {
        List<String> nets = Simulator.nets(chassis);
        if (nets.contains("MAINS-L") && nets.contains("MAINS-N"))
            add(ColdRow.Group.MAINS, "", "MAINS-L", "MAINS-N", Phrase.of("cold.plug"), COPPER, 0);
        for (String line : List.of("MAINS-L", "MAINS-N"))
            if (nets.contains(line) && !line.equals(reference))
                add(ColdRow.Group.MAINS, "", line, reference, Phrase.of("cold.to-chassis"), PARTS, 0);
    }

    private void rails() {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Capacitor c && c.is(Dielectric.ELECTROLYTIC))
                for (int n = 0; n < c.farads().size(); n++) {
                    String plus = p.nets().getOrDefault(String.valueOf(n + 1), "");
                    String minus =
                            p.nets().getOrDefault(String.valueOf(c.farads().size() + 1), "");
                    if (c.farads().get(n) >= RAIL && !plus.isEmpty() && !minus.isEmpty())
                        add(
                                ColdRow.Group.RAILS,
                                p.reference(),
                                plus,
                                minus,
                                Phrase.of("cold.rail", p.reference()),
                                PARTS,
                                0);
                }
    }

    private void heaters() {
        for (Part p : chassis.parts()) {
            if (p.device().isEmpty()) continue;
            List<String> ends = new ArrayList<>();
            p.device().get().functions().forEach((pin, function) -> {
                if (PinNames.isHeater(function) && p.nets().containsKey(pin))
                    ends.add(p.nets().get(pin));
            });
            if (ends.size() >= 2)
                add(
                        ColdRow.Group.HEATERS,
                        p.reference(),
                        ends.get(0),
                        ends.get(ends.size() - 1),
                        Phrase.of("cold.heater", p.reference()),
                        0.4,
                        0);
        }
    }

    private void windings() {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w)
                for (Winding x : w.windings())
                    add(
                            ColdRow.Group.WINDINGS,
                            p.reference(),
                            p.nets().getOrDefault(x.from(), ""),
                            p.nets().getOrDefault(x.to(), ""),
                            Phrase.of("cold.winding", p.reference(), x.name()),
                            COPPER,
                            0);
    }

    private void resistors() {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r && r.ohms() > 0)
                add(
                        ColdRow.Group.RESISTORS,
                        p.reference(),
                        p.nets().getOrDefault("1", ""),
                        p.nets().getOrDefault("2", ""),
                        Phrase.of(
                                "cold.resistor",
                                p.reference(),
                                Figures.si(anabion.core.quantity.Quantity.ohms(r.ohms()))),
                        Math.max(LEAST_TOLERANCE, r.tolerance()),
                        most(r));
    }

    /** Ohms that a resistor may have at most: reading more across it proves that it has risen, whatever lies in parallel. */
    public static double most(Component.Resistor r) {
        return r.ohms() * (1 + Math.max(LEAST_TOLERANCE, r.tolerance()));
    }

    private void pins() {
        for (Part p : chassis.parts()) {
            if (p.device().isEmpty()) continue;
            p.nets().forEach((pin, net) -> {
                String function = p.device().get().functions().getOrDefault(pin, "");
                if (!PinNames.isHeater(function) && !PinNames.isUnused(function))
                    add(
                            ColdRow.Group.PINS,
                            p.reference(),
                            net,
                            reference,
                            Phrase.of("cold.pin", p.reference() + "." + pin),
                            PARTS,
                            0);
            });
        }
    }

    /** What somebody read between two other nets. */
    private void others() {
        List<String> nets = Simulator.nets(chassis);
        for (Reading r : readings)
            if (r.measure() == Measure.OHMS && nets.contains(r.point()) && nets.contains(r.reference()))
                add(ColdRow.Group.PINS, "", r.point(), r.reference(), Phrase.of("cold.other"), PARTS, 0);
    }

    /** @param proof ohms above which the part itself has risen, whatever lies in parallel; 0 for none */
    private void add(
            ColdRow.Group group, String part, String a, String b, Phrase what, double tolerance, double proof) {
        if (a.isEmpty() || b.isEmpty() || a.equals(b) || !listed.add(Set.of(a, b))) return;
        String net = a.equals(reference) ? b : a;
        String against = a.equals(reference) ? a : b;
        if (!untaken && latest(net, against, false).isEmpty()) return;
        ColdSet usual = sets(off).get(0);
        double one = usual.between(net, against, TEST);
        double other = usual.between(net, against, -TEST);
        boolean bothWays = group == ColdRow.Group.RESISTORS && Math.max(one, other) > ONE_WAY * Math.min(one, other);
        if (!bothWays) row(group, part, net, against, what, tolerance, proof, latest(net, against, false), TEST, -TEST);
        else {
            row(group, part, net, against, what, tolerance, proof, latest(net, against, true), TEST);
            Phrase turned = Phrase.of("cold.turned", what);
            row(group, part, against, net, turned, tolerance, proof, latest(against, net, true), TEST);
        }
    }

    /** @param tests open-probe volts with the meter's positive lead on the first net, and below zero with its leads exchanged */
    private void row(
            ColdRow.Group group,
            String part,
            String net,
            String against,
            Phrase what,
            double tolerance,
            double proof,
            Optional<Reading> reading,
            double... tests) {
        if (reading.isEmpty() && !untaken) return;
        // a reading is held against the set as it was then
        List<ColdSet> then = sets(reading.map(r -> r.condition().openEnds()).orElse(off));
        double now = then.get(0).between(net, against, tests[0]);
        double least = now;
        double most = now;
        for (ColdSet set : then)
            for (double test : tests) {
                double ohms = set.between(net, against, test);
                least = Math.min(least, ohms);
                most = Math.max(most, ohms);
            }
        ColdRow row = new ColdRow(
                group,
                part,
                net,
                against,
                what,
                now,
                Math.min(least / (1 + tolerance) - PROBES, group == ColdRow.Group.MAINS ? Isolation.PASSED : OPEN),
                most * (1 + tolerance) + PROBES,
                reading,
                Standing.NOT_TAKEN,
                Phrase.of("verdict.not-taken"));
        rows.add(reading.isEmpty() ? row : judged(row, proof));
    }

    /**
     * The newest between the two nets that was taken since the last part between was exchanged.
     *
     * @param oneWay whether the meter's positive lead must have been on the first
     */
    private Optional<Reading> latest(String a, String b, boolean oneWay) {
        Optional<Reading> found = Optional.empty();
        for (Reading r : readings) {
            boolean same = r.measure() == Measure.OHMS
                    && ((r.point().equals(a) && r.reference().equals(b))
                            || (!oneWay && r.point().equals(b) && r.reference().equals(a)));
            boolean renewed = FittedState.since(r.state(), job.alterations()).stream()
                    .anyMatch(x -> x.kind().exchanges()
                            && (x.kind() == AlterationKind.CAME_BACK
                                    || chassis.part(x.owner())
                                            .filter(p -> p.touches(a) || p.touches(b))
                                            .isPresent()));
            if (same
                    && !renewed
                    && (found.isEmpty() || r.at().isAfter(found.get().at()))) found = Optional.of(r);
        }
        return found;
    }

    private static ColdRow judged(ColdRow row, double proof) {
        Reading r = row.reading().orElseThrow();
        double read = r.value();
        if (r.doubtful()) return with(row, Standing.DOUBTFUL, Phrase.of("verdict.doubtful"));
        if (read < row.low()) {
            boolean stops = row.group() == ColdRow.Group.RAILS && read < SHORT * Math.max(row.low(), 1);
            if (stops) return with(row, Standing.OUT, Phrase.of("cold.rail-short"));
            boolean far = read < SHORT * row.low();
            return with(row, far ? Standing.OUT : Standing.DRIFTING, Phrase.of(far ? "cold.short" : "cold.low"));
        }
        if (proof > 0 && read > proof)
            return with(
                    row,
                    Standing.OUT,
                    read > OPEN ? Phrase.of("cold.open", row.part()) : Phrase.of("cold.risen", row.part()));
        if (read > row.high()) {
            boolean far = read > row.high() / SHORT;
            return with(row, far ? Standing.OUT : Standing.DRIFTING, Phrase.of(far ? "cold.high" : "cold.rather-high"));
        }
        return with(row, Standing.WITHIN, Phrase.of("verdict.within"));
    }

    private static ColdRow with(ColdRow r, Standing standing, Phrase verdict) {
        return new ColdRow(
                r.group(),
                r.part(),
                r.net(),
                r.against(),
                r.what(),
                r.usual(),
                r.low(),
                r.high(),
                r.reading(),
                standing,
                verdict);
    }
}
