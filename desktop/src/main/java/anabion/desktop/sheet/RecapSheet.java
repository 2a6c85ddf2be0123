package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.command.RecapLine;
import anabion.core.command.RecapRequest;
import anabion.core.error.InputException;
import anabion.core.format.StockCodec;
import anabion.core.job.RecapLog;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.Tick;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Causes;
import anabion.core.recap.Choice;
import anabion.core.recap.Forming;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.recap.Policy;
import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Timer;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What to renew, in order, ticked off as it is done. */
public final class RecapSheet implements Sheet {
    private static final double TIGHT_BELOW = 700;
    private static final int CHANGES = 4;

    private final Session session;
    private final Runnable changed;
    private final BorderPane pane = new BorderPane();
    private final RecapRows rows;
    private final RecapDetail detail;
    private final ListView<RecapRows.ShownRow> list = new RowList<>(31);
    private final Label school = Texts.label("", "soft");
    private final Label note = Texts.wrapped("", "soft", "small");
    private final VBox top = new VBox();
    private Optional<Plan> shown = Optional.empty();

    /** @param changed called when another row is lit */
    public RecapSheet(Session session, Runnable changed) {
        this.session = session;
        this.changed = changed;
        rows = new RecapRows(session);
        detail = new RecapDetail(session);
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.recap"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        HBox head = new HBox(14, title, school);
        head.setAlignment(Pos.BASELINE_LEFT);
        head.setPadding(new Insets(12, 14, 4, 14));
        note.setPadding(new Insets(0, 14, 4, 14));
        top.getChildren().setAll(head, note, rows.head());
        list.setFocusTraversable(false);
        list.setId("recap-list");
        list.setAccessibleText(session.say("step.recap"));
        list.setCellFactory(v -> new LineCell());
        list.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> lit());
        pane.setMinWidth(0);
        top.setMinWidth(0);
        school.setMinWidth(0);
        pane.setTop(top);
        pane.setCenter(list);
        pane.setBottom(detail);
        pane.widthProperty().addListener((o, a, b) -> {
            if (rows.tight(b.doubleValue() < TIGHT_BELOW)) rebuild();
        });
        session.plan().addListener((o, a, b) -> planned(b));
        session.part().addListener((o, a, b) -> b.ifPresent(this::partInHand));
        session.set().addListener((o, a, b) -> {
            rows.read();
            list.refresh();
            shown.ifPresent(p -> school.setText(school(p)));
            lit();
        });
        session.words().addListener((o, a, b) -> rebuild());
        say("");
        rebuild();
    }

    private void say(String text) {
        note.setText(text);
        note.setManaged(!text.isEmpty());
        note.setVisible(!text.isEmpty());
    }

    /** A new plan; where only the school differs, what that changes is said. */
    private void planned(Optional<Plan> plan) {
        if (plan.isPresent()
                && shown.isPresent()
                && !plan.get().policy().equals(shown.get().policy())
                && plan.get().items().size() == shown.get().items().size()) {
            List<String> changes = plan.get().since(shown.get()).stream()
                    .map(session.words().get()::say)
                    .toList();
            String more =
                    changes.size() > CHANGES ? " " + session.say("recap.more-changes", changes.size() - CHANGES) : "";
            say(
                    changes.isEmpty()
                            ? session.say("recap.no-changes")
                            : changes.stream().limit(CHANGES).collect(Collectors.joining("; ")) + more);
        } else if (plan.isEmpty()) say("");
        rebuild();
    }

    private void rebuild() {
        shown = session.plan().get();
        rows.read();
        int at = list.getSelectionModel().getSelectedIndex();
        top.getChildren().set(2, rows.head());
        list.getItems().setAll(shown.map(rows::lines).orElse(List.of()));
        Label empty = Texts.wrapped(
                session.say(
                        session.plans().trouble().get().isEmpty() ? "recap.empty" : "recap.trouble",
                        session.plans().trouble().get()),
                "soft");
        empty.setPadding(new Insets(0, 14, 0, 14));
        list.setPlaceholder(empty);
        school.setText(shown.map(this::school).orElse(""));
        select(Math.max(0, at), 1);
        lit();
    }

    private String school(Plan plan) {
        long done = plan.items().stream()
                .filter(i -> log().ticks(i.key()).contains(Tick.FITTED))
                .count();
        Policy p = plan.policy();
        boolean unlogged = done == 0
                && session.need()
                        .job()
                        .marked(Step.RECAP)
                        .filter(m -> m.state() == StepState.DONE)
                        .isPresent();
        return session.say(
                unlogged ? "recap.school-unlogged" : "recap.school",
                done,
                plan.renewed(),
                session.say("recap.scope." + p.scope().code()),
                session.say("recap.cans." + p.cans().code()),
                session.say("recap.rounding." + p.rounding().code()));
    }

    private RecapLog log() {
        return session.set().get().map(s -> s.job().recap()).orElse(RecapLog.NONE);
    }

    /** Lights the next line of a part at or behind a place. */
    private void select(int from, int step) {
        for (int at = from; at >= 0 && at < list.getItems().size(); at += step)
            if (!list.getItems().get(at).key().isEmpty()) {
                list.getSelectionModel().select(at);
                list.scrollTo(Math.max(0, at - 5));
                return;
            }
    }

    private Optional<RecapRows.ShownRow> line() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                .filter(l -> !l.key().isEmpty());
    }

    /** A part that was taken in hand elsewhere is lit here too. */
    private void partInHand(String reference) {
        if (line().filter(l -> reference(l.key()).equals(reference)).isPresent()) return;
        list.getItems().stream()
                .filter(l -> reference(l.key()).equals(reference))
                .findFirst()
                .ifPresent(l -> goTo(l.key()));
    }

    private static String reference(String key) {
        return key.replaceFirst("\\.\\d+$", "");
    }

    private void lit() {
        line().ifPresentOrElse(
                        l -> l.item()
                                .ifPresentOrElse(
                                        i -> detail.show(i, shown.orElseThrow(), log()),
                                        () -> detail.blank(l.text() + caution(l.key()))),
                        () -> detail.blank(session.say("recap.hint")));
        line().ifPresent(l -> session.part().set(Optional.of(reference(l.key()))));
        changed.run();
    }

    /** A metal rectifier is not taken out without its caution. */
    private String caution(String key) {
        boolean metal = shown.filter(p ->
                        p.swaps().stream().anyMatch(s -> s.part().reference().equals(key)))
                .isPresent();
        return metal ? ". " + session.say("recap.caution.selenium") : "";
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return line().map(RecapRows.ShownRow::key).orElse(session.say("step.recap"));
    }

    @Override
    public String prompt() {
        return next().orElse(session.say("recap.prompt"));
    }

    /** The line that Enter offers: the next thing to tick for the lit part. */
    private Optional<String> next() {
        Optional<RecapRows.ShownRow> line = line();
        if (line.isEmpty()
                || line.get()
                        .item()
                        .filter(i -> i.choice().action() == Choice.Action.KEEP)
                        .isPresent()) return Optional.empty();
        String key = line.get().key();
        boolean polar = line.get()
                .item()
                .filter(i -> i.choice().kind() == Dielectric.ELECTROLYTIC)
                .isPresent();
        for (Tick t : Tick.values()) {
            if (log().ticks(key).contains(t) || (t == Tick.POLARITY && !polar)) continue;
            return Optional.of(t.code() + " " + key + (t == Tick.MEASURED ? " " : ""));
        }
        return Optional.empty();
    }

    @Override
    public String edit() {
        return next().orElse("");
    }

    @Override
    public void moved(KeyCode key) {
        int by = key == KeyCode.DOWN ? 1 : -1;
        select(list.getSelectionModel().getSelectedIndex() + by, by);
    }

    @Override
    public void goTo(String key) {
        for (int n = 0; n < list.getItems().size(); n++)
            if (list.getItems().get(n).key().equalsIgnoreCase(key)) {
                list.getSelectionModel().select(n);
                list.scrollTo(Math.max(0, n - 5));
            }
    }

    @Override
    public CompletableFuture<?> entered(String line) {
        RecapRequest command = RecapRequest.parse(line);
        if (command instanceof RecapRequest.GoTo g) {
            goTo(g.key());
            return CompletableFuture.completedFuture(null);
        }
        if (command instanceof RecapRequest.Burst b) return causes(b.reference());
        if (command instanceof RecapRequest.ShopSchool s) return shop(s.words());
        SetRecord set = session.need();
        if (command instanceof RecapRequest.Form f) return form(set, f.key());
        return session.putJob(
                session.say("ui.change.recap", line.strip()),
                RecapLine.carryOut(
                        line, set.job(), set.chassis(), shown, session.clock().instant()));
    }

    /** Starts the time that forming an old electrolytic takes, and says how it is done. */
    private CompletableFuture<?> form(SetRecord set, String key) {
        CapacitorSection piece = CapacitorSection.of(set.chassis()).stream()
                .filter(c -> c.key().equals(key) && c.dielectric() == Dielectric.ELECTROLYTIC && c.rating() > 0)
                .findFirst()
                .orElseThrow(() -> InputException.at(key)
                        .because(session.say("recap.no-forming"))
                        .so(session.say("recap.no-forming.remedy")));
        Forming f = Forming.of(piece);
        say(RecapDetail.forming(f, session));
        Timer timer = Timer.starting(set.id(), session.say("recap.forming", key), f.time(), session.clock());
        return session.change(session.say("ui.change.timer", timer.label()), new Op.PutTimer(timer));
    }

    private CompletableFuture<?> shop(String words) {
        Policy.USUAL.with(words);
        session.plans().shop().set(words);
        session.remember("school", words);
        return CompletableFuture.completedFuture(null);
    }

    /** What can have destroyed a part, so that nothing new goes in before it is found. */
    private CompletableFuture<?> causes(String reference) {
        Chassis chassis = session.need().chassis();
        Part part = chassis.part(reference).orElseThrow(() -> InputException.at(reference)
                .because(session.say("ui.no-part"))
                .so(session.say("ui.no-part.remedy")));
        return session.compute()
                .answer(() -> Causes.of(chassis, part))
                .thenAccept(found -> Platform.runLater(() -> {
                    String all = found.stream()
                            .map(c -> session.say(
                                    "recap.cause",
                                    c.fault().text(),
                                    anabion.core.quantity.Figures.fixed(c.times(), c.times() < 10 ? 1 : 0)))
                            .collect(Collectors.joining(", "));
                    say(session.say(found.isEmpty() ? "recap.no-causes" : "recap.causes", reference, all));
                }));
    }

    /** A list of what is in the drawer: kept for the whole workshop. */
    @Override
    public CompletableFuture<?> paste(String text) {
        try {
            StockCodec.read(new StringReader(text));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        session.plans().stock().set(text);
        session.remember("stock", text);
        return CompletableFuture.completedFuture(null);
    }

    @Override
    public String copy() {
        return list.getItems().stream()
                .map(l -> l.key().isEmpty()
                        ? l.text()
                        : l.key() + "\t"
                                + l.item()
                                        .map(i -> i.piece().part().printed() + "\t" + Labels.of(i.choice()))
                                        .orElse(l.text()))
                .collect(Collectors.joining("\n"));
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"Enter", session.say("recap.hint.enter")},
                new String[] {"Ctrl J", session.say("recap.hint.print")});
    }

    /** One line. */
    private final class LineCell extends ListCell<RecapRows.ShownRow> {
        LineCell() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(RecapRows.ShownRow line, boolean empty) {
            super.updateItem(line, empty);
            setText(null);
            setGraphic(empty || line == null ? null : rows.row(line));
        }
    }
}
