package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * Something that belongs to the history of a set and to no sheet.
 *
 * @param text what was seen, decided, spent, altered
 * @param reason why, or how a modification is undone; may be empty
 * @param amount money of a cost, hours of work; 0 otherwise
 * @param step during which it was written; empty where nobody knows
 */
public record Note(
        UUID id, Instant at, Kind kind, String text, String reason, double amount, Optional<Step> step, Extra extra) {
    /** What it is. */
    public enum Kind implements Coded {
        REMARK,
        DECISION,
        COST,
        HOURS,
        /** What had made the set fail. */
        CAUSE,
        /** Known, and left as it is. */
        STAYS,
        /** Other than the maker built it. */
        MODIFICATION,
        /** What breaks when it is handled wrongly. */
        FRAGILE,
        /** What holds for every set of this model: weak spots, quirks. */
        MODEL;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
