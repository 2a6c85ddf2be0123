package anabion.desktop.sheet;

import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Measure;
import anabion.core.command.SoakLine;
import anabion.core.error.InputException;
import anabion.core.job.Circumstance;
import anabion.core.job.Complaint;
import anabion.core.job.Job;
import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Event;
import anabion.core.job.SoakEntry.Kind;
import anabion.core.job.SoakEntry.Value;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.json.Extra;
import anabion.core.soak.SoakRun;
import anabion.desktop.control.Clock;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.SoakView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Hours at work: rows of what was read, what happened, and a drawing of both. */
public final class SoakSheet implements Sheet {
    private static final double PICTURE = 150;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label how = Texts.label("", "soft");
    private final VBox header = new VBox();
    private final LitRows list;
    private final SoakRows drawn;
    private final SoakView rail = new SoakView();
    private final SoakView heat = new SoakView();
    private final HBox pictures = new HBox(16);

    public SoakSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.list = new LitRows(whenShown);
        this.drawn = new SoakRows(session);
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.soak"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        how.setMinWidth(0);
        HBox top = new HBox(10, title, how);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(top, header));
        pane.setCenter(list.node());
        pictures.getChildren().setAll(drawing("soak.picture.rail", rail), drawing("soak.picture.heat", heat));
        pictures.setPadding(new Insets(6, 14, 10, 14));
        pane.setBottom(new VBox(Texts.rule(), pictures));
        Clock.whileShown(pane, this::ticked);
        session.set().addListener((o, a, b) -> show());
        session.words().addListener((o, a, b) -> show());
        show();
    }

    /** The run of the set in hand, as the clock stands. */
    public static Optional<SoakRun> run(Session session) {
        return session.set()
                .get()
                .map(s -> SoakRun.of(s.chassis(), s.job(), session.clock().instant()));
    }

    private void show() {
        list.clear();
        header.getChildren().setAll(drawn.head());
        Optional<SoakRun> run = run(session);
        how.setText(run.map(r -> session.say(
                        "soak.how",
                        SoakRows.length(session, r.plan().length()),
                        session.words().get().say(r.plan().why())))
                .orElse(""));
        List<SoakRun.Row> rows = run.map(SoakRun::rows).orElse(List.of());
        rows.forEach(r -> list.add(List.of(r, session.words().get()), () -> drawn.row(r)));
        if (rows.isEmpty()) list.empty(session.say("soak.empty"));
        list.light(rows.size() - 1);
        pictures.setVisible(!rows.isEmpty());
        pictures.setManaged(!rows.isEmpty());
        run.ifPresent(this::draw);
    }

    /** Time goes on while nobody types. */
    private void ticked() {
        run(session).filter(SoakRun::on).ifPresent(this::draw);
    }

    private VBox drawing(String key, SoakView view) {
        view.setPrefHeight(PICTURE);
        view.setAccessibleText(session.say(key));
        VBox box = new VBox(2, Texts.label(session.say(key), "soft", "small"), view);
        box.setMinWidth(0);
        box.setPrefWidth(1); // alike, whatever is written above
        HBox.setHgrow(box, Priority.ALWAYS);
        return box;
    }

    private void draw(SoakRun r) {
        double hours = Math.max(r.plan().length().toMinutes(), r.elapsed().toMinutes()) / 60.0;
        List<Double> events = r.rows().stream()
                .filter(x -> x.entry().kind() == Kind.EVENT)
                .map(x -> hours(x.after()))
                .toList();
        rail.show(
                points(r, x -> x.drift().map(d -> 100 * d)),
                List.of(-100 * SoakRun.RAIL_LIMIT, 100 * SoakRun.RAIL_LIMIT),
                events,
                hours);
        heat.show(points(r, SoakRun.Row::rise), List.of(r.insulation().outside()), events, hours);
    }

    private static List<SoakView.Place> points(SoakRun r, Function<SoakRun.Row, Optional<Double>> value) {
        return r.rows().stream()
                .flatMap(x -> value.apply(x).stream().map(v -> new SoakView.Place(hours(x.after()), v)))
                .toList();
    }

    private static double hours(Duration d) {
        return d.toSeconds() / 3600.0;
    }

    // --- typed lines ---

    @Override
    public CompletableFuture<?> entered(String line) {
        SoakLine typed = SoakLine.parse(line);
        if (typed instanceof SoakLine.Start) return started(line);
        if (typed instanceof SoakLine.Back) return back(line);
        if (typed instanceof SoakLine.Hours h)
            return put(
                    "ui.change.soak-hours",
                    entry(Kind.PLANNED)
                            .withValues(Map.of(Value.HOURS, h.hours()))
                            .withText(h.why()));
        if (typed instanceof SoakLine.OfClass c)
            return put(
                    "ui.change.soak-class",
                    entry(Kind.INSULATION).withText(c.insulation().code()));
        SoakRun run = run(session).orElseThrow();
        if (!run.on())
            throw InputException.at(line).because(session.say("soak.not-on")).so(session.say("soak.not-on.remedy"));
        if (typed instanceof SoakLine.Off) return put("ui.change.soak-off", entry(Kind.ENDED));
        if (typed instanceof SoakLine.Happened h) return happened(h);
        SoakLine.Read read = (SoakLine.Read) typed;
        return put(
                "ui.change.soak-read",
                entry(Kind.READ).withValues(atLine(read.values())).withPart(read.part()));
    }

    /** A line that was said for the bench holds here, too. */
    private Map<Value, Double> atLine(Map<Value, Double> values) {
        Map<Value, Double> all = new EnumMap<>(Value.class);
        session.condition().get().ifPresent(c -> all.put(Value.LINE, c.line()));
        all.putAll(values);
        return all;
    }

    private CompletableFuture<?> started(String line) {
        SoakRun run = run(session).orElseThrow();
        if (run.state() == SoakRun.State.RUNNING && run.on())
            throw InputException.at(line).because(session.say("soak.is-on")).so(session.say("soak.is-on.remedy"));
        return put("ui.change.soak-began", entry(Kind.BEGAN));
    }

    /** What smells is switched off at once. */
    private CompletableFuture<?> happened(SoakLine.Happened h) {
        Job job = session.need()
                .job()
                .with(entry(Kind.EVENT).withEvent(Optional.of(h.event())).withText(h.text()));
        if (h.event() == Event.SMELL) job = job.with(entry(Kind.ENDED));
        return session.putJob(
                session.say(
                        "ui.change.soak-event",
                        session.say("soak.event." + h.event().code())),
                job);
    }

    /** What happened becomes the complaint of the band that was heard, and the job goes back to where it is sought. */
    private CompletableFuture<?> back(String line) {
        SoakRun run = run(session).orElseThrow();
        if (run.findings().isEmpty())
            throw InputException.at(line)
                    .because(session.say("soak.nothing-happened"))
                    .so(session.say("soak.nothing-happened.remedy"));
        SoakRun.Finding first = run.findings().get(0);
        Job job = session.need().job();
        Step to = Step.VOLTAGES;
        if (first instanceof SoakRun.Finding.Happened h) {
            Event event = h.entry().event().orElseThrow();
            to = event.symptom().isPresent() ? Step.TRACE : Step.COLD_CHECKS;
            if (event.symptom().isPresent()) job = complained(job, event, h);
        }
        if (run.on()) job = job.with(entry(Kind.ENDED));
        job = job.withStep(Step.SOAK, StepState.OPEN).withStep(to, StepState.UNDER_WAY);
        Step where = to;
        return session.putJob(session.say("ui.change.soak-back"), job).thenApply(x -> {
            javafx.application.Platform.runLater(() -> session.step().set(where));
            return x;
        });
    }

    private Job complained(Job job, Event event, SoakRun.Finding.Happened h) {
        String where = session.condition()
                .get()
                .map(c -> c.band())
                .filter(b -> !b.isEmpty())
                .orElse(session.say("arrival.whole-set"));
        List<Complaint> all = new ArrayList<>(job.arrival().complaints());
        all.removeIf(c -> c.where().equals(where));
        all.add(new Complaint(
                where,
                event.symptom().orElseThrow(),
                Circumstance.WARM,
                session.say("soak.clue", SoakRows.length(session, h.after())),
                Extra.NONE));
        return job.withArrival(job.arrival().withComplaints(all));
    }

    private CompletableFuture<?> put(String change, SoakEntry entry) {
        return session.putJob(session.say(change), session.need().job().with(entry));
    }

    private SoakEntry entry(Kind kind) {
        return SoakEntry.of(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                session.need().job().fitted().id());
    }

    /** The highest charted rail, the line and watts, while the set is on. */
    @Override
    public Optional<ReadingRequest> request() {
        if (run(session).filter(SoakRun::on).isEmpty()) return Optional.empty();
        SetRecord set = session.need();
        return set.chassis()
                .chart()
                .flatMap(c -> c.rows().stream()
                        .filter(r -> r.measure() == Measure.DC_VOLTS)
                        .max(Comparator.comparingDouble(r -> Math.abs(r.value()))))
                .map((ChartRow r) ->
                        new ReadingRequest.Soak(r.point(), set.chassis().reference(), r.value()));
    }

    // --- what every sheet has ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say("step.soak");
    }

    @Override
    public String prompt() {
        return session.say(run(session).filter(SoakRun::on).isPresent() ? "soak.prompt" : "soak.prompt.start");
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        return drawn.copy(run(session).map(SoakRun::rows).orElse(List.of()));
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"231 248 58W T1 62C", session.say("soak.hint.read")},
                new String[] {"C F H O D", session.say("soak.hint.events")},
                new String[] {"back", session.say("soak.hint.back")});
    }
}
