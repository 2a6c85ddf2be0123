package anabion.core.align;

import anabion.core.align.AlignmentProcedure.Output;
import anabion.core.align.TrackingAdvice.Point;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.Alteration;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.json.Coded;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The lines of a band with what came of them.
 *
 * @param curves that were read, oldest first
 * @param overruled why it is aligned although its voltages are not known to be right; empty where nobody said so
 * @param leftAlone why the band is left as it is; empty where it is not
 */
public record AlignmentTable(
        AlignmentProcedure procedure,
        List<Row> rows,
        List<Point> stations,
        List<MeasuredCurve> curves,
        Optional<String> overruled,
        Optional<String> leftAlone) {
    /** Decibels that no drift of parts explains: somebody turned it before. */
    public static final double MOVED = 10;
    /** Decibels below which another pass is not worth while. */
    public static final double WORTH = 1;

    /** By how much a generator is turned up at once. */
    private static final double STEP = 10;
    /** Volts of a carrier that usual generators give: more is no small signal to any stage. */
    public static final double STRONGEST = 0.1;
    /** What models and meters differ by. */
    private static final double TOLERANCE = 1.5;

    /**
     * One line.
     *
     * @param entries on it, oldest first, since a part of its circuit was changed
     */
    public record Row(AlignmentLine line, List<AlignmentEntry> entries) {
        public Row {
            entries = List.copyOf(entries);
        }

        public Optional<AlignmentEntry> last() {
            return entries.isEmpty() ? Optional.empty() : Optional.of(entries.get(entries.size() - 1));
        }

        /** Whether the last word on it says that it is in tune: a first reading alone says nothing yet. */
        public boolean done() {
            return last().map(AlignmentEntry::kind)
                    .filter(k -> k.done() && (k != Kind.READ || compared() || turned()))
                    .isPresent();
        }

        /** Whether the last word on it says that something else is wrong. */
        public boolean finding() {
            return last().map(AlignmentEntry::kind).filter(Kind::finding).isPresent();
        }

        private List<AlignmentEntry> readings() {
            return entries.stream().filter(e -> e.kind().reads()).toList();
        }

        /**
         * Decibels that the set lacks from here on against what its circuit gives, by the last reading at a known level; negative where it gives more.
         *
         * @return empty without such a reading on an output meter, or where the circuit does not tell
         */
        public Optional<Double> lacking(Optional<Output> output) {
            Optional<Double> lacks = Optional.empty();
            if (line.indicator() == Indicator.OUTPUT_METER
                    && output.isPresent()
                    && line.level().isPresent())
                for (AlignmentEntry e : readings())
                    if (e.given().volts() > 0 && e.after() > 0)
                        lacks = Optional.of(20
                                * Math.log10(e.given().volts()
                                        / line.level().get()
                                        * output.get().wanted()
                                        / e.after()));
            return lacks;
        }

        /** Whether the indicator was read before and after. */
        private boolean compared() {
            return readings().stream().anyMatch(e -> e.before() > 0 && e.after() > 0)
                    || readings().stream().filter(e -> e.after() > 0).count() > 1;
        }

        private List<Double> gains() {
            if (!line.indicator().proportional() || line.aim() == Aim.ZERO) return List.of();
            // what a trap keeps out is gained, too
            double sign = line.aim() == Aim.DIP ? -1 : 1;
            return AlignmentTable.gains(readings()).stream().map(g -> sign * g).toList();
        }

        /** Decibels gained by all that was done on it; empty where nothing was read twice. */
        public Optional<Double> gained() {
            return gains().stream().reduce(Double::sum);
        }

        /** Whether what was done last on it gained enough for another pass. */
        private boolean gaining() {
            List<Double> gains = gains();
            return !gains.isEmpty() && gains.get(gains.size() - 1) > WORTH;
        }

        /** Whether it stood so far off that somebody must have turned it. */
        public boolean moved() {
            return line.aim() != Aim.DIP && gained().filter(g -> g > MOVED).isPresent();
        }

        /** Turns of each adjuster from where it stood at first, positive inwards; of those that were turned. */
        public Map<String, Double> turns() {
            Map<String, Double> all = new TreeMap<>();
            for (AlignmentEntry e : entries) if (e.moved() != 0) all.merge(e.letter(), e.moved(), Double::sum);
            return all;
        }

        private boolean turned() {
            return entries.stream().anyMatch(e -> e.moved() != 0);
        }

        /** How strong the signal was when it was last said. */
        public Given given() {
            Given last = Given.NOT_SAID;
            for (AlignmentEntry e : entries) if (!e.given().equals(Given.NOT_SAID)) last = e.given();
            return last;
        }

        /**
         * The level to give now: where a reading was taken at a known one, what brings the wanted output from there, else that of the line. A set that is far out of tune
         * wants more than one that is aligned, and its AVC bears more.
         *
         * @param output what the speaker gets; empty where the circuit does not tell
         */
        public Optional<Double> level(Optional<Output> output) {
            Optional<Double> now = line.level();
            if (line.indicator() == Indicator.OUTPUT_METER && output.isPresent())
                for (AlignmentEntry e : readings())
                    if (e.given().volts() > 0 && e.after() > 0) {
                        double factor = output.get().wanted() / e.after();
                        double most = STRONGEST / e.given().volts();
                        now = Optional.of(e.given().volts() * Math.min(most, Math.min(STEP, factor)));
                    }
            return now;
        }

        /** Whether the last reading was so strong that the AVC flattens the peak. */
        public boolean flattened(Optional<Output> output) {
            if (!line.indicator().proportional()) return false;
            Optional<Double> read = readings().stream()
                    .filter(e -> e.after() > 0)
                    .map(AlignmentEntry::after)
                    .reduce((a, b) -> b);
            Optional<Double> knee = output.flatMap(Output::knee);
            if (line.indicator() == Indicator.OUTPUT_METER && read.isPresent() && knee.isPresent())
                return read.get() > knee.get() * TOLERANCE;
            return line.knee().filter(k -> given().volts() > k).isPresent();
        }
    }

    /** Decibels from each reading of an indicator to the next, those of one entry or of two that followed each other; what the signal itself became stronger is taken off. */
    public static List<Double> gains(List<AlignmentEntry> readings) {
        List<Double> all = new ArrayList<>();
        double last = 0;
        Given given = Given.NOT_SAID;
        for (AlignmentEntry e : readings) {
            double before = e.before() > 0 ? e.before() : last;
            Optional<Double> stronger =
                    e.before() > 0 ? Optional.of(0.0) : e.given().above(given);
            if (before > 0 && e.after() > 0 && stronger.isPresent())
                all.add(20 * Math.log10(e.after() / before) - stronger.get());
            if (e.after() > 0) {
                last = e.after();
                given = e.given();
            }
        }
        return all;
    }

    public AlignmentTable {
        rows = List.copyOf(rows);
        stations = List.copyOf(stations);
        curves = List.copyOf(curves);
    }

    /** What a job says of a procedure: a part that was changed since asks for the lines of its circuit again, and for its stations. */
    public static AlignmentTable of(Chassis chassis, AlignmentProcedure p, Job job) {
        List<AlignmentEntry> own = job.alignment().stream()
                .filter(e -> e.band().equals(p.band().name()))
                .toList();
        List<Row> rows = new ArrayList<>();
        Optional<Indicator> watched = own.stream()
                .filter(e -> e.kind() == Kind.WATCH)
                .reduce((a, b) -> b)
                .flatMap(e -> Coded.find(Indicator.values(), e.text()));
        for (AlignmentLine made : p.lines()) {
            AlignmentLine l = watched.map(made::watching).orElse(made);
            List<Part> tuning = Alignment.suspects(chassis, p, l.adjusters());
            rows.add(new Row(
                    l,
                    own.stream()
                            .filter(e -> e.kind() != Kind.CURVE && of(e, l) && untouched(tuning, e, job))
                            .toList()));
        }
        List<Part> oscillator =
                p.frontEnd().map(f -> f.circuits().get(0).parts()).orElse(List.of());
        List<Point> stations = AlignmentEntry.stations(own).stream()
                .filter(e -> untouched(oscillator, e, job))
                .map(e -> new Point(e.before(), e.after()))
                .toList();
        List<MeasuredCurve> curves = own.stream()
                .filter(e -> e.kind() == Kind.CURVE && !e.curve().isEmpty())
                .map(e -> new MeasuredCurve(e.curve()))
                .toList();
        return new AlignmentTable(
                p, rows, stations, curves, said(job.alignment(), Kind.OVERRULED), said(own, Kind.LEFT_ALONE));
    }

    /** With what was entered since: the lines stay as they are. */
    public AlignmentTable since(Chassis chassis, Job job) {
        return of(chassis, procedure, job);
    }

    /** The last text of a kind. */
    private static Optional<String> said(List<AlignmentEntry> entries, Kind kind) {
        return entries.stream()
                .filter(e -> e.kind() == kind)
                .map(AlignmentEntry::text)
                .reduce((a, b) -> b);
    }

    /** By one of its adjusters: a line may have got another since. */
    private static boolean of(AlignmentEntry e, AlignmentLine l) {
        List<String> letters = List.of(e.adjusters().split(" "));
        return e.purpose().equals(Optional.of(l.purpose()))
                && l.adjusters().stream().map(Adjuster::letter).anyMatch(letters::contains);
    }

    /** Whether no part of a circuit was changed since something was done on it. */
    private static boolean untouched(List<Part> circuit, AlignmentEntry e, Job job) {
        List<Alteration> since = FittedState.since(e.state(), job.alterations());
        return circuit.stream()
                .noneMatch(p -> since.stream().anyMatch(a -> a.part().equals(p.reference())));
    }

    /** The first line on which nothing is done; empty where all are. */
    public Optional<Row> next() {
        return rows.stream().filter(r -> !r.done() && !r.finding()).findFirst();
    }

    /** Decibels gained in all, without what traps keep out; empty where nothing was read twice. */
    public Optional<Double> gained() {
        return rows.stream()
                .filter(r -> r.line().aim() != Aim.DIP)
                .flatMap(r -> r.gained().stream())
                .reduce(Double::sum);
    }

    /** Whether another pass is worth while: all is done, and the last pass gained something. */
    public boolean again() {
        return next().isEmpty() && rows.stream().anyMatch(Row::gaining);
    }
}
