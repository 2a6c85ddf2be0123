package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.signal.OscillatorFrequency;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Where oscillators run, or whether they do, as logarithms of hertz. Where one is far off nobody foresees it. */
final class OscillatorModel {
    /** Standard deviation of a logarithm of hertz: cores that were moved, a pointer that slips, drift: about three hundredths. */
    private static final double RUNNING = 0.012;
    /** Likewise of none: nothing is nothing. */
    private static final double STILL = 0.1;

    private final Simulator engine;
    private final Chassis chassis;
    private final Setting usual;
    private final SettingGrid settings;
    private final FaultState well;
    private final Sources sources;
    private final Map<String, Optional<OscillatorFrequency>> bands = new HashMap<>();

    OscillatorModel(
            Simulator engine, Chassis chassis, Setting usual, SettingGrid settings, FaultState well, Sources sources) {
        this.engine = engine;
        this.chassis = chassis;
        this.usual = usual;
        this.settings = settings;
        this.well = well;
        this.sources = sources;
    }

    /** Where it is worth asking: on the first band whose circuit tells. */
    List<Frequency> asked() {
        for (Band b : chassis.bands()) {
            Optional<OscillatorFrequency> f = band(b.name());
            if (f.isPresent())
                return f.get().dials().stream()
                        .map(d -> new Frequency(b.name(), d))
                        .toList();
        }
        return List.of();
    }

    /** The setting in which states are solved for it: on the first band the usual one, in which they are solved anyway. */
    Setting setting(Frequency p) {
        boolean first = chassis.bands().get(0).name().equals(p.band());
        return first ? usual : usual.withBand(p.band());
    }

    private Optional<OscillatorFrequency> band(String name) {
        return bands.computeIfAbsent(
                name, n -> chassis.band(n).flatMap(b -> OscillatorFrequency.of(engine, chassis, usual, b)));
    }

    /** @return empty where the circuit of the hypothesis does not settle */
    Optional<GaussianPrediction> foreseen(SeverityInterval ends, Frequency p) {
        Optional<OscillatorFrequency> circuit = band(p.band());
        if (circuit.isEmpty()) return Optional.of(unknown());
        Setting near = settings.near(setting(p));
        Optional<FaultResponse> sound = well.shown(engine, near);
        Optional<FaultResponse> from = ends.least().shown(engine, near);
        Optional<FaultResponse> to = ends.most().shown(engine, near);
        if (sound.isEmpty() || from.isEmpty() || to.isEmpty()) return Optional.empty();
        OptionalDouble a = hertz(circuit.get(), ends.least(), from.get(), sound.get(), p);
        OptionalDouble b = ends.graded() ? hertz(circuit.get(), ends.most(), to.get(), sound.get(), p) : a;
        boolean alike = a.isPresent() && b.isPresent() && (a.getAsDouble() > 0) == (b.getAsDouble() > 0);
        if (!alike) return Optional.of(unknown());
        double least = LogScale.HERTZ.of(a.getAsDouble());
        double most = LogScale.HERTZ.of(b.getAsDouble());
        double[] shares = sources.none();
        shares[sources.severity()] = SeverityInterval.SEVERITY * (most - least);
        return Optional.of(new GaussianPrediction((least + most) / 2, shares, a.getAsDouble() > 0 ? RUNNING : STILL));
    }

    private GaussianPrediction unknown() {
        return new GaussianPrediction(
                (LogScale.HERTZ.least() + LogScale.HERTZ.most()) / 2, sources.none(), LogScale.HERTZ.range());
    }

    /** 0 where it does not run; empty where nobody knows. */
    private static OptionalDouble hertz(
            OscillatorFrequency circuit, FaultState state, FaultResponse now, FaultResponse sound, Frequency p) {
        double hertz = circuit.at(p.dial(), state.faults(), now.atRest(), sound.atRest());
        return Double.isNaN(hertz) ? OptionalDouble.empty() : OptionalDouble.of(hertz);
    }
}
