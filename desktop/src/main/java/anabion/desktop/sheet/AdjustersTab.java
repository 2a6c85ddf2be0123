package anabion.desktop.sheet;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.command.AdjusterLine;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.stream.Collectors;

/** The adjusters: their letters in the alignment table, the coil or trimmer they belong to, and where the tool goes in. */
final class AdjustersTab extends StudyTab {
    AdjustersTab(Session session) {
        super(session);
    }

    @Override
    String title() {
        return "study.adjusters";
    }

    @Override
    int count() {
        return hasSet() ? chassis().adjusters().size() : 0;
    }

    @Override
    void rebuild() {
        List<Column<Adjuster>> columns = List.of(
                new Column<>("study.letter", 60, false, Adjuster::letter),
                new Column<>("study.reference", 70, false, Adjuster::part),
                new Column<>("study.side", 80, false, Adjuster::side),
                new Column<>("study.what", 170, false, Adjuster::what),
                new Column<>("study.place", 0, false, Adjuster::place));
        show(hasSet() ? chassis().adjusters() : List.of(), columns, "study.adjusters.empty");
        pane.getChildren().setAll(head(columns), list);
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        return AdjusterLine.put(line, chassis);
    }

    @Override
    String edit() {
        return list.getSelectionModel().getSelectedItem() instanceof Adjuster a ? AdjusterLine.text(a) : "";
    }

    @Override
    String copy() {
        return chassis().adjusters().stream().map(AdjusterLine::text).collect(Collectors.joining("\n", "", "\n"));
    }
}
