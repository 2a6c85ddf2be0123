package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.WiringLine;
import anabion.core.format.ListCodec;
import anabion.desktop.session.Session;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** The parts list with nets and roles. */
final class PartsTab extends StudyTab {
    PartsTab(Session session) {
        super(session);
    }

    @Override
    String title() {
        return "study.parts";
    }

    @Override
    int count() {
        return hasSet() ? chassis().parts().size() : 0;
    }

    @Override
    void rebuild() {
        List<Column<Part>> columns = new ArrayList<>();
        columns.add(new Column<>("study.reference", 52, false, Part::reference));
        columns.add(new Column<>(
                "study.kind",
                104,
                false,
                p -> session.say("part." + p.component().kind())));
        columns.add(new Column<>("study.value", 104, true, Part::printed));
        if (hasSet() && chassis().parts().stream().anyMatch(p -> !p.make().isEmpty()))
            columns.add(new Column<>("study.make", 64, false, Part::make));
        columns.add(new Column<>("study.role", 170, false, this::role));
        columns.add(new Column<>(
                "study.nets", 0, false, p -> String.join("  ", p.nets().values())));
        show(hasSet() ? chassis().parts() : List.of(), columns, "study.parts.empty");
        pane.getChildren().setAll(head(columns), list);
    }

    private String role(Part p) {
        if (p.provenance() != Provenance.INFERRED) return p.role();
        return (p.role() + " (" + session.say("study.inferred") + ")").strip();
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        return ListCodec.withPart(
                chassis,
                WiringLine.parse(line, chassis, session.types().library().get()));
    }

    @Override
    String edit() {
        return list.getSelectionModel().getSelectedItem() instanceof Part p ? WiringLine.of(p) : "";
    }

    @Override
    String copy() {
        try {
            StringBuilder csv = new StringBuilder();
            ListCodec.parts(chassis(), csv);
            return csv.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
