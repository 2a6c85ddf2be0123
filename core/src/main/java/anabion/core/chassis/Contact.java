package anabion.core.chassis;

import anabion.core.tree.Extra;
import java.util.List;

/**
 * A contact of a switch between two of its terminals.
 *
 * @param at the positions in which it is closed
 */
public record Contact(String from, String to, List<String> at, Extra extra) {
    public Contact {
        at = List.copyOf(at);
    }
}
