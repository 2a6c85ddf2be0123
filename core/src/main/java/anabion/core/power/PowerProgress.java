package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerLog;
import anabion.core.job.PowerStage;
import anabion.core.json.Coded;
import anabion.core.power.PowerReading.What;
import anabion.core.reading.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * How far a power-up has come, and what it says.
 *
 * @param rows one a step
 * @param plotted what was read of the highest rail, of the current and of the watts
 * @param before what was read in the power-up before, whichever state the set was in
 * @param readings of the last power-up of the whole set, in the order in which they were taken
 * @param stage the one that is on; empty where the set is off
 * @param stop why it must be switched off, by what was read
 * @param seen the last sign of danger that was seen since it is on
 */
public record PowerProgress(
        PowerPlan plan,
        List<Row> rows,
        List<Plotted> plotted,
        List<Plotted> before,
        List<PowerReading> readings,
        PowerJudgement judged,
        Optional<PowerStage> stage,
        Optional<StopReason> stop,
        Optional<WatchSign> seen) {
    /** Standard deviations within which a reading is as it should be, and those from which it is out. */
    private static final double WITHIN = 2;

    private static final double OUT = 3.5;

    public PowerProgress {
        rows = List.copyOf(rows);
        plotted = List.copyOf(plotted);
        before = List.copyOf(before);
        readings = List.copyOf(readings);
    }

    /** Whether the set is on. */
    public boolean on() {
        return stage.isPresent();
    }

    /**
     * A step with what was read there.
     *
     * @param atSet volts at the set, measured, or as they must be without a lamp; empty where neither
     * @param halfWidths how far the rail lies from what is foreseen, in half-widths of what may be
     */
    public record Row(
            PowerStep step,
            Optional<Double> atSet,
            Optional<Double> rail,
            Optional<Double> amperes,
            Optional<Double> watts,
            Optional<SeriesLamp.Glow> glow,
            double halfWidths,
            Standing standing) {}

    /**
     * A reading on the curve.
     *
     * @param what rail, amperes or watts
     * @param volts at the set; behind a lamp, where nobody measured them, as a sound set would have them
     * @param value volts of the rail without their sign, amperes or watts
     * @param out whether it is beyond what may be
     */
    public record Plotted(What what, double volts, double value, boolean out) {}

    /** The lamp that was last named; its absence where none is used, and the one advised where nobody said. */
    public static PowerPlan plan(Chassis chassis, Job job, PowerModel model) {
        Optional<PowerEntry> said = job.power().entries().stream()
                .filter(e -> e.kind() == PowerEntry.Kind.LAMP)
                .reduce((a, b) -> b);
        boolean without = said.filter(e -> e.what().isEmpty()).isPresent();
        Optional<SeriesLamp> inHand =
                said.filter(e -> !e.what().isEmpty()).flatMap(e -> SeriesLamp.written(e.what(), model.nominal()));
        return PowerPlan.of(chassis, model, inHand, without);
    }

    /** What the log of a set says now. */
    public static PowerProgress of(Chassis chassis, Job job, PowerModel model) {
        PowerPlan plan = plan(chassis, job, model);
        List<List<PowerEntry>> runs = whole(job);
        List<PowerReading> readings =
                runs.isEmpty() ? List.of() : readings(fittedAsNow(job, runs.get(runs.size() - 1)), model);
        PowerJudgement judged = PowerJudgement.of(model, readings, plan.lamp());
        Optional<PowerStage> stage = job.power().on()
                ? Optional.of(PowerStage.begun(job.power().latest().get(0)))
                : Optional.empty();
        Optional<StopReason> stop =
                stage.filter(s -> s == PowerStage.WHOLE_SET).flatMap(s -> StopReason.of(model, plan, readings, judged));
        List<Row> rows = new ArrayList<>();
        for (PowerStep s : plan.steps()) rows.add(row(s, readings, model, plan));
        List<PowerReading> earlier = runs.size() < 2 ? List.of() : readings(runs.get(runs.size() - 2), model);
        return new PowerProgress(
                plan,
                rows,
                plotted(model, plan, readings, rows),
                plotted(model, plan, earlier, List.of()),
                readings,
                judged,
                stage,
                stop,
                seen(job));
    }

    /** The power-ups of the whole set in which anything was read, and the last in any case. */
    private static List<List<PowerEntry>> whole(Job job) {
        List<List<PowerEntry>> all = job.power().whole();
        List<List<PowerEntry>> told = new ArrayList<>();
        for (List<PowerEntry> run : all)
            if (run == all.get(all.size() - 1) || run.stream().anyMatch(e -> what(e).isPresent())) told.add(run);
        return told;
    }

    private static List<PowerEntry> fittedAsNow(Job job, List<PowerEntry> run) {
        UUID now = job.fitted().id();
        return run.stream().filter(e -> e.state().equals(now)).toList();
    }

    private static List<Plotted> plotted(
            PowerModel model, PowerPlan plan, List<PowerReading> readings, List<Row> rows) {
        String net = model.rail().map(Rail::net).orElse("");
        List<Plotted> all = new ArrayList<>();
        for (PowerReading r : readings) {
            boolean drawn =
                    switch (r.what()) {
                        case RAIL -> r.net().equals(net);
                        case WATTS, AMPERES -> true;
                        case RIPPLE, GLOW, DARK -> false;
                    };
            if (!drawn) continue;
            double volts = r.atSet() > 0
                    ? r.atSet()
                    : model.sound().atDial(r.dial(), plan.lamp()).volts();
            boolean out = rows.stream().anyMatch(x -> x.standing() == Standing.OUT && at(x.step(), r));
            all.add(new Plotted(r.what(), volts, Math.abs(r.value()), out));
        }
        return all;
    }

    private static Optional<WatchSign> seen(Job job) {
        if (!job.power().on()) return Optional.empty();
        return job.power().latest().stream()
                .filter(e -> e.kind() == PowerEntry.Kind.SIGN)
                .reduce((a, b) -> b)
                .flatMap(e -> WatchSign.named(e.what()))
                .filter(s -> !s.leavesOn());
    }

    private static List<PowerReading> readings(List<PowerEntry> run, PowerModel model) {
        List<PowerReading> all = new ArrayList<>();
        for (PowerEntry e : run) {
            Optional<What> what = what(e);
            if (what.isEmpty()) continue;
            String net = what.get() != What.RAIL && what.get() != What.RIPPLE
                    ? ""
                    : e.what().isEmpty() ? model.rail().map(Rail::net).orElse("") : e.what();
            double value =
                    switch (what.get()) {
                        case GLOW -> glow(e.what());
                        case DARK -> e.kind() == PowerEntry.Kind.SIGN ? 1 : 0;
                        case RAIL, RIPPLE, WATTS, AMPERES -> e.value();
                    };
            PowerReading r = new PowerReading(e.dial(), PowerLog.atSet(run, e), what.get(), net, value);
            // of what was read twice at one step the newer counts
            all.removeIf(x ->
                    x.what() == r.what() && x.net().equals(r.net()) && x.dial() == r.dial() && x.atSet() == r.atSet());
            all.add(r);
        }
        return all;
    }

    private static Optional<What> what(PowerEntry e) {
        return switch (e.kind()) {
            case RAIL -> Optional.of(What.RAIL);
            case RIPPLE -> Optional.of(What.RIPPLE);
            case WATTS -> Optional.of(What.WATTS);
            case AMPERES -> Optional.of(What.AMPERES);
            case GLOW -> Optional.of(What.GLOW);
            case LIT -> Optional.of(What.DARK);
            case SIGN ->
                WatchSign.named(e.what()).filter(s -> s == WatchSign.DARK_TUBE).map(s -> What.DARK);
            case BEGAN, LAMP, LOAD, WARMTH, CONTROLS, AERIAL, BAND, AT_SET, MET, OVERRULED, CAUSE, OFF, NOTE ->
                Optional.empty();
        };
    }

    private static double glow(String code) {
        return Coded.find(SeriesLamp.Glow.values(), code).map(Enum::ordinal).orElse(0);
    }

    private static Row row(PowerStep s, List<PowerReading> readings, PowerModel model, PowerPlan plan) {
        List<PowerReading> here = readings.stream().filter(r -> at(s, r)).toList();
        String net = model.rail().map(Rail::net).orElse("");
        Optional<PowerReading> rail = last(here, What.RAIL, net);
        Optional<Double> atSet =
                here.stream().map(PowerReading::atSet).filter(v -> v > 0).reduce((a, b) -> b);
        Optional<PowerReading> judged = rail.or(() -> last(here, What.AMPERES, ""));
        double off = judged.map(r -> (r.value() - PowerJudgement.foreseen(model.sound(), r, plan.lamp(), 0))
                        / PowerJudgement.deviation(model.sound(), r, plan.lamp()))
                .orElse(0.0);
        Standing standing = judged.isEmpty()
                ? Standing.NOT_TAKEN
                : Math.abs(off) <= WITHIN ? Standing.WITHIN : Math.abs(off) <= OUT ? Standing.DRIFTING : Standing.OUT;
        return new Row(
                s,
                atSet,
                rail.map(PowerReading::value),
                last(here, What.AMPERES, "").map(PowerReading::value),
                last(here, What.WATTS, "").map(PowerReading::value),
                last(here, What.GLOW, "").map(r -> SeriesLamp.Glow.values()[(int) r.value()]),
                off / WITHIN,
                standing);
    }

    private static Optional<PowerReading> last(List<PowerReading> here, What what, String net) {
        return here.stream()
                .filter(r -> r.what() == what && r.net().equals(net))
                .reduce((a, b) -> b);
    }

    /** Whether a reading was taken at a step: at its dial, and with or without a lamp as it has one. */
    private static boolean at(PowerStep s, PowerReading r) {
        return r.dial() == s.dial() && s.lamp() == (r.atSet() != r.dial() || r.atSet() == 0);
    }
}
