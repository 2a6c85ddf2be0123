package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.PartStress;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.error.InputException;
import anabion.core.job.Outcome;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.Calibration;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What every hypothesis about a chassis shows at every measurement. Everything is computed when first asked for and kept, so that a new reading costs
 * little. Settings whose lines differ a little share one solution: each is computed at the nearest step of a {@link SettingGrid} and
 * moved by the slope against the line. Not for several threads at once; where much is wanted at once it uses all processors itself.
 */
public final class PredictionModel {
    /** All that a voltmeter may show, in highest rails; and the least rail. */
    private static final double WIDTH = 1.6;

    private static final double LEAST_RAIL = 5;
    /** Answers kept in full, and in brief: some tens of megabytes each. */
    private static final int FORESEEN = 80_000;

    private static final int OUTLOOKS = 400_000;

    private static final int FEW = 8;
    /** A chart was taken on another specimen: so much of its deviations is taken for the design's own, as a power of the factor. */
    private static final double OF_THE_DESIGN = 0.5;

    private final Chassis chassis;
    private final Setting usual;
    private final List<Hypothesis> hypotheses;
    private List<List<FaultState>> ladders = List.of();
    private final Map<List<Fault>, Hypothesis> listed;
    private final Hypothesis healthy;
    private final double widest;
    private final double little;
    private final SupplyDrawModel draw;
    private final AlternatingVoltsModel alternating;
    private final OscillatorModel oscillators;
    private final VoltsModel volts;
    private final SoundSet soundSet;
    private final SlipDensity slips;

    private final Simulator engine = new Simulator();
    private final ParallelSolver together = new ParallelSolver();
    private final SeverityBisection bisection = new SeverityBisection(together);
    private final FaultStates states;
    private final FaultState well;
    private final Sources sources;
    private final ColdResistanceModel cold;
    private final SignalLevelModel levels;
    private Set<Measurement.Ohms> unplugged = Set.of();
    private final SettingGrid settings;
    private final Map<List<Object>, List<Measurement>> allowed = new HashMap<>();
    private final PredictionCache<Measurement.Metered, Optional<GaussianPrediction>> foreseen =
            new PredictionCache<>(FORESEEN);
    private final PredictionCache<Measurement.Metered, double[]> outlooks = new PredictionCache<>(OUTLOOKS);
    private final PredictionCache<Measurement, double[]> heard = new PredictionCache<>(OUTLOOKS);

    /**
     * Without a chart, whatever the chassis has.
     *
     * @throws InputException if the circuit does not settle even when sound, or what feeds it is not known
     */
    public PredictionModel(Chassis chassis, Priors priors) {
        this(chassis, Map.of(), ChartResidue.NONE, priors);
    }

    /**
     * @param fitted to its chart; empty without one
     * @throws InputException if the circuit does not settle even when sound, or what feeds it is not known
     */
    public PredictionModel(Chassis chassis, Optional<Calibration> fitted, Priors priors) {
        this(
                chassis,
                fitted.map(Calibration::trims).orElse(Map.of()),
                fitted.map(c -> ChartResidue.of(chassis, c)).orElse(ChartResidue.NONE),
                priors);
    }

    /** @param trims factors by which the charted specimen's parts differ from nominal */
    PredictionModel(Chassis chassis, Map<String, Double> trims, ChartResidue residue, Priors priors) {
        this.chassis = chassis;
        Map<String, Double> shared = new HashMap<>();
        trims.forEach((part, factor) -> shared.put(part, Math.pow(factor, OF_THE_DESIGN)));
        this.little = VoltsModel.little(chassis);
        this.usual = Setting.fed(chassis).withTrims(shared);
        this.settings = new SettingGrid(usual);
        this.states = new FaultStates(chassis);
        this.well = states.well();
        FaultResponse sound = well.shown(engine, settings.near(usual))
                .orElseThrow(() -> InputException.at(chassis.name())
                        .because("its circuit does not settle even when sound")
                        .so("look at the checks of the Study sheet first"));
        this.hypotheses = Hypothesis.of(chassis, priors, PartStress.of(chassis, sound.atRest()));
        // a capacitor entered with no farads has severities that are all the same
        this.listed = hypotheses.stream().collect(Collectors.toMap(Hypothesis::from, h -> h, (one, other) -> one));
        this.healthy = hypotheses.get(hypotheses.size() - 1);
        this.sources = Sources.of(chassis, sound.sources());
        this.volts = new VoltsModel(chassis, engine, settings, well, sources, residue);
        this.draw = new SupplyDrawModel(chassis, usual, sound, sources);
        this.alternating = new AlternatingVoltsModel(chassis, engine, settings, well, sources);
        this.oscillators = new OscillatorModel(engine, chassis, usual, settings, well, sources);
        this.cold = new ColdResistanceModel(usual, well, sources);
        this.levels = new SignalLevelModel(engine, chassis, loud(), well, sources);
        this.soundSet = new SoundSet(
                chassis, usual, x -> well.shown(engine, settings.near(x)).map(FaultResponse::atRest));
        this.slips = new SlipDensity(chassis, x -> well.shown(engine, settings.near(x)), cold);
        this.widest = WIDTH
                * Simulator.nets(chassis).stream()
                        .mapToDouble(n -> Math.abs(sound.free(n)))
                        .reduce(LEAST_RAIL, Math::max);
    }

    /** The set of which it foretells readings. */
    public Chassis chassis() {
        return chassis;
    }

    /** All that can be wrong with it, and a sound set. */
    public List<Hypothesis> hypotheses() {
        return hypotheses;
    }

    /** What was computed of its single faults, to be kept from one start to the next. */
    public ComputedStates computed() {
        return new ComputedStates(states, !cold.quick());
    }

    /** Where it is worth asking for an oscillator's frequency. */
    public List<Frequency> frequencies() {
        return oscillators.asked();
    }

    /** The sound set at work, and what may be done with it. */
    public SoundSet soundSet() {
        return soundSet;
    }

    /** That nothing on the list is wrong. */
    public Hypothesis healthy() {
        return healthy;
    }

    /** What can be done without lifting anything: one list to a setting and meter, since what is foreseen is kept by its members. */
    public List<Measurement> allowed(Setting setting, MeterSpec meter, Set<String> levelled) {
        if (allowed.size() > FEW) allowed.clear();
        return allowed.computeIfAbsent(
                List.of(setting, meter, levelled),
                k -> Measurements.levels(this, Measurements.of(this, setting, meter), levelled));
    }

    /** Ohms of every net and across parts: the same whatever the line, so that what is foreseen of them is kept. */
    public Set<Measurement.Ohms> unplugged() {
        if (unplugged.isEmpty()) unplugged = Measurements.ohms(chassis, cold.quick());
        return unplugged;
    }

    /** Electrolytics through which an ohmmeter sees a sound set, the one that takes most first. */
    public List<String> through(Measurement.Ohms p) {
        return cold.through(p);
    }

    /** Computes at once, on all processors, what single hypotheses show at volts or ohms; singly it would be computed when asked for. */
    public void ready(Collection<Hypothesis> of, Collection<? extends Measurement> measurements) {
        List<List<FaultState>> ladders = ladders(of);
        measurements.stream()
                .flatMap(this::poweredBy)
                .map(settings::near)
                .distinct()
                .limit(FEW)
                .forEach(s -> {
                    states.well().shown(engine, s); // others start from there
                    bisection.over(ladders, SeverityAnswers.shown(s));
                });
        cold.ready(bisection, ladders, measurements);
        heardReady(
                of,
                measurements.stream()
                        .filter(Measurement.Level.class::isInstance)
                        .toList());
    }

    /** The setting in which a measurement is made with the power on. */
    private Stream<Setting> poweredBy(Measurement m) {
        if (m instanceof Frequency f) return Stream.of(oscillators.setting(f));
        return m instanceof Measurement.Powered p ? Stream.of(p.setting()) : Stream.empty();
    }

    private List<List<FaultState>> ladders(Collection<Hypothesis> of) {
        if (of != hypotheses) return states.ladders(of);
        if (ladders.isEmpty()) ladders = states.ladders(of);
        return ladders;
    }

    /** Computes how bands sound, which the measurements ask for. */
    public void heardReady(Collection<Hypothesis> of, Collection<? extends Measurement> measurements) {
        List<Measurement.Listen> listened = measurements.stream()
                .map(PredictionModel::listened)
                .flatMap(Optional::stream)
                .distinct()
                .toList();
        if (listened.isEmpty()) return;
        List<List<FaultState>> ladders = ladders(of);
        for (Measurement.Listen l : listened) bisection.over(ladders, SeverityAnswers.heard(loud(), l));
    }

    /** How a set is listened to where a measurement is heard. */
    private static Optional<Measurement.Listen> listened(Measurement p) {
        if (p instanceof Measurement.Inject i) return Optional.of(new Measurement.Listen(i.band()));
        if (p instanceof Measurement.Tap t) return Optional.of(new Measurement.Listen(t.band()));
        if (p instanceof Measurement.Level l) return Optional.of(new Measurement.Listen(l.band()));
        return p instanceof Measurement.Listen l ? Optional.of(l) : Optional.empty();
    }

    // --- volts and ohms ---

    /** Empty where the circuit of the hypothesis does not settle. */
    public Optional<GaussianPrediction> at(Hypothesis h, Measurement.Metered measurement) {
        return foreseen.of(measurement, h, x -> computed(x, measurement));
    }

    /** What each hypothesis shows at a measurement. */
    public List<Optional<GaussianPrediction>> at(List<Hypothesis> all, Measurement.Metered measurement) {
        return foreseen.of(measurement, all, h -> computed(h, measurement));
    }

    private Optional<GaussianPrediction> computed(Hypothesis h, Measurement.Metered measurement) {
        Optional<GaussianPrediction> all = whole(h, measurement);
        List<Hypothesis> each = h.apart().stream()
                .flatMap(a -> Optional.ofNullable(listed.get(a.from())).stream())
                .toList();
        if (each.size() < 2) return all;
        return all.map(f -> f.apart(severe(each.get(0), measurement), severe(each.get(1), measurement)));
    }

    private double severe(Hypothesis h, Measurement.Metered measurement) {
        return h.graded() ? at(h, measurement).map(f -> f.severe(0)).orElse(0.0) : 0;
    }

    /** Of two faults both as severe. */
    private Optional<GaussianPrediction> whole(Hypothesis h, Measurement.Metered measurement) {
        if (measurement instanceof Measurement.Volts v) return volts.foreseen(h, states.of(h), v);
        if (measurement instanceof AlternatingVolts v) return alternating.foreseen(h, states.of(h), v, widest);
        if (measurement instanceof Frequency f) return oscillators.foreseen(states.of(h), f);
        if (measurement instanceof Measurement.Powered p)
            return draw.foreseen(states.of(h), p, x -> x.shown(engine, settings.near(p.setting())));
        if (measurement instanceof Measurement.Ohms o) return Optional.of(cold.foreseen(states.of(h), o));
        if (measurement instanceof Measurement.Value v) {
            Part part = chassis.part(v.part()).orElseThrow();
            return Optional.of(cold.itself(states.of(h), part, (Component.Resistor) part.component()));
        }
        return levels.foreseen(states.of(h), (Measurement.Level) measurement);
    }

    /** What a hypothesis shows at every reading; empty if one is not known. */
    public Optional<List<GaussianPrediction>> all(Hypothesis h, List<Observation.Measured> readings) {
        return all(List.of(h), readings).get(0);
    }

    /** What each hypothesis shows at every reading; empty if one is not known. */
    public List<Optional<List<GaussianPrediction>>> all(
            List<Hypothesis> hypotheses, List<Observation.Measured> readings) {
        List<List<Optional<GaussianPrediction>>> each =
                readings.stream().map(m -> at(hypotheses, m.measurement())).toList();
        return IntStream.range(0, hypotheses.size())
                .mapToObj(h -> {
                    List<GaussianPrediction> all = new ArrayList<>();
                    each.forEach(f -> f.get(h).ifPresent(all::add));
                    return Optional.of(all).filter(a -> a.size() == each.size());
                })
                .toList();
    }

    /** Width of all that a measurement can show, in that scale. */
    public double range(Measurement.Metered measurement) {
        if (measurement instanceof Measurement.Volts) return widest;
        if (measurement instanceof AlternatingVolts) return widest;
        if (measurement instanceof Measurement.Powered p) return draw.range(p);
        if (measurement instanceof Frequency) return LogScale.HERTZ.range();
        return measurement instanceof Measurement.Level ? LogScale.VOLTS.range() : LogScale.OHMS.range();
    }

    /** Volts near zero that say nothing. */
    public double little() {
        return little;
    }

    /** Density of a value, in the scale of its measurement, that was taken somewhere else: see {@link SlipDensity}. */
    public double slip(Measurement.Metered measurement, double value) {
        return slips.of(measurement, value, range(measurement));
    }

    /** What a hypothesis shows at a measurement in brief: middle, deviation and what lain electrolytics do; not a number where unsettled. */
    public double[] outlook(Hypothesis h, Measurement.Metered measurement) {
        return outlooks.of(measurement, h, x -> brief(x, measurement));
    }

    /** What each hypothesis shows at a measurement, in brief. */
    public List<double[]> outlook(List<Hypothesis> all, Measurement.Metered measurement) {
        return outlooks.of(measurement, all, h -> brief(h, measurement));
    }

    private double[] brief(Hypothesis h, Measurement.Metered measurement) {
        return computed(h, measurement)
                .map(f -> new double[] {f.value(), f.deviation(), f.lain()})
                .orElse(new double[] {Double.NaN, Double.NaN, 0});
    }

    // --- sound ---

    /** The odds of every outcome of what has no number: of {@link Outcome} where it is heard, of bad and good where a part is tried. */
    public double[] said(Hypothesis h, Measurement measurement) {
        return measurement instanceof Measurement.PartTest p
                ? PartTestModel.odds(h, p)
                : heard.of(measurement, h, x -> heard(x, measurement));
    }

    /** The odds of every outcome where nothing is known. */
    public static double[] unknown(Measurement measurement) {
        return measurement instanceof Measurement.PartTest ? PartTestModel.unknown() : AudibilityModel.unknown();
    }

    /** The odds of every outcome of listening, in the order of {@link Outcome}; even where nothing is known of the band. */
    private double[] heard(Hypothesis h, Measurement measurement) {
        Measurement.Listen listened = listened(measurement).orElseThrow();
        SeverityInterval ends = states.of(h);
        Optional<Loudness> sound = loudness(listened.band());
        Optional<Loudness> from = ends.least().heard(engine, loud(), listened);
        Optional<Loudness> to = ends.most().heard(engine, loud(), listened);
        if (sound.isEmpty() || from.isEmpty() || to.isEmpty()) return AudibilityModel.unknown();
        double[] one = called(sound.get(), from.get(), measurement);
        return !ends.graded() ? one : AudibilityModel.mean(one, called(sound.get(), to.get(), measurement));
    }

    /** Whether the answer to a measurement without a number costs next to nothing: of a part tried, and of a band that was computed. */
    public boolean knows(Hypothesis h, Measurement measurement) {
        return listened(measurement)
                .map(l -> states.of(h).least().heard(l) && states.of(h).most().heard(l))
                .orElse(true);
    }

    private static double[] called(Loudness sound, Loudness now, Measurement measurement) {
        if (measurement instanceof Measurement.Tap t)
            return AudibilityModel.traced(sound, now, Loudness.key(t.domain(), t.point()));
        return AudibilityModel.odds(
                sound,
                now,
                measurement instanceof Measurement.Inject i ? Loudness.key(i.domain(), i.point()) : sound.whole());
    }

    /** With the volume full up. */
    public Setting loud() {
        return usual.withControls(Controls.volume(chassis, 1));
    }

    /** A level for an outcome; empty where a sound set brings nothing through. */
    public Optional<Measurement.Level> level(Measurement.Inject i) {
        return Optional.of(new Measurement.Level(i.band(), i.domain(), i.point()))
                .filter(levels::known);
    }

    /** What a band of a sound set lets through; empty where that is not known. */
    public Optional<Loudness> loudness(String band) {
        return well.heard(engine, loud(), new Measurement.Listen(band));
    }
}
