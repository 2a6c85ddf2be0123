package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.job.Outcome;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import anabion.core.signal.Loudness;
import anabion.core.signal.OscillatorFrequency;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.Fuses;
import anabion.core.simulation.dc.IronLoss;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.SupplyDraw;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;

/** A faulty specimen on the bench of somebody whose meter is good to 2 %, who hears within some decibels, and whose probe slips now and then. */
final class SimulatedBench implements Bench {
    private static final double METER = 0.02;
    private static final double DIGIT = 0.01;
    /** Deviation of where a specimen's oscillator runs. */
    private static final double DIAL = 0.02;

    private static final double SLIP = 0.02;
    /** A bad part that is passed, and a good one that is condemned, so often. */
    private static final double MISSED = 0.05;

    private static final double ACCUSED = 0.02;
    /** A bad joint that shows when its part is tapped. */
    private static final double SHAKEN = 0.5;
    /** A tester's error, and the share of a new tube's emission below which it rejects. */
    private static final double TESTER = 0.15;

    private static final double REJECTED = 0.7;
    private static final double EAR = 2.5;
    private static final double MISHEARD = 0.02;
    /** Deviations in decibels of generator and output meter together, and of how well a specimen's cores and coils are set. */
    private static final double GENERATOR = 1;

    private static final double ALIGNED = 2;
    /** Volts of the generator at most. */
    private static final double STRONGEST = 10;

    private static final double NOTHING = -30;
    private static final double WEAK = -8;
    private static final double HUMS = 14;
    /** Sound specimens with which a faulty one is compared. */
    private static final int SOUND = 12;

    private static final double BEYOND = 2.5;

    private final Planted planted;
    private final List<Fault> standing;

    private final Map<String, Double> trims;
    private final double line;
    private final Random random;
    private final Simulator engine = new Simulator();
    private final Simulator.PreparedCircuit bench;
    private final double insulation;
    private final double iron;
    private final Map<List<Fault>, ColdSet> cold = new HashMap<>();
    private final Chassis sound;
    private final Map<String, Double> aligned = new HashMap<>();
    private final Map<String, List<Gains.Level>> gains = new HashMap<>();
    private final Map<String, Optional<Loudness>> now = new HashMap<>();
    private final Map<String, Optional<Loudness>> before = new HashMap<>();

    SimulatedBench(Chassis sound, Planted planted, Map<String, Double> trims, double line, Random random) {
        this.sound = sound;
        this.planted = planted;
        this.trims = trims;
        this.line = line;
        this.random = random;
        Setting on = Setting.of(line).withTrims(trims).withFaults(planted.faults());
        List<Fault> blown = Fuses.blown(planted.chassis(), engine.solve(planted.chassis(), on));
        this.standing = Stream.concat(planted.faults().stream(), blown.stream()).toList();
        this.bench = engine.prepare(planted.chassis(), setting());
        this.insulation = lain();
        this.iron = iron();
    }

    /** What is wrong while it is on: with the fuses that it blows. */
    List<Fault> standing() {
        return standing;
    }

    private Setting setting() {
        return Setting.of(line).withTrims(trims).withFaults(standing);
    }

    /** Insulation of electrolytics that have lain for decades, against usual ones: anything from a twentieth to five times. */
    private double lain() {
        return Math.pow(10, -1.3 + 2 * random.nextDouble());
    }

    /** Watts of its transformer's iron, which are half or twice the usual, as its maker had it. */
    private double iron() {
        OperatingPoint well = engine.solve(sound, Setting.of(line));
        double make = new Random(Double.doubleToLongBits(line)).nextDouble();
        return IronLoss.watts(sound, line * well.mainsAmperes())
                * IronLoss.share(sound, bench.solve(), well, 1)
                * Math.pow(2, 2 * make - 1);
    }

    /** The line as the meter on it shows it. */
    double lineRead() {
        return line * error();
    }

    boolean settles() {
        return bench.solve().converged();
    }

    @Override
    public Observation answer(Measurement probe) {
        if (probe instanceof Measurement.Volts v) return new Observation.Measured(v, volts(v));
        if (probe instanceof AlternatingVolts v) return new Observation.Measured(v, alternating(v));
        if (probe instanceof Amperes a) return new Observation.Measured(a, draw().amperes() * error());
        if (probe instanceof Measurement.Watts w) return new Observation.Measured(w, (draw().watts() + iron) * error());
        if (probe instanceof Frequency f) return new Observation.Measured(f, hertz(f));
        if (probe instanceof Measurement.Ohms o) return new Observation.Measured(o, ohms(o));
        if (probe instanceof Measurement.Value v) return new Observation.Measured(v, value(v));
        if (probe instanceof Measurement.Level l) return level(l);
        if (probe instanceof Measurement.PartTest p) return new Observation.Tested(p, !bad(p));
        return new Observation.Heard(probe, heard(probe));
    }

    /** A tester, or the ear after a swap, is not always right; it passes a tube that has lost little. */
    private boolean bad(Measurement.PartTest p) {
        boolean caught = planted.faults().stream().anyMatch(f -> p.catches(f) && noticed(f));
        if (p instanceof Tapped) return random.nextDouble() < (caught ? SHAKEN : ACCUSED);
        return random.nextDouble() < (caught ? 1 - MISSED : ACCUSED);
    }

    private boolean noticed(Fault f) {
        if (f.mode() != FaultMode.EMISSION) return true;
        return Double.parseDouble(f.amount()) * (1 + TESTER * Specimen.even(random)) < REJECTED;
    }

    private double error() {
        return 1 + METER * Specimen.even(random);
    }

    private String touched(String net) {
        List<String> nets = planted.nets();
        return random.nextDouble() < SLIP ? nets.get(random.nextInt(nets.size())) : net;
    }

    private double volts(Measurement.Volts v) {
        String net = touched(v.net());
        if (net.equals(bench.circuit().reference())) return 0;
        double free = bench.solve().volts(net).orElse(0);
        double shown =
                bench.solveWithMeter(net, v.meter().ohmsAt(free)).volts(net).orElse(free);
        return Math.rint(shown * error() / DIGIT) * DIGIT;
    }

    private double alternating(AlternatingVolts v) {
        double shown = bench.solve().alternating(touched(v.net()), v.against());
        return Math.rint(shown * error() / DIGIT) * DIGIT;
    }

    /** Where the oscillator runs, its dial as far off as a specimen's; far off nobody finds it. */
    private double hertz(Frequency f) {
        Setting well = Setting.of(line).withTrims(trims).withBand(f.band());
        double hertz = sound.band(f.band())
                .flatMap(b -> OscillatorFrequency.of(engine, sound, Setting.of(line), b))
                .map(o -> o.at(
                        f.dial(),
                        planted.faults(),
                        engine.solve(planted.chassis(), setting().withBand(f.band())),
                        engine.solve(sound, well)))
                .orElse(0.0);
        return Double.isNaN(hertz) ? 0 : hertz * (1 + DIAL * random.nextGaussian());
    }

    private SupplyDraw draw() {
        return SupplyDraw.of(planted.chassis(), line, bench.solve());
    }

    private double ohms(Measurement.Ohms o) {
        return cold.computeIfAbsent(o.off(), this::unplugged).between(touched(o.net()), o.against(), o.test())
                * error();
    }

    private ColdSet unplugged(List<Fault> off) {
        List<Fault> all = Stream.concat(off.stream(), planted.faults().stream()).toList();
        return ColdSet.of(planted.chassis(), setting().withFaults(all), insulation);
    }

    /** Of a lifted resistor, or of another that was taken for it. */
    private double value(Measurement.Value v) {
        List<Part> resistors = planted.chassis().parts().stream()
                .filter(p -> p.component() instanceof Component.Resistor)
                .toList();
        String part = random.nextDouble() < SLIP
                ? resistors.get(random.nextInt(resistors.size())).reference()
                : v.part();
        Component.Resistor r =
                (Component.Resistor) planted.chassis().part(part).orElseThrow().component();
        double sound = r.ohms() * trims.getOrDefault(part, 1.0);
        return new Faults(planted.chassis(), planted.faults()).ohms(part, sound) * error();
    }

    /** What the generator must give at this point, or where the probe slipped to; where none is strong enough, what is heard from there. */
    private Observation level(Measurement.Level l) {
        List<Gains.Level> all = gains.computeIfAbsent(l.band(), this::gains);
        Optional<Gains.Level> at = random.nextDouble() < SLIP && !all.isEmpty()
                ? Optional.of(all.get(random.nextInt(all.size())))
                : all.stream()
                        .filter(x -> x.domain() == l.domain() && x.point().equals(l.point()))
                        .findFirst();
        double off = GENERATOR * random.nextGaussian();
        if (l.domain() != Domain.AF) off += aligned.computeIfAbsent(l.band(), b -> ALIGNED * random.nextGaussian());
        double volts = at.map(Gains.Level::volts).orElse(STRONGEST) * Math.pow(10, off / 20);
        return volts < STRONGEST ? new Observation.Measured(l, volts) : answer(l.ear());
    }

    private List<Gains.Level> gains(String band) {
        Setting loud = setting().withControls(Controls.volume(planted.chassis(), 1));
        return planted.chassis()
                .band(band)
                .flatMap(b -> Gains.of(engine, planted.chassis(), loud, b))
                .map(Gains::levels)
                .orElse(List.of());
    }

    private Outcome heard(Measurement probe) {
        if (random.nextDouble() < MISHEARD) return Outcome.values()[random.nextInt(3)];
        Heard h = compared(probe);
        double change = h.change() + EAR * random.nextGaussian();
        if (h.hum() > HUMS + EAR * random.nextGaussian()) return Outcome.HUM;
        if (change < NOTHING) return Outcome.NOTHING;
        if (h.distorted()) return Outcome.DISTORTED;
        return change < WEAK ? Outcome.WEAK : Outcome.LOUD;
    }

    /** Decibels by which signal and hum differ from the same specimen without its fault. */
    private record Heard(double change, double hum, boolean distorted) {}

    private Heard compared(Measurement probe) {
        Measurement.Listen listened =
                probe instanceof Measurement.Inject i ? new Measurement.Listen(i.band()) : (Measurement.Listen) probe;
        Measurement.Listen plain = new Measurement.Listen(listened.band());
        Optional<Loudness> good = before.computeIfAbsent(plain.key(), k -> loudness(sound, List.of(), plain));
        Optional<Loudness> bad =
                now.computeIfAbsent(listened.key(), k -> loudness(planted.chassis(), standing, listened));
        if (good.isEmpty() || bad.isEmpty()) return new Heard(-200, 0, false);
        String point = probe instanceof Measurement.Inject i
                ? Loudness.key(i.domain(), i.point())
                : good.get().whole();
        return new Heard(
                bad.get().heard(point) - good.get().decibels().getOrDefault(point, 0.0),
                bad.get().heardHum() - good.get().hum(),
                bad.get().distorted() && !good.get().distorted());
    }

    private Optional<Loudness> loudness(Chassis chassis, List<Fault> faults, Measurement.Listen listened) {
        Map<String, Double> pots = new HashMap<>(Controls.volume(chassis, 1));
        pots.putAll(listened.controls());
        Setting set = setting().withFaults(faults).withControls(pots);
        return chassis.band(listened.band()).flatMap(b -> Loudness.of(engine, chassis, set, b));
    }

    /** Whether the fault moves anything that can be measured further than sound specimens differ, or can be heard. */
    boolean shows(List<Measurement> allowed) {
        int n = allowed.size();
        double[] sum = new double[n];
        double[] squares = new double[n];
        double[] same = numbers(sound, List.of(), trims, 1, allowed);
        double[] faulty = numbers(planted.chassis(), planted.faults(), trims, 1, allowed);
        for (int k = 0; k < SOUND; k++) {
            double[] other = numbers(sound, List.of(), Specimen.of(sound, random, false), lain(), allowed);
            for (int p = 0; p < n; p++) {
                sum[p] += other[p];
                squares[p] += other[p] * other[p];
            }
        }
        for (int p = 0; p < n; p++) {
            double spread = Math.sqrt(Math.max(0, squares[p] / SOUND - Math.pow(sum[p] / SOUND, 2)));
            double meter = allowed.get(p) instanceof Measurement.Volts ? METER * Math.abs(same[p]) + 0.1 : 0.05;
            if (Math.abs(faulty[p] - same[p]) > BEYOND * spread + meter) return true;
        }
        return allowed.stream().anyMatch(p -> !(p instanceof Measurement.Metered) && audible(p));
    }

    private double[] numbers(
            Chassis chassis,
            List<Fault> faults,
            Map<String, Double> parts,
            double electrolytics,
            List<Measurement> allowed) {
        Setting setting = Setting.of(line).withTrims(parts).withFaults(faults);
        var volts = engine.prepare(chassis, setting).solve();
        ColdSet unplugged = ColdSet.of(chassis, setting, electrolytics);
        return allowed.stream()
                .mapToDouble(p -> p instanceof Measurement.Volts v
                        ? volts.volts(v.net()).orElse(0)
                        : p instanceof Measurement.Ohms o ? logOhms(unplugged, o) : 0)
                .toArray();
    }

    private static double logOhms(ColdSet set, Measurement.Ohms o) {
        return Math.log(Math.max(0.3, Math.min(2e7, set.between(o.net(), o.against(), o.test()))));
    }

    /** Plainly, without the errors of an ear. */
    private boolean audible(Measurement p) {
        Heard h = compared(p);
        return h.change() < WEAK || h.hum() > HUMS || h.distorted();
    }
}
