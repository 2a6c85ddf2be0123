package anabion.core.soak;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.PartRole;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Kind;
import anabion.core.job.SoakEntry.Value;
import anabion.core.json.Coded;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The soak that is under way, or was the last.
 *
 * @param began when its clock started: when it was switched on, or when a part was exchanged after that; empty before the first
 * @param rows its readings and events, in their order
 * @param elapsed how long the set was on by now, or until it was switched off
 * @param insulation of its transformer
 * @param findings what speaks against the set, the gravest first
 */
public record SoakRun(
        SoakPlan plan,
        State state,
        Optional<Instant> began,
        boolean on,
        List<Row> rows,
        Duration elapsed,
        Insulation insulation,
        List<Finding> findings) {
    /** Share of its volts by which a rail may wander. */
    public static final double RAIL_LIMIT = 0.03;
    /** Until then rails and temperatures settle. */
    private static final Duration WARM = Duration.ofMinutes(15);
    /** Whoever looks less often does not see that all is well. */
    static final Duration UNSEEN = Duration.ofMinutes(65);

    /** Where it stands. */
    public enum State implements Coded {
        NOT_BEGUN,
        RUNNING,
        /** Something happened, or a limit was passed. */
        FAILED,
        /** Switched off before its time. */
        SHORT,
        /** Its time is over, but nobody looked often enough. */
        UNSEEN,
        PASSED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * One line.
     *
     * @param after how long the set had been on
     * @param rail volts, corrected for the line; empty where not read
     * @param drift share by which it lies above where it settled; empty where that is not known
     * @param rise kelvin of the hottest part above the room; empty where not known
     */
    public record Row(
            SoakEntry entry, Duration after, Optional<Double> rail, Optional<Double> drift, Optional<Double> rise) {}

    /** What speaks against the set. */
    public sealed interface Finding {
        /** @param after how long the set had been on */
        record Happened(SoakEntry entry, Duration after) implements Finding {}

        /** @param share by which the rail lies above where it settled */
        record RailWanders(double share, Duration after) implements Finding {}

        /** A winding is hotter than its insulation bears; kelvin. */
        record TooHot(String part, double rise, double limit) implements Finding {}
    }

    public SoakRun {
        rows = List.copyOf(rows);
        findings = List.copyOf(findings);
    }

    /** @param now of the clock */
    public static SoakRun of(Chassis chassis, Job job, Instant now) {
        SoakPlan plan = SoakPlan.of(job);
        List<SoakEntry> log = job.soak();
        int start = -1;
        for (int n = 0; n < log.size(); n++) if (log.get(n).kind() == Kind.BEGAN) start = n;
        if (start < 0)
            return new SoakRun(
                    plan,
                    State.NOT_BEGUN,
                    Optional.empty(),
                    false,
                    List.of(),
                    Duration.ZERO,
                    insulation(log),
                    List.of());
        Instant switchedOn = log.get(start).at();
        Instant began = job.alterations().stream()
                .map(Alteration::at)
                .filter(t -> t.isAfter(switchedOn))
                .reduce(switchedOn, (a, b) -> b.isAfter(a) ? b : a);
        List<SoakEntry> own = log.subList(start + 1, log.size()).stream()
                .filter(e -> !e.at().isBefore(began))
                .toList();
        Optional<Instant> off = log.subList(start + 1, log.size()).stream()
                .filter(e -> e.kind() == Kind.ENDED)
                .map(SoakEntry::at)
                .findFirst();
        List<Row> rows = rows(chassis, own, began);
        List<Finding> findings = findings(chassis, rows, insulation(log));
        Instant end = off.orElse(now);
        Duration elapsed = end.isBefore(began) ? Duration.ZERO : Duration.between(began, end);
        return new SoakRun(
                plan,
                state(plan, rows, findings, elapsed, off.isPresent()),
                Optional.of(began),
                off.isEmpty(),
                rows,
                elapsed,
                insulation(log),
                findings);
    }

    /** The class that was said; paper and enamel where nobody did. */
    private static Insulation insulation(List<SoakEntry> log) {
        return log.stream()
                .filter(e -> e.kind() == Kind.INSULATION)
                .flatMap(e -> Coded.find(Insulation.values(), e.text()).stream())
                .reduce((a, b) -> b)
                .orElse(Insulation.A);
    }

    private static State state(SoakPlan plan, List<Row> rows, List<Finding> findings, Duration elapsed, boolean off) {
        if (!findings.isEmpty()) return State.FAILED;
        boolean over = elapsed.compareTo(plan.length()) >= 0;
        if (!over) return off ? State.SHORT : State.RUNNING;
        if (seen(rows, plan.length())) return State.PASSED;
        return off ? State.UNSEEN : State.RUNNING;
    }

    /** Whether somebody looked at least once in every hour, and at the end. */
    private static boolean seen(List<Row> rows, Duration length) {
        Duration last = Duration.ZERO;
        for (Row r : rows) {
            if (r.after().minus(last).compareTo(UNSEEN) > 0) return false;
            last = r.after();
        }
        return last.compareTo(length) >= 0;
    }

    private static List<Row> rows(Chassis chassis, List<SoakEntry> own, Instant began) {
        List<Row> rows = new ArrayList<>();
        Optional<Double> settled = Optional.empty();
        Optional<Double> room = Optional.empty();
        for (SoakEntry e : own) {
            if (e.kind() != Kind.READ && e.kind() != Kind.EVENT) continue;
            Duration after = Duration.between(began, e.at());
            Optional<Double> rail = corrected(e, chassis.supply().volts());
            boolean warm = after.compareTo(WARM) >= 0;
            if (settled.isEmpty() && warm) settled = rail;
            if (e.value(Value.AMBIENT).isPresent()) room = e.value(Value.AMBIENT);
            Optional<Double> from = settled;
            Optional<Double> drift = warm ? rail.flatMap(v -> from.map(s -> s == 0 ? 0 : v / s - 1)) : Optional.empty();
            Optional<Double> ambient = room;
            rows.add(new Row(e, after, rail, drift, e.value(Value.HOTTEST).flatMap(t -> ambient.map(a -> t - a))));
        }
        return rows;
    }

    /** At the nominal line; a set fed from batteries likewise. */
    private static Optional<Double> corrected(SoakEntry e, double nominal) {
        double line = e.value(Value.LINE).orElse(0.0);
        return e.value(Value.RAIL).map(v -> line > 0 && nominal > 0 ? v * nominal / line : v);
    }

    private static List<Finding> findings(Chassis chassis, List<Row> rows, Insulation insulation) {
        List<Finding> all = new ArrayList<>();
        for (Row r : rows) if (r.entry().kind() == Kind.EVENT) all.add(new Finding.Happened(r.entry(), r.after()));
        for (Row r : rows)
            if (r.rise().isPresent()
                    && isWound(chassis, r.entry().part())
                    && r.rise().get() > insulation.outside()) {
                all.add(new Finding.TooHot(r.entry().part(), r.rise().get(), insulation.outside()));
                break;
            }
        rows.stream()
                .filter(r -> r.drift().filter(d -> Math.abs(d) > RAIL_LIMIT).isPresent())
                .findFirst()
                .ifPresent(r -> all.add(new Finding.RailWanders(r.drift().get(), r.after())));
        return all;
    }

    /** Tubes and resistors are hot by nature. */
    private static boolean isWound(Chassis chassis, String part) {
        return chassis.part(part)
                .filter(p -> p.role().filter(PartRole::hasIron).isPresent()
                        || (p.component() instanceof Component.Windings w && w.isMainsTransformer()))
                .isPresent();
    }

    /** How long it must still run; zero where its time is over. */
    public Duration left() {
        Duration left = plan.length().minus(elapsed);
        return left.isNegative() ? Duration.ZERO : left;
    }
}
