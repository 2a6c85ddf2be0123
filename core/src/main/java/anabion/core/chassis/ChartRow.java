package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.OptionalDouble;
import java.util.UUID;

/**
 * One charted value.
 *
 * @param point pin or net, such as {@code V4.6} or {@code B2}
 * @param band the band it holds for; empty for the chart's own
 * @param value volts or ohms against the reference net
 * @param sourceOhms resistance of the circuit behind the point, for meter loading; empty when not known
 * @param tolerance as a fraction; empty for the chart's own
 * @param followsLine false where the value does not rise with the mains (contact potential, batteries)
 */
public record ChartRow(
        UUID id,
        String point,
        String band,
        Measure measure,
        double value,
        OptionalDouble sourceOhms,
        OptionalDouble tolerance,
        boolean followsLine,
        Extra extra) {}
