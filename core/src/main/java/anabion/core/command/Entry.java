package anabion.core.command;

import anabion.core.chassis.MeterSpec;
import anabion.core.job.AlterationKind;
import anabion.core.job.LooseKind;
import anabion.core.job.Note;
import anabion.core.job.Outcome;
import anabion.core.job.Trial;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.TemporalAmount;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** One line as understood. */
public sealed interface Entry {
    /**
     * A reading.
     *
     * @param point where; empty for the row that is lit
     * @param ac whether marked as alternating
     * @param range the meter's range, where a letter or @ gives it
     */
    record Volts(Optional<String> point, double value, boolean ac, boolean doubtful, OptionalDouble range)
            implements Entry {}

    /** Lights a row without reading it. */
    record GoTo(String point) implements Entry {}

    record Line(double volts) implements Entry {}

    record Meter(MeterSpec meter) implements Entry {}

    record BandChoice(String name) implements Entry {}

    record Signal(String words) implements Entry {}

    record Alter(AlterationKind kind, String part, String detail) implements Entry {}

    /** A good part held across one, or put in its place. */
    record Tried(Trial.How how, String part, boolean better) implements Entry {}

    /** A control turned to one of its ends while the set plays, and what is heard then. */
    record Turned(String control, boolean up, Outcome outcome) implements Entry {}

    /**
     * A band against a good receiver.
     *
     * @param decibels by which this set is louder
     */
    record Against(String band, double decibels) implements Entry {}

    record StartTimer(TemporalAmount length, String label) implements Entry {}

    /**
     * Speaks to an instrument.
     *
     * @param role what it is for, words joined by hyphens; empty for all of a bench
     * @param address where it is; empty for where it was last, or a bench of the program's own
     */
    record Connect(Optional<String> role, String address) implements Entry {}

    /**
     * Speaks to an instrument no longer.
     *
     * @param role as in {@link Connect}; empty for all
     */
    record Disconnect(Optional<String> role) implements Entry {}

    /**
     * Turns the variac.
     *
     * @param volts of its dial; empty for those of the row that is lit
     */
    record Turn(OptionalDouble volts) implements Entry {}

    /** Takes readings again and again for the row that is lit; stops where the time is empty. */
    record Stream(Optional<Duration> every) implements Entry {}

    /**
     * What a tester says of a part on a simulated bench.
     *
     * @param part its reference
     */
    record Tester(String part) implements Entry {}

    /** What eyes, ears and patience find on a simulated bench. */
    record Sense(What what, Duration length) implements Entry {
        /** Which of them. */
        public enum What {
            LOOK,
            LISTEN,
            PAUSE
        }
    }

    /**
     * Asks what a sound set shows at a point.
     *
     * @param settings band, control, switch or fault: {@code AM}, {@code RV1=0.3}, {@code C14:leaky:1M}
     */
    record Should(String point, List<String> settings) implements Entry {
        public Should {
            settings = List.copyOf(settings);
        }
    }

    record WaitsFor(String what) implements Entry {}

    /** Something borrowed, wanted, or that went wrong. */
    record Loose(LooseKind kind, String part, String detail) implements Entry {}

    /** For the history of a set: see {@link Note}. */
    record Noted(Note.Kind kind, String text, String reason, double amount) implements Entry {}

    /** Something was ordered: see {@link anabion.core.job.Order}. */
    record Ordered(String what, String from, double price, Optional<LocalDate> due) implements Entry {}

    /** What was ordered has come. */
    record Arrived(String what) implements Entry {}

    /** A set that had left the house is in it again: what it does now. */
    record CameBack(String complaint) implements Entry {}

    /** All that is loose about a part is made good. */
    record Settle(String part) implements Entry {}

    /** A line for the sheet in hand: a wiring line, a chart row, a stage. */
    record ForSheet(String text) implements Entry {}
}
