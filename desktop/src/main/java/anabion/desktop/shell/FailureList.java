package anabion.desktop.shell;

import anabion.core.diagnosis.evidence.FailureTable;
import anabion.core.quantity.Figures;
import anabion.desktop.control.Texts;
import anabion.desktop.session.ComputeScheduler;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.Locale;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Which parts failed in this workshop, with how many were tested, and a bar for the share of bad ones. */
final class FailureList {
    private static final double BAR = 150;

    private final Session session;

    private FailureList(Session session) {
        this.session = session;
    }

    static void show(Shell shell) {
        FailureList list = new FailureList(shell.session());
        shell.session().ask(w -> w.sets().tested(), sets -> shell.session()
                .compute()
                .ask(ComputeScheduler.Job.FAILURES, sets::failures, rows -> list.open(shell, rows)));
    }

    private void open(Shell shell, List<FailureTable.Row> rows) {
        new PickList<FailureTable.Row>(
                        shell,
                        "failures",
                        session.say("failures.prompt"),
                        (text, found) -> {
                            String wanted = text.strip().toLowerCase(Locale.ROOT);
                            found.accept(rows.stream()
                                    .filter(r -> (name(r) + " " + by(r))
                                            .toLowerCase(Locale.ROOT)
                                            .contains(wanted))
                                    .toList());
                        },
                        this::row,
                        r -> {})
                .otherwise(Texts.label(session.say("failures.none"), "soft"))
                .open(shell, session.say("failures.title"));
    }

    private String by(FailureTable.Row r) {
        return session.say("failures.by." + r.by().code());
    }

    private String name(FailureTable.Row r) {
        return switch (r.by()) {
            case KIND -> session.say("failures.kind." + r.name());
            case AGE -> session.say("failures.decade", r.name());
            case ROLE -> r.name().replace('-', ' ');
            case MAKE -> r.name();
        };
    }

    private HBox row(FailureTable.Row r) {
        Region bad = new Region();
        bad.getStyleClass().add("bar-bad");
        bad.setMinSize(Math.max(1, BAR * r.share()), 10);
        bad.setMaxSize(Math.max(1, BAR * r.share()), 10);
        Region rest = new Region();
        rest.getStyleClass().add("bar-rest");
        rest.setMinSize(BAR * (1 - r.share()), 10);
        rest.setMaxSize(BAR * (1 - r.share()), 10);
        HBox bar = new HBox(bad, rest);
        bar.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return new HBox(
                10,
                Texts.column(by(r), 60, false, "soft", "small"),
                Texts.column(name(r), 200, false, "medium"),
                bar,
                Texts.column(session.say("failures.of", r.bad(), r.tested()), 70, true),
                Texts.column(Figures.percent(r.share()), 50, true, "soft"));
    }
}
