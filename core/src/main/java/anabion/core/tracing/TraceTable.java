package anabion.core.tracing;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.SignalKind;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * The points of a band, from the speaker to the aerial, with what was heard there.
 *
 * @param rows nearest the speaker first; empty where neither circuit nor stages say how the band passes signals
 */
public record TraceTable(String band, List<TraceRow> rows) {
    public TraceTable {
        rows = List.copyOf(rows);
    }

    /** @param points of the band, from {@link #points} */
    public static TraceTable of(String band, List<TracePoint> points, Job job) {
        List<TraceRow> tried = new ArrayList<>();
        for (TracePoint p : points)
            tried.add(new TraceRow(
                    p,
                    newest(band, p, job, h -> h.how() != Heard.How.TAP),
                    newest(band, p, job, TraceTable::tap),
                    true));
        int good = -1;
        int bad = points.size();
        for (int n = 0; n < tried.size(); n++) {
            if (tried.get(n).goodAfter()) good = n;
            else if (tried.get(n).badAfter()) bad = Math.min(bad, n);
        }
        boolean agree = good < bad;
        List<TraceRow> rows = new ArrayList<>();
        for (int n = 0; n < tried.size(); n++) {
            TraceRow r = tried.get(n);
            rows.add(new TraceRow(r.at(), r.heard(), r.tapped(), !agree || (n > good && n <= bad)));
        }
        return new TraceTable(band, rows);
    }

    private static boolean tap(Heard h) {
        return h.how() == Heard.How.TAP;
    }

    private static Optional<Heard> newest(String band, TracePoint p, Job job, Predicate<Heard> way) {
        return job.heard().stream()
                .filter(h -> h.band().equals(band)
                        && h.signal() == p.signal()
                        && h.point().equals(p.point()))
                .filter(way)
                .filter(h -> FittedState.since(h.state(), job.alterations()).isEmpty())
                .reduce((a, b) -> b);
    }

    /** The points of a band with what a sound set needs there, volume full up; those of its stages alone where the circuit does not tell. */
    public static List<TracePoint> points(Chassis chassis, Band band) {
        Setting loud = Setting.of(chassis.supply().volts()).withControls(Controls.volume(chassis, 1));
        boolean known = !chassis.parts().isEmpty() && CircuitPredictor.powered(chassis);
        List<TracePoint> points = known
                ? Gains.of(new Simulator(), chassis, loud, band).map(Gains::levels).orElse(List.of()).stream()
                        .map(TracePoint::of)
                        .toList()
                : List.of();
        return points.isEmpty() ? StagePath.of(band) : points;
    }

    /**
     * Whether a finger may stand in for the generator: at a grid or base that carries sound, in a set whose chassis the mains cannot reach. Never at a
     * plate: it stands at the rail.
     */
    public static boolean touchable(Chassis chassis, TracePoint p) {
        return p.signal() == SignalKind.AF
                && !chassis.supply().arrangement().chassisMayBeLive()
                && (p.point().equals(p.stage())
                        ? StageOdds.hasDevice(chassis, p.stage())
                        : control(chassis, p.point()));
    }

    private static boolean control(Chassis chassis, String pin) {
        return Points.of(chassis)
                .find(pin)
                .filter(x -> x.device().isPresent())
                .map(Point::function)
                .filter(f -> f.startsWith("g1") || f.equals("b"))
                .isPresent();
    }

    /** Effective volts at the speaker at the standard output; 0 for a set without one. */
    public static double output(Chassis chassis) {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Speaker s && s.ohms() > 0)
                .mapToDouble(p -> Math.sqrt(Gains.STANDARD * ((Component.Speaker) p.component()).ohms()))
                .findFirst()
                .orElse(0);
    }

    /**
     * Where to go next by a school; empty when one point is left, or the outcomes contradict each other.
     *
     * @param odds that the fault is in a stage, by its name; what the voltages say
     */
    public Optional<TraceRow> next(School school, ToDoubleFunction<String> odds) {
        List<TraceRow> open = rows.stream().filter(r -> r.left() && !r.tried()).toList();
        if (open.isEmpty()) return Optional.empty();
        return Optional.of(
                switch (school) {
                    case BACK -> open.get(0);
                    case FORWARD -> open.get(open.size() - 1);
                    case HALF -> open.get(open.size() / 2);
                    case VOLTAGES ->
                        open.stream()
                                .max(Comparator.comparingDouble(r -> odds.applyAsDouble(r.stage())))
                                .orElseThrow();
                });
    }

    /** Whether one outcome clears what another accuses: a signal comes through from a point, and is lost from one nearer the speaker. */
    public boolean contradicts() {
        for (int n = 0; n < rows.size(); n++)
            if (rows.get(n).badAfter() && rows.subList(n, rows.size()).stream().anyMatch(TraceRow::goodAfter))
                return true;
        return false;
    }

    /** The stages in which the fault can still lie, in the order of the rows; all while nothing was tried. */
    public List<String> left() {
        return rows.stream()
                .filter(TraceRow::left)
                .map(TraceRow::stage)
                .distinct()
                .toList();
    }
}
