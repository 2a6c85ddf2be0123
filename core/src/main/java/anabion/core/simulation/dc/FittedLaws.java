package anabion.core.simulation.dc;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.Section;
import anabion.core.device.model.Fit;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The laws fitted to the sections of the tubes that an engine met. A fit takes some bisections, or a search; what one engine fitted, all that come after it have.
 * An instance is for one thread, as the engine is.
 */
public final class FittedLaws {
    /** A library has some hundreds of sections; types that are being edited come and go. */
    private static final int MOST = 4000;

    private static final Map<Section, DeviceModel> FITTED = new ConcurrentHashMap<>();

    private final Map<Section, DeviceModel> laws = new HashMap<>();
    private final Map<Section, Double> driveShares = new HashMap<>();

    /** {@link Fit#law(Section)}. */
    public DeviceModel of(Section section) {
        return laws.computeIfAbsent(section, FittedLaws::fitted);
    }

    private static DeviceModel fitted(Section section) {
        if (FITTED.size() > MOST) FITTED.clear();
        return FITTED.computeIfAbsent(section, Fit::law);
    }

    /** {@link Fit#driveShare(Section)}. */
    public double driveShare(Section section) {
        return driveShares.computeIfAbsent(section, Fit::driveShare);
    }
}
