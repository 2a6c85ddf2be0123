package anabion.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.Section;
import anabion.core.device.model.Curves;
import anabion.core.schematic.CircuitDrawing;
import anabion.core.signal.PlateCircuit;
import anabion.core.simulation.setting.Setting;
import anabion.workshop.demo.DemoWorkshop;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** What the drawn controls show, read from their shapes and words. */
@Tag("window")
class DrawingsTest extends ApplicationTest {
    private final Chassis halcyon = DemoWorkshop.chassis("halcyon");
    private StackPane root;

    @Override
    public void start(Stage stage) {
        stage.setOnHiding(null); // the stage is shared, and what other tests hung on it is closed
        root = new StackPane();
        stage.setScene(new Scene(root, 700, 460));
        stage.show();
    }

    private void show(Node node) {
        interact(() -> root.getChildren().setAll(node));
        WaitForAsyncUtils.waitForFxEvents();
        interact(() -> {
            root.applyCss();
            root.layout();
        });
    }

    private static List<Node> all(Parent parent) {
        List<Node> found = new ArrayList<>();
        for (Node n : parent.getChildrenUnmodifiable()) {
            found.add(n);
            if (n instanceof Parent p) found.addAll(all(p));
        }
        return found;
    }

    private long styled(String style) {
        return all(root).stream().filter(n -> n.getStyleClass().contains(style)).count();
    }

    private List<String> words() {
        return all(root).stream()
                .filter(n -> n instanceof Label)
                .map(n -> ((Label) n).getText())
                .toList();
    }

    @Test
    void aStageLightsThePartInHandAndOnlyThat() {
        List<String> chosen = new ArrayList<>();
        StageView view = new StageView(
                CircuitDrawing.of(halcyon, Optional.empty(), "rest")
                        .stage("Output")
                        .orElseThrow(),
                chosen::add);
        show(view);
        interact(() -> assertThat(view.light("C14")).isTrue());
        assertThat(styled("circuit-lit")).isEqualTo(1);
        interact(() -> assertThat(view.light("R1")).as("of another stage").isFalse());
        assertThat(styled("circuit-lit")).isZero();
        assertThat(words()).contains("C14 .01/400", "V4.1", "B2");
        Node field = all(root).stream()
                .filter(n -> n.getStyleClass().contains("circuit-field"))
                .findFirst()
                .orElseThrow();
        clickOn(field);
        assertThat(chosen).hasSize(1);
    }

    @Test
    void curvesCarryTheirGridVoltsTheLimitAndTheLoads() {
        PlateCircuit w = PlateCircuit.of(
                        halcyon, Setting.of(230), halcyon.part("V4").orElseThrow())
                .get(0);
        CurveView view = new CurveView();
        view.show(w.curves(), 12, Optional.of(w));
        show(view);
        assertThat(styled("curve")).isEqualTo(w.curves().curves().size());
        assertThat(styled("curve-limit")).isEqualTo(1);
        assertThat(styled("curve-load")).isEqualTo(1);
        assertThat(styled("curve-sound")).isEqualTo(1);
        assertThat(styled("curve-point")).isEqualTo(1);
        assertThat(words()).contains("0 V", "400 V", "100 mA").anyMatch(t -> t.startsWith("−"));
    }

    @Test
    void aDiodeHasOneCurveAndNothingElse() {
        Section s =
                DeviceLibrary.standard().find("6X4").orElseThrow().sections().get(0);
        CurveView view = new CurveView();
        view.show(Curves.of(s, 0, 0), 0, Optional.empty());
        show(view);
        assertThat(styled("curve")).isEqualTo(1);
        assertThat(styled("curve-limit") + styled("curve-load") + styled("curve-point"))
                .isZero();
    }

    @Test
    void aCanShowsEachSectionWithItsMark() {
        CanView view = new CanView();
        interact(() -> view.show(
                List.of(
                        new CanView.Section("C18.1", "16 µF", "B1", "square", true),
                        new CanView.Section("C18.2", "32 µF", "B2", "triangle", false),
                        new CanView.Section("C18.3", "8 µF", "B3", "red lead", false)),
                "CHASSIS"));
        show(view);
        List<Node> tags = all(root).stream()
                .filter(n -> n.getStyleClass().contains("can-tag")
                        || n.getStyleClass().contains("can-lit"))
                .toList();
        assertThat(tags).hasSize(3);
        assertThat(tags.get(0)).isInstanceOf(Rectangle.class);
        assertThat(tags.get(1)).isInstanceOf(Polygon.class);
        assertThat(tags.get(2)).isInstanceOf(Circle.class);
        assertThat(styled("can-lit")).isEqualTo(1);
        assertThat(words()).contains("CHASSIS").anyMatch(t -> t.contains("C18.3") && t.contains("red lead"));
        assertThat(view.getAccessibleText()).contains("C18.1 16 µF square B1");
    }
}
