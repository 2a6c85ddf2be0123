package anabion.workshop.report;

import anabion.core.drive.CaseWords;
import anabion.core.drive.CordPath;
import anabion.core.error.InputException;
import anabion.core.job.CordRun;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.StripDownEntry;
import anabion.core.quantity.Figures;
import anabion.core.soak.SoakRun;
import anabion.core.stripdown.StripDownWords;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.SetRecord;
import anabion.workshop.report.RecordPage.Fact;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** The pages of a record that its logs and notes give: what came off, soak, cord, case, cause, what stays. */
final class HistoryPage {
    private final SetRecord set;
    private final Job job;
    private final Words words;

    HistoryPage(SetRecord set, Words words) {
        this.set = set;
        this.job = set.job();
        this.words = words;
    }

    /** Root cause, decisions, what stays as it is. */
    List<Fact> notes() {
        return Stream.of(
                        Note.Kind.CAUSE,
                        Note.Kind.DECISION,
                        Note.Kind.STAYS,
                        Note.Kind.MODIFICATION,
                        Note.Kind.FRAGILE,
                        Note.Kind.MODEL,
                        Note.Kind.REMARK)
                .flatMap(k -> job.notes(k).stream())
                .map(n -> new Fact(
                        words.say("record.note." + n.kind().code()),
                        n.text() + (n.reason().isEmpty() ? "" : ": " + n.reason())))
                .toList();
    }

    /** What still is off, in the order in which it goes on, and what is left over. */
    List<String> off() {
        List<String> all = new ArrayList<>();
        job.stripDown().stream()
                .filter(e -> e.state() != StripDownEntry.State.ON)
                .forEach(e -> all.add(words.say(
                        "record.off",
                        StripDownWords.of(e, words),
                        words.say("stripdown.state." + e.state().code()))));
        return all;
    }

    /** Every wire that was written down or drawn: photo or place, then what goes where. */
    List<Fact> wires() {
        List<Fact> all = new ArrayList<>();
        job.stripDown().stream()
                .filter(e -> e.lead().isPresent())
                .forEach(e ->
                        all.add(new Fact(words.say("stripdown.kind." + e.kind().code()), StripDownWords.of(e, words))));
        for (Photo p : set.photos())
            for (int n = 0; n < p.marks().size(); n++) {
                PhotoMark m = p.marks().get(n);
                if (m.kind() != PhotoMark.Kind.WIRE) continue;
                all.add(new Fact((p.caption() + " " + (n + 1)).strip(), (m.colour() + " " + m.text()).strip()));
            }
        return all;
    }

    /** How the last soak went; empty without one. */
    List<Fact> soak() {
        SoakRun run = SoakRun.of(set.chassis(), job, latest());
        if (run.began().isEmpty()) return List.of();
        List<Fact> all = new ArrayList<>();
        all.add(new Fact(
                words.say("record.soak"),
                words.say(
                        "soak.state."
                                + run.state().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        length(run.left()),
                        length(run.elapsed()))));
        double most = run.rows().stream()
                .flatMap(r -> r.drift().stream())
                .mapToDouble(Math::abs)
                .max()
                .orElse(0);
        if (most > 0) all.add(new Fact(words.say("record.soak.rail"), Figures.fixed(100 * most, 1) + " %"));
        Optional<SoakRun.Row> hottest = run.rows().stream()
                .filter(r -> r.rise().isPresent())
                .max((a, b) -> Double.compare(a.rise().get(), b.rise().get()));
        hottest.ifPresent(r -> all.add(new Fact(
                words.say("record.soak.hottest", r.entry().part()),
                words.say("record.soak.rise", Figures.fixed(r.rise().get(), 0)))));
        return all;
    }

    private Instant latest() {
        return job.soak().get(job.soak().size() - 1).at();
    }

    private String length(Duration d) {
        return words.say("soak.hours-minutes", d.toHours(), d.toMinutesPart());
    }

    /** Cords with their lengths, and what was done to controls and case. */
    List<Fact> drive() {
        List<Fact> all = new ArrayList<>();
        job.cords().forEach(c -> length(c)
                .ifPresent(mm -> all.add(new Fact(
                        words.say("cord.how", words.say("cord.run." + c.name())),
                        words.say("cord.mm", Figures.fixed(mm, 0))))));
        job.casework().forEach(e -> all.add(new Fact(CaseWords.of(e, words), CaseWords.how(e, words))));
        return all;
    }

    /** Empty while its way is not entered. */
    private static Optional<Double> length(CordRun run) {
        try {
            return Optional.of(CordPath.of(run).length());
        } catch (InputException e) {
            return Optional.empty(); // a wheel is missing yet
        }
    }
}
