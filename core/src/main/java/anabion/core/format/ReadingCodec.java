package anabion.core.format;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.error.InputException;
import anabion.core.job.FittedState;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.Writing;
import anabion.core.quantity.Unit;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;

/** Readings as JSON objects and as CSV ({@code docs/formats/readings.md}). */
public final class ReadingCodec {
    private static final String[] COLUMNS = {
        "point",
        "value",
        "measure",
        "line",
        "meter",
        "band",
        "volume",
        "signal",
        "dial",
        "reference",
        "openends",
        "doubtful",
        "taken",
        "state",
        "id"
    };
    private static final UUID NO_ID = new UUID(0, 0);
    private static final List<String> REQUIRED = List.of("point", "value");
    private static final List<String> OPTIONAL = List.of(java.util.Arrays.copyOfRange(COLUMNS, 2, COLUMNS.length));

    private ReadingCodec() {}

    /** As maps and lists. */
    public static Map<String, Object> tree(Reading r) {
        Condition c = r.condition();
        Map<String, Object> condition = new Writing()
                .put("line", c.line())
                .put("meter", c.meter().text())
                .text("band", c.band())
                .text("volume", c.volume())
                .text("signal", c.signal())
                .text("dial", c.dial())
                .list("openEnds", c.openEnds())
                .with(c.extra());
        return new Writing()
                .put("id", r.id())
                .put("point", r.point())
                .put("reference", r.reference())
                .put("measure", r.measure())
                .put("value", r.value())
                .unless("doubtful", r.doubtful(), false)
                .put("condition", condition)
                .put("state", r.state())
                .put("at", r.at())
                .with(r.extra());
    }

    /** @throws InputException as {@link #read(Fields)} */
    public static Reading read(String json) {
        try {
            return read(
                    Fields.of(TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))), ""));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @throws InputException naming the field that cannot be read */
    public static Reading read(Fields f) {
        Fields c = f.object("condition");
        Condition condition = new Condition(
                c.size("line", 0),
                MeterSpec.parse(c.text("meter")),
                c.text("band", ""),
                c.text("volume", ""),
                c.text("signal", ""),
                c.text("dial", ""),
                c.strings("openEnds"),
                c.extra());
        return new Reading(
                f.id(),
                f.text("point"),
                f.text("reference", Chassis.METAL),
                f.code("measure", Measure.values(), Measure.DC_VOLTS),
                f.number("value"),
                f.flag("doubtful", false),
                condition,
                f.id("state", FittedState.AS_FOUND),
                f.instant("at"),
                f.extra());
    }

    /**
     * Writes readings as CSV with a head line, volts and ohms in SI units.
     *
     * @throws IOException if the output fails
     */
    public static void csv(List<Reading> readings, Appendable out) throws IOException {
        TableWriter table = new TableWriter(out, COLUMNS);
        for (Reading r : readings) {
            Condition c = r.condition();
            table.row(
                    r.point(),
                    plain(r.value()),
                    r.measure().code(),
                    c.line(),
                    c.meter().text(),
                    c.band(),
                    c.volume(),
                    c.signal(),
                    c.dial(),
                    r.reference(),
                    String.join(" ", c.openEnds()),
                    r.doubtful() ? "yes" : "",
                    r.at(),
                    r.state(),
                    r.id());
        }
    }

    /**
     * What a row means that leaves cells empty.
     *
     * @param condition its line, meter and band
     * @param at its moment
     * @param state the fitted state in which it was taken
     */
    public record Usual(Condition condition, Instant at, UUID state) {}

    /**
     * Reads readings for a chassis. A row without an id gets one from what it says: the same file read twice gives the same ids.
     *
     * @throws InputException with line and field; an unknown point is one
     */
    public static List<Reading> csv(Reader in, Chassis chassis, Usual usual) throws IOException {
        List<Reading> readings = new ArrayList<>();
        Set<UUID> ids = new HashSet<>();
        Points points = Points.of(chassis);
        for (Table.Row row : Table.read(in, REQUIRED, OPTIONAL)) {
            Reading said = reading(row, points, chassis, usual);
            Reading reading = row.get("id").isEmpty() ? said.withId(own(row, chassis, ids)) : said;
            if (!ids.add(reading.id()))
                throw row.trouble("id", "another line of this file has the same id", "leave the cell empty");
            readings.add(reading);
        }
        return readings;
    }

    /** The id of a row that gives none: the nth of its words for this chassis. */
    private static UUID own(Table.Row row, Chassis chassis, Set<UUID> taken) {
        StringBuilder said = new StringBuilder(chassis.id().toString());
        for (String column : COLUMNS) said.append('\n').append(row.get(column));
        UUID id;
        do {
            said.append('\n');
            id = UUID.nameUUIDFromBytes(said.toString().getBytes(StandardCharsets.UTF_8));
        } while (taken.contains(id));
        return id;
    }

    private static Reading reading(Table.Row row, Points points, Chassis chassis, Usual defaults) {
        Condition usual = defaults.condition();
        Point point = points.find(row.need("point"))
                .orElseThrow(() -> row.trouble(
                        "point",
                        "this chassis has no pin or net " + row.get("point"),
                        "name a pin such as V4.6 or a net"));
        Measure measure = measure(row);
        String band = row.get("band").isEmpty() ? usual.band() : row.get("band");
        if (!band.isEmpty() && chassis.band(band).isEmpty() && !chassis.bands().isEmpty()) {
            throw row.trouble("band", "this chassis has no band " + band, "name one of its bands");
        }
        Condition condition = new Condition(
                row.get("line").isEmpty() ? usual.line() : row.number("line", Unit.VOLT),
                row.get("meter").isEmpty() ? usual.meter() : meter(row),
                band,
                row.get("volume"),
                row.get("signal"),
                row.get("dial"),
                row.get("openends").isEmpty()
                        ? List.of()
                        : List.of(row.get("openends").split("\\s+")),
                Extra.NONE);
        return new Reading(
                row.get("id").isEmpty() ? NO_ID : uuid(row, "id"),
                point.label(),
                row.get("reference").isEmpty() ? chassis.reference() : row.get("reference"),
                measure,
                row.number("value", measure == Measure.OHMS ? Unit.OHM : Unit.VOLT),
                !row.get("doubtful").isEmpty() && !row.get("doubtful").equals("no"),
                condition,
                row.get("state").isEmpty() ? defaults.state() : uuid(row, "state"),
                row.get("taken").isEmpty() ? defaults.at() : moment(row),
                Extra.NONE);
    }

    private static Measure measure(Table.Row row) {
        String text = row.get("measure");
        for (Measure m : Measure.values()) if (m.code().equals(text) || text.isEmpty()) return m;
        throw row.trouble("measure", "\"" + text + "\" is no measure", "use dc-volts, ac-volts or ohms");
    }

    private static MeterSpec meter(Table.Row row) {
        try {
            return MeterSpec.parse(row.get("meter"));
        } catch (InputException e) {
            throw e.inside("line " + row.line() + ", field meter");
        }
    }

    private static UUID uuid(Table.Row row, String column) {
        try {
            return UUID.fromString(row.get(column));
        } catch (IllegalArgumentException e) {
            throw row.trouble(column, "this is no UUID", "leave the cell empty");
        }
    }

    private static Instant moment(Table.Row row) {
        try {
            return Instant.parse(row.get("taken"));
        } catch (DateTimeException e) {
            throw row.trouble("taken", "this is no moment in time", "write it like 2026-05-04T09:30:00Z");
        }
    }

    /** Without an exponent: what is written can be read by the notation of values. */
    private static String plain(double value) {
        String text = Double.toString(value);
        return text.contains("E")
                ? new BigDecimal(value)
                        .setScale(6, RoundingMode.HALF_EVEN)
                        .stripTrailingZeros()
                        .toPlainString()
                : text;
    }
}
