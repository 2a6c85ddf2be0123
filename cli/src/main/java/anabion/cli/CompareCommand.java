package anabion.cli;

import anabion.core.format.ReadingCodec;
import anabion.core.quantity.Figures;
import anabion.core.reading.Condition;
import anabion.core.reading.Finding;
import anabion.core.reading.Reading;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.reading.judgement.Judge;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code compare SET --readings R.csv}: readings against the chart, and what they say. */
@Command(name = "compare", mixinStandardHelpOptions = true, description = "Compare readings with the service chart.")
final class CompareCommand implements Callable<Integer> {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    @Parameters(paramLabel = "SET", description = "chassis file or set archive")
    private Path chassis;

    @Option(
            names = "--readings",
            required = true,
            paramLabel = "R.csv",
            description = "readings: point,value and, if wanted, line, meter, band, …")
    private Path readings;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        SetRecord set = SetArchive.open(chassis).set();
        Condition usual = set.usual();
        List<Reading> read = read(set, usual);
        Condition now = read.isEmpty() ? usual : read.get(read.size() - 1).condition();
        Judge.Verdict verdict = Judge.judge(
                set.chassis(),
                read,
                set.job().alterations(),
                set.job().arrival().complaints(),
                now,
                anabion.core.reading.Tolerances.usual(set.chassis()),
                CircuitPredictor.of(set.chassis()));
        List<ReadingRow> rows =
                verdict.rows().stream().filter(r -> r.reading().isPresent()).toList();
        output.say(tree(rows, verdict), plain(rows, verdict));
        boolean off = !verdict.findings().isEmpty()
                || rows.stream().anyMatch(r -> r.standing() == Standing.OUT || r.standing() == Standing.DRIFTING);
        return off ? Main.FINDING : Main.FINE;
    }

    private List<Reading> read(SetRecord set, Condition usual) throws java.io.IOException {
        // readings that name no state belong to the set as it is now
        ReadingCodec.Usual all =
                new ReadingCodec.Usual(usual, Instant.EPOCH, set.job().fitted().id());
        return Lists.read(readings, in -> ReadingCodec.csv(in, set.chassis(), all));
    }

    private static Map<String, Object> tree(List<ReadingRow> rows, Judge.Verdict verdict) {
        List<Map<String, Object>> readings = new ArrayList<>();
        for (ReadingRow r : rows) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("point", r.point().label());
            one.put(
                    "charted",
                    r.expectation().filter(e -> e.charted().isPresent()).map(e -> e.charted()
                            .getAsDouble()));
            one.put("expected", r.expectation().map(e -> rounded(e.value())));
            one.put("read", r.reading().orElseThrow().value());
            one.put("verdict", WORDS.say(r.verdict()));
            one.put("standing", r.standing().code());
            readings.add(one);
        }
        List<Map<String, Object>> suspects = new ArrayList<>();
        for (Finding f : verdict.findings()) for (Finding.Suspect s : f.suspects()) suspects.add(suspect(f, s));
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("readings", readings);
        all.put("suspects", suspects);
        return all;
    }

    private static Map<String, Object> suspect(Finding f, Finding.Suspect s) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("fault", s.fault().text());
        one.put("part", s.fault().part());
        one.put("words", WORDS.say(s.words()));
        one.put("pattern", f.pattern());
        one.put("point", f.point());
        one.put("why", f.because().stream().map(WORDS::say).toList());
        one.put(
                "test",
                f.tests().stream().findFirst().map(WORDS::say).map(Optional::of).orElse(Optional.empty()));
        return one;
    }

    private static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }

    private static String plain(List<ReadingRow> rows, Judge.Verdict verdict) {
        StringBuilder text = new StringBuilder();
        for (ReadingRow r : rows) {
            text.append(String.format(
                    java.util.Locale.ROOT,
                    "%-8s %8s %8s  %s%n",
                    r.point().label(),
                    r.expectation().map(e -> Figures.volts(e.value())).orElse("-"),
                    Figures.volts(r.reading().orElseThrow().value()),
                    WORDS.say(r.verdict())));
        }
        for (Finding f : verdict.findings()) {
            text.append('\n').append(WORDS.say(f.headline())).append('\n');
            f.because().forEach(b -> text.append("  ").append(WORDS.say(b)).append('\n'));
            f.tests().forEach(t -> text.append("  > ").append(WORDS.say(t)).append('\n'));
        }
        return text.toString();
    }
}
