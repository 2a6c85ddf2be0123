package anabion.instruments;

import java.util.List;
import java.util.Optional;

/** Who moves leads, turns controls, looks and listens on a simulated bench. On a real one a person does. */
public interface Hands extends Instrument {
    /**
     * Puts the meter's leads to two points.
     *
     * @param plus a net, or a pin such as {@code V3.7}
     * @param minus likewise
     */
    void probe(String plus, String minus);

    /**
     * Puts the generator's lead to a point.
     *
     * @param signal {@code af}, {@code if} or {@code rf}
     */
    void inject(String point, String signal);

    /** Chooses a band, the volume full up. */
    void band(String name);

    /** Puts a lamp into the line, in the words of {@code 100W} or {@code 2x60W}; none where empty. */
    void lamp(Optional<String> words);

    /** Sees to it that these parts, and no others, are off: lifted at one end, or out of their sockets. */
    void lift(List<String> parts);

    /** Puts a new part in place of one. */
    void renew(String part);

    /** Waits.
     *
     * @param seconds of the set's time */
    void pause(double seconds);

    /** What the speaker says, as the code of an outcome. */
    String listen();

    /** What is seen and smelt, one sign a line: {@code dark V3}, {@code lamp dim}, {@code smoke R12}, {@code red-plate V4}. */
    List<String> look();

    /** Whether a tester finds a part good. */
    boolean test(String part);
}
