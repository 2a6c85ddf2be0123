package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.quantity.Figures;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import java.util.LinkedHashMap;
import java.util.Map;

/** What every pin of a tube or transistor should read. */
public final class PinVolts {
    private PinVolts() {}

    /** Volts in print by pin, with a tilde where they alternate; pins of which the circuit says nothing are missing. */
    public static Map<String, String> of(Chassis chassis, Part device, Condition now, Predictor predictor) {
        Map<String, String> volts = new LinkedHashMap<>();
        device.device().ifPresent(d -> d.functions().forEach((pin, function) -> {
            if (PinNames.isUnused(function)) return;
            Point point = Points.of(chassis).need(device.reference() + "." + pin);
            double direct = volts(predictor, point, Measure.DC_VOLTS, now);
            double alternating = volts(predictor, point, Measure.AC_VOLTS, now);
            boolean alternates = alternating > 0.5 && !(Math.abs(direct) > 0.05 * alternating);
            if (alternates) volts.put(pin, Figures.volts(alternating) + " V ~");
            else if (!Double.isNaN(direct)) volts.put(pin, Figures.volts(direct) + " V");
        }));
        return volts;
    }

    private static double volts(Predictor predictor, Point point, Measure measure, Condition now) {
        return predictor
                .at(point, measure, now)
                .map(Predictor.Prediction::value)
                .orElse(Double.NaN);
    }
}
