package anabion.core.chassis;

import java.util.Optional;

/**
 * A place to put the probe.
 *
 * @param label as people say it: {@code V4.6} for a pin, else the net's name
 * @param net the net it is on
 * @param device the device whose pin it is
 * @param pin that pin; empty for a plain net
 * @param function what the pin does, such as {@code g1} or {@code k+g3}; empty when not known
 */
public record Point(String label, String net, Optional<Part> device, String pin, String function) {
    /** Whether the pin carries a function, alone or combined: {@code k} is carried by {@code k+g3}. */
    public boolean carries(String wanted) {
        for (String f : function.split("\\+")) if (f.equals(wanted)) return true;
        return false;
    }
}
