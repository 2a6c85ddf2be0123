package anabion.core.lineup;

import anabion.core.chassis.Part;
import anabion.core.device.Section;

/**
 * A plate or screen that is fed from a rail.
 *
 * @param volts as charted
 */
record Electrode(Part tube, Section section, boolean plate, String pin, double volts) {
    /** The point of the chart, which names its net too. */
    String label() {
        return tube.reference() + "." + pin;
    }
}
