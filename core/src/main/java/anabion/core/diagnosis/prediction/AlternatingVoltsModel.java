package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Effective alternating volts that hypotheses foresee: of windings, heaters and plates of rectifiers, which go with the line, and of ripple.
 *
 * <p>Where the chart has alternating volts, what a winding gives beyond its entered volts is the design's: all states have that share more.
 */
final class AlternatingVoltsModel {
    /** Meter, copper and iron: what a winding gives under load is known to some hundredths. */
    private static final double METER = 0.04;
    /** A rectifying meter is made for sines: of what a vibrator gives it shows a tenth more or less. */
    private static final double SQUARE = 0.1;
    /** Ripple goes with the capacitors that are fitted, which are twice what is printed on them or a little less. */
    private static final double RIPPLE = 0.3;
    /** Farads from which a capacitor holds a net against what alternates there. */
    private static final double HOLDS = 1e-6;
    /** Volts that a meter picks up from nothing. */
    private static final double PICKED_UP = 0.1;
    /** A fault without degrees still differs from set to set, as a share of all that it changes. */
    private static final double ALONE = 0.05;
    /** Volts from which a chart says something of a winding, and by which factor at most it may be right. */
    private static final double CHARTED = 1;

    private static final double ODD = 1.5;
    /** Alternating volts above which a net is one of the mains' side. */
    private static final double OF_WINDING = 1;

    private final Chassis chassis;
    private final Simulator engine;
    private final SettingGrid settings;
    private final FaultState well;
    private final Sources sources;
    private final double meter;
    private Optional<Map<List<String>, Double>> charted = Optional.empty();

    AlternatingVoltsModel(Chassis chassis, Simulator engine, SettingGrid settings, FaultState well, Sources sources) {
        this.chassis = chassis;
        this.engine = engine;
        this.settings = settings;
        this.well = well;
        this.sources = sources;
        this.meter = AcSupply.vibrator(chassis).isPresent() ? Math.hypot(METER, SQUARE) : METER;
    }

    /**
     * What a meter shows.
     *
     * @param ends of the hypothesis's severity
     * @param range width of all that it can show: what is not foreseen is as likely anywhere there, under every hypothesis
     * @return empty where its circuit does not settle
     */
    Optional<GaussianPrediction> foreseen(Hypothesis h, SeverityInterval ends, AlternatingVolts p, double range) {
        Setting near = settings.near(p.setting());
        Optional<FaultResponse> from = ends.least().shown(engine, near);
        Optional<FaultResponse> to = ends.most().shown(engine, near);
        Optional<FaultResponse> sound = well.shown(engine, near);
        if (from.isEmpty() || to.isEmpty() || sound.isEmpty()) return Optional.empty();
        if (!known(sound.get(), p))
            return Optional.of(new GaussianPrediction(0, sources.none(), range / Math.sqrt(2 * Math.PI)));
        double scale = p.setting().line() / near.line() * ratio(p);
        double a = scale * from.get().alternating(p.net(), p.against());
        double b = ends.graded() ? scale * to.get().alternating(p.net(), p.against()) : a;
        double stands = scale * sound.get().alternating(p.net(), p.against());
        double middle = (a + b) / 2;
        double[] shares = sources.none();
        int line = sources.parts().indexOf(Setting.LINE);
        shares[line] = sources.spreads().get(line) * middle;
        shares[sources.severity()] =
                ends.graded() ? SeverityInterval.SEVERITY * (b - a) : h.sound() ? 0 : ALONE * (a - stands);
        double error = stands > OF_WINDING && winding(sound.get(), p) ? meter * middle : RIPPLE * middle;
        return Optional.of(new GaussianPrediction(middle, shares, Math.hypot(error, PICKED_UP)));
    }

    /**
     * Whether it is foreseen at all: of what the mains drives, and of a net that a large capacitor holds. Elsewhere a meter shows signals and hum that nobody
     * asked for.
     */
    private boolean known(FaultResponse sound, AlternatingVolts p) {
        return sound.atRest().alternating(p.net(), p.against()) > OF_WINDING || held(p.net()) || held(p.against());
    }

    private boolean held(String net) {
        return !net.equals(chassis.reference())
                && chassis.parts().stream()
                        .anyMatch(c -> c.touches(net)
                                && c.component() instanceof Component.Capacitor k
                                && k.farads().stream().anyMatch(f -> f >= HOLDS));
    }

    private static boolean winding(FaultResponse sound, AlternatingVolts p) {
        return sound.atRest().ripples().keySet().stream().noneMatch(r -> r.equals(p.net()) || r.equals(p.against()));
    }

    private double ratio(AlternatingVolts p) {
        if (charted.isEmpty())
            charted = Optional.of(chassis.chart().map(this::ratios).orElse(Map.of()));
        return charted.get().getOrDefault(List.of(p.net(), p.against()), 1.0);
    }

    /** By nets, charted volts over those of the sound circuit. */
    private Map<List<String>, Double> ratios(Chart chart) {
        Map<List<String>, Double> all = new HashMap<>();
        Points points = Points.of(chassis);
        double line = chart.conditions().line();
        Setting near = settings.near(Setting.of(line));
        Optional<FaultResponse> sound = well.shown(engine, near);
        if (sound.isEmpty()) return all;
        for (var row : chart.rows()) {
            if (row.measure() != Measure.AC_VOLTS || row.value() < CHARTED) continue;
            String net = points.need(row.point()).net();
            double computed = sound.get().alternating(net, chassis.reference()) * line / near.line();
            double ratio = row.value() / Math.max(computed, PICKED_UP);
            if (ratio < ODD && ratio > 1 / ODD) all.put(List.of(net, chassis.reference()), ratio);
        }
        return all;
    }
}
