package anabion.core.coldcheck;

import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.text.Phrase;
import java.util.Optional;

/**
 * Ohms to take between two nets.
 *
 * @param part reference of the part that the row is about; empty for a rail
 * @param what in words
 * @param usual what the circuit predicts, in ohms
 * @param low least that a sound set may show: tolerances, electrolytics that have lain, either polarity
 * @param high most
 * @param reading the latest that counts; empty when not taken
 */
public record ColdRow(
        Group group,
        String part,
        String net,
        String against,
        Phrase what,
        double usual,
        double low,
        double high,
        Optional<Reading> reading,
        Standing standing,
        Phrase verdict) {
    /** In the order of the work: what keeps mains away first. */
    public enum Group {
        MAINS,
        RAILS,
        HEATERS,
        WINDINGS,
        RESISTORS,
        PINS
    }

    /** Both ends, as rows are headed. */
    public String label() {
        return net + " – " + against;
    }

    /** What was read, as it was typed. Empty before it is taken, and where no meter tells it from open. */
    public Optional<String> read() {
        return measured().map(v -> Figures.measured(Quantity.ohms(v)));
    }

    /** How far what was read of a resistor or a winding is from what the circuit predicts: {@code +12.3 %}. Empty of what is no one part's. */
    public Optional<String> off() {
        boolean known = (group == Group.RESISTORS || group == Group.WINDINGS) && usual > 0 && usual < Notation.OPEN;
        return measured().filter(v -> known).map(v -> Figures.deviation(v / usual - 1));
    }

    private Optional<Double> measured() {
        return reading.map(Reading::value).filter(v -> v < Notation.OPEN);
    }

    /** Where a reading fell against what may be, from −1 at the low end to 1 at the high end of what is fine, by ratio. */
    public double deviation() {
        if (reading.isEmpty()) return 0;
        double read = Math.max(reading.get().value(), 1e-2);
        double middle = Math.sqrt(Math.max(low, 1e-2) * high);
        double half = Math.log(high / middle);
        return half <= 0 ? 0 : Math.log(read / middle) / half;
    }
}
