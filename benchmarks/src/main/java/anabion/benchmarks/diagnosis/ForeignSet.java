package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.json.Extra;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * One file of {@link ForeignCases}: rows of evidence as {@code diagnose} takes it, behind the case, its truth and whether it is held back from tuning; the rows of the case {@code chart} are the chart, those of the kind
 * {@code trim} the factors by which the parts of this specimen differ from nominal.
 *
 * @param cases without the chart
 */
record ForeignSet(Chart chart, List<Case> cases) {
    static final String CHART = "chart";
    static final String SOUND = "sound";
    static final String TRIM = "trim";
    private static final double TOLERANCE = 0.1;
    private static final int OWN_COLUMNS = 3;
    private static final int AT = 4;
    private static final int VALUE = 5;
    private static final int LINE = 7;
    private static final int METER = 9;

    /**
     * A case.
     *
     * @param truth the part at fault, or {@code sound}
     * @param faults what is wrong with it; empty for a sound one
     * @param trims of its parts; empty where the file does not tell them
     * @param evidence with its head line
     */
    record Case(
            String name, String truth, List<Fault> faults, Map<String, Double> trims, boolean held, String evidence) {}

    /** One that is kept beside the benchmark. */
    static ForeignSet of(String name) {
        try (InputStream in = ForeignSet.class.getResourceAsStream("/anabion/benchmarks/foreign/" + name + ".csv")) {
            return read(new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ForeignSet read(List<String> lines) {
        String head = evidence(lines.get(0));
        Map<String, List<String>> cases = new LinkedHashMap<>();
        lines.stream().skip(1).forEach(l -> cases.computeIfAbsent(cell(l, 0), x -> new ArrayList<>())
                .add(l));
        List<String> charted = cases.remove(CHART);
        List<Case> all = new ArrayList<>();
        cases.forEach((name, rows) -> all.add(new Case(
                name,
                cell(rows.get(0), 1).replaceFirst(" .*", ""),
                faults(cell(rows.get(0), 1)),
                rows.stream()
                        .filter(ForeignSet::isTrim)
                        .collect(Collectors.toMap(r -> cell(r, AT), r -> Double.parseDouble(cell(r, VALUE)))),
                cell(rows.get(0), 2).equals("held"),
                head + "\n"
                        + rows.stream()
                                .filter(r -> !isTrim(r))
                                .map(ForeignSet::evidence)
                                .collect(Collectors.joining("\n")))));
        return new ForeignSet(chart(charted), all);
    }

    private static boolean isTrim(String row) {
        return cell(row, OWN_COLUMNS).equals(TRIM);
    }

    /** Of a truth: the part, and its fault behind a space. */
    private static List<Fault> faults(String truth) {
        return truth.equals(SOUND) ? List.of() : List.of(Fault.parse(truth.substring(truth.indexOf(' ') + 1)));
    }

    private static Chart chart(List<String> rows) {
        List<ChartRow> all = rows.stream()
                .map(r -> new ChartRow(
                        UUID.randomUUID(),
                        cell(r, AT),
                        "",
                        Measure.DC_VOLTS,
                        Double.parseDouble(cell(r, VALUE)),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        true,
                        Extra.NONE))
                .toList();
        Chart.Conditions conditions = new Chart.Conditions(
                Double.parseDouble(cell(rows.get(0), LINE)), cell(rows.get(0), METER), "", "", "", "", "", Extra.NONE);
        return new Chart(UUID.randomUUID(), "general solver", false, TOLERANCE, conditions, all, Extra.NONE);
    }

    /** The points of the chart in a file. */
    static List<String> charted(Path file) throws IOException {
        return Files.readAllLines(file).stream()
                .filter(l -> cell(l, 0).equals(CHART))
                .map(l -> cell(l, AT))
                .toList();
    }

    /** The set with this chart in the place of its own. */
    Chassis chassis(Chassis set) {
        return set.withChart(chart);
    }

    private static String cell(String row, int at) {
        return row.split(",", -1)[at];
    }

    private static String evidence(String row) {
        return Arrays.stream(row.split(",", -1)).skip(OWN_COLUMNS).collect(Collectors.joining(","));
    }
}
