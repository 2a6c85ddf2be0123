package anabion.desktop.sheet;

import anabion.core.chassis.Component.Device;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.quantity.Figures;
import anabion.core.reading.Reading;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.desktop.control.NeedleBar;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.Optional;
import java.util.UUID;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Draws the rows of the voltage sheet in columns that fit its width. */
final class VoltRows {
    private static final Columns WIDE = new Columns(52, 92, 72, 94, 172);
    private static final Columns TIGHT = new Columns(46, 84, 54, 86, 128);

    /** Widths of the columns; the needle bar takes what is left. */
    private record Columns(double pin, double net, double number, double should, double verdict) {}

    private final Session session;
    private Columns columns = WIDE;

    VoltRows(Session session) {
        this.session = session;
    }

    /** Chooses the columns; says whether that changed anything. */
    boolean tight(boolean narrow) {
        Columns fitting = narrow ? TIGHT : WIDE;
        boolean changed = !fitting.equals(columns);
        columns = fitting;
        return changed;
    }

    /** The columns now, for comparison with those of another moment. */
    Object columns() {
        return columns;
    }

    HBox head() {
        Label bar = Texts.label(session.say(columns.equals(TIGHT) ? "ui.volts.bar-tight" : "ui.volts.bar"));
        HBox.setHgrow(bar, Priority.ALWAYS);
        bar.setMaxWidth(Double.MAX_VALUE);
        bar.setAlignment(Pos.CENTER);
        bar.setMinWidth(0);
        HBox head = new HBox(
                Texts.column(session.say("ui.volts.pin"), columns.pin(), false),
                Texts.column(session.say("ui.volts.net"), columns.net(), false),
                Texts.column(session.say("ui.volts.chart"), columns.number(), true),
                Texts.column(session.say("ui.volts.should"), columns.should(), true),
                Texts.column(session.say("ui.volts.read"), columns.number(), true),
                bar,
                Texts.column(session.say("ui.volts.verdict"), columns.verdict(), false));
        head.getStyleClass().add("head");
        return head;
    }

    /** The line above a device's rows. */
    HBox group(ReadingRow row) {
        String reference = row.point().device().map(Part::reference).orElse(session.say("ui.volts.nets"));
        String type =
                row.point().device().flatMap(Part::device).map(Device::type).orElse("");
        String stage = row.point()
                .device()
                .flatMap(d -> session.set().get().flatMap(s -> s.chassis().owner(d.reference())))
                .map(s -> s.name())
                .orElse("");
        HBox box = new HBox(
                6,
                Texts.label((reference + " " + type).strip(), "strong", "petrol"),
                Texts.label(stage, "soft", "small"));
        box.setAlignment(Pos.BASELINE_LEFT);
        box.getStyleClass().add("group");
        return box;
    }

    /** A line of the sheet; the reading with this id lets its needle settle. */
    HBox row(ReadingRow row, Optional<UUID> settled) {
        String wave = row.measure() == Measure.AC_VOLTS ? " ~" : "";
        boolean out = row.standing() == Standing.OUT;
        String read = row.reading()
                .map(r -> Figures.volts(r.value()) + wave + (r.doubtful() ? "?" : ""))
                .orElse("·");
        NeedleBar bar = new NeedleBar();
        HBox.setHgrow(bar, Priority.ALWAYS);
        HBox.setMargin(bar, new Insets(0, 12, 0, columns.equals(TIGHT) ? 12 : 20));
        boolean fresh = session.motion().get()
                && row.reading()
                        .map(Reading::id)
                        .filter(id -> settled.filter(id::equals).isPresent())
                        .isPresent();
        if (row.expectation().isEmpty() || row.standing() == Standing.OFF_BY_DESIGN) bar.blank();
        else if (row.reading().isEmpty()) bar.expected();
        else bar.read(row.expectation().get().size(row.reading().get().value()), row.standing(), fresh);
        String verdict = session.words().get().say(row.said());
        Label verdictLabel = Texts.column(verdict, columns.verdict(), false, out ? "out" : "soft");
        HBox box = new HBox(
                Texts.column(row.point().label(), columns.pin(), false),
                Texts.column(net(row), columns.net(), false),
                Texts.column(
                        row.expectation()
                                .filter(e -> e.charted().isPresent())
                                .map(e -> Figures.volts(e.charted().getAsDouble()) + wave)
                                .orElse(""),
                        columns.number(),
                        true,
                        "soft"),
                Texts.column(
                        row.expectation()
                                .map(e -> Figures.volts(e.value()) + wave)
                                .orElse(""),
                        columns.should(),
                        true),
                Texts.column(read, columns.number(), true, out ? new String[] {"read", "out"} : new String[] {"read"}),
                bar,
                verdictLabel);
        box.getStyleClass().add("row");
        box.setAlignment(Pos.CENTER_LEFT);
        box.setAccessibleText(row.point().label() + " " + net(row) + ", " + read + " V, " + verdict);
        return box;
    }

    /** What the point is, in words, with the name of its net where that has one. */
    String net(ReadingRow row) {
        Point p = row.point();
        if (p.device().isEmpty()) return "";
        String section = PinNames.section(p.function());
        String word =
                session.say(PinNames.key(p.device().get(), p.function())) + (section.isEmpty() ? "" : " " + section);
        boolean named = !p.net().equals(p.label())
                && !p.net().equals(session.need().chassis().reference())
                && p.net().length() <= 5
                && !p.net().contains(".");
        return named ? word + " " + p.net() : word;
    }
}
