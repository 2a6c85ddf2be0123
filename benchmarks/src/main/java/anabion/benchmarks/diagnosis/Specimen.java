package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Part;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;

/** Factors by which the parts of one specimen differ from nominal, drawn evenly within their limits. */
final class Specimen {
    private static final double TUBES = 0.16;
    private static final double TUBES_WORN = 0.25;
    /** Limits of gain lie three to one apart. */
    private static final double GAIN = Math.sqrt(3);

    private Specimen() {}

    static Map<String, Double> of(Chassis chassis, Random random, boolean mismatched) {
        Map<String, Double> trims = new LinkedHashMap<>();
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Resistor r)
                trims.put(p.reference(), 1 + r.tolerance() * even(random));
            else if (p.component() instanceof Component.Device d)
                trims.put(
                        p.reference(),
                        d.deviceKind() == DeviceKind.TUBE
                                ? 1 + (mismatched ? TUBES_WORN : TUBES) * even(random)
                                : Math.pow(GAIN, even(random)));
        }
        return trims;
    }

    static double even(Random random) {
        return 2 * random.nextDouble() - 1;
    }
}
