package anabion.workshop.report;

import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.report.RecordPage.Fact;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;

/** What was heard while a signal was put in, and after a good part was tried, in the state a set is in now. */
final class TracedLines {
    private final SetRecord set;
    private final Words words;

    TracedLines(SetRecord set, Words words) {
        this.set = set;
        this.words = words;
    }

    List<Fact> all() {
        Stream<Fact> points = set.job().heard().stream()
                .filter(h -> now(h.state()))
                .map(h -> new Fact(
                        words.say(tried(h), h.point(), h.band()),
                        h.volts() > 0 ? Figures.si(new Quantity(h.volts(), Unit.VOLT), 2) : words.say(h.wordKey())));
        Stream<Fact> parts = set.job().trials().stream()
                .filter(t -> now(t.state()))
                .map(t -> new Fact(words.say("trial." + t.how().code(), t.part()), words.say("meaning." + t.told())));
        Stream<Fact> bands = set.job().compared().stream()
                .filter(c -> now(c.state()))
                .map(c -> new Fact(
                        words.say("record.compared", c.band()),
                        words.say(
                                "record.decibels",
                                Figures.fixed(c.decibels(), 0),
                                words.say("outcome." + c.outcome().code()))));
        return Stream.of(points, parts, bands).flatMap(s -> s).toList();
    }

    private static String tried(Heard h) {
        return switch (h.how()) {
            case TAP -> "record.tap";
            case TOUCH -> "record.touch";
            case TURNED -> "record.turned";
            case INJECT ->
                h.signal().isOfPath()
                        ? (h.volts() > 0 ? "probe.level-" : "probe.inject-")
                                + h.signal().code()
                        : "record.stage";
        };
    }

    private boolean now(UUID state) {
        return FittedState.since(state, set.job().alterations()).isEmpty();
    }
}
