package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * One thing done or seen while a band was aligned.
 *
 * @param purpose of the line; empty for what belongs to none: a station, a band left alone
 * @param adjusters the letters of the line's adjusters, with spaces between; empty as above
 * @param before what the indicator showed, in volts; where a station was heard, what the dial showed, in hertz; 0 where not taken
 * @param after what it showed then, in volts; the frequency of the station, in hertz; 0 where not taken
 * @param turns by which the last of them was turned, positive inwards; 0 where nobody said
 * @param given how strong the signal was, where that was said
 * @param text a reason
 * @param curve what the indicator showed at each of some frequencies, rising; empty but of a curve
 * @param state the fitted state of the set
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record AlignmentEntry(
        UUID id,
        Instant at,
        Kind kind,
        String band,
        Optional<AlignmentPurpose> purpose,
        String adjusters,
        double before,
        double after,
        double turns,
        Given given,
        String text,
        List<Sample> curve,
        UUID state,
        Extra extra)
        implements AlignmentEntryBuilder.With {
    public AlignmentEntry {
        curve = List.copyOf(curve);
    }

    /** One that says no more than its kind: what else it says is added. */
    public static AlignmentEntry of(UUID id, Instant at, Kind kind, String band, UUID state) {
        return new AlignmentEntry(
                id, at, kind, band, Optional.empty(), "", 0, 0, 0, Given.NOT_SAID, "", List.of(), state, Extra.NONE);
    }

    /** What the indicator showed at a frequency: volts, of a detector with their sign. */
    public record Sample(double hertz, double volts) {}

    /**
     * How strong a signal was.
     *
     * @param volts effective, of the generator; 0 where not said
     * @param metres between its turn of wire and the set's own loop; 0 where not said
     */
    public record Given(double volts, double metres) {
        public static final Given NOT_SAID = new Given(0, 0);

        /** Near a small loop the field falls with the third power of the distance (quasi-static dipole). */
        private static final double POWER = 3;

        /**
         * Decibels by which this signal is stronger than another; empty where one of them does not tell, or each is told in its own way.
         */
        public Optional<Double> above(Given other) {
            if (equals(other)) return Optional.of(0.0);
            if ((volts > 0) != (other.volts > 0) || (metres > 0) != (other.metres > 0)) return Optional.empty();
            double ratio = 1;
            if (volts > 0) ratio *= volts / other.volts;
            if (metres > 0) ratio *= Math.pow(other.metres / metres, POWER);
            return Optional.of(20 * Math.log10(ratio));
        }
    }

    /** Stations of one band that were found since an adjuster of its oscillator was turned: those before it are of another set. */
    public static List<AlignmentEntry> stations(List<AlignmentEntry> ofBand) {
        int turned = -1;
        for (int n = 0; n < ofBand.size(); n++)
            if (ofBand.get(n).purpose().filter(AlignmentPurpose::ofOscillator).isPresent()) turned = n;
        return ofBand.subList(turned + 1, ofBand.size()).stream()
                .filter(e -> e.kind() == Kind.STATION)
                .toList();
    }

    /** By how much the last of the adjusters stands elsewhere since: what was put back is none. */
    public double moved() {
        return kind == Kind.WORSE ? 0 : turns;
    }

    /** The letter of the adjuster that was turned: the last of those named. */
    public String letter() {
        return adjusters.substring(adjusters.lastIndexOf(' ') + 1);
    }

    /** What it says. */
    public enum Kind implements Coded {
        /** The indicator was read; adjusters may have been turned. */
        READ,
        /** It rose, and was not yet at its peak. */
        BETTER,
        PEAK,
        NO_PEAK,
        NO_EFFECT,
        /** It fell, and was put back. */
        WORSE,
        /** It still rises at the end of its travel. */
        END,
        BROKEN_CORE,
        /** It comes to its peak at another frequency than it should: {@code after}, in hertz. */
        PEAKS_AT,
        /** It howls when it comes to its peak. */
        HOWL,
        /** One side of the curve is steeper than the other. */
        LOPSIDED,
        STATION,
        LEFT_ALONE,
        /** The indicator was read at several frequencies. */
        CURVE,
        /** It is aligned although its voltages are not known to be right; the text says why. */
        OVERRULED,
        /** Another indicator is watched from here on; the text has its code. */
        WATCH;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether its numbers are those of an indicator. */
        public boolean reads() {
            return this != PEAKS_AT && this != STATION && this != CURVE;
        }

        /** Whether nothing more is to be done on the line. */
        public boolean done() {
            return this == READ || this == PEAK || this == WORSE;
        }

        /** Whether it says that something else is wrong. */
        public boolean finding() {
            return this == NO_PEAK
                    || this == NO_EFFECT
                    || this == END
                    || this == BROKEN_CORE
                    || this == PEAKS_AT
                    || this == HOWL
                    || this == LOPSIDED;
        }
    }
}
