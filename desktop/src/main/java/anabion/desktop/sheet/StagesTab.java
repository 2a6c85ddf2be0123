package anabion.desktop.sheet;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.command.StudyLine;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.layout.VBox;

/** The stages with their parts, and the bands as rows of stages in signal order. */
final class StagesTab extends StudyTab {
    StagesTab(Session session) {
        super(session);
    }

    @Override
    String title() {
        return "study.stages";
    }

    @Override
    int count() {
        return hasSet() ? chassis().stages().size() : 0;
    }

    @Override
    void rebuild() {
        List<Column<Stage>> columns = List.of(
                new Column<>("study.stage", 96, false, Stage::name),
                new Column<>(
                        "study.row",
                        70,
                        false,
                        s -> session.say("study.row." + s.line().code())),
                new Column<>("study.bands", 130, false, this::bands),
                new Column<>("study.stage-parts", 0, false, s -> String.join("  ", s.parts())));
        show(hasSet() ? chassis().stages() : List.of(), columns, "study.stages.empty");
        VBox order = new VBox(2);
        order.setPadding(new Insets(4, 14, 8, 14));
        if (hasSet())
            for (Band b : chassis().bands())
                order.getChildren()
                        .add(Texts.wrapped(
                                b.name() + ":  "
                                        + (b.stages().isEmpty()
                                                ? session.say("study.no-stages")
                                                : String.join("  →  ", b.stages())),
                                "soft"));
        pane.getChildren().setAll(order, head(columns), list);
    }

    private String bands(Stage stage) {
        if (stage.line() == StripRow.SUPPLY) return "";
        return String.join(
                ", ",
                chassis().bands().stream()
                        .filter(b -> b.stages().contains(stage.name()))
                        .map(Band::name)
                        .toList());
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        return StudyLine.stageOrBand(line, chassis);
    }

    @Override
    String edit() {
        if (!(list.getSelectionModel().getSelectedItem() instanceof Stage s)) return "";
        return (s.line() == StripRow.SUPPLY ? "supply " : "") + s.name() + ": " + String.join(" ", s.parts())
                + (s.point().isEmpty() || s.point().equals(Stage.LINE) ? "" : " @" + s.point());
    }

    @Override
    String copy() {
        StringBuilder text = new StringBuilder();
        chassis().stages().forEach(s -> text.append(s.name())
                .append(": ")
                .append(String.join(" ", s.parts()))
                .append('\n'));
        chassis().bands().forEach(b -> text.append(b.name())
                .append(" = ")
                .append(String.join(", ", b.stages()))
                .append('\n'));
        return text.toString();
    }
}
