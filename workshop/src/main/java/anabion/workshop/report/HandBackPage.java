package anabion.workshop.report;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Stage;
import anabion.core.handback.ClosingGate;
import anabion.core.handback.ClosingGate.State;
import anabion.core.handback.ClosingItem;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.ClosingEntry;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.Whereabouts;
import anabion.core.quantity.Figures;
import anabion.core.reading.Reading;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.report.RecordPage.Fact;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;

/** What stands on the report that an owner keeps, in words, ready for its template. */
public final class HandBackPage {
    private static final int QR = 174;
    /** Direct volts below which a dry hand feels nothing (usual limit of standards for touch). */
    private static final double HARMLESS = 60;

    private final SetRecord set;
    private final Job job;
    private final Words words;
    private final RecordPage record;
    private final ClosingGate gate;
    private final Isolation isolation;
    private final LocalDate day;
    private final ReportChoice choice;
    private final ShopDetails shop;
    private final OwnChartLines own;
    private final CostLines costs;

    HandBackPage(
            SetRecord set,
            Words words,
            RecordPage record,
            ClosingGate gate,
            Isolation isolation,
            LocalDate day,
            ReportChoice choice,
            ShopDetails shop) {
        this.choice = choice;
        this.shop = shop;
        this.set = set;
        this.job = set.job();
        this.words = words;
        this.record = record;
        this.gate = gate;
        this.isolation = isolation;
        this.day = day;
        this.own = new OwnChartLines(set, words, record, gate);
        this.costs = new CostLines(set, words, shop);
    }

    public String paper() {
        return choice.paper().css();
    }

    /** @return the rows where the report has this part, none otherwise */
    private <T> List<T> only(ReportSection part, Supplier<List<T>> rows) {
        return choice.sections().contains(part) ? rows.get() : List.of();
    }

    public String title() {
        return set.chassis().name();
    }

    /** Kind, year, serial, owner, day. */
    public String subtitle() {
        var i = set.chassis().identity();
        List<String> all = new ArrayList<>();
        String kind = words.say("report.kind." + i.kind().code());
        all.add(
                i.year().isPresent()
                        ? words.say(
                                "report.of-year", kind, String.valueOf(i.year().getAsInt()))
                        : kind);
        if (!i.serial().isEmpty()) all.add(words.say("report.serial", i.serial()));
        if (!job.arrival().owner().isEmpty())
            all.add(words.say("report.for", job.arrival().owner()));
        Optional<LocalDate> left = Whereabouts.of(job).left().map(e -> e.at().atZone(ZoneId.systemDefault())
                .toLocalDate());
        boolean here = Whereabouts.of(job).returned() || left.isEmpty();
        all.add(
                here && !gate.open().isEmpty()
                        ? words.say("report.as-of", day.toString())
                        : words.say("report.day", (here ? day : left.get()).toString()));
        return String.join(" · ", all);
    }

    public String serial() {
        String serial = set.chassis().identity().serial();
        return serial.isEmpty() ? "" : words.say("report.serial", serial);
    }

    /** The day of the report. */
    public String date() {
        return day.toString();
    }

    /** How old parts are kept. */
    public List<String> bag() {
        return List.of(words.say("report.bag.keep"), words.say("report.bag.care"));
    }

    /** Whether it is not to leave the house yet. */
    public List<String> draft() {
        return gate.open().isEmpty()
                ? List.of()
                : List.of(words.say("report.draft", gate.open().size()));
    }

    /** A mark that names the set for good, with its day. */
    public String code() {
        try {
            BitMatrix bits =
                    new QRCodeWriter().encode("anabion:" + set.id() + "?" + day, BarcodeFormat.QR_CODE, QR, QR);
            BufferedImage image = new BufferedImage(QR, QR, BufferedImage.TYPE_INT_RGB);
            for (int x = 0; x < QR; x++) for (int y = 0; y < QR; y++) image.setRGB(x, y, bits.get(x, y) ? 0 : 0xFFFFFF);
            return PagePictures.png(image);
        } catch (WriterException | IOException e) {
            throw new IllegalStateException("so few letters fit any such mark", e);
        }
    }

    /** Its first photo. */
    public List<RecordPage.Picture> cover() {
        return only(ReportSection.COVER, () -> record.pictures().stream()
                .filter(RecordPage.Picture::there)
                .limit(1)
                .toList());
    }

    /** Its photos, row by row. */
    public List<List<PictureCell>> pictureRows() {
        return only(ReportSection.PICTURES, record::pictureRows);
    }

    /** What it came with, and what was behind that. */
    public List<String> wrong() {
        List<String> all = new ArrayList<>(record.complaints());
        job.notes(Note.Kind.CAUSE).forEach(n -> all.add(sentence(n)));
        return all;
    }

    private static String sentence(Note n) {
        String text = n.text().isEmpty()
                ? ""
                : Character.toUpperCase(n.text().charAt(0)) + n.text().substring(1);
        return text + (n.reason().isEmpty() ? "" : ": " + n.reason()) + ".";
    }

    public List<RecordPage.Casualty> casualties() {
        return record.casualties();
    }

    /** What the parts that were renewed do, each kind once, for who does not know. */
    public List<String> meanings() {
        return job.fitted().last().values().stream()
                .filter(a -> a.kind() == AlterationKind.RENEWED)
                .flatMap(a -> set.chassis().part(a.part()).stream())
                .map(PartMeaning::key)
                .distinct()
                .map(k -> words.say("report.means." + k))
                .toList();
    }

    /**
     * Volts before and after.
     *
     * @param plain which stage and what of it, in words
     * @param out whether the first reading was beyond what it should be
     */
    public record Before(
            String pin,
            String plain,
            String should,
            String before,
            boolean out,
            String after,
            List<String> needle,
            String style) {}

    /** Points that were read before and after something was done. */
    public List<Before> volts() {
        return only(ReportSection.VOLTAGES, this::beforeAndAfter);
    }

    private List<Before> beforeAndAfter() {
        Map<String, Reading> first = new HashMap<>();
        for (Reading r : set.readings()) first.putIfAbsent(r.point(), r);
        List<Before> all = new ArrayList<>();
        for (RecordPage.VoltRow row : record.rows()) {
            Reading was = first.get(row.pin());
            if (was == null || row.read().isEmpty()) continue;
            String before = Figures.volts(was.value()) + (was.measure() == Measure.AC_VOLTS ? " ~" : "");
            if (before.equals(row.read())) continue;
            all.add(new Before(
                    row.pin(),
                    plain(row),
                    row.should(),
                    before,
                    !row.style().equals("out"),
                    row.read(),
                    row.needle(),
                    row.style()));
        }
        return all;
    }

    /** {@code Output, grid} for {@code V4.1}: the stage is called as it is in the set. */
    private String plain(RecordPage.VoltRow row) {
        String part = row.pin().split("\\.")[0];
        Optional<String> stage = set.chassis().owner(part).map(Stage::name);
        return stage.isEmpty() || !row.pin().contains(".")
                ? row.what()
                : words.say("report.point", stage.get(), row.what());
    }

    public List<Figure> powerFigures() {
        return only(ReportSection.POWER, () -> new RecordFigures(set, words).power());
    }

    public List<Fact> soaked() {
        return only(ReportSection.SOAK, record::soaked);
    }

    public List<Figure> soakFigures() {
        return only(ReportSection.SOAK, () -> new RecordFigures(set, words).soak());
    }

    public List<Fact> drive() {
        return only(ReportSection.CASE, record::drive);
    }

    public List<AlignmentPage.BandPart> aligned() {
        return only(ReportSection.ALIGNMENT, record::aligned);
    }

    public List<Fact> wires() {
        return only(ReportSection.WIRES, () -> new HistoryPage(set, words).wires());
    }

    public List<Figure> circuit() {
        return only(ReportSection.CIRCUIT, () -> CircuitFigures.of(set.chassis(), words));
    }

    /** What it reads in good order, two points a line. */
    public List<List<OwnChartLines.Charted>> chart() {
        return only(ReportSection.CHART, own::lines);
    }

    /** Line, meter, band and signal of that chart; empty without one. */
    public String chartConditions() {
        return own.conditions();
    }

    /** Stations band by band. */
    public List<Fact> heard() {
        return only(ReportSection.RECEPTION, this::stations);
    }

    private List<Fact> stations() {
        return job.closing().stream()
                .filter(e -> e.kind() == ClosingEntry.Kind.HEARD
                        && e.state().equals(job.fitted().id()))
                .map(e -> new Fact(
                        e.item(),
                        (words.say("report.stations", Figures.fixed(e.values().get(0), 0)) + " " + e.text()).strip()))
                .toList();
    }

    /** Insulation, touch current, earth, and whatever else was signed off. */
    public List<Fact> tests() {
        return gate.rows().stream()
                .filter(r -> r.item().isMeasured() || r.state() == State.SIGNED)
                .map(r -> new Fact(
                        words.say("closing.item." + r.item().code()),
                        r.state() == State.OPEN ? words.say("report.not-measured") : words.say(r.says())))
                .toList();
    }

    /** What an owner must know, by how the set is fed. */
    public List<String> know() {
        List<String> all = new ArrayList<>();
        all.add(words.say(isolation.mayBeLive() ? "report.know.live" : high() ? "report.know" : fed()));
        if (gate.rows().stream().anyMatch(r -> r.item() == ClosingItem.FUSE)) all.add(words.say("report.know.fuse"));
        all.add(words.say("report.know.alone"));
        job.notes(Note.Kind.FRAGILE).forEach(n -> all.add(sentence(n)));
        return all;
    }

    /** What is to be minded where no volts of it hurt. */
    private String fed() {
        return switch (set.chassis().supply().arrangement()) {
            case CAR_NEGATIVE -> "report.know.car-negative";
            case CAR_POSITIVE -> "report.know.car-positive";
            case ADAPTOR -> "report.know.adaptor";
            default -> "report.know.battery";
        };
    }

    /** Whether there are volts in it that hurt: from the mains, a vibrator, or batteries of that many. */
    private boolean high() {
        var supply = set.chassis().supply();
        return supply.arrangement().usesMains()
                || supply.arrangement() == Arrangement.VIBRATOR
                || supply.volts() > HARMLESS;
    }

    /** What stays as it is and why, what is temporary. */
    public List<String> left() {
        return Stream.concat(job.notes(Note.Kind.STAYS).stream().map(HandBackPage::sentence), record.left().stream())
                .toList();
    }

    /** What is other than the maker built it. */
    public List<String> modified() {
        return job.notes(Note.Kind.MODIFICATION).stream()
                .map(n -> n.text() + (n.reason().isEmpty() ? "" : ". " + words.say("report.undo", n.reason())))
                .toList();
    }

    /** Hours, in a line. */
    public String effort() {
        return choice.sections().contains(ReportSection.COST) ? costs.worked() : "";
    }

    /** Hours, each cost, their sum, and the workshop's own line. */
    public List<Fact> costs() {
        return only(ReportSection.COST, costs::all);
    }

    /** Whether there are lines to sign, and … */
    public boolean signatures() {
        return choice.sections().contains(ReportSection.SIGNATURES);
    }

    /** … for whom one is. */
    public String shop() {
        return shop.name();
    }

    /** What was last done to it, in a line. */
    public String lastWork() {
        return job.notes(Note.Kind.CAUSE).stream()
                .reduce((a, b) -> b)
                .map(HandBackPage::sentence)
                .orElseGet(this::renewed);
    }

    /** How many parts were renewed. */
    public String renewed() {
        long parts = job.fitted().last().values().stream()
                .map(Alteration::kind)
                .filter(k -> k == AlterationKind.RENEWED)
                .count();
        return words.say("report.renewed", parts);
    }

    /** The line-up of tubes and transistors. */
    public String lineUp() {
        return String.join(
                " · ",
                set.chassis().parts().stream()
                        .filter(p -> p.device().isPresent())
                        .map(p -> p.reference() + " " + p.device().get().type())
                        .toList());
    }
}
