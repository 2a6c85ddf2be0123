package anabion.desktop.bench;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.job.Step;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.AlignSheet;
import anabion.desktop.sheet.ArrivalSheet;
import anabion.desktop.sheet.ColdChecksSheet;
import anabion.desktop.sheet.DriveSheet;
import anabion.desktop.sheet.FirstPowerSheet;
import anabion.desktop.sheet.HandBackSheet;
import anabion.desktop.sheet.RecapSheet;
import anabion.desktop.sheet.Sheet;
import anabion.desktop.sheet.SoakSheet;
import anabion.desktop.sheet.StripDownSheet;
import anabion.desktop.sheet.StudySheet;
import anabion.desktop.sheet.TracingSheet;
import anabion.desktop.sheet.VoltagesSheet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One set: strip above, work order left, sheet in the middle, verdict right. */
public final class BenchPlace extends BorderPane {
    private static final double NARROW = 1160;

    private final Session session;
    /** Each is made when it is first shown. */
    private final Map<Step, Sheet> sheets = new EnumMap<>(Step.class);

    private final Function<Step, Sheet> made;
    private final SignalStrip strip;
    private final WorkOrderPane order;
    private final VerdictPane verdict;
    private final HBox safety = new HBox(10);
    private final VBox middle = new VBox(8);
    private Runnable whenShown = () -> {};
    /** Of the danger that the safety line speaks of. */
    private String said = "";

    public BenchPlace(Session session, Consumer<Throwable> trouble) {
        this.session = session;
        strip = new SignalStrip(session);
        order = new WorkOrderPane(session);
        verdict = new VerdictPane(session);
        made = step -> switch (step) {
            case ARRIVAL -> new ArrivalSheet(session, trouble);
            case STUDY -> new StudySheet(session, () -> whenShown.run());
            case STRIP_DOWN -> new StripDownSheet(session, () -> whenShown.run());
            case COLD_CHECKS -> new ColdChecksSheet(session, () -> whenShown.run());
            case RECAP -> new RecapSheet(session, () -> whenShown.run());
            case VOLTAGES ->
                new VoltagesSheet(session, row -> {
                    verdict.lit().set(row);
                    whenShown.run();
                });
            case TRACE -> new TracingSheet(session, () -> whenShown.run());
            case FIRST_POWER -> new FirstPowerSheet(session, () -> whenShown.run());
            case ALIGN -> new AlignSheet(session, () -> whenShown.run());
            case SOAK -> new SoakSheet(session, () -> whenShown.run());
            case DRIVE_AND_CASE -> new DriveSheet(session, () -> whenShown.run());
            case HAND_BACK -> new HandBackSheet(session, () -> whenShown.run());
        };
        safety.getStyleClass().add("safety");
        safety.setAlignment(Pos.CENTER_LEFT);
        setTop(strip);
        setLeft(order);
        setRight(verdict);
        setCenter(middle);
        BorderPane.setMargin(middle, new Insets(8, 10, 0, 10));
        BorderPane.setMargin(order, new Insets(8, 0, 0, 0));
        BorderPane.setMargin(verdict, new Insets(8, 0, 0, 0));
        widthProperty().addListener((o, a, b) -> columns(b.doubleValue()));
        columns(1252);
        session.step().addListener((o, a, b) -> show());
        session.set().addListener((o, a, b) -> show());
        session.verdict().addListener((o, a, b) -> showSafety());
        session.diagnoses().direct().known().addListener((o, a, b) -> showSafety());
        session.isolation().addListener((o, a, b) -> showSafety());
        sceneProperty().addListener((o, a, b) -> {
            if (b != null && middle.getChildren().isEmpty()) show();
        });
    }

    private void columns(double width) {
        double left = width < NARROW ? 158 : 190;
        double right = width < NARROW ? 226 : 296;
        order.setMinWidth(left);
        order.setPrefWidth(left);
        verdict.setMinWidth(right);
        verdict.setPrefWidth(right);
        verdict.setMaxWidth(right);
    }

    private void show() {
        showSafety();
        Node node = sheet().node();
        VBox.setVgrow(node, javafx.scene.layout.Priority.ALWAYS);
        List<Node> wanted = safety.isVisible() ? List.of(safety, node) : List.of(node);
        // what is put in again is styled anew, all of it
        if (!middle.getChildren().equals(wanted)) middle.getChildren().setAll(wanted);
        whenShown.run();
    }

    private void showSafety() {
        Optional<String> danger = VerdictPane.danger(session);
        boolean was = safety.isVisible();
        safety.setVisible(danger.isPresent());
        danger.filter(d -> !d.equals(said)).ifPresent(d -> {
            said = d;
            safety.getChildren().setAll(new Mark(Mark.Kind.TRIANGLE), Texts.wrapped(d));
        });
        boolean placed = middle.getChildren().contains(safety);
        if (was != safety.isVisible() || placed != safety.isVisible()) {
            middle.getChildren().remove(safety);
            if (safety.isVisible()) middle.getChildren().add(0, safety);
        }
    }

    public void onShown(Runnable handler) {
        whenShown = handler;
    }

    /** When a proposed test is clicked. */
    public void onTest(Consumer<Measurement> handler) {
        verdict.onTest(handler);
    }

    public Sheet sheet() {
        Step step = session.step().get();
        if (!sheets.containsKey(step)) {
            // while it is made it is not shown yet
            Runnable told = whenShown;
            whenShown = () -> {};
            sheets.put(step, made.apply(step));
            whenShown = told;
        }
        return sheets.get(step);
    }

    public void stepPointer(int by) {
        strip.step(by);
    }

    public void flipSocket() {
        sheet().flip();
    }

    public void toggleArithmetic() {
        verdict.arithmetic().set(!verdict.arithmetic().get());
    }
}
