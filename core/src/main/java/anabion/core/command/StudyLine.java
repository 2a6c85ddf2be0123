package anabion.core.command;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.ChassisCheck;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.OscillatorSide;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Predicate;

/** Quick lines that change a chassis: a chart row ({@code V4.6 222 2k2}), a stage ({@code Output: V4 C14}), a band ({@code AM = Mixer, IF}). */
public final class StudyLine {
    private static final List<String> CONDITIONS = List.of("line", "meter", "band", "tolerance", "source");
    private static final String CONDITION = "chart-";

    private StudyLine() {}

    /** The conditions of a chart begun by typing its first row. */
    private static Chart newChart(Chassis chassis) {
        String band = chassis.bands().isEmpty() ? "" : chassis.bands().get(0).name();
        Chart.Conditions conditions = new Chart.Conditions(
                chassis.supply().volts(), "20k/V", band, "", "none", "", Chassis.METAL, Extra.NONE);
        return new Chart(UUID.randomUUID(), "", false, 0.2, conditions, List.of(), Extra.NONE);
    }

    /** A row of the chart, or one of its conditions: {@code chart-meter 20k/V}. */
    public static Chassis chartLine(String line, Chassis chassis) {
        String[] words = line.strip().split("\\s+", 2);
        String first = words[0].toLowerCase(Locale.ROOT);
        String name = first.substring(first.startsWith(CONDITION) ? CONDITION.length() : 0);
        boolean condition = first.startsWith(CONDITION) && CONDITIONS.contains(name) && words.length > 1;
        return condition ? condition(name, words[1], chassis) : chartRow(line, chassis);
    }

    /**
     * {@code POINT VOLTS[~] [SOURCE] [10%] [fixed]}: volts, then the source resistance, the tolerance, and whether the value does
     * not follow the line, in any order.
     */
    public static Chassis chartRow(String line, Chassis chassis) {
        String[] words = line.strip().split("\\s+");
        if (words.length < 2)
            throw InputException.at("\"" + line + "\"")
                    .because("a chart row has a point and its volts")
                    .so("type it like V4.6 222 2k2");
        Point point = Points.of(chassis).need(words[0]);
        boolean ac = words[1].endsWith("~");
        String number = ac ? words[1].substring(0, words[1].length() - 1) : words[1];
        boolean negative = number.startsWith("-") || number.startsWith("−");
        double size = Notation.exact(negative ? number.substring(1) : number, Unit.VOLT);
        OptionalDouble source = OptionalDouble.empty();
        OptionalDouble tolerance = OptionalDouble.empty();
        boolean follows = true;
        for (int i = 2; i < words.length; i++) {
            if (words[i].equals("fixed")) follows = false;
            else if (words[i].endsWith("%"))
                tolerance =
                        OptionalDouble.of(Notation.exact(words[i].substring(0, words[i].length() - 1), Unit.OHM) / 100);
            else source = OptionalDouble.of(Notation.decode(words[i], Unit.OHM).value());
        }
        Chart chart = chassis.chart().orElseGet(() -> newChart(chassis));
        ChartRow row = new ChartRow(
                chart.rows().stream()
                        .filter(r -> r.point().equals(point.label()))
                        .map(ChartRow::id)
                        .findFirst()
                        .orElseGet(UUID::randomUUID),
                point.label(),
                "",
                ac ? Measure.AC_VOLTS : Measure.DC_VOLTS,
                negative ? -size : size,
                source,
                tolerance,
                follows,
                Extra.NONE);
        return chassis.withChart(withRows(chart, replaced(chart.rows(), row, r -> r.id().equals(row.id()))));
    }

    /** A chart with these rows added; rows of the same point and band are replaced. */
    public static Chassis chartRows(List<ChartRow> rows, Chassis chassis) {
        Chart chart = chassis.chart().orElseGet(() -> newChart(chassis));
        List<ChartRow> all = chart.rows();
        for (ChartRow row : rows)
            all = replaced(
                    all,
                    row,
                    r -> r.point().equals(row.point()) && r.band().equals(row.band()) && r.measure() == row.measure());
        return chassis.withChart(withRows(chart, all));
    }

    private static Chart withRows(Chart c, List<ChartRow> rows) {
        return new Chart(c.id(), c.source(), c.provisional(), c.tolerance(), c.conditions(), rows, c.extra());
    }

    /** Sets one of the chart's conditions: {@code line}, {@code meter}, {@code band}, {@code tolerance}, {@code source}. */
    static Chassis condition(String name, String value, Chassis chassis) {
        Chart c = chassis.chart().orElseGet(() -> newChart(chassis));
        Chart.Conditions k = c.conditions();
        double line = name.equals("line") ? Notation.exact(value, Unit.VOLT) : k.line();
        String meter = name.equals("meter") ? MeterSpec.parse(value).text() : k.meter();
        String band = name.equals("band") ? value : k.band();
        double tolerance = name.equals("tolerance")
                ? Notation.exact(value.replace("%", "").strip(), Unit.OHM) / 100
                : c.tolerance();
        String source = name.equals("source") ? value : c.source();
        Chart.Conditions conditions =
                new Chart.Conditions(line, meter, band, k.volume(), k.signal(), k.dial(), k.reference(), k.extra());
        return chassis.withChart(
                new Chart(c.id(), source, c.provisional(), tolerance, conditions, c.rows(), c.extra()));
    }

    /** {@code NAME: PARTS [@POINT]} for a stage, {@code supply NAME: …} for one of the supply, {@code BAND = STAGES} for a band, {@code display SEGMENT = STAGES} for a segment. */
    public static Chassis stageOrBand(String line, Chassis chassis) {
        int colon = line.indexOf(':');
        int equals = line.indexOf('=');
        if (colon > 0)
            return stage(
                    line.substring(0, colon).strip(), line.substring(colon + 1).strip(), chassis);
        if (equals > 0) return band(line.substring(0, equals).strip(), line.substring(equals + 1), chassis);
        throw InputException.at("\"" + line + "\"")
                .because("this is neither a stage nor a band")
                .so("type a stage like Output: V4 C14, a band like AM = Mixer, IF, Output");
    }

    private static Chassis stage(String heading, String rest, Chassis chassis) {
        boolean supply = heading.toLowerCase(Locale.ROOT).startsWith("supply ");
        String name = supply ? heading.substring(7).strip() : heading;
        List<String> parts = new ArrayList<>();
        String point = "";
        for (String word : rest.split("[\\s,]+")) {
            if (word.isEmpty()) continue;
            if (word.startsWith("@"))
                point = word.equals("@" + Stage.LINE)
                        ? Stage.LINE
                        : Points.of(chassis).need(word.substring(1)).label();
            else parts.add(known(word, chassis));
        }
        var before = chassis.stage(name);
        Stage stage = new Stage(
                before.map(Stage::id).orElseGet(UUID::randomUUID),
                name,
                supply ? StripRow.SUPPLY : before.map(Stage::line).orElse(StripRow.SIGNAL),
                before.map(Stage::detail).orElse(""),
                parts,
                point,
                before.map(Stage::extra).orElse(Extra.NONE));
        return chassis.withStages(
                replaced(chassis.stages(), stage, s -> s.name().equals(name)), chassis.bands());
    }

    private static String known(String word, Chassis chassis) {
        String reference = word.toUpperCase(Locale.ROOT);
        if (chassis.part(reference).isPresent()) return reference;
        throw InputException.at(word)
                .because("this chassis has no such part")
                .so("enter the part first, or check the reference");
    }

    private static Chassis band(String heading, String rest, Chassis chassis) {
        boolean display = heading.toLowerCase(Locale.ROOT).startsWith("display ");
        String name = display ? heading.substring(8).strip() : heading;
        List<String> stages = new ArrayList<>();
        for (String word : rest.split(",")) {
            String stage = word.strip();
            if (chassis.stage(stage).isEmpty())
                throw InputException.at(stage)
                        .because("there is no stage of that name")
                        .so("type the stage first, like " + (stage.isEmpty() ? "Output" : stage) + ": V4");
            stages.add(stage);
        }
        var before = chassis.band(name);
        Band band = new Band(
                before.map(Band::id).orElseGet(UUID::randomUUID),
                name,
                display ? BandKind.DISPLAY : before.map(Band::kind).orElse(BandKind.AM),
                stages,
                before.flatMap(Band::dial),
                before.map(Band::oscillator).orElse(OscillatorSide.ABOVE),
                before.map(Band::extra).orElse(Extra.NONE));
        return chassis.withStages(
                chassis.stages(), replaced(chassis.bands(), band, b -> b.name().equals(name)));
    }

    /** Takes a part, chart row, stage or band away, with what refers to it. */
    public static Chassis drop(String name, Chassis c) {
        if (c.part(name.toUpperCase(Locale.ROOT)).isPresent()) {
            String reference = name.toUpperCase(Locale.ROOT);
            List<Stage> stages = c.stages().stream()
                    .map(s -> new Stage(
                            s.id(),
                            s.name(),
                            s.line(),
                            s.detail(),
                            s.parts().stream().filter(p -> !p.equals(reference)).toList(),
                            s.point(),
                            s.extra()))
                    .toList();
            List<Adjuster> adjusters = c.adjusters().stream()
                    .filter(a -> !a.part().equals(reference))
                    .toList();
            return ChassisCheck.sound(c.withAdjusters(adjusters)
                    .withParts(c.parts().stream()
                            .filter(p -> !p.reference().equals(reference))
                            .toList())
                    .withStages(stages, c.bands()));
        }
        if (c.stage(name).isPresent()) {
            List<Band> bands = c.bands().stream()
                    .map(b -> b.withStages(
                            b.stages().stream().filter(s -> !s.equals(name)).toList()))
                    .toList();
            return c.withStages(
                    c.stages().stream().filter(s -> !s.name().equals(name)).toList(), bands);
        }
        if (c.chart().isPresent()
                && c.chart().get().rows().stream().anyMatch(r -> r.point().equalsIgnoreCase(name))) {
            return c.withChart(withRows(
                    c.chart().get(),
                    c.chart().get().rows().stream()
                            .filter(r -> !r.point().equalsIgnoreCase(name))
                            .toList()));
        }
        if (c.adjusters().stream().anyMatch(a -> a.letter().equalsIgnoreCase(name)))
            return c.withAdjusters(c.adjusters().stream()
                    .filter(a -> !a.letter().equalsIgnoreCase(name))
                    .toList());
        throw InputException.at(name)
                .because("there is no part, stage, charted point or adjuster of that name")
                .so("type its reference, such as R12, its point, such as V4.6, or its letter, such as A1");
    }

    private static <T> List<T> replaced(List<T> list, T item, Predicate<T> same) {
        List<T> all = new ArrayList<>();
        boolean placed = false;
        for (T t : list) {
            boolean hit = same.test(t);
            if (hit && placed) continue;
            all.add(hit ? item : t);
            placed |= hit;
        }
        if (!placed) all.add(item);
        return all;
    }
}
