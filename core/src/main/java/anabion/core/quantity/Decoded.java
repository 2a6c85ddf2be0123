package anabion.core.quantity;

import anabion.core.error.InputException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a written value says.
 *
 * @param unit the unit of the sections
 * @param sections one value per section in SI; a plain part has one, a multi-section can several
 * @param rating volts of a capacitor or watts of a resistor, where written
 * @param tolerance as a fraction (0.05 is ±5 %), where written
 * @param ratings volts of each section, where they differ; {@code rating} is then the highest
 * @param alternatives other things the same text can mean, likeliest first
 */
public record Decoded(
        Unit unit,
        List<Double> sections,
        Optional<Quantity> rating,
        OptionalDouble tolerance,
        List<Alternative> alternatives,
        List<Double> ratings) {
    public Decoded {
        sections = List.copyOf(sections);
        ratings = List.copyOf(ratings);
        alternatives = List.copyOf(alternatives);
    }

    /** With one rating for all sections. */
    public Decoded(
            Unit unit,
            List<Double> sections,
            Optional<Quantity> rating,
            OptionalDouble tolerance,
            List<Alternative> alternatives) {
        this(unit, sections, rating, tolerance, alternatives, List.of());
    }

    /** Another meaning of the same text, with the reason why it could be meant. */
    public record Alternative(Quantity quantity, String reason) {}

    /** The value of the first (usually only) section, SI. */
    public double value() {
        return sections.get(0);
    }

    /** The first section with its unit. */
    public Quantity quantity() {
        return new Quantity(value(), unit);
    }

    /** The value, provided that nothing else can be meant; for places where a guess would do harm. */
    public double certain(String text) {
        if (!alternatives.isEmpty()) {
            Alternative other = alternatives.get(0);
            throw InputException.at("\"" + text + "\"")
                    .because("this can mean " + Figures.si(quantity()) + " or " + Figures.si(other.quantity()) + " ("
                            + other.reason() + ")")
                    .so("write it so that only one is possible");
        }
        return value();
    }
}
