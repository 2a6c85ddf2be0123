package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.Step;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;

/** Every scene: accessible names, focus in reading order, nothing outside the window, no text cut off where it matters. */
class AccessTest extends WindowCase {
    private static void collect(Node node, List<Node> into) {
        if (!node.isVisible()) return;
        into.add(node);
        if (node instanceof Parent p) p.getChildrenUnmodifiable().forEach(c -> collect(c, into));
    }

    private List<Node> all() {
        List<Node> nodes = new ArrayList<>();
        collect(shell, nodes);
        return nodes;
    }

    private static boolean named(Node n) {
        boolean text = n.getAccessibleText() != null && !n.getAccessibleText().isBlank();
        return text
                || (n instanceof Labeled l
                        && l.getText() != null
                        && !l.getText().isBlank())
                || (n instanceof ButtonBase b && !b.getText().isBlank());
    }

    private void check(String where) {
        interact(() -> shell.layout());
        for (Node n : all()) {
            boolean part = n.getStyleClass().contains("arrow-button")
                    || n.getStyleClass().contains("scroll-bar");
            if (n.isFocusTraversable() && !n.isDisabled() && !part) {
                assertThat(named(n))
                        .as("%s: %s has an accessible name", where, n)
                        .isTrue();
            }
        }
        focusOrder(where);
    }

    /** Tab goes through the window and comes back without getting stuck. */
    private void focusOrder(String where) {
        Set<Node> seen = new LinkedHashSet<>();
        Node first = stage.getScene().getFocusOwner();
        for (int i = 0; i < 80; i++) {
            Node now = stage.getScene().getFocusOwner();
            if (i > 0 && now == first) break;
            seen.add(now);
            key(KeyCode.TAB);
        }
        assertThat(seen.size()).as("%s: places the focus reaches", where).isGreaterThanOrEqualTo(3);
        assertThat(seen)
                .as("%s: the probe line is one of them", where)
                .contains(shell.probe().field());
        interact(() -> shell.probe().field().requestFocus());
    }

    @Test
    void everySceneNamesWhatCanBeFocused() {
        until("the shelf", () -> shows("Vessmark Halcyon"));
        check("shelf");
        openHalcyon();
        for (Step step : List.of(Step.ARRIVAL, Step.STUDY, Step.VOLTAGES, Step.TRACE)) {
            interact(() -> session.step().set(step));
            check(step.code());
        }
    }

    @Test
    void everyOverlayNamesItsFieldsAndGivesTheFocusBack() {
        openHalcyon();
        for (String action : List.of("actions", "new", "guide")) {
            interact(() -> shell.actions().get(action).run().run());
            until(action, () -> shell.overlay().isOpen());
            assertThat(shell.overlay().lookupAll("*").stream().anyMatch(Node::isFocused))
                    .as(action)
                    .isTrue();
            for (Node n : all()) {
                boolean inside = n.getId() != null && n.isFocusTraversable();
                if (inside) assertThat(named(n)).as("%s: %s", action, n).isTrue();
            }
            key(KeyCode.ESCAPE);
            until("closed", () -> !shell.overlay().isOpen());
            assertThat(shell.probe().field().isFocused()).as("after %s", action).isTrue();
        }
    }

    @Test
    void theSmallestWindowShowsEveryPanelInside() {
        openHalcyon();
        interact(() -> {
            stage.setWidth(1024);
            stage.setHeight(700);
        });
        for (Step step : Step.values()) {
            interact(() -> session.step().set(step));
            if (step == Step.ALIGN) until("its lines", () -> shows("A1 A2"));
            interact(() -> shell.layout());
            Bounds window = shell.localToScene(shell.getLayoutBounds());
            assertThat(window.getMaxX()).as("the window at %s", step).isLessThanOrEqualTo(1024);
            for (Node n : all()) {
                // a list's own group of cells has that style class, too
                boolean panel = n instanceof Region
                        && (n.getStyleClass().contains("sheet")
                                || n.getStyleClass().contains("dial"));
                if (panel)
                    assertThat(window.contains(n.localToScene(n.getLayoutBounds())))
                            .as("%s at %s", n, step)
                            .isTrue();
            }
        }
    }

    @Test
    void workOrderAndRowsAreNotCutOff() {
        openHalcyon();
        for (double width : new double[] {1280, 1024}) {
            interact(() -> stage.setWidth(width));
            interact(() -> shell.layout());
            List<String> cut = new ArrayList<>();
            for (Node row : lookup(".step").queryAll()) cut(row, cut);
            for (Node row : lookup(".row").queryAll()) cut(row, cut);
            assertThat(cut).as("at %s", width).isEmpty();
        }
    }

    /** A label that is narrower than its text ends in dots. */
    private static void cut(Node row, List<String> into) {
        for (Node n : row.lookupAll(".label")) {
            if (!(n instanceof Label l) || l.getText().isEmpty()) continue;
            Node shown = l.lookup(".text");
            if (shown instanceof Text t && !t.getText().equals(l.getText()))
                into.add(l.getText() + " → " + t.getText());
        }
    }

    @Test
    void scaleGrowsTheWholeWindow() {
        openHalcyon();
        key(KeyCode.CONTROL, KeyCode.EQUALS);
        key(KeyCode.CONTROL, KeyCode.EQUALS);
        assertThat(shell.scaled()).as("a slow machine repeats the key").isGreaterThan(1.2);
        interact(() -> shell.scale(1.21)); // as far as two presses go, however often the key repeated
        until("the probe line stays in the window", () -> {
            Bounds probe = shell.probe().localToScene(shell.probe().getLayoutBounds());
            return probe.getMaxY() <= stage.getScene().getHeight();
        });
        for (int i = 0; i < 20; i++) key(KeyCode.CONTROL, KeyCode.MINUS);
        assertThat(shell.scaled()).isGreaterThanOrEqualTo(0.8);
    }
}
