package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.UUID;
import java.util.function.Predicate;

/**
 * The service chart with the conditions it was taken under.
 *
 * @param provisional true while its values wait to be confirmed or computed anew
 * @param tolerance usual tolerance of its values, as a fraction
 */
public record Chart(
        UUID id,
        String source,
        boolean provisional,
        double tolerance,
        Conditions conditions,
        List<ChartRow> rows,
        Extra extra) {
    public Chart {
        rows = List.copyOf(rows);
    }

    /**
     * As the chart of another set of its model: to be confirmed, and called after where it comes from.
     *
     * @param has whether that set has a point
     */
    public Chart asProvisional(String newSource, Predicate<String> has) {
        List<ChartRow> known = rows.stream().filter(r -> has.test(r.point())).toList();
        return new Chart(id, newSource, true, tolerance, conditions, known, extra);
    }

    /**
     * What held when the chart was taken.
     *
     * @param line mains or battery volts
     * @param meter the meter in the notation of {@link MeterSpec}
     * @param reference the net that volts are measured against
     */
    public record Conditions(
            double line,
            String meter,
            String band,
            String volume,
            String signal,
            String dial,
            String reference,
            Extra extra) {}
}
