package anabion.desktop.sheet;

import anabion.core.chassis.Measure;
import anabion.core.job.Compared;
import anabion.core.job.FittedState;
import anabion.core.quantity.Figures;
import anabion.core.reading.EveryBand;
import anabion.core.reading.ReadingRow;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Draws the rows of the voltage sheet with every band side by side. */
final class BandRows {
    private static final Columns WIDE = new Columns(52, 92, 56);
    private static final Columns TIGHT = new Columns(42, 78, 42);

    /** Widths; what is left is shared among the bands. */
    private record Columns(double pin, double net, double number) {}

    private final Session session;
    private final VoltRows names;
    private Columns columns = WIDE;

    BandRows(Session session, VoltRows names) {
        this.session = session;
        this.names = names;
    }

    void tight(boolean narrow) {
        columns = narrow ? TIGHT : WIDE;
    }

    HBox head(List<String> bands, String now) {
        HBox head = new HBox(
                Texts.column(session.say("ui.volts.pin"), columns.pin(), false),
                Texts.column(session.say("ui.volts.net"), columns.net(), false));
        for (String b : bands) {
            HBox cell = cell(
                    Texts.label(b, b.equals(now) ? "strong" : "soft"),
                    Texts.label(session.say("ui.volts.band-head"), "soft", "small"));
            cell.setSpacing(6);
            if (columns.equals(TIGHT)) cell.getChildren().remove(1);
            head.getChildren().add(cell);
        }
        head.getStyleClass().add("head");
        return head;
    }

    private HBox cell(javafx.scene.Node... inside) {
        HBox cell = new HBox(inside);
        cell.setAlignment(Pos.BASELINE_RIGHT);
        cell.setMinWidth(0);
        cell.setPrefWidth(2 * columns.number() + 24);
        cell.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(cell, Priority.ALWAYS);
        return cell;
    }

    HBox row(EveryBand.BandRow line, String now, List<String> bands) {
        HBox box = new HBox(
                Texts.column(line.point().label(), columns.pin(), false),
                Texts.column(names.net(line.rows().get(0)), columns.net(), false));
        StringBuilder spoken = new StringBuilder(line.point().label());
        for (int b = 0; b < bands.size(); b++) {
            ReadingRow r = line.rows().get(b);
            String wave = r.measure() == Measure.AC_VOLTS ? " ~" : "";
            String should =
                    r.expectation().map(e -> Figures.volts(e.value()) + wave).orElse("");
            String read = r.reading().map(x -> Figures.volts(x.value()) + wave).orElse("·");
            Region gap = new Region();
            gap.setMinWidth(columns.equals(TIGHT) ? 0 : 6);
            HBox cell = cell(
                    new Mark(Mark.of(r.standing())),
                    gap,
                    Texts.column(should, columns.number(), true, "soft"),
                    Texts.column(read, columns.number(), true, bands.get(b).equals(now) ? "read" : "soft"));
            cell.setAlignment(Pos.CENTER_RIGHT);
            box.getChildren().add(cell);
            spoken.append(", ")
                    .append(bands.get(b))
                    .append(' ')
                    .append(should)
                    .append(' ')
                    .append(read)
                    .append(' ')
                    .append(session.words().get().say(r.said()));
        }
        box.getStyleClass().add("row");
        box.setAlignment(Pos.CENTER_LEFT);
        box.setAccessibleText(spoken.toString());
        return box;
    }

    /** What the bands were found against a good receiver. */
    String against() {
        if (session.set().get().isEmpty()) return "";
        List<Compared> all = session.need().job().compared().stream()
                .filter(c -> FittedState.since(c.state(), session.need().job().alterations())
                        .isEmpty())
                .toList();
        if (all.isEmpty()) return "";
        return session.say(
                "ui.volts.against",
                all.stream()
                        .map(c -> session.say(
                                "ui.volts.against-band",
                                c.band(),
                                Figures.fixed(c.decibels(), 0),
                                Figures.fixed(c.decibels() / Compared.STEP, 0),
                                session.say("outcome." + c.outcome().code())))
                        .collect(Collectors.joining("; ")));
    }
}
