package anabion.instruments;

import anabion.core.job.SignalKind;
import anabion.core.json.Coded;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Who moves leads, turns controls, looks and listens on a simulated bench. On a real one a person does. */
public interface Hands extends Instrument {
    /** Kinds of what is seen and smelt. */
    enum Sign implements Coded {
        /** How the lamp in the line glows. */
        LAMP,
        /** A tube that is not lit. */
        DARK,
        RED_PLATE,
        SMOKE,
        SMELL,
        HOT_PART,
        /** A part that has burnt. */
        BURNT;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * Something seen or smelt.
     *
     * @param of the part, or how the lamp glows; empty for a smell
     */
    record Seen(Sign sign, String of) {
        /** As it is said and sent: {@code smoke R12}. */
        public String text() {
            return (sign.code() + " " + of).strip();
        }

        /** What {@link #text} wrote; empty for anything else. */
        public static Optional<Seen> parse(String text) {
            String[] words = text.strip().split(" ", 2);
            return Coded.find(Sign.values(), words[0]).map(s -> new Seen(s, words.length > 1 ? words[1] : ""));
        }
    }

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
     * @param signal sound, or a carrier
     */
    void inject(String point, SignalKind signal);

    /**
     * Turns the gang.
     *
     * @param hertz that the dial shows
     */
    void tune(double hertz);

    /**
     * Turns an adjuster, as far as it goes.
     *
     * @param letter in the table of the set
     * @param turns positive inwards
     */
    void adjust(String letter, double turns);

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

    /** What is seen and smelt; nothing where nothing is unusual. */
    List<Seen> look();

    /** Whether a tester finds a part good. */
    boolean test(String part);
}
