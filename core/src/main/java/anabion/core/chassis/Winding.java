package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.UUID;

/**
 * One winding between two of its part's terminals.
 *
 * @param ohms direct-current resistance; 0 when not known
 * @param henries 0 when not known
 * @param volts nominal volts of a mains transformer's winding; 0 when not known
 */
public record Winding(
        UUID id, String name, String from, String to, double ohms, double henries, double volts, Extra extra) {}
