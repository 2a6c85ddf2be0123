package anabion.core.recap;

import anabion.core.chassis.Dielectric;
import anabion.core.json.Coded;
import anabion.core.text.Phrase;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What to do with a part and the rule that decided it.
 *
 * @param value SI; that of one of a pair in series
 * @param volts rating; of one of a pair in series; 0 where none matters
 * @param safety class against mains; empty for none
 * @param pair where one part cannot bear the volts
 * @param warnings what to know before it is fitted
 * @param pulses whether it must be made for pulses, or for alternating volts: a rating for direct ones is not enough
 */
public record Choice(
        Action action,
        Dielectric kind,
        double value,
        double volts,
        Optional<Safety> safety,
        Optional<Pair> pair,
        Phrase rule,
        List<Phrase> warnings,
        boolean pulses) {
    Choice(
            Action action,
            Dielectric kind,
            double value,
            double volts,
            Optional<Safety> safety,
            Optional<Pair> pair,
            Phrase rule,
            List<Phrase> warnings) {
        this(action, kind, value, volts, safety, pair, rule, warnings, false);
    }

    /** What is done. */
    public enum Action implements Coded {
        RENEW,
        /** Its test decides. */
        TEST,
        KEEP;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Class of a capacitor at the mains, by IEC 60384-14. */
    public enum SafetyClass implements Coded {
        X1,
        X2,
        Y2,
        Y1;

        @Override
        public String code() {
            return name();
        }
    }

    /**
     * @param amperes that a hand on the other side would carry; 0 across the line, where none is
     */
    public record Safety(SafetyClass klass, double amperes) {}

    /**
     * Two alike in series, each with a resistor across it.
     *
     * @param ohms of each resistor
     * @param watts to be rated for
     */
    public record Pair(double ohms, double watts) {}

    public Choice {
        warnings = List.copyOf(warnings);
    }

    Choice warning(Phrase more) {
        List<Phrase> all = new java.util.ArrayList<>(warnings);
        all.add(more);
        return new Choice(action, kind, value, volts, safety, pair, rule, all, pulses);
    }

    Choice with(Action other, Phrase because) {
        return new Choice(other, kind, value, volts, safety, pair, because, warnings, pulses);
    }

    /** With another value, for a reason. */
    Choice valued(double other, Phrase because) {
        return new Choice(action, kind, other, volts, safety, pair, because, warnings, pulses);
    }

    /** With the capacitor's own value and rating: it stays. */
    Choice kept(CapacitorSection c) {
        return new Choice(action, Dielectric.CERAMIC, c.farads(), c.rating(), safety, pair, rule, List.of(), false);
    }

    Choice forPulses() {
        return new Choice(action, kind, value, volts, safety, pair, rule, warnings, true);
    }

    /** The value between the ends of what is fitted: half of one where two stand in series. */
    public double effective() {
        return pair.isPresent() ? value / 2 : value;
    }

    /** The volts that what is fitted can bear. */
    public double bears() {
        return pair.isPresent() ? 2 * volts : volts;
    }
}
