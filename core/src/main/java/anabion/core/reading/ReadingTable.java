package anabion.core.reading;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.chassis.Stage;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.FittedState;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Lays the chart and the readings of one band side by side, row by row. */
public final class ReadingTable {
    private final Chassis chassis;
    private final Points points;
    private final List<Reading> readings;
    private final List<Alteration> alterations;
    private final Condition now;
    private final Tolerances policy;
    private final Predictor predictor;
    /** The readings that belong to the band, by place and kind: a pin and its net are the same place. */
    private final Map<Place, List<Reading>> byPlace = new HashMap<>();

    private record Place(String label, Measure measure) {}

    /**
     * @param alterations what was done to the set, oldest first: what was read before a part was renewed counts no more
     * @param now in which unread points would be read
     * @param predictor {@link Predictor#NONE} to restate the chart alone
     */
    public ReadingTable(
            Chassis chassis,
            List<Reading> readings,
            List<Alteration> alterations,
            Condition now,
            Tolerances policy,
            Predictor predictor) {
        this.predictor = predictor;
        this.chassis = chassis;
        this.points = Points.of(chassis);
        this.readings = readings;
        this.alterations = alterations;
        this.now = now;
        this.policy = policy;
        Map<String, String> labels = new HashMap<>();
        for (Reading r : readings) {
            if (!belongs(r.condition().band())) continue;
            String label = labels.computeIfAbsent(
                    r.point(), l -> points.find(l).map(Point::label).orElse(l));
            byPlace.computeIfAbsent(new Place(label, r.measure()), p -> new ArrayList<>())
                    .add(r);
        }
    }

    private List<Reading> at(String label, Measure measure) {
        return byPlace.getOrDefault(new Place(label, measure), List.of());
    }

    /** One row per charted or read point, charted ones first in the order of the chart. */
    public List<ReadingRow> rows() {
        List<ReadingRow> rows = new ArrayList<>();
        Set<String> shown = new HashSet<>();
        if (chassis.chart().isPresent()) {
            for (ChartRow charted : chassis.chart().get().rows()) {
                if (belongs(charted.band())) rows.add(charted(chassis.chart().get(), charted, shown));
            }
        } else {
            pinsWorthReading().forEach(p -> rows.add(uncharted(p, Measure.DC_VOLTS, shown)));
        }
        for (Reading r : readings) {
            if (r.measure() == Measure.OHMS || !belongs(r.condition().band())) continue;
            Optional<Point> point = points.find(r.point());
            if (point.isPresent() && !shown.contains(key(point.get(), r.measure())))
                rows.add(uncharted(point.get(), r.measure(), shown));
        }
        return rows;
    }

    /** A point that is not on the sheet of this band by itself. */
    ReadingRow at(Point point, Measure measure) {
        return uncharted(point, measure, new HashSet<>());
    }

    private boolean belongs(String band) {
        return band.isEmpty() || now.band().isEmpty() || band.equals(now.band());
    }

    /** Without a chart: every pin that carries a working voltage. */
    private List<Point> pinsWorthReading() {
        List<Point> pins = new ArrayList<>();
        for (Part part : chassis.parts()) {
            if (part.device().isEmpty()) continue;
            for (Point p : points.pinsOf(part)) {
                if (!PinNames.isHeater(p.function()) && !PinNames.isUnused(p.function())) pins.add(p);
            }
        }
        return pins;
    }

    private static String key(Point point, Measure measure) {
        return point.label() + "/" + measure;
    }

    private ReadingRow charted(Chart chart, ChartRow charted, Set<String> shown) {
        Point point = points.need(charted.point());
        shown.add(key(point, charted.measure()));
        Optional<Reading> reading = latest(point, charted.measure());
        Condition condition = reading.map(Reading::condition).orElse(now);
        Expectation expected = predictor
                .at(point, charted.measure(), condition)
                .map(p -> Expectation.of(p, charted.measure(), Optional.of(chart), Optional.of(charted), policy))
                .orElseGet(() -> Expectation.of(chart, charted, condition, policy));
        return judge(point, charted.measure(), Optional.of(expected), reading);
    }

    private ReadingRow uncharted(Point point, Measure measure, Set<String> shown) {
        shown.add(key(point, measure));
        Optional<Reading> reading = latest(point, measure);
        Condition condition = reading.map(Reading::condition).orElse(now);
        Optional<Expectation> expected = predictor
                .at(point, measure, condition)
                .map(p -> Expectation.of(p, measure, chassis.chart(), Optional.empty(), policy));
        return judge(point, measure, expected, reading);
    }

    /** The newest reading at the point on this band. */
    private Optional<Reading> latest(Point point, Measure measure) {
        Optional<Reading> found = Optional.empty();
        for (Reading r : at(point.label(), measure))
            if (found.isEmpty() || !r.at().isBefore(found.get().at())) found = Optional.of(r);
        return found;
    }

    /** The newest reading of the same kind from before parts were exchanged. */
    private Optional<Reading> before(Point point, Reading now) {
        if (alterations.isEmpty()) return Optional.empty();
        return at(point.label(), now.measure()).stream()
                .filter(r -> !r.doubtful() && repaired(r, now))
                .max(Comparator.comparing(Reading::at));
    }

    private boolean repaired(Reading before, Reading after) {
        List<Alteration> since = FittedState.since(before.state(), alterations);
        int later = FittedState.since(after.state(), alterations).size();
        return since.size() > later
                && since.subList(0, since.size() - later).stream()
                        .anyMatch(a -> a.kind().exchanges());
    }

    private ReadingRow judge(Point point, Measure measure, Optional<Expectation> expected, Optional<Reading> reading) {
        boolean stale = reading.isPresent() && altered(point, reading.get());
        ReadingRow row = new ReadingRow(
                point,
                now.band(),
                measure,
                expected,
                reading,
                Standing.NOT_TAKEN,
                Phrase.of("verdict.not-taken"),
                reading.flatMap(r -> before(point, r)),
                stale);
        if (offByDesign(point))
            return row.judged(Standing.OFF_BY_DESIGN, Phrase.of("verdict.off-by-design", now.band()));
        if (reading.isEmpty()) return row;
        if (stale) return row.judged(Standing.DOUBTFUL, Phrase.of("verdict.stale"));
        if (reading.get().doubtful()) return row.judged(Standing.DOUBTFUL, Phrase.of("verdict.doubtful"));
        if (expected.isEmpty()) return row.judged(Standing.UNCHARTED, Phrase.of("verdict.uncharted"));
        return compared(row, expected.get(), reading.get().value());
    }

    private ReadingRow compared(ReadingRow row, Expectation expected, double read) {
        double deviation = Math.abs(expected.deviation(read));
        if (deviation <= 1) return row.judged(Standing.WITHIN, Phrase.of("verdict.within"));
        Standing standing = deviation <= policy.drift() ? Standing.DRIFTING : Standing.OUT;
        boolean high = expected.size(read) > 0;
        double size = Math.abs(expected.value());
        if (size < 2 * policy.floor() || read * expected.value() < 0) {
            return row.judged(
                    standing,
                    Phrase.of(
                            high ? "verdict.volts-high" : "verdict.volts-low",
                            Figures.volts(Math.abs(read - expected.value()))));
        }
        double off = Math.abs(Math.abs(read) - size) / size;
        return row.judged(standing, Phrase.of(high ? "verdict.high" : "verdict.low", Figures.percent(off)));
    }

    /** Whether a part of the point's stage, or on its net, was altered after the reading. */
    private boolean altered(Point point, Reading reading) {
        for (Alteration a : FittedState.since(reading.state(), alterations)) {
            boolean near =
                    chassis.part(a.owner()).filter(p -> p.touches(point.net())).isPresent();
            Optional<Stage> stage = point.device().flatMap(d -> chassis.owner(d.reference()));
            if (a.kind() == AlterationKind.CAME_BACK
                    || near
                    || stage.filter(s -> s.parts().contains(a.owner())).isPresent()) return true;
        }
        return false;
    }

    /** A signal stage that the band does not use has no say on that band. */
    private boolean offByDesign(Point point) {
        Optional<Band> band = chassis.band(now.band());
        Optional<Stage> stage = point.device().flatMap(d -> chassis.owner(d.reference()));
        return band.isPresent()
                && stage.isPresent()
                && stage.get().line() == anabion.core.chassis.StripRow.SIGNAL
                && !band.get().stages().contains(stage.get().name())
                && chassis.bands().stream()
                        .anyMatch(b -> b.stages().contains(stage.get().name()))
                && !charted(point);
    }

    private boolean charted(Point point) {
        return chassis.chart().stream()
                .flatMap(c -> c.rows().stream())
                .anyMatch(r -> r.point().equals(point.label()) && r.band().equals(now.band()));
    }
}
