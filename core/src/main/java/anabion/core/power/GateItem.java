package anabion.core.power;

import anabion.core.job.PowerStage;
import anabion.core.json.Coded;
import anabion.core.text.Phrase;
import java.util.Locale;

/**
 * One condition before the first power.
 *
 * @param why what is there or missing, in words
 */
public record GateItem(Kind kind, State state, Phrase why) {
    /** What must be so. */
    public enum Kind implements Coded {
        COLD_CHECKS,
        CAUSE,
        OPEN_ENDS,
        TEMPORARY,
        LINE_PARTS,
        FILTERS,
        OUTPUT_COUPLING,
        BUFFER,
        LOADS,
        ISOLATION,
        LAMP,
        FUSE,
        WATTMETER,
        METER,
        POLARITY,
        CURRENT_LIMIT;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether it must be met before a stage: with the tubes out nothing reaches a grid or a speaker, and without a rectifier there is no rail. */
        public boolean isAskedBefore(PowerStage stage) {
            boolean ofTubes = this == OUTPUT_COUPLING || this == LOADS;
            boolean ofRails = this == FILTERS || this == METER || this == BUFFER;
            return switch (stage) {
                case POLARITY -> false;
                case TRANSFORMER, FILAMENTS -> !ofTubes && !ofRails;
                case RECTIFIER, VIBRATOR_ALONE -> !ofTubes;
                case WHOLE_SET -> true;
            };
        }

        /** Whether somebody says that it is so: the record does not know what stands on the bench. */
        public boolean isByHand() {
            return compareTo(LOADS) >= 0;
        }
    }

    /** How it stands. */
    public enum State implements Coded {
        MET,
        MISSING,
        /** No power before this is made good: no reason sets it aside. */
        BARRED,
        /** Set aside, with a reason on record. */
        OVERRULED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether it keeps the set from being switched on. */
        public boolean stops() {
            return this == MISSING || this == BARRED;
        }
    }
}
