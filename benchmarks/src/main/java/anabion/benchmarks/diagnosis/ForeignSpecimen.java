package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * A case of {@link ForeignCases} on the bench. Direct volts and the complaint are those of its file, and no other points can be read. What the file does not hold (ohms, signals, parts tried) is answered by a
 * simulated specimen with the same fault, and with the same parts where the file tells their trims.
 */
final class ForeignSpecimen implements Bench {
    private final List<Observation> complaint;
    private final Map<String, Double> volts = new HashMap<>();
    private final Setting setting;
    private final MeterSpec meter;
    private final SimulatedBench rest;

    /**
     * A case that has volts.
     *
     * @param evidence all that its file holds
     */
    ForeignSpecimen(Chassis set, ForeignSet.Case c, List<Observation> evidence, Random random) {
        complaint =
                evidence.stream().filter(Observation.Heard.class::isInstance).toList();
        Measurement.Volts any = null;
        for (Observation o : evidence)
            if (o instanceof Observation.Measured m && m.measurement() instanceof Measurement.Volts v) {
                volts.putIfAbsent(v.net(), m.value());
                any = v;
            }
        setting = any.setting();
        meter = any.meter();
        rest = new SimulatedBench(
                set,
                new Planted(set, c.faults(), Set.of()),
                c.trims().isEmpty() ? Specimen.of(set, random, false) : c.trims(),
                setting.line(),
                random);
    }

    /** What its owner says of each band. */
    List<Observation> complaint() {
        return complaint;
    }

    /** What can be asked of it. */
    List<Measurement> allowed(PredictionModel predictions) {
        return Measurements.of(predictions, setting, meter).stream()
                .filter(m -> !(m instanceof Measurement.Volts v) || volts.containsKey(v.net()))
                .toList();
    }

    @Override
    public Observation answer(Measurement measurement) {
        return measurement instanceof Measurement.Volts v && volts.containsKey(v.net())
                ? new Observation.Measured(v, volts.get(v.net()))
                : rest.answer(measurement);
    }
}
