package anabion.workshop.report;

import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.coldcheck.ColdTable;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Circumstance;
import anabion.core.job.Complaint;
import anabion.core.job.PartTest;
import anabion.core.job.SymptomKind;
import anabion.core.job.WorkOrder;
import anabion.core.quantity.Figures;
import anabion.core.reading.Expectation;
import anabion.core.reading.Finding;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.reading.judgement.Judge;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Tested;
import anabion.core.text.Phrase;
import anabion.core.text.Words;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What stands on the record's page, in words, ready for the template. */
public final class RecordPage {
    private static final double BAR_MM = 33.4;
    private final List<Picture> pictures;
    private final Paper paper;
    private final SetRecord set;
    private final Words words;
    private final Judge.Verdict verdict;

    RecordPage(SetRecord set, Words words, List<Picture> pictures, Predictors predictors, Paper paper) {
        this.paper = paper;
        this.pictures = pictures;
        this.set = set;
        this.words = words;
        this.verdict = set.judged(set.usual(), predictors);
    }

    /**
     * A picture inside the page.
     *
     * @param data its address, with the picture in it; empty where its file cannot be read
     * @param lost what is said in its place; empty where it is there
     */
    public record Picture(String caption, String data, String lost) {
        /** Whether the picture could be read. */
        public boolean there() {
            return lost.isEmpty();
        }
    }

    public String paper() {
        return paper.css();
    }

    /** Its photos. */
    public List<Picture> pictures() {
        return pictures;
    }

    /** Its photos, row by row. */
    public List<List<PictureCell>> pictureRows() {
        return PictureCell.rows(pictures);
    }

    /** A line of label and text. */
    public record Fact(String label, String text) {}

    /**
     * A row of the voltage table.
     *
     * @param expected whether there is a band to draw
     * @param needle where the needle stands on its bar, in millimetres; none without a reading to place
     */
    public record VoltRow(
            String pin,
            String what,
            String chart,
            String should,
            String read,
            String verdict,
            String style,
            boolean expected,
            List<String> needle) {}

    /**
     * A part that came out, what it was, the nets where it sat, what it measured, and what went in.
     *
     * @param tested whether it was measured at all
     */
    public record Casualty(String part, String was, String where, String measured, boolean tested, String now) {}

    /** All parts that were renewed, in the order of the work. */
    public List<Casualty> casualties() {
        List<Casualty> found = new ArrayList<>();
        Map<String, PartTest> tests = Tested.deciding(set.job().recap(), set.chassis());
        for (Alteration a : set.job().fitted().last().values()) {
            if (a.kind() != AlterationKind.RENEWED) continue;
            Optional<Part> part = set.chassis().part(a.part());
            String was =
                    part.map(p -> (p.printed() + " " + p.roleText()).strip()).orElse("");
            String where = part.map(p -> String.join(" ", p.nets().values())).orElse("");
            List<String> measured = new ArrayList<>();
            for (CapacitorSection c : CapacitorSection.of(set.chassis()))
                if (c.part().reference().equals(a.part()) && tests.containsKey(c.key()))
                    measured.add((c.sectioned() ? c.key() + " " : "")
                            + words.say(Tested.of(tests.get(c.key()), c).words()));
            if (measured.isEmpty() && tests.containsKey(a.part()))
                measured.add(words.say(Tested.of(tests.get(a.part())).words()));
            String read = measured.isEmpty() ? words.say("record.not-tested") : String.join(", ", measured);
            found.add(new Casualty(a.part(), was, where, read, !measured.isEmpty(), a.detail()));
        }
        return found;
    }

    /** The cold ohms that were taken: between what, how much, and what that says. */
    public List<Fact> cold() {
        return ColdTable.taken(set.chassis(), set.readings(), set.job()).stream()
                .map(r -> new Fact(
                        r.label() + ", " + words.say(r.what()),
                        r.read().orElse(words.say("meaning.open"))
                                + r.off().map(o -> " (" + o + ")").orElse("")
                                + ": "
                                + words.say(r.verdict())))
                .toList();
    }

    /** What was heard while a signal was put in, and after a good part was tried, in the state the set is in now. */
    public List<Fact> heard() {
        return new TracedLines(set, words).all();
    }

    /** The log of its power-ups. */
    public List<PowerPage.Run> powered() {
        return new PowerPage(words, ZoneId.systemDefault()).runs(set.job().power());
    }

    /** Cause, decisions, what stays. */
    public List<Fact> remarks() {
        return new HistoryPage(set, words).notes();
    }

    /** How it held out. */
    public List<Fact> soaked() {
        return set.job().soak().isEmpty() ? List.of() : new HistoryPage(set, words).soak();
    }

    /** Cord, controls, case. */
    public List<Fact> drive() {
        return new HistoryPage(set, words).drive();
    }

    /** What its alignment brought. */
    public List<AlignmentPage.BandPart> aligned() {
        return new AlignmentPage(words, set.chassis()).bands(set.job().alignment());
    }

    /** The name of the set. */
    public String title() {
        return set.chassis().name();
    }

    /** What is on its plate. */
    public List<Fact> identity() {
        var identity = set.chassis().identity();
        List<Fact> facts = new ArrayList<>();
        fact(facts, "Chassis", identity.chassisCode());
        fact(facts, "Serial", identity.serial());
        if (identity.year().isPresent()) {
            String why = identity.yearReason().isEmpty() ? "" : " (" + identity.yearReason() + ")";
            fact(facts, "Year", identity.year().getAsInt() + why);
        }
        fact(facts, "Kind", words.say("kind." + identity.kind().code()));
        var supply = set.chassis().supply();
        String hertz = supply.hertz() > 0 ? " " + Figures.fixed(supply.hertz(), 0) + " Hz" : "";
        fact(
                facts,
                "Supply",
                words.say("supply." + supply.arrangement().code()) + ", " + Figures.fixed(supply.volts(), 0) + " V"
                        + hertz);
        fact(facts, "Owner", set.job().arrival().owner());
        fact(facts, "Price", set.job().arrival().price());
        return facts;
    }

    private static void fact(List<Fact> facts, String label, String text) {
        if (!text.isEmpty()) facts.add(new Fact(label, text));
    }

    /** The cautions that apply. */
    public List<String> safety() {
        return List.of(
                words.say(Isolation.of(set.chassis()).words(set.readingsOfThisVisit())), words.say("safety.law"));
    }

    /** What it was brought in with. */
    public List<String> complaints() {
        return set.job().arrival().complaints().stream()
                .filter(c -> c.symptom() != SymptomKind.UNTRIED)
                .map(this::complaint)
                .toList();
    }

    private String complaint(Complaint c) {
        return c.where() + ": " + words.say("symptom." + c.symptom().code())
                + (c.when() == Circumstance.ALWAYS
                        ? ""
                        : ", " + words.say("circumstance." + c.when().code()))
                + (c.note().isEmpty() ? "" : ", " + c.note());
    }

    /** What was found on arrival. */
    public List<String> found() {
        List<String> all = new ArrayList<>();
        set.job().arrival().visitors().forEach(v -> all.add(words.say("visitor." + v.code())));
        all.addAll(set.job().arrival().found());
        return all;
    }

    /** The condition of the readings; empty without one. */
    public String conditions() {
        var now = set.usual();
        String chart = set.compared()
                .chart()
                .map(c -> "Chart taken at " + Figures.fixed(c.conditions().line(), 0) + " V with "
                        + c.conditions().meter() + (c.provisional() ? ", provisional" : "") + ". ")
                .orElse("No chart. ");
        return chart + "Read at " + Figures.fixed(now.line(), 0) + " V with a "
                + now.meter().text() + " meter.";
    }

    /** The readings beside the chart. */
    public List<VoltRow> rows() {
        return verdict.rows().stream().map(this::row).toList();
    }

    private VoltRow row(ReadingRow r) {
        Optional<Expectation> e = r.expectation();
        String wave = r.measure() == Measure.AC_VOLTS ? " ~" : "";
        String what = words.say(r.point()
                .device()
                .map(d -> PinNames.key(d, r.point().function()))
                .orElseGet(() -> PinNames.key(r.point().function())));
        return new VoltRow(
                r.point().label(),
                r.point().device().isEmpty() ? r.point().net() : what,
                e.filter(x -> x.charted().isPresent())
                        .map(x -> Figures.volts(x.charted().getAsDouble()) + wave)
                        .orElse(""),
                e.map(x -> Figures.volts(x.value()) + wave).orElse(""),
                r.reading().map(x -> Figures.volts(x.value()) + wave).orElse(""),
                words.say(r.said()),
                r.standing().code(),
                e.isPresent(),
                needle(r));
    }

    /** The bar shows three half-widths to either side; beyond, the needle is pinned. */
    private static List<String> needle(ReadingRow r) {
        if (r.reading().isEmpty() || r.expectation().isEmpty() || r.standing() == Standing.OFF_BY_DESIGN)
            return List.of();
        double at = r.expectation().get().deviation(r.reading().get().value()) / 3;
        return List.of(Figures.fixed(BAR_MM * (1 + Math.max(-1, Math.min(1, at))) / 2, 2));
    }

    /** A finding with its reasons and tests. */
    public record Said(String headline, List<String> because, List<String> suspects, List<String> tests) {}

    /** What the readings say. */
    public List<Said> findings() {
        return verdict.findings().stream().map(this::said).toList();
    }

    private Said said(Finding f) {
        return new Said(
                words.say(f.headline()),
                f.because().stream().map(words::say).toList(),
                f.suspects().stream().map(s -> words.say(s.words())).toList(),
                f.tests().stream().map(words::say).toList());
    }

    /** What was altered, tested and tried, in the order of the work. */
    public List<String> done() {
        Map<Instant, List<String>> all = new TreeMap<>();
        set.job().alterations().forEach(a -> at(all, a.at()).add(alteration(a, words)));
        set.job().recap().tests().forEach(t -> at(all, t.at()).add(tested(t.test())));
        set.job().trials().forEach(t -> at(all, t.at())
                .add(words.say("record.trial." + t.how().code(), t.part()) + ": "
                        + words.say("record.trial." + t.told())));
        List<String> lines = new ArrayList<>();
        all.forEach((when, what) -> what.forEach(w -> lines.add(when.toString().substring(0, 10) + "  " + w)));
        return lines;
    }

    private static List<String> at(Map<Instant, List<String>> all, Instant when) {
        return all.computeIfAbsent(when, w -> new ArrayList<>());
    }

    private String tested(PartTest t) {
        Phrase verdict = CapacitorSection.of(set.chassis()).stream()
                .filter(c -> c.key().equals(t.key()))
                .findFirst()
                .map(c -> Tested.of(t, c))
                .orElseGet(() -> Tested.of(t))
                .words();
        return words.say("record.tested", t.key(), words.say(verdict));
    }

    /** What is still open. */
    public List<String> left() {
        List<String> all = new ArrayList<>();
        all.addAll(new HistoryPage(set, words).off());
        set.job().fitted().openEnds().forEach(a -> all.add(alteration(a, words)));
        set.job().fitted().temporary().forEach(a -> all.add(alteration(a, words)));
        set.job()
                .unsettled()
                .forEach(l -> all.add((words.say("loose." + l.kind().code(), l.part()) + " " + l.detail()).strip()));
        return all;
    }

    /** An alteration in words. */
    public static String alteration(Alteration a, Words words) {
        String what = words.say("alteration." + a.kind().code(), a.part());
        return a.detail().isEmpty() ? what : words.say("alteration.detail", what, a.detail());
    }

    /** The steps and how they stand. */
    public List<Fact> steps() {
        return WorkOrder.of(set.chassis(), set.job(), verdict.read(), verdict.charted()).stream()
                .map(i -> new Fact(
                        words.say("step." + i.step().code()),
                        words.say("state." + i.state().code())
                                + (i.total() > 0
                                        ? String.format(Locale.ROOT, " (%d of %d)", i.done(), i.total())
                                        : "")))
                .toList();
    }

    /** A part as listed. */
    public record PartRow(String reference, String value, String role, String nets) {}

    /** All parts of the chassis, two a line. */
    public List<List<PartRow>> parts() {
        return Pairs.of(set.chassis().parts().stream().map(this::part).toList(), new PartRow("", "", "", ""));
    }

    private PartRow part(Part p) {
        return new PartRow(
                p.reference(),
                p.printed().isEmpty() && p.component() instanceof Component.Device d ? d.type() : p.printed(),
                p.roleText().isEmpty() ? words.say("part." + p.component().kind()) : p.roleText(),
                String.join(" ", p.nets().values()));
    }
}
