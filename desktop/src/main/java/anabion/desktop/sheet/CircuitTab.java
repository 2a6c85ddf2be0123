package anabion.desktop.sheet;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.schematic.CircuitDrawing;
import anabion.core.schematic.StageDrawing;
import anabion.core.schematic.Symbol;
import anabion.desktop.control.FadingScrollPane;
import anabion.desktop.control.StageView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The circuit drawn stage by stage, with the part in hand lit. */
final class CircuitTab extends StudyTab {
    private static final double SIDE = 14;

    private final FlowPane flow = new FlowPane(18, 10);
    private final ScrollPane scroll = new FadingScrollPane(flow);
    private final Label said = Texts.wrapped("", "medium");
    private final List<StageView> views = new ArrayList<>();
    private List<String> names = List.of();
    private List<String> parts = List.of();
    private Optional<Chassis> drawn = Optional.empty();
    private Optional<Band> band = Optional.empty();

    CircuitTab(Session session) {
        super(session);
        flow.setPadding(new Insets(8, SIDE, 8, SIDE));
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        said.setPadding(new Insets(6, 14, 8, 14));
        scroll.setAccessibleText(session.say("study.circuit"));
        session.part().addListener((o, a, b) -> light());
        scroll.viewportBoundsProperty().addListener((o, a, b) -> {
            if (Math.abs(a.getWidth() - b.getWidth()) > 1) fit();
        });
        session.condition().addListener((o, a, b) -> {
            if (pane.getScene() != null && !band().equals(band)) draw();
        });
    }

    @Override
    String title() {
        return "study.circuit";
    }

    @Override
    int count() {
        return hasSet() ? chassis().stages().size() : 0;
    }

    /** Drawn only when it is looked at. */
    @Override
    Node node() {
        draw();
        return pane;
    }

    private Optional<Band> band() {
        if (!hasSet()) return Optional.empty();
        return session.condition().get().flatMap(c -> chassis().band(c.band()));
    }

    @Override
    void rebuild() {
        // the drawing follows when it is looked at
    }

    private void draw() {
        Optional<Chassis> now = hasSet() ? Optional.of(chassis()) : Optional.empty();
        if (now.equals(drawn) && band().equals(band)) return;
        drawn = now;
        band = band();
        views.clear();
        flow.getChildren().clear();
        List<StageDrawing> stages = now.map(c -> CircuitDrawing.of(c, band, session.say("study.circuit.rest"))
                        .stages())
                .orElse(List.of());
        parts = stages.stream()
                .flatMap(s -> s.symbols().stream())
                .map(Symbol::part)
                .distinct()
                .toList();
        for (StageDrawing s : stages) {
            StageView view = new StageView(s, part -> session.part().set(Optional.of(part)));
            views.add(view);
        }
        names = stages.stream().map(StageDrawing::stage).toList();
        fit();
        if (stages.isEmpty()) flow.getChildren().add(Texts.wrapped(session.say("study.circuit.empty"), "soft"));
        pane.getChildren().setAll(scroll, said);
        light();
    }

    private void fit() {
        double width = Math.max(300, scroll.getViewportBounds().getWidth() - 2 * SIDE);
        flow.getChildren().clear();
        for (int n = 0; n < views.size(); n++)
            flow.getChildren()
                    .add(new VBox(
                            2,
                            Texts.label(names.get(n), "petrol", "medium"),
                            views.get(n).within(width)));
        Platform.runLater(this::light);
    }

    private Optional<Part> lit() {
        return session.part().get().filter(p -> hasSet()).flatMap(p -> chassis().part(p));
    }

    private void light() {
        String part = lit().map(Part::reference).orElse("");
        for (StageView v : views) if (v.light(part)) show(v);
        said.setText(lit().map(this::words).orElse(session.say("study.circuit.none")));
    }

    private String words(Part p) {
        String what =
                p.roleText().isEmpty() ? session.say("part." + p.component().kind()) : p.roleText();
        return p.reference() + "  " + p.printed() + "  " + what + "  "
                + String.join("  ", p.nets().values());
    }

    private void show(Node view) {
        Bounds at = view.getParent().getParent().getBoundsInParent();
        double room = flow.getHeight() - scroll.getViewportBounds().getHeight();
        if (room <= 0) return;
        double top = scroll.getVvalue() * room;
        boolean seen = at.getMinY() >= top
                && at.getMaxY() <= top + scroll.getViewportBounds().getHeight();
        if (!seen) scroll.setVvalue(Math.max(0, Math.min(1, at.getMinY() / room)));
    }

    @Override
    void moved(KeyCode key) {
        if (parts.isEmpty()) return;
        int at = session.part().get().map(parts::indexOf).orElse(-1) + (key == KeyCode.DOWN ? 1 : -1);
        session.part().set(Optional.of(parts.get(Math.max(0, Math.min(at, parts.size() - 1)))));
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        Part part = WiringLine.parse(line, chassis, session.types().library().get());
        session.part().set(Optional.of(part.reference()));
        return ListCodec.withPart(chassis, part);
    }

    @Override
    String edit() {
        return lit().map(WiringLine::of).orElse("");
    }

    @Override
    String copy() {
        return chassis().parts().stream().map(WiringLine::of).collect(Collectors.joining("\n"));
    }
}
