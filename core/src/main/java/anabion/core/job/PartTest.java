package anabion.core.job;

import anabion.core.chassis.Renames;
import anabion.core.json.Coded;
import java.util.Locale;

/**
 * A part measured out of circuit, or a tube in a tester.
 *
 * @param key of the part or section
 * @param amount measured, in SI units; an emission in the tester's own scale
 * @param good what a known good one of the same size showed, or the tester's reject line; 0 for none
 * @param volts at which leakage was measured; 0 otherwise
 */
public record PartTest(String key, What what, double amount, double good, double volts) {
    /** What was measured. */
    public enum What implements Coded {
        VALUE,
        ESR,
        LEAKAGE,
        GAIN,
        EMISSION;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** After a part got another reference. */
    PartTest renamed(String from, String to) {
        return new PartTest(Renames.owned(key, from, to), what, amount, good, volts);
    }
}
