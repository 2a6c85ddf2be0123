package anabion.core.trace;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.engine.Controls;
import anabion.core.engine.Engine;
import anabion.core.engine.Setting;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.signal.Gains;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * The points of a band, from the speaker to the aerial, with what was heard there.
 *
 * @param rows nearest the speaker first; empty where the circuit does not say how the band passes signals
 */
public record TraceSheet(String band, List<TraceRow> rows) {
    public TraceSheet {
        rows = List.copyOf(rows);
    }

    /** @param levels what a sound set needs at each point, from {@link #levels} */
    public static TraceSheet of(String band, List<Gains.Level> levels, Job job) {
        List<Optional<Outcome>> heard = new ArrayList<>();
        for (Gains.Level l : levels) heard.add(heard(band, l, job));
        int good = -1;
        int bad = levels.size();
        for (int n = 0; n < levels.size(); n++) {
            if (heard.get(n).isEmpty()) continue;
            if (heard.get(n).get() == Outcome.LOUD) good = n;
            else bad = Math.min(bad, n);
        }
        boolean agree = good < bad;
        List<TraceRow> rows = new ArrayList<>();
        for (int n = 0; n < levels.size(); n++) {
            Gains.Level l = levels.get(n);
            rows.add(new TraceRow(
                    l.stage(),
                    l.point(),
                    l.domain().code(),
                    l.hertz(),
                    l.volts(),
                    l.farads(),
                    heard.get(n),
                    !agree || (n > good && n <= bad)));
        }
        return new TraceSheet(band, rows);
    }

    private static Optional<Outcome> heard(String band, Gains.Level l, Job job) {
        return job.heard().stream()
                .filter(h -> h.band().equals(band)
                        && h.signal().equals(l.domain().code())
                        && h.point().equals(l.point()))
                .filter(h -> FittedState.since(h.state(), job.alterations()).isEmpty())
                .reduce((a, b) -> b)
                .map(Heard::outcome);
    }

    /** What a sound set needs at each point of a band for the standard output, volume full up. */
    public static List<Gains.Level> levels(Chassis chassis, Band band) {
        Setting loud = Setting.of(chassis.supply().volts()).withControls(Controls.volume(chassis, 1));
        return Gains.of(new Engine(), chassis, loud, band).map(Gains::levels).orElse(List.of());
    }

    /**
     * Where to go next by a school; empty when one point is left, or the outcomes contradict each other.
     *
     * @param odds that the fault is in a stage, by its name; what the voltages say
     */
    public Optional<TraceRow> next(School school, ToDoubleFunction<String> odds) {
        List<TraceRow> open =
                rows.stream().filter(r -> r.left() && r.heard().isEmpty()).toList();
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

    /** The stages in which the fault can still lie, in the order of the rows; all while nothing was tried. */
    public List<String> left() {
        return rows.stream()
                .filter(TraceRow::left)
                .map(TraceRow::stage)
                .distinct()
                .toList();
    }
}
