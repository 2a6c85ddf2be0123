package anabion.core.handback;

import anabion.core.json.Coded;
import java.util.Locale;

/** A condition for handing a set back. */
public enum ClosingItem implements Coded {
    /** What had made it fail is said. */
    CAUSE,
    /** No lead lifted, no part out. */
    OPEN_ENDS,
    TEMPORARY,
    /** Borrowed parts are back, accidents made good. */
    LOOSE_ENDS,
    WAITS,
    /** All that came off is on again, nothing is left over. */
    TOGETHER,
    SOAK,
    /** Every band was heard since the last part went in. */
    BANDS,
    FUSE,
    /** The mains tap for today's line. */
    TAP,
    CORD,
    BACK,
    /** What keeps hands from a chassis that may be live. */
    BARRIERS,
    INSULATION,
    TOUCH_CURRENT,
    /** Only with an earthed plug, and a double-wound transformer that was proved to keep the mains off. */
    EARTH;

    /** Whether somebody has to look, for nothing in the record tells. */
    public boolean isLookedAt() {
        return this == FUSE || this == TAP || this == CORD || this == BACK;
    }

    /** Whether it is measured. */
    public boolean isMeasured() {
        return this == INSULATION || this == TOUCH_CURRENT || this == EARTH;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
