package anabion.core.rectifier;

import anabion.core.device.model.RectifierLaw;

/**
 * One way for current into the reservoir.
 *
 * @param volts effective volts of its source without load; negative for the other half cycle
 * @param ohms of the source: winding, reflected primary, series resistors
 */
public record Path(double volts, double ohms, RectifierLaw law) {
    RectifierLaw whole() {
        return law.behind(ohms);
    }
}
