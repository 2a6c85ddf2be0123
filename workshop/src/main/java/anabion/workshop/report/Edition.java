package anabion.workshop.report;

import anabion.core.json.Coded;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** For whom a report is, or what it is stuck to. */
public enum Edition implements Coded {
    /** What was wrong, what was done, what to know; without the workshop's words. */
    OWNER,
    /** Everything. */
    WORKSHOP,
    /** One page for inside the cabinet. */
    CARD,
    /** What lies in the bag of old parts. */
    BAG,
    /** A label of 62 by 29 mm with a code that names the set. */
    LABEL;

    /** The parts that may be chosen for it. */
    public Set<ReportSection> choice() {
        return switch (this) {
            case OWNER, WORKSHOP -> EnumSet.allOf(ReportSection.class);
            case CARD, BAG, LABEL -> EnumSet.noneOf(ReportSection.class);
        };
    }

    /** Those of them that it has where nobody chose. */
    public Set<ReportSection> usual() {
        Set<ReportSection> all = EnumSet.noneOf(ReportSection.class);
        all.addAll(choice());
        if (this == OWNER) all.removeAll(EnumSet.of(ReportSection.WIRES, ReportSection.CIRCUIT));
        return all;
    }

    /** Whether it tells somebody that the set is in order: it is not written while the closing gate is open. */
    public boolean vouches() {
        return this != BAG && this != LABEL;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
