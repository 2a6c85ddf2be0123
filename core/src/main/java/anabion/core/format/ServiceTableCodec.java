package anabion.core.format;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.Part;
import anabion.core.chassis.ServiceLine;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import anabion.core.quantity.DialFrequency;
import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The maker's alignment table: as JSON, and as lists in the layouts that makers print ({@code docs/formats/lists.md}). */
public final class ServiceTableCodec {
    /** What a column holds, by the words that its heading may have; the first that fits. */
    private enum Column {
        BAND("wave range", "waveband", "band", "range"),
        THROUGH("dummy", "through", "coupling", "via", "series"),
        FREQUENCY("frequency", "khz", "mhz", "kc", "mc"),
        DIAL("dial", "pointer", "tuning", "gang", "tune set"),
        ADJUST("adjust", "trimmer", "turn", "core"),
        POINT("generator to", "connect", "signal to", "inject", "point", "at", "generator", "input"),
        AIM("for", "aim", "to read", "to", "output"),
        NOTE("remark", "note", "indicator", "step", "meter", "no.", "no");

        private final Pattern words;

        /** Short words must stand alone, longer ones may be part of another. */
        Column(String... words) {
            this.words = Pattern.compile(Stream.of(words)
                    .map(Pattern::quote)
                    .map(w -> w.length() < SHORT ? "(?<![a-z.])" + w + "(?![a-z.])" : w)
                    .collect(Collectors.joining("|")));
        }

        private String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        private boolean fits(String heading) {
            return words.matcher(heading).find();
        }

        /** Letters of a quoted word from which on it is long. */
        private static final int SHORT = 8;
    }

    private static final Pattern NUMBER =
            Pattern.compile("(\\d[\\d.,]*)\\s*(k|m)?(?:hz|cs|c/s|cps|c)?\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern NEGATIVE = Pattern.compile("\\s*[-−]\\s*\\d");
    private static final Pattern THOUSANDS = Pattern.compile(",(?=\\d{3}(?!\\d))");
    private static final double MOST = 300e6;

    private ServiceTableCodec() {}

    // --- JSON ---

    static ServiceLine read(Fields f) {
        double dial = f.number("dial", 0);
        return new ServiceLine(
                f.id(),
                f.text("band"),
                f.text("point", ""),
                f.text("through", ""),
                f.number("frequency"),
                dial > 0 ? Optional.of(dial) : Optional.empty(),
                f.strings("adjusters"),
                f.code("aim", Aim.values(), Aim.PEAK),
                f.flag("rocked", false),
                f.text("note", ""),
                f.extra());
    }

    static Map<String, Object> write(ServiceLine l) {
        return new Writing()
                .put("id", l.id())
                .put("band", l.band())
                .text("point", l.point())
                .text("through", l.through())
                .put("frequency", l.hertz())
                .put("dial", l.dial())
                .put("adjusters", l.adjusters())
                .unless("aim", l.aim(), Aim.PEAK)
                .unless("rocked", l.rocked(), false)
                .text("note", l.note())
                .with(l.extra());
    }

    // --- lists ---

    /**
     * Reads a table with a head line, whatever its maker calls the columns: at least one for frequencies and one for adjusters.
     *
     * @param band to which lines belong that name none
     * @throws InputException with the line and field, if a column, a band, a frequency or an adjuster is not known
     */
    public static List<ServiceLine> lines(Reader in, Chassis chassis, Band band) throws IOException {
        StringWriter all = new StringWriter();
        in.transferTo(all);
        String text = all.toString().replaceAll("^[\\r\\n]+|[\\r\\n]+$", "");
        String head = text.lines().findFirst().orElse("");
        List<Column> columns = columns(head);
        double unit = head.toLowerCase(Locale.ROOT).matches(".*\\bm(hz|c)\\b.*") ? 1e6 : 0;
        String body = text.substring(head.length());
        List<ServiceLine> lines = new ArrayList<>();
        Band now = band;
        for (Table.Row row : Table.read(
                new StringReader(names(columns, String.valueOf(Table.delimiter(head))) + body),
                List.of(Column.FREQUENCY.code(), Column.ADJUST.code()),
                optional(columns.size()))) {
            if (!row.get(Column.BAND.code()).isEmpty()) now = band(row, chassis);
            lines.add(line(row, chassis, now, unit));
        }
        if (lines.isEmpty())
            throw InputException.at("line 2").because("the table has no lines").so("paste it with its lines");
        return lines;
    }

    /** Each kind of column once, but for notes. */
    private static List<Column> columns(String head) {
        List<Column> all = new ArrayList<>();
        for (String cell : head.split(String.valueOf(Table.delimiter(head)), -1)) {
            String heading = cell.strip().replaceAll("^\"|\"$", "").toLowerCase(Locale.ROOT);
            Column found = Stream.of(Column.values())
                    .filter(c -> c.fits(heading))
                    .filter(c -> c == Column.NOTE || !all.contains(c))
                    .findFirst()
                    .orElseThrow(() -> InputException.at("line 1, field " + cell.strip())
                            .because("this column of an alignment table is not known")
                            .so("call it band, generator to, through, frequency, dial, adjust, for or note"));
            all.add(found);
        }
        return all;
    }

    /** Notes with their number behind, since a list has each column once. */
    private static String names(List<Column> columns, String delimiter) {
        List<String> all = new ArrayList<>();
        for (Column c : columns) all.add(c == Column.NOTE ? c.code() + all.size() : c.code());
        return String.join(delimiter, all);
    }

    private static List<String> optional(int columns) {
        List<String> all = new ArrayList<>();
        for (Column c : Column.values()) all.add(c.code());
        for (int n = 0; n < columns; n++) all.add(Column.NOTE.code() + n);
        return all;
    }

    private static Band band(Table.Row row, Chassis chassis) {
        String name = row.get(Column.BAND.code());
        return chassis.bands().stream()
                .filter(b -> b.name().equalsIgnoreCase(name)
                        || name.toUpperCase(Locale.ROOT).startsWith(b.name().toUpperCase(Locale.ROOT) + " "))
                .findFirst()
                .orElseThrow(() -> row.trouble(
                        Column.BAND.code(),
                        "the set has no band " + name,
                        "name one of "
                                + String.join(
                                        ", ",
                                        chassis.bands().stream().map(Band::name).toList())));
    }

    private static ServiceLine line(Table.Row row, Chassis chassis, Band band, double unit) {
        double hertz = hertz(row, Column.FREQUENCY, band, unit)
                .orElseThrow(() -> row.trouble(
                        Column.FREQUENCY.code(), "this is no frequency", "write it like 455 kHz or 10.7 MHz"));
        String note = row.cells().entrySet().stream()
                .filter(e -> e.getKey().startsWith(Column.NOTE.code()))
                .map(e -> e.getValue().strip())
                .filter(t -> !t.isEmpty() && !t.matches("\\d+"))
                .reduce((a, b) -> a + "; " + b)
                .orElse("");
        String dial = row.get(Column.DIAL.code());
        return new ServiceLine(
                UUID.randomUUID(),
                band.name(),
                row.get(Column.POINT.code()),
                row.get(Column.THROUGH.code()),
                hertz,
                hertz(row, Column.DIAL, band, unit),
                adjusters(row, chassis),
                aim(row.get(Column.AIM.code())),
                (dial + " " + note).toLowerCase(Locale.ROOT).contains("rock"),
                dial.isEmpty() || NUMBER.matcher(dial).matches() ? note : (dial + (note.isEmpty() ? "" : "; " + note)),
                Extra.NONE);
    }

    /** The first number of a cell with its unit, else that of its heading, else as dials are printed; empty where it has none. */
    private static Optional<Double> hertz(Table.Row row, Column column, Band band, double unit) {
        Matcher m = NUMBER.matcher(row.get(column.code()));
        if (!m.find()) return Optional.empty();
        if (NEGATIVE.matcher(row.get(column.code())).lookingAt())
            throw row.trouble(column.code(), "no frequency is below zero", "take the sign out");
        double number;
        try {
            number = Double.parseDouble(
                    THOUSANDS.matcher(m.group(1)).replaceAll("").replace(',', '.'));
        } catch (NumberFormatException e) {
            throw row.trouble(column.code(), "this is no frequency", "write it like 455 kHz or 10.7 MHz");
        }
        double hertz;
        if (m.group(2) != null) hertz = number * (m.group(2).equalsIgnoreCase("k") ? 1e3 : 1e6);
        else if (unit > 0) hertz = number * unit;
        else hertz = band.kind() == BandKind.FM ? DialFrequency.near(number, MOST) : DialFrequency.alone(number);
        if (!(hertz > 0 && hertz < MOST))
            throw row.trouble(column.code(), "no receiver of this kind goes there", "check the number and its unit");
        return Optional.of(hertz);
    }

    private static Aim aim(String words) {
        String lower = words.toLowerCase(Locale.ROOT);
        if (lower.contains("min") || lower.contains("dip")) return Aim.DIP;
        if (lower.contains("zero") || lower.contains("null") || lower.contains("balance")) return Aim.ZERO;
        return lower.contains("symm") ? Aim.SYMMETRY : Aim.PEAK;
    }

    /** Letters, or parts with their adjusters; the word for a winding before or behind a part means that one's core. */
    private static List<String> adjusters(Table.Row row, Chassis chassis) {
        String cell = row.need(Column.ADJUST.code());
        Set<String> letters = new LinkedHashSet<>();
        List<String> unknown = new ArrayList<>();
        boolean primary = cell.toLowerCase(Locale.ROOT).contains("pri");
        boolean secondary = cell.toLowerCase(Locale.ROOT).contains("sec");
        for (String word : cell.split("[\\s,;&+/()]+")) {
            List<Adjuster> found = chassis.adjusters().stream()
                    .filter(a -> a.letter().equalsIgnoreCase(word))
                    .toList();
            if (found.isEmpty())
                found = chassis.adjusters().stream()
                        .filter(a -> a.part().equalsIgnoreCase(word))
                        .filter(a -> primary == secondary || ofWinding(chassis, a, primary ? 0 : 1))
                        .toList();
            found.forEach(a -> letters.add(a.letter()));
            // words between the letters are words; what has a digit is meant for an adjuster
            if (found.isEmpty() && word.matches(".*\\d.*")) unknown.add(word);
        }
        if (!unknown.isEmpty() || letters.isEmpty())
            throw row.trouble(
                    Column.ADJUST.code(),
                    "no adjuster " + (unknown.isEmpty() ? cell : String.join(", ", unknown)) + " is entered",
                    "enter it on the Study sheet first, like A1 L4 top secondary core");
        return List.copyOf(letters);
    }

    private static boolean ofWinding(Chassis chassis, Adjuster a, int which) {
        Optional<Part> part = chassis.part(a.part());
        if (part.isEmpty() || !(part.get().component() instanceof Windings w)) return true;
        List<Winding> turned = a.windings(part.get());
        return w.windings().size() <= which || turned.contains(w.windings().get(which));
    }
}
