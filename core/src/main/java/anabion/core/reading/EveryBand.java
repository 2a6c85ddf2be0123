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
public record EveryBand(List<String> bands, List<BandRow> lines) {
    /** Expected volts that differ by more, relative and absolute, differ by what a switch does. */
    private static final double SHARE = 0.03;

    private static final double VOLTS = 0.3;

    /**
     * One point.
     *
     * @param rows one to a band
     */
    public record BandRow(List<ReadingRow> rows) {
        public BandRow {
            rows = List.copyOf(rows);
        }

        /** The point that all bands share. */
        public Point point() {
            return rows.get(0).point();
        }

        /** What is measured at it. */
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
        List<ReadingTable> sheets = bands.stream()
                .map(b -> new ReadingTable(chassis, readings, alterations, now.withBand(b), policy, predictor))
                .toList();
        List<Map<String, ReadingRow>> rows = new ArrayList<>();
        Map<String, ReadingRow> points = new LinkedHashMap<>();
        for (ReadingTable s : sheets) {
            Map<String, ReadingRow> own = new LinkedHashMap<>();
            for (ReadingRow r : s.rows()) own.putIfAbsent(key(r), r);
            rows.add(own);
            own.forEach(points::putIfAbsent);
        }
        List<BandRow> lines = new ArrayList<>();
        for (ReadingRow any : points.values()) {
            List<ReadingRow> line = new ArrayList<>();
            for (int b = 0; b < sheets.size(); b++) {
                ReadingRow own = rows.get(b).get(key(any));
                line.add(own == null ? sheets.get(b).at(any.point(), any.measure()) : own);
            }
            if (switched(line)) lines.add(new BandRow(line));
        }
        return new EveryBand(bands, lines);
    }

    private static String key(ReadingRow r) {
        return r.point().label() + "/" + r.measure();
    }

    private static boolean switched(List<ReadingRow> line) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (ReadingRow r : line) {
            Optional<Double> volts = r.expectation().map(Expectation::value);
            if (volts.isEmpty()) continue;
            least = Math.min(least, volts.get());
            most = Math.max(most, volts.get());
        }
        return most - least > SHARE * Math.max(Math.abs(least), Math.abs(most)) + VOLTS;
    }
}
