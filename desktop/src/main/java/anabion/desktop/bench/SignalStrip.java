package anabion.desktop.bench;

import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.coldcheck.ColdDanger;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Condition;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.reading.judgement.Judge;
import anabion.core.text.Words;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.animation.KeyFrame;
import javafx.animation.KeyValue;
import javafx.animation.Timeline;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.paint.CycleMethod;
import javafx.scene.paint.RadialGradient;
import javafx.scene.paint.Stop;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.util.Duration;

/** The dial: stages of the chosen band from aerial to speaker, the supply beneath, a pointer at the stage in hand. */
final class SignalStrip extends Region {
    private static final double HEIGHT = 126;
    private static final double SIDE = 44;
    private static final double SCALE_Y = 72;
    private static final int DIVISIONS = 12;
    /** Below this width of a cell the small print begins under the mark instead of under the name. */
    private static final double TIGHT = 150;
    /** Between the words of one cell and those of the next. */
    private static final double GAP = 8;
    /** Odds below which a stage is as good as cleared, and from which it is the one to look at. */
    private static final double LEAST_ODDS_SHOWN = 0.02;

    private static final double LIKELY = 0.4;

    private final Session session;
    private final List<Cell> cells = new ArrayList<>();
    private final List<Line> ticks = new ArrayList<>();
    private final Line baseline = styled(new Line(), "baseline");
    private final Line dotted = styled(new Line(), "dotted");
    private final Line pointer = styled(new Line(), "pointer");
    private final Label band = Texts.label("", "soft");
    private final DoubleProperty pointerX = new SimpleDoubleProperty(-1);
    private StripRow pointsAt = StripRow.SIGNAL;

    /** One legend with its lamp. */
    private record Cell(Looks looks, Region node, Optional<Ellipse> lamp) {
        Stage stage() {
            return looks.stage();
        }
    }

    /** All that the looks of a legend follow from. */
    private record Looks(Stage stage, Judge.StageHealth health, boolean suspected, String detail, String word) {}

    private Optional<Shown> shown = Optional.empty();

    /** All that the looks of the strip follow from, but for its pointer. */
    private record Shown(List<Looks> cells, String band, boolean empty, Words words) {}

    SignalStrip(Session session) {
        this.session = session;
        getStyleClass().addAll("dial", "strip");
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TOOL_BAR);
        for (int i = 0; i <= DIVISIONS * 6; i++) ticks.add(styled(new Line(), "tick"));
        session.verdict().addListener((o, a, b) -> rebuild());
        session.diagnoses().found().addListener((o, a, b) -> rebuild());
        session.diagnoses().alone().addListener((o, a, b) -> rebuild());
        session.diagnoses().direct().known().addListener((o, a, b) -> rebuild());
        session.set().addListener((o, a, b) -> rebuild());
        session.stage().addListener((o, a, b) -> rebuild());
        // where nothing is read yet, another band changes no verdict
        session.condition().addListener((o, a, b) -> {
            if (!a.map(Condition::band).equals(b.map(Condition::band))) rebuild();
        });
        session.words().addListener((o, a, b) -> rebuild());
        pointerX.addListener((o, a, b) -> layoutPointer());
        javafx.scene.shape.Rectangle clip = new javafx.scene.shape.Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        rebuild();
    }

    private static <S extends javafx.scene.shape.Shape> S styled(S shape, String style) {
        shape.getStyleClass().add(style);
        return shape;
    }

    private void rebuild() {
        Optional<SetRecord> set = session.set().get();
        String chosen = session.condition().get().map(c -> c.band()).orElse("");
        List<Looks> looks = new ArrayList<>();
        set.ifPresent(s -> {
            for (StripRow row : List.of(StripRow.SIGNAL, StripRow.SUPPLY))
                for (Stage stage : Judge.strip(s.chassis(), chosen, Set.of(row))) looks.add(looks(s, stage));
        });
        Shown now = new Shown(looks, chosen, set.isEmpty(), session.words().get());
        if (shown.filter(now::equals).isPresent()) {
            movePointer();
            return;
        }
        shown = Optional.of(now);
        List<Cell> before = List.copyOf(cells);
        cells.clear();
        // a legend that looks as before stays: only the others are styled anew
        for (Looks l : looks)
            cells.add(
                    before.stream().filter(c -> c.looks().equals(l)).findFirst().orElseGet(() -> cell(l)));
        List<Node> nodes = new ArrayList<>();
        cells.forEach(c -> c.lamp().ifPresent(nodes::add));
        nodes.addAll(ticks);
        nodes.add(baseline);
        nodes.add(dotted);
        cells.forEach(c -> nodes.add(c.node()));
        band.setText(cells.isEmpty() ? session.say(set.isEmpty() ? "ui.strip.none" : "ui.strip.empty") : chosen);
        nodes.add(band);
        pointer.setVisible(!cells.isEmpty());
        nodes.add(pointer);
        // what stays is not put in anew: it would be styled again
        List<Node> children = getChildren();
        boolean inOrder = children.size() == nodes.size();
        if (!inOrder) getChildren().setAll(nodes);
        else for (int n = 0; n < nodes.size(); n++) if (children.get(n) != nodes.get(n)) children.set(n, nodes.get(n));
        setAccessibleText(spoken());
        requestLayout();
    }

    private String spoken() {
        StringBuilder text = new StringBuilder(session.say("ui.strip.name"));
        for (Cell c : cells)
            text.append(", ").append(c.stage().name()).append(' ').append(word(health(c.stage())));
        return text.toString();
    }

    /** As the readings say; the suspicion is the odds of the fault lying here, where they have been weighed. */
    private Judge.StageHealth health(Stage stage) {
        Judge.StageHealth read = session.verdict()
                .get()
                .map(v -> v.stages().get(stage.name()))
                .orElse(new Judge.StageHealth(Standing.NOT_TAKEN, 0));
        return session.diagnoses()
                .odds(stage)
                .map(o -> new Judge.StageHealth(read.standing(), o))
                .map(h -> h.suspicion() < LEAST_ODDS_SHOWN ? new Judge.StageHealth(h.standing(), 0) : h)
                .orElse(read);
    }

    /** A stage is marked from here on. */
    private boolean suspected(Judge.StageHealth health) {
        return health.suspicion() >= (weighed() ? LIKELY : 1);
    }

    private boolean weighed() {
        return session.diagnoses().found().get().isPresent()
                || session.diagnoses().alone().get().isPresent();
    }

    private String word(Judge.StageHealth health) {
        if (health.suspicion() > 0 && weighed()) return session.say("strip.odds", Figures.odds(health.suspicion()));
        return session.say(
                health.suspicion() > 0
                        ? "strip.suspect"
                        : "strip." + health.standing().code());
    }

    private Looks looks(SetRecord set, Stage stage) {
        Judge.StageHealth health = health(stage);
        String detail = detail(set, stage);
        boolean onlyExpected =
                stage.line() == StripRow.SUPPLY && health.standing() == Standing.NOT_TAKEN && !detail.isEmpty();
        if (stopped(stage)) return new Looks(stage, health, true, detail, session.say("danger.strip"));
        return new Looks(stage, health, suspected(health), detail, onlyExpected ? "" : word(health));
    }

    /** Whether cold ohms that forbid the mains were read in it. */
    private boolean stopped(Stage stage) {
        return session.diagnoses().direct().known().get().dangers().stream()
                .map(ColdDanger::row)
                .anyMatch(r -> stage.point().equals(r.net())
                        || stage.point().equals(r.against())
                        || stage.parts().contains(r.part()));
    }

    private Cell cell(Looks looks) {
        Stage stage = looks.stage();
        Judge.StageHealth health = looks.health();
        boolean signal = stage.line() == StripRow.SIGNAL;
        Mark mark = new Mark(looks.suspected() ? Mark.Kind.TRIANGLE : Mark.of(health.standing()));
        Label name = Texts.label(stage.name(), signal ? "stage" : "medium");
        Label detail = Texts.label(looks.detail(), "soft", "small");
        Label word = Texts.label(looks.word(), "soft", "small");
        if (looks.suspected()) word.getStyleClass().add("word-out");
        HBox first = new HBox(7, mark, name);
        first.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        VBox box = new VBox(-1, first);
        if (signal) {
            HBox second = new HBox(6, word);
            detail.setUserData(detail.getText());
            detail.visibleProperty().bind(detail.managedProperty());
            if (!detail.getText().isEmpty()) second.getChildren().add(0, detail);
            second.setPadding(new javafx.geometry.Insets(0, 0, 0, 19));
            box.getChildren().add(second);
        } else {
            first.getChildren().addAll(detail, word);
        }
        box.getStyleClass().add("strip-cell");
        box.setOnMouseClicked(e -> session.stage().set(Optional.of(stage.name())));
        Optional<Ellipse> lamp = health.suspicion() > 0 ? Optional.of(lamp(health.suspicion())) : Optional.empty();
        return new Cell(looks, box, lamp);
    }

    private static Ellipse lamp(double strength) {
        Ellipse lamp = new Ellipse();
        Color glow = Color.web(anabion.desktop.theme.Role.GLOW.hex(false));
        lamp.setFill(new RadialGradient(
                0,
                0,
                0.5,
                0.5,
                0.5,
                true,
                CycleMethod.NO_CYCLE,
                new Stop(0, glow.deriveColor(0, 1, 1, 0.62 * strength)),
                new Stop(1, glow.deriveColor(0, 1, 1, 0))));
        lamp.setMouseTransparent(true);
        return lamp;
    }

    private String detail(SetRecord set, Stage stage) {
        if (stage.point().equals(Stage.LINE))
            return session.condition()
                    .get()
                    .map(c -> Figures.fixed(c.line(), 0) + " V")
                    .orElse("");
        if (stage.line() == StripRow.SUPPLY && !stage.point().isEmpty()) {
            Optional<ReadingRow> row = session.verdict().get().flatMap(v -> v.rows().stream()
                    .filter(r -> r.point().label().equals(stage.point()))
                    .findFirst());
            String read = row.flatMap(ReadingRow::reading)
                    .map(r -> Figures.volts(r.value()) + " V")
                    .or(() -> row.flatMap(ReadingRow::expectation)
                            .map(e -> session.say("ui.strip.expected", Figures.volts(e.value()))))
                    .orElse("");
            return (stage.detail() + " " + read).strip();
        }
        if (!stage.detail().isEmpty()) return stage.detail();
        return stage.parts().stream()
                .flatMap(r -> set.chassis().part(r).stream())
                .flatMap(p -> inBrief(p).stream())
                .findFirst()
                .orElse("");
    }

    private static Optional<String> inBrief(Part p) {
        if (p.component() instanceof Component.Speaker s) return Optional.of(Figures.si(Quantity.ohms(s.ohms())));
        return p.device().map(d -> p.reference() + " " + d.type());
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        List<Cell> signal =
                cells.stream().filter(c -> c.stage().line() == StripRow.SIGNAL).toList();
        List<Cell> supply =
                cells.stream().filter(c -> c.stage().line() == StripRow.SUPPLY).toList();
        band.autosize();
        if (cells.isEmpty()) band.relocate(SIDE, 24);
        else band.relocate(w - SIDE + 12 - band.getWidth(), 99);
        row(signal, SIDE - 14, w - SIDE - 20, 12);
        row(supply, SIDE + 50, w - SIDE - 60, 90);
        double right = w - SIDE + 10;
        baseline(baseline, SIDE - 14, right, SCALE_Y);
        baseline(dotted, SIDE - 14, right, SCALE_Y + 13);
        for (int i = 0; i < ticks.size(); i++) {
            double x = Math.round(SIDE - 14 + (right - SIDE + 14) * i / (ticks.size() - 1)) + 0.5;
            Line tick = ticks.get(i);
            tick.setStartX(x);
            tick.setEndX(x);
            tick.setStartY(SCALE_Y - (i % 6 == 0 ? 11 : 5));
            tick.setEndY(SCALE_Y);
            tick.setOpacity(i % 6 == 0 ? 0.9 : 0.5);
        }
        movePointer();
    }

    private static void baseline(Line line, double from, double to, double y) {
        line.setStartX(from);
        line.setEndX(to);
        line.setStartY(y + 0.5);
        line.setEndY(y + 0.5);
    }

    private static void row(List<Cell> row, double from, double to, double y) {
        double each = (to - from) / Math.max(1, row.size());
        for (int i = 0; i < row.size(); i++) {
            Region node = row.get(i).node();
            if (node instanceof VBox box
                    && box.getChildren().size() > 1
                    && box.getChildren().get(1) instanceof HBox second) {
                boolean tight = each < TIGHT;
                second.getChildren().forEach(n -> n.setManaged(true));
                second.setPadding(new javafx.geometry.Insets(0, 0, 0, tight ? 0 : 19));
                for (javafx.scene.Node n : second.getChildren())
                    if (n instanceof Label l && l.getUserData() instanceof String whole)
                        l.setText(tight ? whole.replaceFirst("^[VQD]\\d+[A-Za-z]? (?=\\S)", "") : whole);
            }
            if (node.prefWidth(-1) > each - GAP) giveWay(node);
            double width = Math.min(each - 2, node.prefWidth(-1));
            double x = Math.round(from + each * i);
            node.resizeRelocate(x, y, width, node.prefHeight(-1));
            row.get(i).lamp().ifPresent(lamp -> {
                lamp.setCenterX(x + 60);
                lamp.setCenterY(y + 20);
                lamp.setRadiusX(92);
                lamp.setRadiusY(44);
            });
        }
    }

    /** What a stage is made of gives way to how it stands. */
    private static void giveWay(Region cell) {
        cell.lookupAll(".label").stream()
                .filter(n -> n.getUserData() instanceof String)
                .forEach(n -> n.setManaged(false));
    }

    private void movePointer() {
        if (cells.isEmpty()) return;
        Cell at = cells.stream()
                .filter(c ->
                        session.stage().get().filter(c.stage().name()::equals).isPresent())
                .findFirst()
                .or(() ->
                        cells.stream().filter(c -> suspected(health(c.stage()))).findFirst())
                .orElse(cells.get(0));
        pointsAt = at.stage().line();
        double x = at.node().getLayoutX() - 8;
        if (pointerX.get() < 0 || !session.motion().get()) pointerX.set(x);
        else if (Math.abs(pointerX.get() - x) > 0.5) {
            new Timeline(new KeyFrame(Duration.millis(150), new KeyValue(pointerX, x))).play();
        }
        layoutPointer();
    }

    private void layoutPointer() {
        pointer.setStartX(pointerX.get());
        pointer.setEndX(pointerX.get());
        // across the scale and the row of its stage alone: through the other row it would cross words
        pointer.setStartY(pointsAt == StripRow.SIGNAL ? 6 : SCALE_Y - 11);
        pointer.setEndY(pointsAt == StripRow.SIGNAL ? SCALE_Y + 13 : HEIGHT - 6);
    }

    /** Moves the pointer by so many stages; from nowhere it starts at the first. */
    void step(int by) {
        if (cells.isEmpty()) return;
        int now = -1;
        for (int i = 0; i < cells.size(); i++)
            if (session.stage()
                    .get()
                    .filter(cells.get(i).stage().name()::equals)
                    .isPresent()) now = i;
        int next = now < 0 ? (by > 0 ? 0 : cells.size() - 1) : Math.floorMod(now + by, cells.size());
        session.stage().set(Optional.of(cells.get(next).stage().name()));
    }
}
