package anabion.instruments.simulated;

import anabion.core.chassis.Band;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.prediction.AudibilityModel;
import anabion.core.job.Outcome;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What comes out of the speaker: from the air, or from a generator at some point. Not for several threads. */
final class Ear {
    /** Decibels above the standard output from which a set gives more and more slowly: volume control by its carrier, and what its output stage can. */
    private static final double FREE = 12;
    /** Decibels of what does not come through. */
    private static final double LOST = -120;

    private final SimulatedSet set;
    private final Points points;
    private final Simulator engine = new Simulator();
    private final Map<Setting, Optional<Loudness>> loud = new HashMap<>();
    private final Map<Setting, Optional<Gains>> gains = new HashMap<>();

    Ear(SimulatedSet set) {
        this.set = set;
        this.points = Points.of(set.chassis());
    }

    /**
     * A generator's lead and what it gives there.
     *
     * @param dial where the set is tuned, in hertz; empty where it is kept on the signal
     */
    record Injected(String point, Domain domain, double hertz, double volts, OptionalDouble dial) {}

    private Optional<Band> band() {
        return set.chassis().band(set.band()).or(() -> set.chassis().bands().stream()
                .findFirst());
    }

    private Setting fullUp(Setting setting) {
        return setting.withControls(Controls.volume(set.chassis(), 1));
    }

    private Setting asItIs() {
        return fullUp(set.sound().withLine(set.load().volts()).withFaults(set.faults()));
    }

    private Optional<Loudness> loudness(Setting setting) {
        return loud.computeIfAbsent(setting, a -> band().flatMap(b -> Loudness.of(engine, set.chassis(), setting, b)));
    }

    private Optional<Gains> gains() {
        return gains.computeIfAbsent(asItIs(), a -> band().flatMap(b -> Gains.of(engine, set.chassis(), a, b)));
    }

    /** Stations on the air, against the same specimen when nothing was wrong. */
    Outcome onTheAir() {
        if (!warm()) return Outcome.NOTHING;
        Optional<Loudness> sound = loudness(fullUp(set.sound()));
        return sound.map(s -> AudibilityModel.usual(s, loudness(asItIs()), s.whole()))
                .orElse(Outcome.NOTHING);
    }

    private boolean warm() {
        return set.on() && set.warm();
    }

    /** Effective volts at the speaker, hum included. */
    double volts(Optional<Injected> signal) {
        if (!warm()) return 0;
        Optional<Gains> g = gains();
        if (g.isEmpty()) return 0;
        double given = signal.map(s -> given(s, g.get())).orElse(0.0);
        return Math.hypot(given, g.get().hum());
    }

    private double given(Injected s, Gains g) {
        Optional<Gains.Level> level = g.levels().stream()
                .filter(l -> l.domain() == s.domain() && net(l.point()).equals(net(s.point())) && l.heard())
                .findFirst();
        if (level.isEmpty()) return 0;
        double decibels = 20 * Math.log10(s.volts() / level.get().volts()) + detuned(s, level.get(), g);
        double heard = decibels <= FREE ? decibels : FREE + (decibels - FREE) / 10;
        return g.output() * Math.pow(10, heard / 20);
    }

    private String net(String point) {
        return points.find(point).map(Point::net).orElse(point);
    }

    /** Decibels by which a signal off its frequency is weaker. */
    private double detuned(Injected s, Gains.Level at, Gains g) {
        if (s.domain() == Domain.AF) return at(g.sound(), s.hertz()) - at(g.sound(), at.hertz());
        if (s.domain() == Domain.RF && s.dial().isPresent())
            return carrier(s.dial().getAsDouble(), s.hertz(), g);
        if (g.selectivity().isEmpty()) return 0;
        double middle = middle(g.selectivity());
        return at(g.selectivity(), middle + s.hertz() - at.hertz());
    }

    /** A carrier through the gang's circuits as they stand; whoever seeks its beat with an oscillator that is lost hears nothing. */
    private double carrier(double dial, double hertz, Gains g) {
        Optional<Adjustments.Arrived> arrived = band().flatMap(b -> set.arrived(b, dial, hertz));
        if (arrived.isEmpty()) return LOST;
        double shifted = 0;
        if (!g.selectivity().isEmpty()) {
            double middle = middle(g.selectivity());
            shifted = at(g.selectivity(), middle + arrived.get().shift()) - at(g.selectivity(), middle);
        }
        return shifted + arrived.get().decibels();
    }

    /** Where the response is told from: the intermediate frequency, whatever the cores peak at. */
    private static double middle(List<Gains.Response> r) {
        return r.get(r.size() / 2).hertz();
    }

    private static double at(List<Gains.Response> r, double hertz) {
        if (r.isEmpty()) return 0;
        if (hertz <= r.get(0).hertz()) return r.get(0).decibels();
        for (int n = 1; n < r.size(); n++) {
            Gains.Response a = r.get(n - 1);
            Gains.Response b = r.get(n);
            if (hertz > b.hertz()) continue;
            double share = (hertz - a.hertz()) / (b.hertz() - a.hertz());
            return a.decibels() + share * (b.decibels() - a.decibels());
        }
        return r.get(r.size() - 1).decibels();
    }
}
