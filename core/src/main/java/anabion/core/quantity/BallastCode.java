package anabion.core.quantity;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The code of American ballast tubes and resistance cords (Radio Manufacturers Association): {@code BK49C} drops 49 V at 0.3 A, its dial lamp included. The
 * letter before the volts names the lamp, the one behind them the base's circuit; a {@code B} in front says that the resistance rises with the current.
 */
final class BallastCode {
    /** K, L and M lamps; with M and some circuits the code cannot be told from a resistor's value with its tolerance. */
    private static final Pattern CODE = Pattern.compile("(?i)(?:B[KLM]|[KL])(\\d{2,3})[A-HJ]|M(\\d{2,3})[ABCDEH]");

    private static final double AMPERES = 0.3;

    private BallastCode() {}

    /** Ohms of the whole of it; empty for other texts. */
    static Optional<Decoded> decode(String text) {
        Matcher m = CODE.matcher(text.strip());
        if (!m.matches()) return Optional.empty();
        double volts = Double.parseDouble(m.group(1) != null ? m.group(1) : m.group(2));
        return Optional.of(new Decoded(
                Unit.OHM,
                List.of(volts / AMPERES),
                Optional.of(new Quantity(volts * AMPERES, Unit.WATT)),
                OptionalDouble.empty(),
                List.of()));
    }
}
