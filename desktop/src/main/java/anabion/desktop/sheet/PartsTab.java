package anabion.desktop.sheet;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Provenance;
import anabion.core.command.RoleLine;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.desktop.session.Session;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.ContextMenuEvent;

/** The parts list with nets and roles. */
final class PartsTab extends StudyTab {
    PartsTab(Session session) {
        super(session);
        list.setOnContextMenuRequested(this::menu);
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
        if (!narrow())
            columns.add(new Column<>(
                    "study.kind",
                    92,
                    false,
                    p -> session.say("part." + p.component().kind())));
        columns.add(new Column<>("study.value", 92, true, Part::printed));
        if (hasSet() && chassis().parts().stream().anyMatch(p -> !p.make().isEmpty()))
            columns.add(new Column<>("study.make", 64, false, Part::make));
        columns.add(new Column<>("study.role", narrow() ? 170 : 200, false, this::role));
        columns.add(new Column<>(
                "study.nets", 0, false, p -> String.join("  ", p.nets().values())));
        show(hasSet() ? chassis().parts() : List.of(), columns, "study.parts.empty");
        pane.getChildren().setAll(head(columns), list);
    }

    /** The words of a part; what it works as, where they do not name it; and how that is known. */
    private String role(Part p) {
        String words = p.provenance() == Provenance.INFERRED
                ? (p.roleText() + " (" + session.say("study.inferred") + ")").strip()
                : p.roleText();
        if (p.assigned().isEmpty()) return words;
        AssignedRole assigned = p.assigned().get();
        String role = session.say("part-role." + assigned.role().code());
        boolean named = words.toLowerCase(Locale.ROOT).contains(role.toLowerCase(Locale.ROOT));
        String both = named ? words : words.isEmpty() ? role : words + ": " + role;
        return session.say("role-basis." + assigned.basis().code(), both);
    }

    /** A menu of the roles that the part under the mouse can have. */
    private void menu(ContextMenuEvent e) {
        if (!(list.getSelectionModel().getSelectedItem() instanceof Part p)) return;
        ContextMenu menu = new ContextMenu();
        for (PartRole r : PartRole.of(p.component()))
            menu.getItems().add(item(session.say("part-role." + r.code()), r.code(), p));
        if (menu.getItems().isEmpty()) return;
        menu.getItems().addAll(new SeparatorMenuItem(), item(session.say("study.role-none"), "none", p));
        menu.show(list, e.getScreenX(), e.getScreenY());
    }

    private MenuItem item(String words, String role, Part p) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> session.putChassis(
                session.say("ui.change.role"), RoleLine.parse("role " + role + ": " + p.reference(), chassis())));
        return item;
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
