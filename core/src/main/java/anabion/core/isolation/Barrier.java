package anabion.core.isolation;

import anabion.core.chassis.Part;
import java.util.List;
import java.util.Set;

/**
 * All that lies between the mains and something that can be touched.
 *
 * @param touched what is on the other side
 * @param nets of the conductor that can be touched
 * @param parts capacitors and bleeders between
 */
public record Barrier(Touched touched, Set<String> nets, List<Part> parts) {
    public Barrier {
        nets = Set.copyOf(nets);
        parts = List.copyOf(parts);
    }

    /** What a hand or a plug can meet. */
    public enum Touched {
        /** Metal chassis, case, shafts. */
        METAL,
        AERIAL,
        EARTH_LEAD,
        /** Pick-up, tape, headphones, another speaker. */
        SOCKET
    }
}
