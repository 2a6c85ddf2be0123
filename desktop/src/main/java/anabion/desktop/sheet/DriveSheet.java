package anabion.desktop.sheet;

import anabion.core.chassis.Part;
import anabion.core.command.DriveLine;
import anabion.core.drive.Barrier;
import anabion.core.drive.CaseWords;
import anabion.core.drive.CordPath;
import anabion.core.error.InputException;
import anabion.core.job.CaseEntry;
import anabion.core.job.CordRun;
import anabion.core.job.Job;
import anabion.core.job.StripDownEntry;
import anabion.core.json.Extra;
import anabion.core.quantity.Figures;
import anabion.desktop.control.CordView;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Timer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The dial cord as a drawing with its length, and the work on controls and case. */
public final class DriveSheet implements Sheet {
    private static final double DRAWING = 210;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label how = Texts.label("", "soft");
    private final CordView view = new CordView();
    private final GridPane figures = new GridPane();
    private final HBox drawing = new HBox(12, view, figures);
    private final Label noCord = Texts.wrapped("", "soft");
    private final VBox header = new VBox();
    private final LitRows list;
    private String named = "front";

    /** Work that somebody entered, or a barrier that nobody looked at yet. */
    private record Row(Optional<CaseEntry> entry, Optional<Barrier> missing) {}

    public DriveSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.list = new LitRows(whenShown);
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.drive-and-case"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        how.setMinWidth(0);
        HBox top = new HBox(10, title, how);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        HBox.setHgrow(view, Priority.ALWAYS);
        view.setPrefHeight(DRAWING);
        view.setMinHeight(DRAWING);
        figures.setHgap(10);
        figures.setVgap(5);
        figures.setMinWidth(Region.USE_PREF_SIZE);
        drawing.setPadding(new Insets(0, 14, 8, 14));
        noCord.setPadding(new Insets(0, 14, 12, 14));
        pane.setTop(new VBox(top, drawing, noCord, header));
        pane.setCenter(list.node());
        session.set().addListener((o, a, b) -> show());
        session.isolation().addListener((o, a, b) -> show());
        session.words().addListener((o, a, b) -> show());
        show();
    }

    /** The run in hand; one without wheels where nothing was entered. */
    private CordRun run() {
        return session.set().get().stream()
                .flatMap(s -> s.job().cords().stream())
                .filter(c -> c.name().equals(named))
                .findFirst()
                .orElseGet(() -> CordRun.named(UUID.randomUUID(), named));
    }

    /** The cord's way, where it can be told. */
    public static Optional<CordPath> path(CordRun run) {
        try {
            return run.passes().isEmpty() ? Optional.empty() : Optional.of(CordPath.of(run));
        } catch (InputException e) {
            return Optional.empty(); // a wheel is missing, or two are too near: trouble() says so
        }
    }

    private static Optional<String> trouble(CordRun run) {
        if (run.passes().isEmpty()) return Optional.empty();
        try {
            CordPath.of(run);
            return Optional.empty();
        } catch (InputException e) {
            return Optional.of(e.getMessage());
        }
    }

    private List<Row> rows() {
        List<Row> all = new ArrayList<>();
        session.set().get().ifPresent(s -> {
            s.job().casework().forEach(e -> all.add(new Row(Optional.of(e), Optional.empty())));
            if (mayBeLive())
                Barrier.missing(s.job().casework()).forEach(b -> all.add(new Row(Optional.empty(), Optional.of(b))));
        });
        return all;
    }

    private boolean mayBeLive() {
        return session.isolation().get().filter(i -> i.mayBeLive()).isPresent();
    }

    private void show() {
        CordRun run = run();
        Optional<CordPath> path = path(run);
        boolean any = !run.wheels().isEmpty();
        drawing.setVisible(any);
        drawing.setManaged(any);
        noCord.setText(session.say("cord.none"));
        noCord.setVisible(!any);
        noCord.setManaged(!any);
        how.setText(any ? session.say("cord.how", session.say("cord.run." + run.name())) : "");
        view.show(run.wheels(), path);
        view.setAccessibleText(session.say("cord.picture"));
        figures(run, path);
        list.clear();
        header.getChildren().setAll(head());
        List<Row> rows = rows();
        for (int n = 0; n < rows.size(); n++) {
            Row r = rows.get(n);
            int number = n + 1;
            list.add(List.of(r, number, session.words().get()), () -> row(number, r));
        }
        if (rows.isEmpty()) list.empty(session.say("case.empty"));
        list.light(list.lit());
    }

    private void figures(CordRun run, Optional<CordPath> path) {
        figures.getChildren().clear();
        path.ifPresentOrElse(
                p -> {
                    figure("cord.straight", p.straight());
                    figure("cord.around", p.around());
                    if (run.inside() > 0) figure("cord.inside", run.inside());
                    if (run.knots() > 0) figure("cord.knots", run.knots());
                    figure("cord.length", p.length());
                    figure("cord.travel", p.travel());
                    p.arcs().stream()
                            .filter(a -> a.wheel().kind() == CordRun.Kind.SHAFT)
                            .forEach(a -> line(
                                    session.say("cord.shaft", a.wheel().name()),
                                    session.say("cord.turns", Figures.fixed(p.turnsOf(a), 1))));
                },
                () -> figures.add(Texts.wrapped(trouble(run).orElse(session.say("cord.no-way")), "soft"), 0, 0, 2, 1));
    }

    private void figure(String key, double millimetres) {
        line(session.say(key), session.say("cord.mm", Figures.fixed(millimetres, 0)));
    }

    private void line(String what, String value) {
        int row = figures.getRowCount();
        figures.add(Texts.label(what, "soft"), 0, row);
        Label number = Texts.label(value, "medium");
        number.setMaxWidth(Double.MAX_VALUE);
        number.setAlignment(Pos.CENTER_RIGHT);
        figures.add(number, 1, row);
    }

    // --- rows ---

    private HBox head() {
        HBox head = columns(
                Texts.label(""),
                "",
                session.say("case.column.kind"),
                session.say("case.column.what"),
                Texts.label(session.say("case.column.how")),
                session.say("case.column.result"));
        head.getStyleClass().add("head");
        return head;
    }

    private HBox row(int number, Row r) {
        String kind = session.say("case.kind."
                + r.entry().map(CaseEntry::kind).orElse(CaseEntry.Kind.BARRIER).code());
        String what = what(r);
        String result = r.entry()
                .flatMap(CaseEntry::result)
                .map(x -> session.say("case.result." + x.code()))
                .orElse(session.say(r.missing().isPresent() ? "case.not-looked" : "case.to-do"));
        Mark.Kind mark = r.entry().flatMap(CaseEntry::result).isPresent()
                ? Mark.Kind.DISC
                : r.missing().isPresent() ? Mark.Kind.TRIANGLE : Mark.Kind.RING;
        HBox row = columns(
                new Mark(mark),
                String.valueOf(number),
                kind,
                what,
                Texts.label(r.entry().map(CaseEntry::how).orElse(""), "soft"),
                result);
        row.setAccessibleText(number + ", " + kind + ", " + what + ", " + result);
        return row;
    }

    private String what(Row r) {
        return r.missing()
                .map(b -> session.say("case.barrier." + b.code()))
                .orElseGet(() ->
                        CaseWords.what(r.entry().orElseThrow(), session.words().get()));
    }

    private static HBox columns(Node mark, String number, String kind, String what, Label how, String result) {
        HBox first = new HBox(mark);
        first.setMinWidth(22);
        first.setAlignment(Pos.CENTER_LEFT);
        how.setMinWidth(0);
        how.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(how, Priority.ALWAYS);
        Label named = Texts.column(kind, 80, false, "petrol");
        HBox.setMargin(named, new Insets(0, 0, 0, 12));
        HBox row = new HBox(
                first,
                Texts.column(number, 26, true, "soft"),
                named,
                Texts.column(what, 236, false),
                how,
                Texts.column(result, 96, false, "soft"));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    // --- typed lines ---

    @Override
    public CompletableFuture<?> entered(String line) {
        DriveLine typed = DriveLine.parse(line, run());
        if (typed instanceof DriveLine.Choose c) {
            named = c.name();
            show();
            return CompletableFuture.completedFuture(null);
        }
        if (typed instanceof DriveLine.OfCord c) {
            if (!c.run().passes().isEmpty() && !c.run().passes().equals(run().passes())) CordPath.of(c.run());
            return session.putJob(
                    session.say("ui.change.cord"), session.need().job().with(c.run()));
        }
        if (typed instanceof DriveLine.ForgetCord) {
            Job job = session.need().job();
            return session.putJob(
                    session.say("ui.change.cord"),
                    job.withCords(job.cords().stream()
                            .filter(c -> !c.name().equals(named))
                            .toList()));
        }
        if (typed instanceof DriveLine.Work w) return worked(line, w);
        return came(line, (DriveLine.Came) typed);
    }

    private CompletableFuture<?> worked(String line, DriveLine.Work w) {
        if (w.kind() == CaseEntry.Kind.BASE) noted(line, w.what());
        Job job = session.need().job().with(entry(w.kind(), w.what()).withHow(w.how()));
        String label = session.say("ui.change.casework", w.what());
        if (w.cure().isEmpty()) return session.putJob(label, job);
        Timer timer = Timer.starting(
                session.need().id(),
                session.say("case.cure", w.what()),
                w.cure().get(),
                session.clock());
        return session.change(label, new Op.PutJob(job), new Op.PutTimer(timer));
    }

    /** Before a base comes off, which wire goes to which pin is written down. */
    private void noted(String line, String what) {
        String tube = what.split("\\s")[0];
        boolean known = session.need().job().stripDown().stream()
                .filter(e -> e.kind() == StripDownEntry.Kind.PIN)
                .anyMatch(e ->
                        e.what().toLowerCase(java.util.Locale.ROOT).contains(tube.toLowerCase(java.util.Locale.ROOT)));
        boolean tubeOfSet = session.need()
                .chassis()
                .part(tube.toUpperCase(java.util.Locale.ROOT))
                .flatMap(Part::device)
                .isPresent();
        if (tubeOfSet && !known)
            throw InputException.at(line)
                    .because(session.say("case.no-pins", tube))
                    .so(session.say("case.no-pins.remedy", tube));
    }

    private CompletableFuture<?> came(String line, DriveLine.Came c) {
        int at = c.row().isPresent() ? c.row().getAsInt() - 1 : list.lit();
        if (at < 0 || at >= rows().size())
            throw InputException.at(line)
                    .because(session.say("stripdown.no-row"))
                    .so(session.say("case.no-row.remedy"));
        Row r = rows().get(at);
        CaseEntry e = r.entry()
                .orElseGet(() ->
                        entry(CaseEntry.Kind.BARRIER, r.missing().orElseThrow().code()));
        return session.putJob(
                session.say("ui.change.casework", what(r)),
                session.need().job().with(e.withResult(Optional.of(c.result()))));
    }

    private CaseEntry entry(CaseEntry.Kind kind, String what) {
        return new CaseEntry(
                UUID.randomUUID(), session.clock().instant(), kind, what, "", Optional.empty(), Extra.NONE);
    }

    // --- what every sheet has ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say("step.drive-and-case");
    }

    @Override
    public String prompt() {
        return session.say(
                session.set()
                                .get()
                                .map(SetRecord::job)
                                .filter(j -> !j.cords().isEmpty())
                                .isPresent()
                        ? "case.prompt"
                        : "cord.prompt");
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder();
        rows().forEach(r -> text.append(String.join(
                        "\t",
                        what(r),
                        r.entry().map(CaseEntry::how).orElse(""),
                        r.entry()
                                .flatMap(CaseEntry::result)
                                .map(CaseEntry.Result::code)
                                .orElse("")))
                .append('\n'));
        return text.toString();
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"pulley P1 12 at 150 40", session.say("cord.hint.wheel")},
                new String[] {"done", session.say("case.hint.done")});
    }
}
