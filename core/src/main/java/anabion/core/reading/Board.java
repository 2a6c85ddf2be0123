package anabion.core.reading;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a pattern looks at: the chassis, the judged rows of one band, and the questions patterns ask of them. */
public final class Board {
    private final Chassis chassis;
    private final Points points;
    private final Condition now;
    private final String reference;
    private final Map<String, ReadingRow> byNet = new LinkedHashMap<>();
    private final List<ReadingRow> rows;

    /**
     * @param rows one per charted or read point
     * @param now in which unread points would be read
     */
    public Board(Chassis chassis, List<ReadingRow> rows, Condition now) {
        this.chassis = chassis;
        this.reference = chassis.reference();
        this.points = Points.of(chassis);
        this.now = now;
        this.rows = List.copyOf(rows);
        for (ReadingRow r : rows) {
            if (r.measure() != Measure.DC_VOLTS) continue;
            ReadingRow before = byNet.get(r.point().net());
            if (before == null || (before.volts().isEmpty() && r.volts().isPresent()))
                byNet.put(r.point().net(), r);
        }
    }

    /** The set that is judged. */
    public Chassis chassis() {
        return chassis;
    }

    /** The points of its chart and its sockets. */
    public Points points() {
        return points;
    }

    /** The condition that readings are restated for. */
    public Condition now() {
        return now;
    }

    /** The DC rows of device pins that have a reading to judge and are not off by design, in chart order. */
    public List<ReadingRow> read() {
        return rows.stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS
                        && r.volts().isPresent()
                        && r.standing() != Standing.OFF_BY_DESIGN)
                .toList();
    }

    /** Volts that were read on a net against the reference; empty where nothing was, or is doubtful. */
    public OptionalDouble volts(String net) {
        return net.equals(reference)
                ? OptionalDouble.of(0)
                : Optional.ofNullable(byNet.get(net)).map(ReadingRow::volts).orElse(OptionalDouble.empty());
    }

    /** Volts that should be read on a net; empty where neither chart nor circuit says. */
    public OptionalDouble expected(String net) {
        if (net.equals(reference)) return OptionalDouble.of(0);
        Optional<Expectation> e = Optional.ofNullable(byNet.get(net)).flatMap(ReadingRow::expectation);
        return e.isPresent() ? OptionalDouble.of(e.get().value()) : OptionalDouble.empty();
    }

    /** The reading if there is one, else what should be there. */
    public OptionalDouble readOrExpected(String net) {
        return volts(net).isPresent() ? volts(net) : expected(net);
    }

    /** The row of direct volts of a net. */
    public Optional<ReadingRow> row(String net) {
        return Optional.ofNullable(byNet.get(net));
    }

    /**
     * The point of another electrode of a row's device.
     *
     * @param function as in the device library
     */
    public Optional<Point> sibling(ReadingRow row, String function) {
        return row.point().device().flatMap(d -> PinNames.sibling(points, d, row.point(), function));
    }

    /** The resistors on a net, in the order of the parts. */
    public List<Part> resistorsAt(String net) {
        return chassis.parts().stream()
                .filter(p -> p.touches(net) && p.component() instanceof Component.Resistor)
                .toList();
    }

    /** The capacitors on a net, in the order of the parts. */
    public List<Part> capacitorsAt(String net) {
        return chassis.parts().stream()
                .filter(p -> p.touches(net) && p.component() instanceof Component.Capacitor)
                .toList();
    }

    /** Capacitors from the net straight to chassis: bypasses. */
    public List<Part> bypassesAt(String net) {
        return capacitorsAt(net).stream().filter(p -> p.touches(reference)).toList();
    }

    /** The net at the other end of a two-terminal part. */
    public String across(Part part, String net) {
        return part.nets().values().stream()
                .filter(n -> !n.equals(net))
                .findFirst()
                .orElse(net);
    }

    /** A part with the net of a supply rail at its far end: a feed or load resistor. */
    public Optional<Part> feed(String net) {
        return resistorsAt(net).stream()
                .filter(r -> readOrExpected(across(r, net)).isPresent())
                .filter(r -> readOrExpected(across(r, net)).getAsDouble()
                        > Math.max(1, readOrExpected(net).orElse(0)))
                .findFirst()
                .or(() -> resistorsAt(net).stream()
                        .filter(r -> !across(r, net).equals(chassis.reference()))
                        .findFirst());
    }

    /** Ohms of a resistor as designed; 0 for anything else. */
    public static double ohms(Part part) {
        return part.component() instanceof Component.Resistor r ? r.ohms() : 0;
    }

    /** Whether the device's stage works on this band. */
    public boolean works(Part device) {
        return chassis.band(now.band()).isEmpty()
                || chassis.owner(device.reference()).isEmpty()
                || chassis.owner(device.reference()).get().line() == anabion.core.chassis.StripRow.SUPPLY
                || chassis.band(now.band())
                        .get()
                        .stages()
                        .contains(chassis.owner(device.reference()).get().name());
    }
}
