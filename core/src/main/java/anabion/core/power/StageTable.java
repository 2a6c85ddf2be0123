package anabion.core.power;

import anabion.core.job.PowerStage;
import anabion.core.text.Phrase;
import java.util.List;
import java.util.Optional;

/**
 * One stage before the whole set.
 *
 * @param load ohms of the resistor in place of the tubes; 0 where there is none
 * @param loadWatts that it turns into heat at the full line
 * @param rows what is read; none where the stage is left out
 * @param skipped why this set leaves it out
 */
public record StageTable(PowerStage stage, double load, double loadWatts, List<Row> rows, Optional<Phrase> skipped) {
    public StageTable {
        rows = List.copyOf(rows);
    }

    /** What a row is about. */
    public enum What {
        DIRECT_VOLTS,
        ALTERNATING_VOLTS,
        WATTS,
        AMPERES,
        /** Ordinal of {@link Warmth}. */
        WARMTH
    }

    /**
     * Something to read.
     *
     * @param point a net, a pin or a transformer's terminal; empty where a meter in the line shows it
     * @param against the other point
     * @param line volts at the set
     * @param least of what may be
     * @param most of what may be
     */
    public record Row(
            What what, String point, String against, double line, double expected, double least, double most) {}

    static StageTable of(PowerStage stage, List<Row> rows) {
        return new StageTable(stage, 0, 0, rows, Optional.empty());
    }

    static StageTable without(PowerStage stage, Phrase why) {
        return new StageTable(stage, 0, 0, List.of(), Optional.of(why));
    }
}
