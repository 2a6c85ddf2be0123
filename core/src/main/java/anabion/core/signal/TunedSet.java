package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.LruCache;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * A superhet's band as its adjusters stand: how much comes to the detector, against the aligned set, with the AVC at rest.
 *
 * <p>Method: the intermediate frequency by its small-signal network; the carrier by the resonances of the front end, each circuit with a loaded quality of
 * {@value #QUALITY}; the converter turns one into the other.
 */
public final class TunedSet {
    /** Of aerial circuits with what hangs on them (usual values of textbooks). */
    private static final double QUALITY = 60;

    private static final int KEPT = 8;

    private final Chassis chassis;
    private final Setting setting;
    private final Band band;
    private final OperatingPoint solved;
    private final SignalPath path;
    private final Ends ends;
    private final FrontEnd frontEnd;
    private final SmallSignal base;
    private final double top;
    /** What was turned last is asked again at other frequencies. Not for several threads. */
    private final LruCache<Map<String, Double>, SmallSignal> networks = new LruCache<>(KEPT);

    private final LruCache<Turned, Function<Double, Double>> heard = new LruCache<>(KEPT);
    private final LruCache<List<Object>, Function<Double, Double>> tuned = new LruCache<>(KEPT);

    private TunedSet(
            Chassis chassis,
            Setting setting,
            Band band,
            OperatingPoint solved,
            SignalPath path,
            Ends ends,
            FrontEnd frontEnd) {
        this.chassis = chassis;
        this.setting = setting;
        this.band = band;
        this.solved = solved;
        this.path = path;
        this.ends = ends;
        this.frontEnd = frontEnd;
        this.base = new Networks(chassis, setting, solved, Optional.of(band)).aligned();
        this.top = size(network(Map.of()), frontEnd.intermediate());
    }

    /** @return empty where the band has no front end, see {@link FrontEnd#of} */
    public static Optional<TunedSet> of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        SignalPath path = SignalPath.of(chassis, band);
        Ends ends = Ends.of(chassis, band, true);
        if (path.converter().isEmpty() || ends.detector().isEmpty()) return Optional.empty();
        Setting here = setting.withBand(band.name());
        return FrontEnd.of(engine, chassis, setting, band)
                .map(f -> new TunedSet(chassis, here, band, engine.solve(chassis, here), path, ends, f));
    }

    public FrontEnd frontEnd() {
        return frontEnd;
    }

    private SmallSignal network(Map<String, Double> trims) {
        return networks.get(trims, () -> {
            Map<String, Double> all = new HashMap<>(setting.trims());
            all.putAll(trims);
            return new Networks(chassis, setting.withTrims(all), solved, Optional.of(band)).aligned(base);
        });
    }

    private double size(SmallSignal network, double hertz) {
        String from = path.converter().orElseThrow().outputNet();
        return ends.atDiode(network.at(hertz).driven(from, chassis.reference())).size();
    }

    /**
     * A generator at the converter.
     *
     * @param trims of cores ({@link Setting#core}) and capacitors
     * @return 1 for the aligned set at its own frequency
     */
    public double intermediate(Map<String, Double> trims, double hertz) {
        return size(network(trims), hertz) / top;
    }

    /**
     * A generator at the aerial.
     *
     * @param oscillator how its circuit is turned
     * @param signals likewise those of the carrier
     * @return 1 for the aligned set where its circuits meet the carrier; 0 where the oscillator is lost
     */
    public double carrier(
            Map<String, Double> trims, Turned oscillator, List<Turned> signals, double dial, double hertz) {
        double brings = heard(dial, oscillator);
        if (!Double.isFinite(brings)) return 0;
        double amount = intermediate(trims, frontEnd.converted(hertz, brings));
        for (int n = 0; n < signals.size(); n++) {
            Turned turned = signals.get(n);
            int which = n;
            double resonance = tuned.get(List.of(n, turned), () -> frontEnd.tunes(which, turned))
                    .apply(dial);
            if (!Double.isFinite(resonance)) return 0;
            amount *= response(hertz, resonance);
        }
        return amount;
    }

    /** The frequency that is heard at a place of the dial, see {@link FrontEnd#heard}. */
    public double heard(double dial, Turned oscillator) {
        return heard.get(oscillator, () -> frontEnd.receives(oscillator)).apply(dial);
    }

    /** Of a circuit of the carrier: 1 at its resonance. */
    public static double response(double hertz, double resonance) {
        return 1 / Math.hypot(1, QUALITY * (hertz / resonance - resonance / hertz));
    }
}
