package anabion.core.format;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.Points;
import anabion.core.command.RoleLine;
import anabion.core.command.ValueList;
import anabion.core.command.WiringLine;
import anabion.core.device.DeviceLibrary;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.quantity.Unit;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;

/** Parts lists, value lists and charts as CSV ({@code docs/formats/lists.md}). */
public final class ListCodec {
    private static final List<String> PART = List.of("reference", "value", "nets");
    private static final List<String> PART_MORE = List.of("role", "part-role", "make", "note");
    private static final List<String> CHART = List.of("point", "value");
    private static final List<String> CHART_MORE = List.of("band", "measure", "source", "tolerance", "follows");

    private ListCodec() {}

    /** Whole parts with nets, one wiring line per row. Later rows may name pins of devices in earlier ones. */
    public static Chassis parts(Reader in, Chassis chassis) throws IOException {
        return parts(in, chassis, DeviceLibrary.standard());
    }

    /** @param library where the pins of tubes and transistors are looked up */
    public static Chassis parts(Reader in, Chassis chassis, DeviceLibrary library) throws IOException {
        Chassis grown = chassis;
        for (Table.Row row : Table.read(in, PART, PART_MORE)) {
            String line =
                    row.need("reference") + " " + row.need("value") + " " + row.get("nets") + " " + row.get("role");
            try {
                Part read = WiringLine.parse(line, grown, library);
                Part picked = row.get("part-role").isEmpty()
                        ? read
                        : read.withAssigned(
                                Optional.of(AssignedRole.picked(RoleLine.role(row.get("part-role"), read))));
                Part made = row.get("make").isEmpty() ? picked : picked.withMake(row.get("make"));
                grown = withPart(grown, row.get("note").isEmpty() ? made : made.withNote(row.get("note")));
            } catch (InputException e) {
                throw e.inside("line " + row.line() + ", field value");
            }
        }
        return grown;
    }

    /** What a pasted list is, by the names of its columns; lines where it has none. */
    public enum Kind {
        CHART,
        PARTS,
        VALUES,
        LINES
    }

    /** What a pasted table is, by its head line or the look of its first row. */
    public static Kind kind(String text) {
        String header = text.lines().findFirst().orElse("").toLowerCase(Locale.ROOT);
        if (header.contains("point")) return Kind.CHART;
        if (header.contains("nets")) return Kind.PARTS;
        return header.contains("reference") ? Kind.VALUES : Kind.LINES;
    }

    /** Adds a part, or puts it in the place of the one with its id or reference. */
    public static Chassis withPart(Chassis chassis, Part part) {
        List<Part> parts = new ArrayList<>();
        boolean placed = false;
        for (Part p : chassis.parts()) {
            boolean same = p.reference().equals(part.reference());
            parts.add(same ? part : p);
            placed |= same;
        }
        if (!placed) parts.add(part);
        return chassis.withParts(parts);
    }

    /** A separate list of values: reference and value. */
    public static List<ValueList.Listed> values(Reader in) throws IOException {
        List<ValueList.Listed> rows = new ArrayList<>();
        for (Table.Row row : Table.read(in, List.of("reference", "value"), List.of("note"))) {
            rows.add(new ValueList.Listed(row.need("reference"), row.need("value"), row.get("note")));
        }
        return rows;
    }

    /** Chart rows for a chassis; a point that it does not have is an error. */
    public static List<ChartRow> chart(Reader in, Chassis chassis) throws IOException {
        List<ChartRow> rows = new ArrayList<>();
        Points points = Points.of(chassis);
        for (Table.Row row : Table.read(in, CHART, CHART_MORE)) {
            String point = points.find(row.need("point"))
                    .orElseThrow(() -> row.trouble(
                            "point",
                            "this chassis has no pin or net " + row.get("point"),
                            "name a pin such as V4.6 or a net"))
                    .label();
            rows.add(new ChartRow(
                    UUID.randomUUID(),
                    point,
                    row.get("band"),
                    row.get("measure").equals("ac-volts") ? Measure.AC_VOLTS : Measure.DC_VOLTS,
                    row.number("value", Unit.VOLT),
                    maybe(row, "source", Unit.OHM),
                    percent(row),
                    !row.get("follows").equals("no"),
                    Extra.NONE));
        }
        return rows;
    }

    private static OptionalDouble maybe(Table.Row row, String column, Unit unit) {
        return row.get(column).isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(row.number(column, unit));
    }

    private static OptionalDouble percent(Table.Row row) {
        String text = row.get("tolerance").replace("%", "").strip();
        if (text.isEmpty()) return OptionalDouble.empty();
        try {
            return OptionalDouble.of(Double.parseDouble(text) / 100);
        } catch (NumberFormatException e) {
            throw row.trouble("tolerance", "this is no percentage", "write it like 10");
        }
    }

    private static String picked(Part p) {
        return p.assigned()
                .filter(r -> r.basis() == AssignedRole.Basis.PICKED)
                .map(r -> r.role().code())
                .orElse("");
    }

    /** The parts as CSV, as {@link #parts} reads them. */
    public static void parts(Chassis chassis, Appendable out) throws IOException {
        TableWriter table = new TableWriter(out, "reference", "value", "nets", "role", "part-role", "make", "note");
        for (Part p : chassis.parts()) {
            List<String> nets = new ArrayList<>();
            p.nets().forEach((terminal, net) -> nets.add(p.device().isPresent() ? terminal + "=" + net : net));
            table.row(p.reference(), p.printed(), String.join(" ", nets), p.roleText(), picked(p), p.make(), p.note());
        }
    }
}
