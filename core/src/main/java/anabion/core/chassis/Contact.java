package anabion.core.chassis;

import anabion.core.json.Extra;
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

    /** Its two terminals, by which it is named among the others: {@code 7/8}. */
    public String pair() {
        return from + "/" + to;
    }
}
