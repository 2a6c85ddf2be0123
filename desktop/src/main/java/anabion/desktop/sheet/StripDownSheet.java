package anabion.desktop.sheet;

import anabion.core.command.PhotoLine;
import anabion.core.command.StripDownLine;
import anabion.core.command.StripDownLine.Item;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.job.LooseEnd;
import anabion.core.job.LooseKind;
import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.State;
import anabion.core.json.Extra;
import anabion.core.stripdown.Reassembly;
import anabion.core.stripdown.StripDownWords;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What came off the set, in that order; the pane beside it shows how it goes together again. */
public final class StripDownSheet implements Sheet {
    private final Session session;
    private final BorderPane pane = new BorderPane();
    private static final double BOARD = 0.48;
    private static final double MOST = 300;

    private final VBox header = new VBox();
    private final LitRows list;
    private final PhotoBoard board;
    private Optional<SetRecord> shown = Optional.empty();

    public StripDownSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.list = new LitRows(whenShown);
        this.board = new PhotoBoard(session);
        pane.getStyleClass().add("sheet");
        Label how = Texts.label(session.say("stripdown.how"), "soft");
        how.setMinWidth(0);
        HBox top = new HBox(10, Texts.label(session.say("step.strip-down"), "title"), how);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(top, board, header));
        pane.setCenter(list.node());
        pane.heightProperty().addListener((o, a, b) -> photos());
        session.set().addListener((o, a, b) -> show());
        session.words().addListener((o, a, b) -> show());
        show();
    }

    private List<StripDownEntry> rows() {
        return session.set().get().map(s -> s.job().stripDown()).orElse(List.of());
    }

    private void photos() {
        board.refresh(Math.min(MOST, BOARD * pane.getHeight()));
    }

    private void show() {
        photos();
        Optional<SetRecord> now = session.set().get();
        boolean same = now.map(SetRecord::id).equals(shown.map(SetRecord::id));
        int more = rows().size() - shown.map(s -> s.job().stripDown().size()).orElse(0);
        int lit = same && more <= 0 ? list.lit() : rows().size() - 1;
        shown = now;
        list.clear();
        header.getChildren().setAll(head());
        List<StripDownEntry> rows = rows();
        for (int n = 0; n < rows.size(); n++) {
            StripDownEntry e = rows.get(n);
            int number = n + 1;
            list.add(List.of(e, number, session.words().get()), () -> row(number, e));
        }
        if (rows.isEmpty()) list.empty(session.say("stripdown.empty"));
        list.light(lit);
    }

    // --- rows ---

    private HBox head() {
        HBox head = columns(
                Texts.label(""),
                "",
                session.say("stripdown.column.kind"),
                Texts.label(session.say("stripdown.column.what")),
                session.say("stripdown.column.place"),
                Texts.label(session.say("stripdown.column.state")));
        head.getStyleClass().add("head");
        return head;
    }

    private HBox row(int number, StripDownEntry e) {
        boolean noted = e.kind() == StripDownEntry.Kind.PIN && e.state() == State.ON;
        String state = session.say(
                noted ? "stripdown.noted" : "stripdown.state." + e.state().code());
        String what = StripDownWords.of(e, session.words().get());
        HBox row = columns(
                new Mark(mark(e)),
                String.valueOf(number),
                session.say("stripdown.kind." + e.kind().code()),
                Texts.label(what),
                e.kind() == StripDownEntry.Kind.PIN ? "" : e.place(),
                Texts.label(state, e.isOpenEnd() ? "out" : "soft"));
        row.setAccessibleText(number + ", " + what + ", " + state);
        return row;
    }

    private static HBox columns(Node mark, String number, String kind, Label what, String place, Label state) {
        HBox first = new HBox(mark);
        first.setMinWidth(22);
        first.setAlignment(Pos.CENTER_LEFT);
        what.setMinWidth(0);
        what.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox.setMargin(what, new Insets(0, 0, 0, 10));
        state.setMinWidth(96);
        state.setPrefWidth(96);
        HBox row = new HBox(
                first,
                Texts.column(number, 26, true, "soft"),
                pad(Texts.column(kind, 76, false, "petrol")),
                what,
                Texts.column(place, 160, false, "soft"),
                state);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Label pad(Label label) {
        HBox.setMargin(label, new Insets(0, 0, 0, 12));
        return label;
    }

    /** Its looks in lists: on, off, or in want of attention. */
    public static Mark.Kind mark(StripDownEntry e) {
        if (e.state() == State.ON) return Mark.Kind.DISC;
        return e.isOpenEnd() ? Mark.Kind.TRIANGLE : Mark.Kind.RING;
    }

    // --- typed lines ---

    @Override
    public CompletableFuture<?> entered(String line) {
        Optional<PhotoLine> photo = PhotoLine.parse(line);
        if (photo.isPresent()) return board.entered(line, photo.get());
        StripDownLine typed = StripDownLine.parse(line);
        if (typed instanceof StripDownLine.Put p) return put(line, p);
        StripDownLine.Taken taken = (StripDownLine.Taken) typed;
        List<Op> ops =
                new ArrayList<>(List.of(new Op.PutJob(taken(session.need().job(), taken))));
        taken.taken().stream()
                .filter(i -> i.kind() == StripDownEntry.Kind.LEAD)
                .flatMap(i -> i.lead().stream())
                .flatMap(l -> board.wire(l).stream())
                .forEach(ops::add);
        return session.change(session.say("ui.change.stripped", line), ops.toArray(Op[]::new));
    }

    private Job taken(Job job, StripDownLine.Taken line) {
        Job now = job;
        for (Item i : line.taken())
            now = now.with(new StripDownEntry(
                    UUID.randomUUID(),
                    session.clock().instant(),
                    i.kind(),
                    i.count(),
                    i.what(),
                    i.place(),
                    i.lead(),
                    i.state(),
                    Extra.NONE));
        return now;
    }

    private CompletableFuture<?> put(String line, StripDownLine.Put p) {
        int at = p.row().isPresent() ? p.row().getAsInt() - 1 : list.lit();
        if (at < 0 || at >= rows().size())
            throw InputException.at(line)
                    .because(session.say("stripdown.no-row"))
                    .so(session.say("stripdown.no-row.remedy"));
        return put(session, rows().get(at), p.state()).thenApply(x -> {
            Platform.runLater(() -> {
                if (p.state() == State.ON && at > 0) list.light(at - 1);
            });
            return x;
        });
    }

    /** A lead that broke on the bench makes what it leads to suspect. */
    public static CompletableFuture<?> put(Session session, StripDownEntry e, State state) {
        Job job = session.need().job().with(e.withState(state));
        if (state == State.BROKEN) {
            List<String> parts =
                    new ArrayList<>(Reassembly.partsAt(e, session.need().chassis()).stream()
                            .map(anabion.core.chassis.Part::reference)
                            .toList());
            if (parts.isEmpty()) parts.add(StripDownWords.of(e, session.words().get()));
            for (String part : parts)
                job = job.with(new LooseEnd(
                        UUID.randomUUID(),
                        session.clock().instant(),
                        LooseKind.ACCIDENT,
                        part,
                        session.say(
                                "stripdown.broke",
                                StripDownWords.of(e, session.words().get())),
                        false,
                        Extra.NONE));
        }
        return session.putJob(
                session.say(
                        "ui.change.stripped",
                        StripDownWords.of(e, session.words().get()) + ", "
                                + session.say("stripdown.state." + state.code())),
                job);
    }

    // --- what every sheet has ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say("step.strip-down");
    }

    @Override
    public String prompt() {
        return session.say("stripdown.prompt");
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder();
        rows().forEach(e -> text.append(StripDownLine.text(e))
                .append('\t')
                .append(e.state().code())
                .append('\n'));
        return text.toString();
    }

    /** Lines as they are typed, one below the other. */
    @Override
    public CompletableFuture<?> paste(String text) {
        List<String> lines =
                text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
        Job job = session.need().job();
        for (String line : lines) {
            if (!(StripDownLine.parse(line.split("\t")[0]) instanceof StripDownLine.Taken t))
                throw InputException.at(line)
                        .because(session.say("stripdown.not-taken"))
                        .so(session.say("stripdown.not-taken.remedy"));
            job = taken(job, t);
        }
        return session.putJob(session.say("ui.change.stripped", session.say("stripdown.lines", lines.size())), job);
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"lead red rod 3 -> hole 14", session.say("stripdown.hint.lead")},
                new String[] {"on", session.say("stripdown.hint.on")},
                new String[] {"broke", session.say("stripdown.hint.broke")},
                new String[] {"Ctrl P", session.say("stripdown.hint.photo")});
    }
}
