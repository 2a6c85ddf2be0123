package anabion.core.reading;

import anabion.core.chassis.Measure;
import anabion.core.chassis.Point;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import java.util.Optional;

/**
 * One line of the voltage sheet.
 *
 * @param expectation empty where nothing is charted
 * @param reading the latest one that counts; empty when not taken
 * @param before the newest from before the repair that the reading follows; empty without a repair between them
 * @param stale whether a part of the same stage was altered after the reading
 */
public record ReadingRow(
        Point point,
        String band,
        Measure measure,
        Optional<Expectation> expectation,
        Optional<Reading> reading,
        Standing standing,
        Phrase verdict,
        Optional<Reading> before,
        boolean stale) {
    /** This row with another verdict. */
    public ReadingRow judged(Standing newStanding, Phrase newVerdict) {
        return new ReadingRow(point, band, measure, expectation, reading, newStanding, newVerdict, before, stale);
    }

    /** The verdict, with what was read before a repair. */
    public Phrase said() {
        return before.map(b -> Phrase.of("verdict.was", verdict, Figures.volts(b.value())))
                .orElse(verdict);
    }

    /** Whether the service chart has it. */
    public boolean charted() {
        return expectation.filter(e -> e.charted().isPresent()).isPresent();
    }

    /** The reading's value, if it may be judged upon. */
    public java.util.OptionalDouble volts() {
        return reading.isPresent() && !reading.get().doubtful() && !stale
                ? java.util.OptionalDouble.of(reading.get().value())
                : java.util.OptionalDouble.empty();
    }
}
