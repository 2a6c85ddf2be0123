package anabion.workshop.report;

import anabion.core.align.AlignmentTable;
import anabion.core.align.Indicator;
import anabion.core.align.MeasuredCurve;
import anabion.core.align.Sensitivity;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.AlignmentPurpose;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.signal.Gains;
import anabion.core.text.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What an alignment brought, band by band: each line before and after, stations on the dial, what was found or left. */
final class AlignmentPage {
    private final Words words;
    private final Chassis chassis;

    AlignmentPage(Words words, Chassis chassis) {
        this.words = words;
        this.chassis = chassis;
    }

    /** @param notes stations, in their order, and why a band was left as it is */
    public record BandPart(String title, List<Line> lines, List<String> notes) {}

    /** One line; what was not read is empty. */
    public record Line(String adjusters, String what, String before, String after, String gained, String word) {}

    List<BandPart> bands(List<AlignmentEntry> log) {
        Map<String, List<AlignmentEntry>> bands = new LinkedHashMap<>();
        log.forEach(e -> bands.computeIfAbsent(e.band(), k -> new ArrayList<>()).add(e));
        List<BandPart> all = new ArrayList<>();
        bands.forEach((band, entries) -> all.add(new BandPart(
                words.say("align.record.band", band),
                lines(entries),
                Stream.of(
                                sensitivity(band, entries).stream(),
                                entries.stream().flatMap(e -> note(e).stream()),
                                curves(entries).stream())
                        .flatMap(s -> s)
                        .toList())));
        return all;
    }

    /** On FM lines are read at the detector, which knows no output. */
    private Optional<String> sensitivity(String band, List<AlignmentEntry> entries) {
        if (chassis.band(band).filter(b -> b.kind() == BandKind.AM).isEmpty()) return Optional.empty();
        return Gains.standard(chassis)
                .flatMap(volts -> Sensitivity.of(entries, volts))
                .map(s -> words.say(
                        "align.record.sensitivity",
                        Figures.si(new Quantity(Gains.STANDARD, Unit.WATT)),
                        words.say("align.purpose." + s.purpose().code()),
                        Figures.si(Quantity.volts(s.before()), 2),
                        Figures.si(Quantity.volts(s.after()), 2)));
    }

    private Optional<String> note(AlignmentEntry e) {
        return switch (e.kind()) {
            case STATION -> Optional.of(words.say("align.record.station", hertz(e.after()), hertz(e.before())));
            case LEFT_ALONE -> Optional.of(words.say("align.left-alone", e.text()));
            case OVERRULED -> Optional.of(words.say("align.overruled", e.text()));
            case WATCH -> Optional.of(words.say("align.record.watch", words.say("align.indicator." + e.text())));
            default -> Optional.empty();
        };
    }

    /** The first curve as found, the last as it is now. */
    private List<String> curves(List<AlignmentEntry> entries) {
        List<MeasuredCurve> all = entries.stream()
                .filter(e -> e.kind() == Kind.CURVE && !e.curve().isEmpty())
                .map(e -> new MeasuredCurve(e.curve()))
                .toList();
        List<String> said = new ArrayList<>();
        for (MeasuredCurve c : all) {
            if (!c.equals(all.get(0)) && !c.equals(all.get(all.size() - 1))) continue;
            String text = c.crosses()
                    ? words.say(
                            "align.picture.detector-read",
                            c.zero().map(AlignmentPage::hertz).orElse("–"),
                            Figures.fixed(100 * c.balance(), 0))
                    : hertz(c.centre())
                            + c.width()
                                    .map(w -> words.say("align.picture.wide", Figures.si(Quantity.hertz(w), 2)))
                                    .orElse("");
            said.add(words.say(said.isEmpty() ? "align.record.curve-found" : "align.record.curve", text));
        }
        return said;
    }

    /** Entries of one purpose belong together, whichever of its adjusters each names. */
    private List<Line> lines(List<AlignmentEntry> entries) {
        Map<List<Object>, List<AlignmentEntry>> own = new LinkedHashMap<>();
        boolean behindControl = false;
        List<List<Object>> undecided = new ArrayList<>();
        for (AlignmentEntry e : entries) {
            if (e.kind() == Kind.WATCH)
                behindControl = Indicator.AVC_VOLTS.code().equals(e.text())
                        || Indicator.EYE.code().equals(e.text());
            if (e.purpose().isEmpty() || e.kind() == Kind.CURVE) continue;
            List<Object> key = own.keySet().stream()
                    .filter(k -> k.get(0).equals(e.purpose().get()) && shares((String) k.get(1), e.adjusters()))
                    .findFirst()
                    .orElse(List.of(e.purpose().get(), e.adjusters()));
            own.computeIfAbsent(key, k -> new ArrayList<>()).add(e);
            if (behindControl) undecided.add(key);
        }
        return own.entrySet().stream()
                .map(x -> line((AlignmentPurpose) x.getKey().get(0), x.getValue(), !undecided.contains(x.getKey())))
                .toList();
    }

    private static boolean shares(String one, String other) {
        List<String> letters = List.of(one.split(" "));
        return List.of(other.split(" ")).stream().anyMatch(letters::contains);
    }

    private Line line(AlignmentPurpose purpose, List<AlignmentEntry> entries, boolean proportional) {
        List<AlignmentEntry> readings =
                entries.stream().filter(e -> e.kind().reads() && e.after() > 0).toList();
        String letters = entries.stream()
                .flatMap(e -> List.of(e.adjusters().split(" ")).stream())
                .distinct()
                .sorted()
                .collect(Collectors.joining(" "));
        Optional<Double> gained = proportional && purpose != AlignmentPurpose.BALANCE
                ? AlignmentTable.gains(readings).stream().reduce(Double::sum)
                : Optional.empty();
        AlignmentEntry last = entries.get(entries.size() - 1);
        String before = "";
        String after = "";
        if (!readings.isEmpty()) {
            AlignmentEntry first = readings.get(0);
            before = read(first.before() > 0 ? first.before() : first.after(), first.given());
            AlignmentEntry end = readings.get(readings.size() - 1);
            if (readings.size() > 1 || first.before() > 0) after = read(end.after(), end.given());
        }
        return new Line(
                letters,
                words.say("align.purpose." + purpose.code()),
                before,
                after,
                gained.map(g -> words.say("align.gained", (g < 0 ? "−" : "+") + Figures.fixed(Math.abs(g), 1)))
                        .orElse(""),
                last.kind() == Kind.PEAKS_AT
                        ? words.say("align.record.peaks-at", hertz(last.after()))
                        : words.say("align.word." + last.kind().code()));
    }

    /** Volts of the indicator, and how strong the signal was where that was said. */
    private String read(double volts, Given given) {
        String read = Figures.si(Quantity.volts(volts), 2);
        if (given.volts() > 0) return words.say("align.record.at", read, Figures.si(Quantity.volts(given.volts()), 2));
        if (given.metres() > 0)
            return words.say("align.record.at", read, Figures.fixed(100 * given.metres(), 0) + " cm");
        return read;
    }

    private static String hertz(double hertz) {
        return Figures.si(Quantity.hertz(hertz), 4);
    }
}
