package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.UUID;

/**
 * One winding between two of its part's terminals.
 *
 * @param ohms direct-current resistance; 0 when not known
 * @param henries 0 when not known
 * @param volts nominal volts of a mains transformer's winding; 0 when not known
 * @param slug whether the dial moves its core: the set is tuned by it, in place of a gang, and {@code henries} are those with the core all the way in
 */
public record Winding(
        UUID id,
        String name,
        String from,
        String to,
        double ohms,
        double henries,
        double volts,
        boolean slug,
        Extra extra) {
    /** One whose core stays where it is. */
    public Winding(
            UUID id, String name, String from, String to, double ohms, double henries, double volts, Extra extra) {
        this(id, name, from, to, ohms, henries, volts, false, extra);
    }
}
