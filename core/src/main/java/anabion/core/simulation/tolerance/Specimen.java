package anabion.core.simulation.tolerance;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.device.SemiconductorKind;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;

/** One set as it left the factory: every part somewhere within its tolerance. */
public final class Specimen {
    /** Standard deviation of tubes of one type, as a fraction of their current. */
    public static final double TUBES = 0.08;
    /** Standard deviation of the gain of transistors of one type, as a fraction: limits of three to one are usual. */
    public static final double GAIN = 0.28;

    private Specimen() {}

    /**
     * The factors by which its parts differ from nominal, for {@link Setting#withTrims}.
     *
     * @param seed tells one specimen from another
     */
    public static Map<String, Double> of(Chassis chassis, long seed) {
        Random random = new Random(seed);
        Map<String, Double> trims = new LinkedHashMap<>();
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Resistor r)
                trims.put(p.reference(), within(random, r.tolerance() / 2, r.tolerance()));
            else if (p.device().isPresent()) trims.put(p.reference(), within(random, spread(p), 2 * spread(p)));
        }
        return trims;
    }

    /** Standard deviation of a device, as a fraction. */
    public static double spread(Part p) {
        boolean transistor = Sockets.type(p)
                .flatMap(DeviceType::semiconductor)
                .filter(x -> x.kind() == SemiconductorKind.BIPOLAR)
                .isPresent();
        return transistor ? GAIN : TUBES;
    }

    private static double within(Random random, double deviation, double most) {
        double x = deviation * random.nextGaussian();
        return 1 + Math.max(-most, Math.min(most, x));
    }
}
