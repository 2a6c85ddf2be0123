package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.device.model.CathodeWarmUp;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * How warm the cathodes of a set are, as its line is turned up and down.
 *
 * <p>Each kind of cathode follows {@link CathodeWarmUp}. What a tube gives is then told as a share of what it would give in the end, which is how the circuit
 * is solved: by the volts that its heater has.
 */
public final class WarmCathodes {
    private final Cathodes cathodes;
    private final Map<CathodeWarmUp.Kind, Double> temperatures;

    private WarmCathodes(Cathodes cathodes, Map<CathodeWarmUp.Kind, Double> temperatures) {
        this.cathodes = cathodes;
        this.temperatures = temperatures;
    }

    /** At room temperature. */
    public static WarmCathodes cold(Chassis chassis) {
        Cathodes cathodes = Cathodes.of(chassis);
        Map<CathodeWarmUp.Kind, Double> all = new TreeMap<>();
        cathodes.kinds().values().forEach(k -> all.put(k, CathodeWarmUp.COLD));
        return new WarmCathodes(cathodes, all);
    }

    /**
     * Some time later.
     *
     * @param heat share of their rated volts that the heaters have in the end; 0 where the set is off
     */
    public WarmCathodes after(double heat, double seconds) {
        Map<CathodeWarmUp.Kind, Double> all = new TreeMap<>();
        temperatures.forEach((k, x) -> all.put(k, CathodeWarmUp.after(k, x, heat, cathodes.dropped(), seconds)));
        return new WarmCathodes(cathodes, all);
    }

    /**
     * What each tube gives now, as a share of what it gives in the end.
     *
     * @param heat as in {@link #after}
     */
    public Map<String, Double> shares(double heat) {
        Map<String, Double> all = new HashMap<>();
        // hotter than the line would have them, they give no more than they can
        cathodes.kinds()
                .forEach((tube, kind) -> all.put(
                        tube, Math.min(1, Cathodes.share(CathodeWarmUp.emission(temperatures.get(kind)), heat))));
        return all;
    }
}
