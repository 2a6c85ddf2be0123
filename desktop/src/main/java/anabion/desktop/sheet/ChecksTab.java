package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.signal.CircuitCheck;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.stream.Collectors;

/** What is odd about the circuit as entered, while it is being entered. */
final class ChecksTab extends StudyTab {
    private List<CircuitCheck.Remark> found = List.of();

    /** @param arrived called when a new list of remarks is there */
    ChecksTab(Session session, Runnable arrived) {
        super(session);
        session.remarks().addListener((o, a, b) -> {
            found = b;
            arrived.run();
        });
        found = session.remarks().get();
    }

    @Override
    String title() {
        return "study.checks";
    }

    @Override
    int count() {
        return found.size();
    }

    @Override
    void rebuild() {
        List<Column<CircuitCheck.Remark>> columns = List.of(
                new Column<>("study.check.where", 120, false, CircuitCheck.Remark::where),
                new Column<>(
                        "study.check.what", 0, false, r -> session.words().get().say(r.words())));
        show(found, columns, "study.checks.empty");
        pane.getChildren().setAll(head(columns), list);
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        return ListCodec.withPart(
                chassis,
                WiringLine.parse(line, chassis, session.types().library().get()));
    }

    @Override
    String edit() {
        return "";
    }

    @Override
    String copy() {
        return found.stream()
                .map(r -> r.where() + "\t" + session.words().get().say(r.words()))
                .collect(Collectors.joining("\n"));
    }
}
