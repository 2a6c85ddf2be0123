package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;

/**
 * A part tried out, mostly with a good one.
 *
 * @param better whether the set then played better, or changed
 * @param state the fitted state it was tried in
 */
public record Trial(UUID id, Instant at, How how, String part, boolean better, UUID state, Extra extra) {
    /** How it was tried. */
    public enum How implements Coded {
        /** Held across: proves a capacitor open or dried, and nothing of a leak. */
        ACROSS,
        /** In its place. */
        SWAPPED,
        /** Not a good one, but the part itself, tapped while the set plays: better says that something changed. */
        TAPPED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What came of it, as a word key ends: "better", "same"; of a part that was tapped "changes", "steady". */
    public String told() {
        if (how == How.TAPPED) return better ? "changes" : "steady";
        return better ? "better" : "same";
    }

    /** After a part got another reference. */
    Trial renamed(String from, String to) {
        return part.equals(from) ? new Trial(id, at, how, to, better, state, extra) : this;
    }

    /** Whether it answers the same question. */
    public boolean same(Trial other) {
        return how == other.how && part.equals(other.part) && state.equals(other.state);
    }
}
