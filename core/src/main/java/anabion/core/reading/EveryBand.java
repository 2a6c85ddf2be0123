package anabion.core.reading;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Point;
import anabion.core.job.Alteration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The points at which a switch matters, on every band side by side: a pin that loses its volts on one band has an open coil or contact there.
 *
 * @param bands their names, in the set's order
 */
public record EveryBand(List<String> bands, List<Line> lines) {
    /** Expected volts that differ by more, relative and absolute, differ by what a switch does. */
    private static final double SHARE = 0.03;

    private static final double VOLTS = 0.3;

    /**
     * One point.
     *
     * @param rows one to a band
     */
    public record Line(List<Row> rows) {
        public Line {
            rows = List.copyOf(rows);
        }

        public Point point() {
            return rows.get(0).point();
        }

        public Measure measure() {
            return rows.get(0).measure();
        }
    }

    public EveryBand {
        bands = List.copyOf(bands);
        lines = List.copyOf(lines);
    }

    /** @param now the condition of unread points, whatever its band */
    public static EveryBand of(
            Chassis chassis,
            List<Reading> readings,
            List<Alteration> alterations,
            Condition now,
            Tolerances policy,
            Predictor predictor) {
        List<String> bands = chassis.bands().stream()
                .filter(b -> b.kind() != BandKind.DISPLAY)
                .map(Band::name)
                .toList();
        List<Sheet> sheets = bands.stream()
                .map(b -> new Sheet(chassis, readings, alterations, now.withBand(b), policy, predictor))
                .toList();
        List<Map<String, Row>> rows = new ArrayList<>();
        Map<String, Row> points = new LinkedHashMap<>();
        for (Sheet s : sheets) {
            Map<String, Row> own = new LinkedHashMap<>();
            for (Row r : s.rows()) own.putIfAbsent(key(r), r);
            rows.add(own);
            own.forEach(points::putIfAbsent);
        }
        List<Line> lines = new ArrayList<>();
        for (Row any : points.values()) {
            List<Row> line = new ArrayList<>();
            for (int b = 0; b < sheets.size(); b++) {
                Row own = rows.get(b).get(key(any));
                line.add(own == null ? sheets.get(b).at(any.point(), any.measure()) : own);
            }
            if (switched(line)) lines.add(new Line(line));
        }
        return new EveryBand(bands, lines);
    }

    private static String key(Row r) {
        return r.point().label() + "/" + r.measure();
    }

    private static boolean switched(List<Row> line) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (Row r : line) {
            Optional<Double> volts = r.expectation().map(Expectation::value);
            if (volts.isEmpty()) continue;
            least = Math.min(least, volts.get());
            most = Math.max(most, volts.get());
        }
        return most - least > SHARE * Math.max(Math.abs(least), Math.abs(most)) + VOLTS;
    }
}
