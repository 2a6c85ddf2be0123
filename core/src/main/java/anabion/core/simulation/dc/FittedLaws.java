package anabion.core.simulation.dc;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.Section;
import anabion.core.device.model.Fit;
import java.util.HashMap;
import java.util.Map;

/** The laws fitted to the sections of the tubes that an engine met: each fit takes some bisections. For one thread, as the engine is. */
public final class FittedLaws {
    private final Map<Section, DeviceModel> laws = new HashMap<>();
    private final Map<Section, Double> driveShares = new HashMap<>();

    /** {@link Fit#law(Section)}. */
    public DeviceModel of(Section section) {
        return laws.computeIfAbsent(section, Fit::law);
    }

    /** {@link Fit#driveShare(Section)}. */
    public double driveShare(Section section) {
        return driveShares.computeIfAbsent(section, Fit::driveShare);
    }
}
