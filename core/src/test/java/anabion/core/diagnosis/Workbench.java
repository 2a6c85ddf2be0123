package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.signal.Gains;
import anabion.core.signal.Loudness;
import anabion.core.signal.OscillatorFrequency;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.IronLoss;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.SupplyDraw;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** A faulty specimen, its parts and tubes anywhere within their tolerances, and somebody with a meter of 2 % who hears well. */
public final class Workbench {
    public static final MeterSpec METER = MeterSpec.parse("10M");

    /** The Halcyon's. */
    public static final List<String> CHART =
            List.of("V1.5", "V1.6", "V2.5", "V2.6", "V2.7", "V3.7", "V4.1", "V4.2", "V4.5", "V4.6", "V5.7");

    final Chassis set;
    private final Setting broken;
    private final Setting sound;
    private final Random random;
    private final Simulator engine = new Simulator();
    private final double line;

    public Workbench(Chassis set, long seed, String... faults) {
        this.set = set;
        this.random = new Random(seed);
        this.line = set.supply().volts() * (1 + 0.02 * random.nextGaussian());
        this.sound = Setting.of(line).withTrims(Specimen.of(set, seed));
        this.broken =
                sound.withFaults(List.of(faults).stream().map(Fault::parse).toList());
    }

    Setting setting() {
        return Setting.of(line);
    }

    public Measurement.Volts volts(String point) {
        return new Measurement.Volts(point, Points.of(set).need(point).net(), setting(), METER);
    }

    public Observation read(String point) {
        return answer(volts(point));
    }

    public List<Observation> read(List<String> points) {
        List<Observation> all = new ArrayList<>();
        for (String p : points) all.add(read(p));
        return all;
    }

    public Observation answer(Measurement measurement) {
        if (measurement instanceof Measurement.Ohms o) {
            double ohms = ColdSet.of(set, broken).between(o.net(), o.against(), o.test());
            return new Observation.Measured(o, ohms * (1 + 0.01 * random.nextGaussian()));
        }
        if (measurement instanceof AlternatingVolts v)
            return measured(v, engine.solve(set, broken).alternating(v.net(), v.against()));
        if (measurement instanceof Amperes a) return measured(a, draw().amperes());
        if (measurement instanceof Measurement.Watts w) {
            OperatingPoint well = engine.solve(set, sound);
            double iron = IronLoss.watts(set, line * well.mainsAmperes())
                    * IronLoss.share(set, engine.solve(set, broken), well, 1);
            return measured(w, draw().watts() + iron);
        }
        if (measurement instanceof Frequency f) {
            Setting here = broken.withBand(f.band());
            double hertz = OscillatorFrequency.of(
                            engine, set, sound, set.band(f.band()).orElseThrow())
                    .orElseThrow()
                    .at(
                            f.dial(),
                            broken.faults(),
                            engine.solve(set, here),
                            engine.solve(set, sound.withBand(f.band())));
            return measured(f, Double.isNaN(hertz) ? 0 : hertz);
        }
        if (measurement instanceof Measurement.Level l) return level(l);
        if (measurement instanceof Measurement.PartTest p)
            return new Observation.Tested(p, broken.faults().stream().noneMatch(p::catches));
        if (!(measurement instanceof Measurement.Volts v))
            return new Observation.Heard(measurement, heard(measurement));
        List<Fault> all = new ArrayList<>(v.setting().faults());
        all.addAll(broken.faults());
        Simulator.PreparedCircuit bench = engine.prepare(set, broken.withFaults(all));
        double free = bench.solve().volts(v.net()).orElseThrow();
        double shown =
                bench.solveWithMeter(v.net(), METER.ohmsAt(free)).volts(v.net()).orElse(free);
        return new Observation.Measured(v, shown * (1 + 0.01 * random.nextGaussian()) + 0.01 * random.nextGaussian());
    }

    private Observation measured(Measurement.Metered m, double value) {
        return new Observation.Measured(m, value * (1 + 0.02 * random.nextGaussian()));
    }

    private SupplyDraw draw() {
        return SupplyDraw.of(set, line, engine.solve(set, broken));
    }

    /** At the standard output, control line and all. */
    private Observation level(Measurement.Level l) {
        double volts = Gains.of(
                        engine,
                        set,
                        broken.withControls(Controls.volume(set, 1)),
                        set.band(l.band()).orElseThrow())
                .orElseThrow()
                .levels()
                .stream()
                .filter(x -> x.domain() == l.domain() && x.point().equals(l.point()))
                .findFirst()
                .orElseThrow()
                .volts();
        return new Observation.Measured(l, volts * (1 + 0.05 * random.nextGaussian()));
    }

    public static double odds(Diagnosis d, String cause) {
        return d.suspects().stream()
                .filter(s -> s.names(cause))
                .mapToDouble(RankedCause::odds)
                .sum();
    }

    private Outcome heard(Measurement measurement) {
        String band =
                measurement instanceof Measurement.Inject i ? i.band() : ((Measurement.Listen) measurement).band();
        Loudness good = loudness(sound, band).orElseThrow();
        Optional<Loudness> bad = loudness(broken, band);
        String point = measurement instanceof Measurement.Inject i ? Loudness.key(i.domain(), i.point()) : good.whole();
        double change =
                bad.map(l -> l.heard(point)).orElse(-200.0) - good.decibels().getOrDefault(point, 0.0);
        if (bad.isPresent() && bad.get().heardHum() - good.hum() > 14) return Outcome.HUM;
        if (change < -30) return Outcome.NOTHING;
        if (bad.isPresent() && bad.get().distorted()) return Outcome.DISTORTED;
        return change < -8 ? Outcome.WEAK : Outcome.LOUD;
    }

    private Optional<Loudness> loudness(Setting setting, String band) {
        return Loudness.of(
                engine,
                set,
                setting.withControls(Controls.volume(set, 1)),
                set.band(band).orElseThrow());
    }

    /** Starts with how every band sounds, then does what the diagnosis asks for, until it is sure or has asked so often. */
    Played play(PredictionModel predictions, int most) {
        List<Observation> evidence = new ArrayList<>();
        for (var b : set.bands()) evidence.add(answer(new Measurement.Listen(b.name())));
        List<Measurement> allowed = Measurements.of(predictions, setting(), METER);
        Diagnosis d = Diagnosis.of(predictions, evidence, allowed);
        for (int n = 0; n < most && !d.decided() && !d.next().isEmpty(); n++) {
            evidence.add(answer(d.next().get(0).measurement()));
            d = Diagnosis.of(predictions, evidence, allowed);
        }
        return new Played(d, evidence);
    }

    record Played(Diagnosis diagnosis, List<Observation> evidence) {
        @Override
        public String toString() {
            StringBuilder b = new StringBuilder();
            evidence.forEach(o -> b.append(o).append('\n'));
            diagnosis.suspects().stream().limit(4).forEach(s -> b.append(s).append('\n'));
            return b.append("other ").append(diagnosis.other()).toString();
        }
    }
}
