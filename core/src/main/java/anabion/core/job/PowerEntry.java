package anabion.core.job;

import anabion.core.chassis.Renames;
import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;

/**
 * One line of the log of a power-up.
 *
 * @param dial volts that the variac or supply gave; 0 where that does not matter
 * @param atSet volts at the set where no lamp stands in the line; 0 behind one, where a line of its own says them
 * @param what which: the net or pin that was measured, or the code of a stage, a glow, a warmth, a sign, a condition; of a lamp its words
 * @param against what a net or pin was measured against; empty otherwise
 * @param value in volts, watts, amperes or ohms, or the ordinal of a warmth; 0 where nothing was measured
 * @param text what somebody said about it: the reason for overruling, what was seen
 * @param state the fitted state of the set
 */
public record PowerEntry(
        UUID id,
        Instant at,
        Kind kind,
        double dial,
        double atSet,
        String what,
        String against,
        double value,
        String text,
        UUID state,
        Extra extra) {
    /** What a line says. */
    public enum Kind implements Coded {
        /** The first line of a power-up: of which stage. */
        BEGAN,
        /** The lamp in the line from here on; without words none. */
        LAMP,
        /** Direct volts of a rail. */
        RAIL,
        /** Alternating volts: of a rail its ripple, of a winding all of them. */
        RIPPLE,
        WATTS,
        AMPERES,
        /** Volts at the set, behind the lamp. */
        AT_SET,
        GLOW,
        /** How a part feels. */
        WARMTH,
        /** The resistor that stands in for the tubes, in ohms. */
        LOAD,
        /** All heaters were looked at and are lit. */
        LIT,
        /** What its controls did. */
        CONTROLS,
        /** The aerial that it was heard on. */
        AERIAL,
        /** How a band sounded: its name, and the outcome's code as words. */
        BAND,
        /** Something seen, heard or smelt that stops the work. */
        SIGN,
        /** A condition that somebody has seen to. */
        MET,
        /** A condition that somebody has set aside, with a reason. */
        OVERRULED,
        /** The cause of a destroyed part. */
        CAUSE,
        OFF,
        NOTE;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** After a part got another reference. */
    PowerEntry renamed(String from, String to) {
        return new PowerEntry(
                id,
                at,
                kind,
                dial,
                atSet,
                Renames.point(what, from, to),
                Renames.point(against, from, to),
                value,
                text,
                state,
                extra);
    }
}
