package anabion.desktop.bench;

import anabion.core.job.Alteration;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.LooseEnd;
import anabion.core.job.Step;
import anabion.core.job.StripDownEntry;
import anabion.core.job.WorkOrder;
import anabion.core.stripdown.StripDownWords;
import anabion.core.text.Words;
import anabion.desktop.control.FadingScrollPane;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.InstrumentStatus;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import anabion.workshop.report.RecordPage;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The steps with their state and the loose ends of the set. */
final class WorkOrderPane extends FadingScrollPane {
    /** Steps that cold ohms of a short bar. */
    private static final Set<Step> GATED = EnumSet.of(Step.COLD_CHECKS, Step.FIRST_POWER);

    private static final double NARROW = 180;

    private final Session session;
    private final VBox list;
    private final InstrumentRows instruments;
    private Optional<Shown> shown = Optional.empty();

    WorkOrderPane(Session session) {
        super(new VBox());
        this.list = (VBox) getContent();
        this.session = session;
        this.instruments = new InstrumentRows(session);
        getStyleClass().add("sheet");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        list.setPadding(new Insets(10, 0, 10, 0));
        session.step().addListener((o, a, b) -> rebuild());
        session.verdict().addListener((o, a, b) -> rebuild());
        session.set().addListener((o, a, b) -> rebuild());
        session.diagnoses().direct().known().addListener((o, a, b) -> rebuild());
        session.words().addListener((o, a, b) -> rebuild());
        prefWidthProperty().addListener((o, a, b) -> rebuild());
        session.instruments().all().addListener((o, a, b) -> rebuild());
        session.instruments().bench().addListener((o, a, b) -> rebuild());
        rebuild();
    }

    /** What the pane shows. */
    private record Shown(
            List<WorkOrder.Item> order,
            Step here,
            Optional<Job> job,
            Words words,
            List<InstrumentStatus> instruments,
            Optional<String> bench,
            boolean stopped,
            boolean narrow) {}

    private void rebuild() {
        Shown now = new Shown(
                session.order(),
                session.step().get(),
                session.set().get().map(SetRecord::job),
                session.words().get(),
                session.instruments().all().get(),
                session.instruments().bench().get(),
                session.diagnoses().direct().known().get().stops(),
                getPrefWidth() < NARROW);
        if (shown.filter(now::equals).isPresent()) return;
        shown = Optional.of(now);
        list.getChildren().clear();
        heading(session.say("ui.work-order"));
        for (WorkOrder.Item item : now.order()) list.getChildren().add(step(item));
        if (session.set().get().isEmpty()) return;
        FittedState fitted = session.set().get().get().job().fitted();
        List<LooseEnd> unsettled = session.set().get().get().job().unsettled();
        List<StripDownEntry> ends = session.set().get().get().job().stripDown().stream()
                .filter(e -> e.isOpenEnd() && e.state() != StripDownEntry.State.BROKEN) // that is an accident
                .toList();
        if (!fitted.openEnds().isEmpty() || !fitted.temporary().isEmpty() || !unsettled.isEmpty() || !ends.isEmpty())
            heading(session.say("ui.loose-ends"));
        fitted.openEnds().forEach(a -> list.getChildren().add(loose(a, Mark.Kind.TRIANGLE, "brick")));
        fitted.temporary().forEach(a -> list.getChildren().add(loose(a, Mark.Kind.SQUARE, "")));
        ends.forEach(e -> list.getChildren().add(loose(e)));
        unsettled.forEach(l -> list.getChildren().add(loose(l)));
        if (!instruments.any()) return;
        heading(session.say("instrument.title"));
        list.getChildren().addAll(instruments.rows(now.narrow()));
    }

    private void heading(String text) {
        HBox box = new HBox(Texts.label(text, "soft", "small", "medium"));
        box.setPadding(new Insets(list.getChildren().isEmpty() ? 2 : 14, 12, 5, 13));
        list.getChildren().add(box);
    }

    private HBox step(WorkOrder.Item item) {
        String name = session.say("step." + item.step().code());
        String count = item.total() > 0 ? item.done() + "/" + item.total() : "";
        Label title = Texts.label(name);
        title.setMinWidth(Label.USE_PREF_SIZE);
        Label number = Texts.label(count, "soft", "small");
        number.setMinWidth(Label.USE_PREF_SIZE);
        boolean stopped = shown.filter(Shown::stopped).isPresent() && GATED.contains(item.step());
        HBox row =
                new HBox(9, new Mark(stopped ? Mark.Kind.TRIANGLE : Mark.of(item.state())), title, Texts.gap(), number);
        if (stopped) title.getStyleClass().add("brick");
        row.getStyleClass().add("step");
        row.setAlignment(Pos.CENTER_LEFT);
        row.setFocusTraversable(true);
        row.setAccessibleRole(AccessibleRole.BUTTON);
        row.setAccessibleText(name + ", "
                + session.say(stopped ? "danger.state" : "state." + item.state().code()) + " " + count);
        row.setOnMouseClicked(e -> session.step().set(item.step()));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.ENTER) session.step().set(item.step());
        });
        if (item.step() == session.step().get()) row.getStyleClass().add("here");
        return row;
    }

    private HBox loose(LooseEnd l) {
        return loose(
                Mark.Kind.SQUARE,
                session.say("loose." + l.kind().code(), l.part()) + (l.detail().isEmpty() ? "" : ": " + l.detail()));
    }

    private HBox loose(StripDownEntry e) {
        return loose(
                Mark.Kind.TRIANGLE,
                StripDownWords.of(e, session.words().get()) + ": "
                        + session.say(
                                e.state() == StripDownEntry.State.OFF
                                        ? "stripdown.unknown-end"
                                        : "stripdown.state.left-over"));
    }

    private static HBox loose(Mark.Kind mark, String text) {
        HBox row = new HBox(10, new Mark(mark), Texts.wrapped(text));
        row.setPadding(new Insets(5, 10, 5, 13));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText(text);
        return row;
    }

    private HBox loose(Alteration a, Mark.Kind kind, String style) {
        Words words = session.words().get();
        var label = Texts.wrapped(words.say("alteration." + a.kind().code(), a.part()), style);
        HBox row = new HBox(10, new Mark(kind), label);
        row.setPadding(new Insets(5, 10, 5, 13));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText(RecordPage.alteration(a, words));
        if (!a.detail().isEmpty())
            javafx.scene.control.Tooltip.install(row, new javafx.scene.control.Tooltip(a.detail()));
        return row;
    }
}
