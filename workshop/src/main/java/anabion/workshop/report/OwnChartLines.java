package anabion.workshop.report;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Measure;
import anabion.core.handback.ClosingGate;
import anabion.core.handback.HealthyChart;
import anabion.core.quantity.Figures;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;

/** What a set reads in good order, line by line, for whoever restores it next. */
public final class OwnChartLines {
    private final SetRecord set;
    private final Words words;
    private final RecordPage record;
    private final ClosingGate gate;

    OwnChartLines(SetRecord set, Words words, RecordPage record, ClosingGate gate) {
        this.set = set;
        this.words = words;
        this.record = record;
        this.gate = gate;
    }

    /** One value of a chart. */
    public record Charted(String point, String what, String volts) {}

    /** What it reads now, two points a line. */
    List<List<Charted>> lines() {
        List<Charted> all = own().stream()
                .flatMap(c -> c.rows().stream())
                .map(r -> new Charted(
                        r.point(),
                        record.rows().stream()
                                        .filter(x -> x.pin().equals(r.point())
                                                && !x.what().equals(r.point()))
                                        .map(RecordPage.VoltRow::what)
                                        .findFirst()
                                        .orElse("")
                                + (r.band().isEmpty() ? "" : " " + r.band()),
                        Figures.volts(r.value()) + (r.measure() == Measure.AC_VOLTS ? " ~" : "")))
                .toList();
        return Pairs.of(all, new Charted("", "", ""));
    }

    /** Line, meter, band and signal of that chart; empty without one. */
    String conditions() {
        return own().map(c -> words.say(
                        "report.chart",
                        Figures.fixed(c.conditions().line(), 0),
                        c.conditions().meter(),
                        c.conditions().band(),
                        quiet(c.conditions().signal())
                                ? words.say("report.chart.quiet")
                                : words.say(
                                        "report.chart.signal", c.conditions().signal())))
                .orElse("");
    }

    private static boolean quiet(String signal) {
        return signal.isEmpty() || signal.equals("none");
    }

    /** What was read in the state the set is in now, where that is in order; else what it read when it was last handed back. */
    private Optional<Chart> own() {
        if (!gate.open().isEmpty()) return set.healthy();
        return HealthyChart.of(
                set.chassis(),
                set.readings().stream()
                        .filter(r -> r.state().equals(set.job().fitted().id()))
                        .toList(),
                "own");
    }
}
