package anabion.workshop.report;

import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.job.SoakEntry;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerReading.What;
import anabion.core.power.Rail;
import anabion.core.power.SupplyPoint;
import anabion.core.soak.SoakRun;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What a set did over volts and over hours, as figures: its first power and its soak. */
final class RecordFigures {
    private static final double WIDTH = 86;
    private static final double HEIGHT = 44;
    private static final double HEADROOM = 1.15;
    /** Per cent of drift that are always shown. */
    private static final double DRIFT = 4;

    private final SetRecord set;
    private final Words words;

    RecordFigures(SetRecord set, Words words) {
        this.set = set;
        this.words = words;
    }

    /** The main rail as the line was turned up, beside what it should have been; empty where nothing was read, or the circuit does not foresee it. */
    List<Figure> power() {
        Job job = set.job();
        if (job.power().entries().isEmpty() || set.chassis().parts().isEmpty()) return List.of();
        try {
            PowerModel model = PowerModel.sound(set.chassis());
            PowerProgress progress = PowerProgress.of(set.chassis(), job, model);
            return model.rail().stream()
                    .flatMap(r -> power(model, r, plotted(progress)).stream())
                    .toList();
        } catch (InputException e) {
            return List.of(); // its supply is not entered: nothing is foreseen, and the log says what was read
        }
    }

    private static List<PowerProgress.Plotted> plotted(PowerProgress progress) {
        List<PowerProgress.Plotted> read = progress.plotted().isEmpty() ? progress.before() : progress.plotted();
        return read.stream().filter(p -> p.what() == What.RAIL).toList();
    }

    private Optional<Figure> power(PowerModel model, Rail rail, List<PowerProgress.Plotted> read) {
        if (read.isEmpty()) return Optional.empty();
        List<double[]> curve = new ArrayList<>();
        for (SupplyPoint p : model.sound().points())
            if (p.volts() <= model.nominal()) curve.add(new double[] {p.volts(), Math.abs(p.rail(rail.net()))});
        curve.add(new double[] {
            model.nominal(), Math.abs(model.sound().at(model.nominal()).rail(rail.net()))
        });
        double top = HEADROOM
                * Math.max(
                        curve.get(curve.size() - 1)[1],
                        read.stream()
                                .mapToDouble(PowerProgress.Plotted::value)
                                .max()
                                .orElse(0));
        PlotFigure plot = new PlotFigure(WIDTH, HEIGHT, model.nominal(), 0, top)
                .axes("V", "V")
                .curve(curve);
        read.forEach(r -> plot.reading(Math.min(r.volts(), model.nominal()), r.value(), r.out()));
        return Optional.of(plot.figure(
                words.say("report.power.figure", rail.net()), words.say("report.power.alt", rail.net(), read.size())));
    }

    /** Rail and warmth over the hours of the last soak; of each only where it was read. */
    List<Figure> soak() {
        List<SoakEntry> log = set.job().soak();
        if (log.isEmpty()) return List.of();
        SoakRun run =
                SoakRun.of(set.chassis(), set.job(), log.get(log.size() - 1).at());
        double hours = Math.max(0.25, Math.max(hours(run.plan().length()), hours(run.elapsed())));
        List<Figure> all = new ArrayList<>();
        List<double[]> drift = points(run, r -> r.drift().map(d -> 100 * d));
        double limit = 100 * SoakRun.RAIL_LIMIT;
        if (!drift.isEmpty()) {
            double most = Math.max(DRIFT, HEADROOM * most(drift));
            PlotFigure plot = new PlotFigure(WIDTH, HEIGHT, hours, -most, most)
                    .wash(-limit, limit)
                    .axes("%", "h");
            all.add(drawn(plot, run, drift, p -> Math.abs(p[1]) > limit)
                    .figure(words.say("report.soak.rail"), words.say("report.soak.alt", drift.size())));
        }
        List<double[]> rise = points(run, SoakRun.Row::rise);
        if (!rise.isEmpty()) {
            double outside = run.insulation().outside();
            PlotFigure plot = new PlotFigure(WIDTH, HEIGHT, hours, 0, HEADROOM * Math.max(outside, most(rise)))
                    .axes("K", "h")
                    .limit(outside);
            all.add(drawn(plot, run, rise, p -> p[1] > outside)
                    .figure(words.say("report.soak.rise"), words.say("report.soak.alt", rise.size())));
        }
        return all;
    }

    private static PlotFigure drawn(
            PlotFigure plot, SoakRun run, List<double[]> points, Function<double[], Boolean> out) {
        plot.curve(points);
        points.forEach(p -> plot.reading(p[0], p[1], out.apply(p)));
        run.rows().stream()
                .filter(r -> r.entry().kind() == SoakEntry.Kind.EVENT)
                .forEach(r -> plot.event(hours(r.after())));
        return plot;
    }

    private static List<double[]> points(SoakRun run, Function<SoakRun.Row, Optional<Double>> value) {
        return run.rows().stream()
                .flatMap(r -> value.apply(r).stream().map(v -> new double[] {hours(r.after()), v}))
                .toList();
    }

    private static double most(List<double[]> points) {
        return points.stream().mapToDouble(p -> Math.abs(p[1])).max().orElse(0);
    }

    private static double hours(Duration d) {
        return d.toSeconds() / 3600.0;
    }
}
