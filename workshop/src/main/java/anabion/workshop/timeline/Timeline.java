package anabion.workshop.timeline;

import anabion.core.chassis.Measure;
import anabion.core.drive.CaseWords;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.CaseEntry;
import anabion.core.job.ClosingEntry;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.PowerEntry;
import anabion.core.job.SoakEntry;
import anabion.core.job.Step;
import anabion.core.job.StripDownEntry;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Reading;
import anabion.core.stripdown.StripDownWords;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.SetRecord;
import anabion.workshop.report.PowerPage;
import anabion.workshop.report.RecordPage;
import anabion.workshop.timeline.Happening.Kind;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * All that happened to one set, the first first.
 *
 * @param worked how long somebody was at it: time between two happenings counts where it is short, so that an absence does not; and the hours that were noted
 */
public record Timeline(List<Happening> all, Duration worked) {
    /** Between two happenings that lie farther apart nobody was there. */
    private static final Duration ABSENT = Duration.ofMinutes(20);
    /** What one happening takes that stands alone. */
    private static final Duration ALONE = Duration.ofMinutes(2);

    public Timeline {
        all = List.copyOf(all);
    }

    /** As a table: time, kind, part, what, beside it. */
    public String csv(Words words) {
        StringBuilder text = new StringBuilder("time,kind,part,what,detail\n");
        for (Happening h : all)
            text.append(h.at())
                    .append(',')
                    .append(quoted(words.say("timeline.kind." + h.kind().code())))
                    .append(',')
                    .append(quoted(h.part()))
                    .append(',')
                    .append(quoted(h.text()))
                    .append(',')
                    .append(quoted(h.detail()))
                    .append('\n');
        return text.toString();
    }

    private static String quoted(String text) {
        return text.matches("[^\",\n\r]*") ? text : '"' + text.replace("\"", "\"\"") + '"';
    }

    /** Of a set, in some words. */
    public static Timeline of(SetRecord set, Words words) {
        Making making = new Making(set.job(), words);
        making.job();
        set.readings().forEach(making::reading);
        set.photos().forEach(making::photo);
        making.all.sort(Comparator.comparing(Happening::at));
        double noted = set.job().notes(Note.Kind.HOURS).stream()
                .mapToDouble(Note::amount)
                .sum();
        return new Timeline(making.all, worked(making.all).plusSeconds(Math.round(noted * 3600)));
    }

    /** What somebody typed or took: a power-up goes on by itself no longer than that. */
    private static Duration worked(List<Happening> all) {
        Duration sum = Duration.ZERO;
        for (int n = 0; n < all.size(); n++) {
            Duration since = n == 0
                    ? ABSENT
                    : Duration.between(all.get(n - 1).at(), all.get(n).at());
            sum = sum.plus(since.compareTo(ABSENT) < 0 ? since : ALONE);
        }
        return sum;
    }

    private static final class Making {
        private final Job job;
        private final Words words;
        private final List<Happening> all = new ArrayList<>();
        private final PowerPage powered;

        Making(Job job, Words words) {
            this.powered = new PowerPage(words, ZoneOffset.UTC);
            this.job = job;
            this.words = words;
        }

        void add(Instant at, Kind kind, String part, String text, String detail) {
            add(at, kind, part, text, detail, kind.step());
        }

        private void add(Instant at, Kind kind, String part, String text, String detail, Optional<Step> step) {
            all.add(new Happening(at, kind, part, text, detail, step, Optional.empty()));
        }

        void photo(Photo p) {
            String marks = p.marks().stream()
                    .map(PhotoMark::text)
                    .filter(t -> !t.isEmpty())
                    .collect(Collectors.joining(", "));
            all.add(new Happening(p.at(), Kind.PHOTO, "", p.caption(), marks, p.step(), Optional.of(p.file())));
        }

        void reading(Reading r) {
            String value = r.measure() == Measure.OHMS
                    ? Figures.ohms(r.value())
                    : Figures.volts(r.value()) + (r.measure() == Measure.AC_VOLTS ? " V~" : " V");
            add(
                    r.at(),
                    Kind.READING,
                    r.point(),
                    r.point() + " " + value,
                    r.condition().band(),
                    Optional.of(r.measure() == Measure.OHMS ? Step.COLD_CHECKS : Step.VOLTAGES));
        }

        void job() {
            job.alterations().forEach(a -> add(a.at(), Kind.ALTERATION, a.part(), RecordPage.alteration(a, words), ""));
            job.recap()
                    .tests()
                    .forEach(t -> add(
                            t.at(),
                            Kind.TEST,
                            t.test().key(),
                            words.say(
                                    "timeline.test",
                                    t.test().key(),
                                    words.say("timeline.test." + t.test().what().code())),
                            ""));
            job.trials()
                    .forEach(t -> add(
                            t.at(),
                            Kind.TRIAL,
                            t.part(),
                            words.say("record.trial." + t.how().code(), t.part()),
                            words.say("record.trial." + t.told())));
            job.heard()
                    .forEach(h ->
                            add(h.at(), Kind.HEARD, h.point(), h.point() + ": " + words.say(h.wordKey()), h.band()));
            job.compared()
                    .forEach(c -> add(
                            c.at(),
                            Kind.HEARD,
                            "",
                            words.say("record.compared", c.band()),
                            words.say(
                                    "record.decibels",
                                    Figures.fixed(c.decibels(), 0),
                                    words.say("outcome." + c.outcome().code()))));
            job.loose()
                    .forEach(l -> add(
                            l.at(),
                            Kind.LOOSE,
                            l.part(),
                            words.say("loose." + l.kind().code(), l.part()),
                            l.detail()));
            job.power().entries().forEach(this::power);
            job.alignment().forEach(this::aligned);
            job.stripDown().forEach(this::taken);
            job.soak().forEach(this::soaked);
            job.casework().forEach(this::worked);
            job.closing().forEach(this::closed);
            job.notes().forEach(this::noted);
            job.orders().forEach(o -> {
                String price = o.price() > 0 ? Figures.fixed(o.price(), 2) : "";
                add(o.at(), Kind.ORDER, "", words.say("timeline.ordered", o.what()), (o.from() + " " + price).strip());
                o.arrived().ifPresent(t -> add(t, Kind.ORDER, "", words.say("timeline.arrived", o.what()), ""));
            });
        }

        private void power(PowerEntry e) {
            add(e.at(), Kind.POWER, e.kind() == PowerEntry.Kind.RAIL ? e.what() : "", powered.text(e), "");
        }

        private void aligned(AlignmentEntry e) {
            String what = e.adjusters().isEmpty() ? e.band() : e.adjusters();
            String how =
                    switch (e.kind()) {
                        case STATION ->
                            words.say(
                                    "align.record.station",
                                    Figures.si(Quantity.hertz(e.after()), 4),
                                    Figures.si(Quantity.hertz(e.before()), 4));
                        case LEFT_ALONE -> words.say("align.left-alone", e.text());
                        case OVERRULED -> words.say("align.overruled", e.text());
                        case WATCH -> words.say("align.record.watch", words.say("align.indicator." + e.text()));
                        default -> words.say("align.word." + e.kind().code());
                    };
            String volts = e.kind().reads() && e.after() > 0 ? Figures.si(Quantity.volts(e.after()), 2) : "";
            add(e.at(), Kind.ALIGNMENT, "", what + " " + how, volts);
        }

        private void taken(StripDownEntry e) {
            add(
                    e.at(),
                    Kind.STRIP_DOWN,
                    "",
                    StripDownWords.of(e, words),
                    e.kind() == StripDownEntry.Kind.PIN ? "" : e.place());
        }

        private void soaked(SoakEntry e) {
            String text = e.kind() == SoakEntry.Kind.EVENT
                    ? words.say("soak.event."
                            + e.event().orElse(SoakEntry.Event.CRACKLE).code())
                    : words.say("timeline.soak." + e.kind().code());
            String values = e.values().entrySet().stream()
                    .map(v -> v.getKey().code() + " " + Figures.fixed(v.getValue(), 1))
                    .collect(Collectors.joining(", "));
            add(e.at(), Kind.SOAK, e.part(), text, (values + " " + e.text()).strip());
        }

        private void worked(CaseEntry e) {
            add(e.at(), Kind.CASE, "", CaseWords.of(e, words), CaseWords.how(e, words));
        }

        private void closed(ClosingEntry e) {
            String what =
                    switch (e.kind()) {
                        case CHECKED, SIGNED -> words.say("closing.item." + e.item());
                        default -> e.item();
                    };
            String values = e.values().stream()
                    .map(v -> e.kind() == ClosingEntry.Kind.HEARD
                            ? words.say("report.stations", Figures.fixed(v, 0))
                            : Figures.si(
                                    e.kind() == ClosingEntry.Kind.TOUCH ? Quantity.amperes(v) : Quantity.ohms(v), 3))
                    .collect(Collectors.joining(", "));
            add(
                    e.at(),
                    Kind.CLOSING,
                    what,
                    (words.say("ui.change.closing." + e.kind().code()) + " " + what).strip(),
                    (values + " " + e.text()).strip());
        }

        private void noted(Note n) {
            String amount = n.amount() == 0
                    ? ""
                    : n.kind() == Note.Kind.HOURS
                            ? String.format(Locale.ROOT, "%.1f h ", n.amount())
                            : Figures.fixed(n.amount(), 2) + " ";
            add(
                    n.at(),
                    Kind.NOTE,
                    "",
                    words.say("timeline.note." + n.kind().code(), (amount + n.text()).strip()),
                    n.reason(),
                    n.step());
        }
    }
}
