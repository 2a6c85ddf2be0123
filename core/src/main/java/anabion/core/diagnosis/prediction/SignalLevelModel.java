package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What a generator must give at a point for the standard output on every state of a set, as the common logarithm of volts.
 *
 * <p>Method: what a state lacks is taken from its {@link Loudness}, a tenth of the work of {@link Gains}. A signal before the detector must make up for
 * what is lacking behind it by fewer decibels: at the standard output the detector works where it is about square, and the control line follows. How many
 * fewer is asked of the sound set with its volume turned down. What is lacking before the detector counts whole, since the carrier there, and the control
 * line with it, stand as in a sound set. Parts and tubes move levels as finite differences say, one standard deviation of each, in a sound set. It fails where a fault makes
 * the control line itself wrong: then it is off by what control takes back.
 */
public final class SignalLevelModel {
    private static final double DECIBELS_A_DECADE = 20;
    /** Deviation in decibels of generator and output meter together. */
    private static final double METER = 2;

    /** Of cores and coils, which moves all tuned levels of a set together. */
    private static final double ALIGNED = 2.5;
    /** What is off of a large change, as a share of it: the detector and the control line do not follow it along a straight line. */
    private static final double BENT = 0.2;
    /** Deviation of the line, which nobody writes down with a level, as a fraction. */
    private static final double FED = 0.05;

    /** Volts of a usual generator at most: what needs more is not asked for. */
    private static final double USUAL = 5;

    /** Volts that restorers' generators do not give: what is foreseen above them is as good as out of reach. */
    private static final double STRONGEST = 20;

    /** Decades behind the detector that no carrier makes up for: of the Lark's and the Halcyon's faults gains know a level up to 4.1, and none beyond. */
    private static final double MADE_UP = 4.2;

    private static final double TURNED_DOWN = 0.5;
    private static final double AUDIBLY = 1.2;

    private final Simulator engine;
    private final Chassis chassis;
    private final Setting loud;
    private final FaultState sound;
    private final Sources sources;
    private final Map<String, Optional<Path>> bands = new HashMap<>();

    /**
     * @param loud with the volume full up
     * @param sound the state without a fault
     */
    public SignalLevelModel(Simulator engine, Chassis chassis, Setting loud, FaultState sound, Sources sources) {
        this.engine = engine;
        this.chassis = chassis;
        this.loud = loud;
        this.sound = sound;
        this.sources = sources;
    }

    private static double clamped(double log) {
        return Math.max(LogScale.VOLTS.least(), Math.min(LogScale.VOLTS.most(), log));
    }

    /** Whether it takes more than any generator gives. */
    public static boolean beyond(double volts) {
        return volts > STRONGEST;
    }

    /**
     * A band of a sound set.
     *
     * @param points what is foreseen of them
     * @param behind the last point behind the detector; empty where all are
     * @param share of what is lacking behind the detector that a signal before it must make up for
     */
    private record Path(Loudness usual, Map<String, Sound> points, Optional<String> behind, double share) {
        /** Decades that a state needs more at a point. */
        double more(Loudness now, String key) {
            if (now.beyond().contains(key)) return LogScale.VOLTS.range();
            double all = lacking(now, key);
            if (behind.isEmpty() || late(key)) return all;
            double late = lacking(now, behind.get());
            return late > MADE_UP ? LogScale.VOLTS.range() : all - (1 - share) * late;
        }

        static boolean late(String key) {
            return key.startsWith(Domain.AF.code() + " ");
        }

        private double lacking(Loudness now, String key) {
            double change = AudibilityModel.level(now.decibels().getOrDefault(key, Double.NEGATIVE_INFINITY))
                    - AudibilityModel.level(usual.decibels().getOrDefault(key, 0.0));
            return Math.min(LogScale.VOLTS.range(), -change / DECIBELS_A_DECADE);
        }
    }

    /** What a sound set needs at a point. */
    private static final class Sound {
        private final double value;
        private final double[] shares;

        /** @param shares how each of the sources moves it: to be filled */
        Sound(double value, double[] shares) {
            this.value = value;
            this.shares = shares;
        }
    }

    /** Whether a generator can bring something through a sound set from there. */
    public boolean known(Measurement.Level p) {
        return at(p).filter(f -> f.value < Math.log10(USUAL)).isPresent();
    }

    private Optional<Sound> at(Measurement.Level p) {
        return path(p).map(b -> b.points().get(Loudness.key(p.domain(), p.point())));
    }

    private Optional<Path> path(Measurement.Level p) {
        return bands.computeIfAbsent(p.band(), name -> chassis.band(name).flatMap(this::computed));
    }

    private Optional<Path> computed(Band band) {
        Optional<Gains> gains = Gains.of(engine, chassis, loud, band);
        Optional<Loudness> usual = sound.heard(engine, loud, new Measurement.Listen(band.name()));
        if (gains.isEmpty() || usual.isEmpty()) return Optional.empty();
        Map<String, Sound> points = new LinkedHashMap<>();
        Optional<Gains.Level> behind = Optional.empty();
        Optional<Gains.Level> before = Optional.empty();
        for (Gains.Level l : gains.get().levels()) {
            if (!l.heard() || l.induced()) continue;
            points.put(Loudness.key(l.domain(), l.point()), new Sound(LogScale.VOLTS.of(l.volts()), sources.none()));
            if (l.domain() == Domain.AF) behind = Optional.of(l);
            else if (before.isEmpty()) before = Optional.of(l);
        }
        double share = behind.isPresent() && before.isPresent() ? share(band, behind.get(), before.get()) : 1;
        Path path = new Path(usual.get(), points, behind.map(l -> Loudness.key(l.domain(), l.point())), share);
        for (int k = 0; k < sources.parts().size(); k++) {
            String source = sources.parts().get(k);
            boolean line = source.equals(Setting.LINE);
            int place = line ? sources.fed() : k;
            Loudness.of(
                            engine,
                            chassis,
                            line ? fed() : moved(source, sources.spreads().get(k)),
                            band)
                    .ifPresent(o -> points.forEach((key, at) -> at.shares[place] = path.more(o, key)));
        }
        points.forEach((key, at) -> at.shares[sources.aligned()] = Path.late(key) ? 0 : ALIGNED / DECIBELS_A_DECADE);
        return Optional.of(path);
    }

    /** By how much more it takes before the detector than behind it when the volume is turned down; all of it in a set without a control. */
    private double share(Band band, Gains.Level behind, Gains.Level before) {
        Setting low = loud.withControls(Controls.volume(chassis, TURNED_DOWN));
        Optional<Gains> turned = Gains.of(engine, chassis, low, band);
        double late = turned.map(g -> ratio(g, behind)).orElse(1.0);
        double all = turned.map(g -> ratio(g, before)).orElse(1.0);
        return late < AUDIBLY ? 1 : Math.max(0, Math.min(1, Math.log(all) / Math.log(late)));
    }

    private static double ratio(Gains turned, Gains.Level full) {
        return turned.levels().stream()
                .filter(l -> l.domain() == full.domain() && l.point().equals(full.point()))
                .findFirst()
                .map(l -> l.volts() / full.volts())
                .orElse(1.0);
    }

    private Setting fed() {
        return loud.withLine(loud.line() * (1 - FED));
    }

    private Setting moved(String source, double deviation) {
        Map<String, Double> trims = new LinkedHashMap<>(loud.trims());
        double worn = chassis.part(source).filter(Part::isTube).isPresent() ? FaultResponse.AGED : 1;
        trims.merge(source, 1 + worn * deviation, (a, b) -> a * b);
        return loud.withTrims(trims);
    }

    /** From one severity to another; empty where a circuit does not settle. Where a sound set brings nothing through, nobody foresees anything. */
    public Optional<GaussianPrediction> foreseen(SeverityInterval ends, Measurement.Level p) {
        Optional<Sound> at = at(p);
        if (at.isEmpty())
            return Optional.of(new GaussianPrediction(
                    (LogScale.VOLTS.least() + LogScale.VOLTS.most()) / 2, sources.none(), LogScale.VOLTS.range()));
        Optional<Double> a = needed(ends.least(), p, at.get());
        Optional<Double> b = ends.graded() ? needed(ends.most(), p, at.get()) : a;
        if (a.isEmpty() || b.isEmpty()) return Optional.empty();
        double[] shares = at.get().shares.clone();
        for (int k = 0; k < sources.parts().size(); k++)
            if (ends.least().decides(sources.parts().get(k))) shares[k] = 0;
        shares[sources.severity()] = SeverityInterval.SEVERITY * (b.get() - a.get());
        double middle = (a.get() + b.get()) / 2;
        double noise = Math.hypot(METER / DECIBELS_A_DECADE, BENT * (middle - at.get().value));
        return Optional.of(new GaussianPrediction(middle, shares, noise));
    }

    private Optional<Double> needed(FaultState state, Measurement.Level p, Sound at) {
        Path path = path(p).orElseThrow();
        return state.heard(engine, loud, new Measurement.Listen(p.band()))
                .map(now -> clamped(at.value + path.more(now, Loudness.key(p.domain(), p.point()))));
    }
}
