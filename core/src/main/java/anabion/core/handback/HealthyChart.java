package anabion.core.handback;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.job.ClosingEntry;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Expectation;
import anabion.core.reading.Reading;
import anabion.core.reading.Tolerances;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;

/**
 * The readings of a set that is in order, as a chart of its own. A service chart tells of the usual specimen and the usual meter; this one tells of this specimen, which is compared with it when
 * it comes back, and helps with the next of its model.
 */
public final class HealthyChart {
    /** Of the same set, read with a like meter: what a meter and a day differ. */
    private static final double TOLERANCE = 0.05;
    /** Of the line; what was read farther away from it is not of the same condition. */
    private static final double SAME_LINE = 0.01;
    /** Fewer are no chart. */
    private static final int LEAST = 3;

    private HealthyChart() {}

    /**
     * What a set read when it was handed back.
     *
     * @param handed its entry of being handed back
     * @param source what the chart is called
     * @return empty where fewer than three points were read in that state under one condition
     */
    public static Optional<Chart> of(Chassis chassis, List<Reading> readings, ClosingEntry handed, String source) {
        return of(
                chassis,
                readings.stream()
                        .filter(r -> r.state().equals(handed.state()) && !r.at().isAfter(handed.at()))
                        .toList(),
                source);
    }

    /**
     * As a chart of some readings; those that the service chart does not allow are left out.
     *
     * @param readings in the order in which they were taken; of the condition under which most points were read the last of each point counts
     */
    public static Optional<Chart> of(Chassis chassis, List<Reading> readings, String source) {
        Tolerances policy = Tolerances.usual(chassis);
        List<Reading> sound = readings.stream()
                .filter(r -> !r.doubtful()
                        && r.measure() != Measure.OHMS
                        && r.reference().equals(chassis.reference())
                        && r.condition().openEnds().isEmpty()
                        && !isOut(chassis, r, policy))
                .toList();
        Collection<Reading> most = List.of();
        Set<Condition> tried = new HashSet<>();
        for (Reading r : sound) {
            if (!tried.add(r.condition().withBand(""))) continue;
            Collection<Reading> like = like(r.condition(), sound);
            if (like.size() > most.size()) most = like;
        }
        if (most.size() < LEAST) return Optional.empty();
        Condition c = most.iterator().next().condition();
        List<ChartRow> rows = most.stream().map(r -> row(chassis, r, c.band())).toList();
        return Optional.of(new Chart(
                id(source),
                source,
                false,
                TOLERANCE,
                new Chart.Conditions(
                        c.line(),
                        c.meter().text(),
                        c.band(),
                        c.volume(),
                        c.signal(),
                        c.dial(),
                        chassis.reference(),
                        Extra.NONE),
                rows,
                Extra.NONE));
    }

    /** Beyond what the service chart allows: a set may be handed back so, signed off; healthy that point is not. */
    private static boolean isOut(Chassis chassis, Reading r, Tolerances policy) {
        return chassis.chart().stream()
                .flatMap(c -> c.rows().stream()
                        .filter(x -> x.point().equals(r.point())
                                && x.measure() == r.measure()
                                && (x.band().isEmpty()
                                        || x.band().equals(r.condition().band())))
                        .map(x -> Expectation.of(c, x, r.condition(), policy)))
                .anyMatch(e -> Math.abs(e.deviation(r.value())) > policy.drift());
    }

    /** The last of each point and band under a condition: line, meter and signal are the same. */
    private static Collection<Reading> like(Condition c, List<Reading> all) {
        Map<String, Reading> last = new LinkedHashMap<>();
        for (Reading r : all) {
            Condition d = r.condition();
            if (Math.abs(d.line() - c.line()) <= SAME_LINE * c.line()
                    && d.meter().equals(c.meter())
                    && d.signal().equals(c.signal())) last.put(r.point() + " " + d.band() + " " + r.measure(), r);
        }
        return last.values();
    }

    /** A band that is not the chart's own is named. */
    private static ChartRow row(Chassis chassis, Reading r, String band) {
        boolean follows = chassis.chart().stream()
                .flatMap(c -> c.rows().stream())
                .filter(x -> x.point().equals(r.point()) && x.measure() == r.measure())
                .map(ChartRow::followsLine)
                .findFirst()
                .orElse(true);
        String own = r.condition().band().equals(band) ? "" : r.condition().band();
        return new ChartRow(
                id(r.point() + " " + own + " " + r.measure()),
                r.point(),
                own,
                r.measure(),
                r.value(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                follows,
                Extra.NONE);
    }

    /** Follows from what it names, so that the same readings make the same chart. */
    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }
}
