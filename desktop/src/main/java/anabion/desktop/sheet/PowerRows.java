package anabion.desktop.sheet;

import anabion.core.power.GateItem;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerStep;
import anabion.core.power.Rail;
import anabion.core.power.StageProgress;
import anabion.core.power.StageTable;
import anabion.core.power.Warmth;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.desktop.control.Mark;
import anabion.desktop.control.NeedleBar;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** How the conditions and steps of a power-up are drawn. */
final class PowerRows {
    private final Session session;
    private boolean tight;

    PowerRows(Session session) {
        this.session = session;
    }

    /**
     * Without the needle bar where the sheet is narrow.
     *
     * @return whether that is another way than before
     */
    boolean tight(boolean narrow) {
        boolean other = narrow != tight;
        tight = narrow;
        return other;
    }

    boolean tight() {
        return tight;
    }

    HBox condition(GateItem i) {
        Mark mark = new Mark(
                switch (i.state()) {
                    case MET -> Mark.Kind.DISC;
                    case OVERRULED -> Mark.Kind.SQUARE;
                    case MISSING -> Mark.Kind.RING;
                    case BARRED -> Mark.Kind.TRIANGLE;
                });
        Label what = Texts.column(
                session.say("power.gate.name." + i.kind().code()),
                130,
                false,
                i.state().stops() ? "medium" : "soft");
        Label why =
                Texts.label(session.words().get().say(i.why()), i.state() == GateItem.State.BARRED ? "out" : "soft");
        why.setMinWidth(0);
        why.setMaxWidth(Double.MAX_VALUE);
        // a reason in somebody's own words may be longer than the row
        Tooltip.install(why, new Tooltip(why.getText()));
        HBox.setHgrow(why, Priority.ALWAYS);
        HBox box = new HBox(10, mark, what, why);
        box.setAlignment(Pos.CENTER_LEFT);
        box.setPadding(new Insets(4, 14, 4, 14));
        box.setAccessibleText(
                session.say("power.gate.state." + i.state().code()) + ": " + what.getText() + ", " + why.getText());
        return box;
    }

    /** A stage that the set leaves out, with its reason. */
    Label skipped(String words) {
        Label label = Texts.wrapped(words, "soft", "small");
        label.setPadding(new Insets(8, 14, 8, 14));
        return label;
    }

    HBox head(PowerUp p) {
        HBox head = p.atHand().isPresent() ? stageHead() : stepHead(p);
        head.getStyleClass().add("head");
        return head;
    }

    private HBox stageHead() {
        return reading(
                session.say("power.column.point"),
                session.say("power.column.at-set"),
                session.say("power.column.current"),
                session.say("power.column.read"),
                Texts.label(session.say("ui.volts.bar")),
                Texts.label(session.say("ui.volts.verdict")));
    }

    private HBox stepHead(PowerUp p) {
        return columns(
                session.say("power.column.dial"),
                session.say("power.column.at-set"),
                session.say("power.column.load"),
                expectedHead(p),
                session.say("power.column.read"),
                Texts.label(session.say("ui.volts.bar")),
                session.say("power.column.wait"),
                Texts.label(session.say("ui.volts.verdict")));
    }

    private String expectedHead(PowerUp p) {
        return p.model().rectified()
                ? session.say(
                        "power.column.expected", p.model().rail().map(Rail::net).orElse(""))
                : session.say("power.column.current");
    }

    private HBox columns(
            String dial,
            String atSet,
            String load,
            String expected,
            String read,
            Region bar,
            String wait,
            Label verdict) {
        bar.setMinWidth(84);
        bar.setPrefWidth(140);
        bar.setMaxWidth(140);
        HBox.setHgrow(bar, Priority.ALWAYS);
        HBox.setMargin(bar, new Insets(0, 10, 0, 14));
        verdict.setMinWidth(0);
        verdict.setPrefWidth(110);
        HBox.setHgrow(verdict, Priority.ALWAYS);
        HBox row = new HBox(
                Texts.column(dial, 62, true),
                Texts.column(atSet, 70, true),
                Texts.column(load, 70, true),
                Texts.column(expected, 108, true),
                Texts.column(read, 70, true, "read"),
                bar,
                Texts.column(wait, 52, true),
                verdict);
        HBox.setMargin(verdict, new Insets(0, 0, 0, 14));
        if (tight) row.getChildren().remove(bar);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    HBox row(PowerUp p, PowerProgress.Row r) {
        NeedleBar bar = new NeedleBar();
        if (r.standing() == Standing.NOT_TAKEN) bar.expected();
        else bar.read(r.halfWidths(), r.standing(), false);
        String net = p.model().rail().map(Rail::net).orElse("");
        boolean rectified = p.model().rectified();
        String expected = rectified
                ? session.say(
                        "power.warm-cold",
                        volts(r.step().warm().rail(net)),
                        Figures.fixed(r.step().cold().getOrDefault(net, 0.0), 0))
                : Figures.si(Quantity.amperes(r.step().warm().amperes()), 2);
        String read = r.rail().filter(v -> rectified).map(Figures::volts).orElse("·");
        if (!rectified)
            read = r.amperes().map(a -> Figures.si(Quantity.amperes(a), 2)).orElse("·");
        String atSet = volts(r.atSet().orElse(r.step().warm().volts()));
        String load = r.watts().map(w -> watts(w)).orElse(watts(r.step().warm().watts()));
        String verdict = session.say("power.standing."
                        + r.standing().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
                + (r.step().lamp() || p.progress().plan().lamp().isEmpty() ? "" : session.say("power.without-lamp"));
        HBox box = columns(
                volts(r.step().dial()),
                atSet,
                load,
                expected,
                read,
                bar,
                clock(r.step().seconds()),
                Texts.label(verdict, r.standing() == Standing.OUT ? "out" : "soft"));
        box.setAccessibleText(session.say("power.row", volts(r.step().dial()), expected, read, verdict));
        return box;
    }

    /**
     * What is read in a stage before the whole set.
     *
     * @param line whether its volts at the set are told
     */
    HBox reading(StageProgress.Taken t, boolean line) {
        StageTable.Row r = t.row();
        NeedleBar bar = new NeedleBar();
        if (t.standing() == Standing.NOT_TAKEN) bar.expected();
        else bar.read(t.halfWidths(), t.standing(), false);
        String read = t.value().map(v -> read(r, v)).orElse("·");
        String verdict = session.say("power.standing." + t.standing().code());
        HBox box = reading(
                point(r),
                line ? volts(r.line()) : "",
                amount(r, r.expected()),
                read,
                bar,
                Texts.label(verdict, t.standing() == Standing.OUT ? "out" : "soft"));
        box.setAccessibleText(session.say("power.row", point(r), amount(r, r.expected()), read, verdict));
        return box;
    }

    private HBox reading(String point, String line, String expected, String read, Region bar, Label verdict) {
        HBox box = columns("", line, "", expected, read, bar, "", verdict);
        box.getChildren().set(0, Texts.column(point, 140, false));
        box.getChildren().remove(2);
        return box;
    }

    /** Without its unit where that of the expected stands beside. */
    private String read(StageTable.Row r, double value) {
        return switch (r.what()) {
            case DIRECT_VOLTS, ALTERNATING_VOLTS -> Figures.fixed(value, Math.abs(value) < 20 ? 1 : 0);
            case WATTS -> Figures.fixed(value, value < 10 ? 1 : 0);
            case AMPERES, WARMTH -> amount(r, value);
        };
    }

    /** Where a row is read. */
    String point(StageTable.Row r) {
        if (r.point().isEmpty()) return session.say("power.point." + code(r.what()));
        if (r.what() == StageTable.What.WARMTH) return session.say("power.point.warmth", r.point());
        return r.against().isEmpty() ? r.point() : session.say("power.point", r.point(), r.against());
    }

    String amount(StageTable.Row r, double value) {
        return switch (r.what()) {
            case DIRECT_VOLTS -> volts(value);
            case ALTERNATING_VOLTS -> session.say("power.alternating", volts(value));
            case WATTS -> watts(value);
            case AMPERES -> Figures.si(Quantity.amperes(value), 2);
            case WARMTH -> session.say("power.warmth." + Warmth.values()[(int) value].code());
        };
    }

    static String code(StageTable.What what) {
        return what.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /** What else holds at a step: its lamp, its current, the other rails. */
    String detail(PowerUp p, PowerStep s) {
        List<String> all = new ArrayList<>();
        if (s.lamp())
            all.add(session.say(
                    "power.detail.lamp",
                    volts(s.lampVolts()),
                    session.say("power.glow." + s.glow().code())));
        all.add(Figures.si(Quantity.amperes(s.warm().amperes()), 2));
        all.add(watts(s.warm().watts()));
        for (Rail r : p.model().rails()) all.add(r.net() + " " + volts(s.warm().rail(r.net())));
        return String.join(" · ", all);
    }

    static String volts(double v) {
        return Figures.fixed(v, Math.abs(v) < 20 ? 1 : 0) + " V";
    }

    static String watts(double w) {
        return Figures.fixed(w, w < 10 ? 1 : 0) + " W";
    }

    private static String clock(double seconds) {
        int whole = (int) Math.round(seconds);
        return whole / 60 + ":" + String.format(java.util.Locale.ROOT, "%02d", whole % 60);
    }
}
