package anabion.core.reading;

import anabion.core.chassis.Fault;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import java.util.List;

/**
 * What a pattern of readings means.
 *
 * @param pattern the pattern's name, also the stem of its word keys
 * @param point the reading that shows it
 * @param weight how much it explains, for ranking findings: 3 explains others, 1 stands alone
 * @param headline one line
 * @param because the reasons, with the arithmetic
 * @param suspects parts of this set, likeliest first
 * @param tests what tells the suspects apart, quickest first
 * @param verdict what to say in the row itself
 */
public record Finding(
        String pattern,
        String point,
        int weight,
        Phrase headline,
        List<Phrase> because,
        List<Suspect> suspects,
        List<Phrase> tests,
        Phrase verdict) {
    public Finding {
        because = List.copyOf(because);
        suspects = List.copyOf(suspects);
        tests = List.copyOf(tests);
    }

    /** A part that may have failed, how, and in words. */
    public record Suspect(Fault fault, Phrase words) {
        /** A fault with its words. */
        public static Suspect of(Fault fault) {
            if (fault.amount().isEmpty())
                return new Suspect(fault, Phrase.of("fault." + fault.mode().code(), fault.target()));
            Quantity amount = fault.ohms();
            return new Suspect(fault, Phrase.of("fault." + fault.mode().code() + "-amount", fault.target(), amount));
        }
    }
}
