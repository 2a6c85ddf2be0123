package anabion.workshop.report;

import anabion.core.job.Note;
import anabion.core.quantity.Figures;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.report.RecordPage.Fact;
import anabion.workshop.timeline.Timeline;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** What a set took: time and money. */
final class CostLines {
    private final SetRecord set;
    private final Words words;
    private final ShopDetails shop;

    CostLines(SetRecord set, Words words, ShopDetails shop) {
        this.set = set;
        this.words = words;
        this.shop = shop;
    }

    /** Hours at work, in a line. */
    String worked() {
        Duration at = Timeline.of(set, words).worked();
        return words.say("timeline.worked", words.say("soak.hours-minutes", at.toHours(), at.toMinutesPart()));
    }

    /** Hours, each cost, their sum where there are several, and the workshop's own line. */
    List<Fact> all() {
        List<Fact> all = new ArrayList<>();
        all.add(new Fact(words.say("report.hours"), worked()));
        List<Note> costs = set.job().notes(Note.Kind.COST);
        costs.forEach(c -> all.add(new Fact(c.text(), amount(c.amount()))));
        double sum = costs.stream().mapToDouble(Note::amount).sum();
        if (costs.size() > 1) all.add(new Fact(words.say("report.sum"), amount(sum)));
        if (!shop.taxLine().isEmpty()) all.add(new Fact("", shop.taxLine()));
        return all;
    }

    private String amount(double value) {
        return (Figures.fixed(value, 2) + " " + shop.currency()).strip();
    }
}
