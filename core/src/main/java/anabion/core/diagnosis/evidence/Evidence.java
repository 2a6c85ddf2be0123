package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.chassis.TunedCircuit;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.Circumstance;
import anabion.core.job.Compared;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.PartTest;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerLog;
import anabion.core.job.RecapLog;
import anabion.core.job.Trial;
import anabion.core.json.Coded;
import anabion.core.power.SeriesLamp;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Tested;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * What is on record about a set as it is fitted now. Each reading stands for the state that it was taken in: parts that were off then are off in its
 * prediction, and a reading from before a part was renewed belongs to another set and is left out. So are doubtful ones, those under a signal, and all
 * but the newest of a kind.
 */
public final class Evidence {
    /** Drift of a resistor that is no fault. */
    private static final double BENIGN = 0.2;

    /** Of the nominal line, from which cathodes give nearly all of their emission. */
    private static final double FULLY_WARM = 0.85;
    /** Of the nominal line, from which a lamp tells watts: most of them are the heaters', and it tells them to a third. */
    private static final double NEARLY_WARM = 0.7;

    private static final MeterSpec METER = new MeterSpec.Fixed(10e6);

    private final Chassis chassis;
    private final Points points;
    private final Job job;
    private final Map<UUID, Boolean> outdated = new HashMap<>();

    private Evidence(Chassis chassis, Job job) {
        this.chassis = chassis;
        this.points = Points.of(chassis);
        this.job = job;
    }

    /** @param readings of the set, in any order */
    public static List<Observation> of(Chassis chassis, List<Reading> readings, Job job) {
        Evidence e = new Evidence(chassis, job);
        List<Observation> all = new ArrayList<>(e.measured(readings));
        boolean untouched = job.fitted().isAsItCame();
        if (untouched) all.addAll(e.complaints());
        if (untouched) all.addAll(e.circumstances());
        all.addAll(e.compared());
        all.addAll(HeardEvidence.of(chassis, job, e::outdated));
        all.addAll(e.tests());
        all.addAll(e.trials());
        all.addAll(e.powered());
        all.addAll(e.adjusted());
        all.addAll(StationEvidence.of(chassis, job.alignment(), e::outdated));
        return all;
    }

    /** The last word on each adjuster, as long as no part of its circuit was changed since. */
    private List<Observation> adjusted() {
        Map<String, Observation> last = new LinkedHashMap<>();
        for (AlignmentEntry a : job.alignment()) {
            List<String> letters = List.of(a.adjusters().split(" "));
            List<Adjuster> turned = chassis.adjusters().stream()
                    .filter(x -> letters.contains(x.letter()))
                    .toList();
            if (turned.isEmpty() || !tells(a.kind())) continue;
            Observation.Tested told = adjusted(chassis, turned, a.kind());
            Set<String> circuit = ((Adjust) told.measurement()).circuit();
            boolean changed = FittedState.since(a.state(), job.alterations()).stream()
                    .anyMatch(x -> x.kind().exchanges() && circuit.stream().anyMatch(x::concerns));
            turned.forEach(x -> last.remove(x.letter()));
            last.remove(a.adjusters());
            if (!changed) last.put(a.adjusters(), told);
        }
        return List.copyOf(last.values());
    }

    /** Whether it says that a circuit comes to its peak, or does not: a broken core, or a howl, says nothing of what tunes there. */
    public static boolean tells(AlignmentEntry.Kind kind) {
        return switch (kind) {
            case PEAK, NO_PEAK, NO_EFFECT, END, PEAKS_AT -> true;
            default -> false;
        };
    }

    /** @param kind one that {@link #tells} */
    public static Observation.Tested adjusted(Chassis chassis, List<Adjuster> turned, AlignmentEntry.Kind kind) {
        Set<String> circuit = turned.stream()
                .flatMap(a -> TunedCircuit.of(chassis, a).stream())
                .map(Part::reference)
                .collect(Collectors.toSet());
        String letters = turned.stream().map(Adjuster::letter).collect(Collectors.joining(" "));
        return new Observation.Tested(
                new Adjust(letters, circuit, kind == AlignmentEntry.Kind.NO_EFFECT), kind == AlignmentEntry.Kind.PEAK);
    }

    private List<Observation> measured(List<Reading> readings) {
        // a long history says the same again and again: of readings alike in all but value and time the newest counts
        Map<Alike, Reading> latest = new LinkedHashMap<>();
        readings.stream()
                .filter(this::counts)
                .sorted(Comparator.comparing(Reading::at))
                .forEach(
                        r -> latest.put(new Alike(r.point(), r.reference(), r.measure(), r.condition(), r.state()), r));
        Map<String, Observation> newest = new LinkedHashMap<>();
        latest.values().stream().sorted(Comparator.comparing(Reading::at)).forEach(r -> observation(r)
                .ifPresent(o -> newest.put(place(o, r), o)));
        return List.copyOf(newest.values());
    }

    private record Alike(String point, String reference, Measure measure, Condition condition, UUID state) {}

    private static String place(Observation o, Reading r) {
        return o.measurement().text() + r.condition().band() + r.condition().openEnds();
    }

    private boolean counts(Reading r) {
        boolean signal = r.condition().level().isPresent();
        return !r.doubtful() && !signal && !outdated(r.state());
    }

    private boolean outdated(UUID state) {
        return outdated.computeIfAbsent(state, s -> FittedState.since(s, job.alterations()).stream()
                .anyMatch(a -> a.kind().exchanges()));
    }

    private Optional<Observation> observation(Reading r) {
        Optional<Point> point = points.find(r.point());
        if (point.isEmpty()) return Optional.empty();
        String net = point.get().net();
        if (r.measure() == Measure.OHMS) {
            if (!points.nets().contains(r.reference()) || net.equals(r.reference())) return Optional.empty();
            List<Fault> off = CircuitPredictor.setting(chassis, r.condition()).faults();
            return Optional.of(new Observation.Measured(
                    new Measurement.Ohms(net, r.reference(), Measurement.OHMMETER_VOLTS, off), r.value()));
        }
        if (r.condition().line() <= 0 || !points.nets().contains(r.reference())) return Optional.empty();
        if (r.measure() == Measure.AC_VOLTS)
            return Optional.of(new Observation.Measured(
                    new AlternatingVolts(
                            r.point(), net, r.reference(), CircuitPredictor.setting(chassis, r.condition())),
                    r.value()));
        if (!r.reference().equals(chassis.reference())) return Optional.empty();
        return Optional.of(new Observation.Measured(
                new Measurement.Volts(
                        r.point(),
                        net,
                        CircuitPredictor.setting(chassis, r.condition()),
                        r.condition().meter()),
                r.value()));
    }

    /** A band held against a good receiver says more than one listened to at a power-up, and that more than the complaint about it. */
    private List<Observation> compared() {
        List<Observation> all = new ArrayList<>();
        for (Band b : chassis.bands())
            now(b.name())
                    .map(Compared::outcome)
                    .or(() -> heardOnTheWayUp(b.name()))
                    .ifPresent(o -> all.add(new Observation.Heard(new Measurement.Listen(b.name()), o)));
        return all;
    }

    /** How a band sounded at the last power-up of the set as it is. */
    private Optional<Outcome> heardOnTheWayUp(String band) {
        return job.power().entries().stream()
                .filter(e -> e.kind() == PowerEntry.Kind.BAND && e.what().equals(band) && !outdated(e.state()))
                .reduce((a, b) -> b)
                .flatMap(e -> Coded.find(Outcome.values(), e.text()));
    }

    private Optional<Compared> now(String band) {
        return job.compared().stream()
                .filter(c -> c.band().equals(band) && !outdated(c.state()))
                .reduce((a, b) -> b);
    }

    private List<Observation> complaints() {
        List<Observation> all = new ArrayList<>();
        for (Band b : chassis.bands().stream()
                .filter(b ->
                        now(b.name()).isEmpty() && heardOnTheWayUp(b.name()).isEmpty())
                .toList())
            for (Complaint c : job.arrival().complaints())
                if (c.where().equalsIgnoreCase(b.name()))
                    c.symptom()
                            .outcome()
                            .ifPresent(o -> all.add(new Observation.Heard(new Measurement.Listen(b.name()), o)));
        return all;
    }

    /** Under which circumstances alone something is wrong; said of several bands it is one and the same. */
    private List<Observation> circumstances() {
        return job.arrival().complaints().stream()
                .filter(c -> c.when() != Circumstance.ALWAYS && c.symptom().isWrong())
                .map(c -> new Appears(c.when()))
                .distinct()
                .<Observation>map(a -> new Observation.Tested(a, false))
                .toList();
    }

    /** By the limits of the recap. The test of a part that came out says nothing of the new one. */
    private List<Observation> tests() {
        List<Observation> all = new ArrayList<>();
        for (RecapLog.Tested t : job.recap().tests()) {
            String part = t.test().key().replaceFirst("\\..*", "");
            boolean renewed = job.alterations().stream()
                    .anyMatch(a -> a.concerns(part)
                            && a.at().isAfter(t.at())
                            && a.kind().exchanges());
            if (!renewed) chassis.part(part).flatMap(p -> tested(p, t.test())).ifPresent(all::add);
        }
        return all;
    }

    /** A leak says nothing of the value, and a good value or loss nothing of the leak. */
    private Optional<Observation> tested(Part p, PartTest t) {
        if (p.component() instanceof Component.Resistor && t.what() == PartTest.What.VALUE)
            return Optional.of(new Observation.Measured(new Measurement.Value(p.reference()), t.amount()));
        Measurement.Lifted.What what =
                t.what() == PartTest.What.LEAKAGE ? Measurement.Lifted.What.LEAK : Measurement.Lifted.What.VALUE;
        Measurement.PartTest measurement = p.component() instanceof Component.Capacitor
                ? new Measurement.Lifted(p.reference(), what)
                : Measurement.Try.of(p);
        return fails(chassis, p, t).map(bad -> new Observation.Tested(measurement, !bad));
    }

    private List<Observation> trials() {
        List<Observation> all = new ArrayList<>();
        for (Trial t : job.trials())
            if (!outdated(t.state()))
                chassis.part(t.part())
                        .<Measurement.PartTest>map(p -> switch (t.how()) {
                            case ACROSS -> Across.of(p);
                            case SWAPPED -> Measurement.Try.of(p);
                            case TAPPED -> new Tapped(p.reference());
                        })
                        .ifPresent(p -> all.add(new Observation.Tested(p, !t.better())));
        return all;
    }

    /** Whether a wattmeter in its line says what it takes: it hangs on alternating mains. */
    public static boolean takesWatts(Chassis chassis) {
        return AcSupply.has(chassis) && AcSupply.vibrator(chassis).isEmpty();
    }

    /**
     * Rails of power-ups of the whole set, and the last of its watts or, without a wattmeter, of its lamp's glow, where the volts at the set are known and its
     * tubes give most of what they will: below, a cathode that is a little cooler moves a rail by more than any fault. Watts of one set are all off by the same
     * meter, so that more than one says no more; of amperes likewise, where nobody read watts. Of each rail's ripple the last.
     */
    private List<Observation> powered() {
        List<Observation> all = new ArrayList<>();
        Optional<Observation> watts = Optional.empty();
        Optional<Observation> amperes = Optional.empty();
        Map<String, Observation> ripples = new LinkedHashMap<>();
        Optional<Observation> glow = Optional.empty();
        for (List<PowerEntry> run : job.power().whole())
            for (PowerEntry p : run) {
                if (outdated(p.state())) continue;
                Optional<Observation> before = glow;
                if (p.kind() == PowerEntry.Kind.GLOW) glow = glow(run, p).or(() -> before);
                double line = PowerLog.atSet(run, p);
                if (!warm(line, FULLY_WARM)) continue;
                if (p.kind() == PowerEntry.Kind.RAIL) rail(p, line).ifPresent(all::add);
                if (p.kind() == PowerEntry.Kind.RIPPLE) ripple(p, line).ifPresent(r -> ripples.put(p.what(), r));
                if (p.kind() == PowerEntry.Kind.AMPERES)
                    amperes = Optional.of(new Observation.Measured(new Amperes(setting(line)), p.value()));
                if (p.kind() == PowerEntry.Kind.WATTS && takesWatts(chassis))
                    watts = Optional.of(new Observation.Measured(Measurement.Watts.metered(setting(line)), p.value()));
            }
        all.addAll(ripples.values());
        Optional<Observation> drawn = amperes;
        Optional<Observation> seen = glow;
        watts.or(() -> drawn).or(() -> seen).ifPresent(all::add);
        return all;
    }

    private boolean warm(double line, double share) {
        return line > 0 && line >= share * chassis.supply().volts();
    }

    /** The watts that a lamp's glow tells, where no wattmeter does. */
    private Optional<Observation> glow(List<PowerEntry> run, PowerEntry p) {
        Optional<SeriesLamp> lamp = job.power()
                .lampBefore(p)
                .flatMap(text -> SeriesLamp.written(text, chassis.supply().volts()));
        Optional<SeriesLamp.Glow> glow = Coded.find(SeriesLamp.Glow.values(), p.what());
        if (lamp.isEmpty() || glow.isEmpty() || !takesWatts(chassis)) return Optional.empty();
        SeriesLamp.Told told = lamp.get().told(p.dial(), glow.get());
        double line = PowerLog.atSet(run, p) > 0 ? PowerLog.atSet(run, p) : told.volts();
        return warm(line, NEARLY_WARM)
                ? Optional.of(
                        new Observation.Measured(new Measurement.Watts(setting(line), told.deviation()), told.watts()))
                : Optional.empty();
    }

    private Optional<Observation> rail(PowerEntry p, double line) {
        boolean known = p.against().equals(chassis.reference()) && points.nets().contains(p.what());
        return known
                ? Optional.of(new Observation.Measured(
                        new Measurement.Volts(p.what(), p.what(), setting(line), METER), p.value()))
                : Optional.empty();
    }

    private Optional<Observation> ripple(PowerEntry p, double line) {
        boolean known = points.nets().contains(p.against()) && points.nets().contains(p.what());
        return known
                ? Optional.of(new Observation.Measured(
                        new AlternatingVolts(p.what(), p.what(), p.against(), setting(line)), p.value()))
                : Optional.empty();
    }

    private Setting setting(double line) {
        return CircuitPredictor.setting(chassis, Condition.of(line, METER, ""));
    }

    /** By the limits of the recap; empty where there is nothing to hold it against. */
    public static Optional<Boolean> fails(Chassis chassis, Part p, PartTest t) {
        return verdict(chassis, p, t).map(Tested.Verdict::fails);
    }

    /** As {@link #fails}, with why. */
    static Optional<Tested.Verdict> verdict(Chassis chassis, Part p, PartTest t) {
        if (t.what() == PartTest.What.EMISSION || t.what() == PartTest.What.GAIN)
            return t.good() > 0 ? Optional.of(Tested.of(t)) : Optional.empty();
        if (p.component() instanceof Component.Resistor r)
            return Optional.of(Tested.of(t, r, Math.max(BENIGN, r.tolerance())));
        for (CapacitorSection c : CapacitorSection.of(chassis))
            if (c.key().equals(t.key())) return Optional.of(Tested.of(t, c));
        return Optional.empty();
    }
}
