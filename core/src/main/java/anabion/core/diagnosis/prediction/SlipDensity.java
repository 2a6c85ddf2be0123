package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * Density of a reading that was taken somewhere else: half the time at another net of the set, as it stands when sound (chassis and rails are many), half the
 * time anything.
 */
final class SlipDensity {
    private final Chassis chassis;
    private final Function<Setting, Optional<FaultResponse>> sound;
    private final ColdResistanceModel cold;
    private final double little;

    /** @param sound the sound set near a setting */
    SlipDensity(Chassis chassis, Function<Setting, Optional<FaultResponse>> sound, ColdResistanceModel cold) {
        this.chassis = chassis;
        this.sound = sound;
        this.cold = cold;
        this.little = VoltsModel.little(chassis);
    }

    /**
     * In the measurement's scale.
     *
     * @param range width of all that it can show
     */
    double of(Measurement.Metered measurement, double value, double range) {
        double anything = 1 / range;
        List<Double> elsewhere = elsewhere(measurement);
        if (elsewhere.isEmpty()) return anything;
        double sum = 0;
        for (double v : elsewhere) sum += GaussianPrediction.density(value - v, deviation(measurement, v));
        return (anything + sum / elsewhere.size()) / 2;
    }

    private double deviation(Measurement.Metered measurement, double value) {
        if (measurement instanceof Measurement.Volts) return Math.hypot(3 * VoltsModel.METER * value, little);
        return ColdResistanceModel.open(value) ? ColdResistanceModel.OHMS : 2 * ColdResistanceModel.OHMS;
    }

    private List<Double> elsewhere(Measurement.Metered measurement) {
        if (measurement instanceof Measurement.Volts v)
            return sound.apply(v.setting()).stream()
                    .flatMap(s -> Simulator.nets(chassis).stream().map(s::free))
                    .toList();
        if (!(measurement instanceof Measurement.Ohms o) || !cold.quick()) return List.of();
        return Simulator.nets(chassis).stream()
                .map(n -> cold.sound(new Measurement.Ohms(n, o.against(), o.test())))
                .toList();
    }
}
