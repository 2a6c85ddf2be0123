package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.job.PowerStage;
import anabion.core.power.GateItem;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerPlan;
import anabion.core.power.PowerProgress;
import anabion.core.power.Rail;
import anabion.core.power.StageProgress;
import anabion.core.power.StageTable;
import anabion.core.power.StopReason;
import anabion.core.power.Sum;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The first power-up: what must be so before it, the steps of the variac or supply, what was read, and the curves it follows. */
public final class FirstPowerSheet implements Sheet {
    private static final double TIGHT_BELOW = 660;
    /** Rows of conditions take the curves' place: those are of no use before the set is on. */
    private static final double LOW = 420;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label rig = Texts.label("", "soft");
    private final Label plan = Texts.wrapped("", "small");
    private final Label answer = Texts.wrapped("", "petrol");
    private final HBox stop = new HBox(10);
    private final VBox header = new VBox();
    private final PowerPictures pictures;
    private final Label detail = Texts.label("", "soft");
    private final LitRows list;
    private final PowerRows drawing;
    private final PowerLines lines;
    private List<PowerTarget> rows = List.of();
    private List<Object> of = List.of();

    public FirstPowerSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.drawing = new PowerRows(session);
        this.pictures = new PowerPictures(session);
        this.lines = new PowerLines(session, this::lit);
        this.list = new LitRows(() -> {
            whenShown.run();
            picture();
        });
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.first-power"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        rig.setMinWidth(0);
        HBox top = new HBox(10, title, rig);
        top.setAlignment(Pos.BASELINE_LEFT);
        stop.getStyleClass().add("power-stop");
        stop.setAlignment(Pos.CENTER_LEFT);
        told(answer, "");
        VBox above = new VBox(6, top, plan, answer, stop);
        above.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(above, header));
        pane.setCenter(list.node());
        detail.setMinWidth(0);
        detail.setPadding(new Insets(6, 14, 6, 14));
        pane.setBottom(new VBox(detail, pictures));
        pane.heightProperty().addListener((o, a, b) -> {
            pictures.fit(b.doubleValue());
            picture();
        });
        pane.widthProperty().addListener((o, a, b) -> {
            boolean narrow = b.doubleValue() < TIGHT_BELOW;
            if (drawing.tight(narrow)) rebuild();
        });
        session.power().shown().addListener((o, a, b) -> rebuild());
        session.power().trouble().addListener((o, a, b) -> rebuild());
        session.words().addListener((o, a, b) -> rebuild());
        rebuild();
    }

    private Optional<PowerUp> now() {
        return session.power().shown().get();
    }

    // --- what is drawn ---

    private void rebuild() {
        list.clear();
        Optional<PowerUp> now = now();
        stopped(now);
        if (now.isEmpty()) {
            String trouble = session.power().trouble().get();
            rig.setText("");
            plan.setText("");
            header.getChildren().clear();
            rows = List.of();
            list.empty(trouble.isEmpty() ? session.say("power.computing") : trouble);
            list.light(0);
            picture();
            return;
        }
        PowerUp p = now.get();
        rig.setText(rig(p));
        told(plan, plan(p));
        header.getChildren().setAll(drawing.head(p));
        rows = PowerTarget.of(p);
        if (!p.progress().on()) gate(p);
        PowerTarget.stages(p).forEach(this::stage);
        if (p.atHand().isEmpty()) steps(p);
        List<Object> place = List.of(
                session.set().get().map(SetRecord::id),
                p.progress().stage(),
                conditions().size());
        boolean same = place.equals(of);
        if (of.isEmpty() || !of.get(0).equals(place.get(0))) told(answer, "");
        of = place;
        list.light(same ? list.lit() : firstWanted(p));
        picture();
    }

    /** How it is brought up; once it is on, what the stage at hand is about. */
    private String plan(PowerUp p) {
        if (p.progress().on())
            return p.atHand()
                    .map(s ->
                            session.say("power.stage.about." + s.table().stage().code()))
                    .orElse("");
        List<String> all = new ArrayList<>(
                List.of(session.say("power.plan." + p.progress().plan().kind().code())));
        PowerPlan of = p.progress().plan();
        if (Double.isFinite(of.wakes())) all.add(session.say("power.plan.wakes", Figures.fixed(of.wakes(), 0)));
        if (of.dull()) all.add(session.say("power.plan.dull"));
        return String.join(" ", all);
    }

    private void stage(StageProgress s) {
        StageTable t = s.table();
        String name = session.say("power.stage." + t.stage().code());
        if (t.skipped().isPresent()) {
            String why = session.words().get().say(t.skipped().get());
            list.between(why, () -> drawing.skipped(session.say("power.stage.skipped", name, why)));
            return;
        }
        list.heading(
                t.load() > 0
                        ? session.say(
                                "power.stage.load",
                                name,
                                Figures.si(Quantity.ohms(t.load()), 2),
                                Figures.fixed(t.loadWatts(), t.loadWatts() < 10 ? 1 : 0),
                                Sum.rating(t.loadWatts()))
                        : name);
        boolean line = t.rows().stream().map(StageTable.Row::line).distinct().count() > 1;
        for (StageProgress.Taken r : s.rows())
            list.add(List.of(r, drawing.tight(), session.words().get()), () -> drawing.reading(r, line));
    }

    private void steps(PowerUp p) {
        list.heading(session.say(p.open() || p.progress().on() ? "power.steps" : "power.steps.later"));
        for (PowerProgress.Row r : p.progress().rows())
            list.add(List.of(r, drawing.tight(), session.words().get()), () -> drawing.row(p, r));
    }

    /** The conditions that are listed: once the set is on they have done their work. */
    private List<GateItem> conditions() {
        return now().filter(p -> !p.progress().on()).map(PowerUp::gate).orElse(List.of());
    }

    /** The first condition that the next stage misses, else what is read first in it. */
    private int firstWanted(PowerUp p) {
        PowerStage next = p.progress().stage().orElseGet(p::next);
        for (int i = 0; i < rows.size(); i++) {
            boolean asked = rows.get(i) instanceof PowerTarget.Condition c
                    ? c.item().kind().isAskedBefore(next)
                    : rows.get(i).begins(p) == next;
            if (asked && rows.get(i).isWanted()) return i;
        }
        return conditions().size();
    }

    private String rig(PowerUp p) {
        String fuse = Figures.si(Quantity.amperes(p.progress().plan().fuse().amperes()));
        String lamp = p.progress()
                .plan()
                .lamp()
                .map(l -> session.say("power.rig.lamp", session.words().get().say(l.words())))
                .orElse(session.say("power.rig.no-lamp"));
        String meter = p.model()
                .rail()
                .map(r -> session.say("power.rig.meter", r.net()))
                .orElse("");
        return session.say("power.rig", lamp, fuse, meter);
    }

    private void stopped(Optional<PowerUp> now) {
        Optional<String> words = now.flatMap(this::stop);
        stop.setVisible(words.isPresent());
        stop.setManaged(words.isPresent());
        words.ifPresent(w -> stop.getChildren().setAll(Texts.wrapped(session.say("power.stop-now", w), "strong")));
    }

    /** What the readings say, or what somebody saw since the set is on. */
    private Optional<String> stop(PowerUp p) {
        if (p.progress().seen().isPresent()) return p.progress().seen().map(s -> session.say("power.sign." + s.code()));
        Optional<Phrase> stage = p.atHand().flatMap(StageProgress::stop);
        if (stage.isPresent()) return stage.map(session.words().get()::say);
        Optional<StopReason> reason = p.progress().stop();
        return reason.map(r -> session.words()
                .get()
                .say(r.words(p.model(), p.progress().plan(), p.progress().readings())));
    }

    private void gate(PowerUp p) {
        list.heading(session.say("power.gate"));
        for (GateItem i : p.gate()) list.add(List.of(i, session.words().get()), () -> drawing.condition(i));
    }

    private void picture() {
        Optional<PowerUp> now = now();
        boolean wanted = now.isPresent()
                && now.get().atHand().isEmpty()
                && (now.get().progress().on() || pane.getHeight() > LOW + 2 * PowerPictures.HEIGHT);
        told(
                detail,
                litRow().flatMap(r -> now.map(p -> drawing.detail(p, r.step()))).orElse(""));
        pictures.setVisible(wanted);
        pictures.setManaged(wanted);
        if (wanted)
            pictures.show(
                    now.get(),
                    litRow().map(r -> r.atSet().orElse(r.step().warm().volts())).orElse(0.0));
    }

    private Optional<PowerTarget> lit() {
        return list.lit() >= 0 && list.lit() < rows.size() ? Optional.of(rows.get(list.lit())) : Optional.empty();
    }

    private Optional<PowerProgress.Row> litRow() {
        return lit().flatMap(t -> t instanceof PowerTarget.Step s ? Optional.of(s.row()) : Optional.empty());
    }

    // --- what is typed ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return lit().map(this::where).orElse(session.say("step.first-power"));
    }

    private String where(PowerTarget t) {
        if (t instanceof PowerTarget.Condition c)
            return session.say("power.gate.name." + c.item().kind().code());
        if (t instanceof PowerTarget.Reading r) return drawing.point(r.taken().row());
        return PowerRows.volts(((PowerTarget.Step) t).row().step().dial());
    }

    @Override
    public String prompt() {
        if (now().isEmpty()) return session.say("power.prompt.none");
        PowerUp p = now().get();
        if (p.progress().on() && lit().orElse(null) instanceof PowerTarget.Reading r)
            return session.say("power.prompt." + PowerRows.code(r.taken().row().what()));
        if (p.progress().on()) return session.say(p.model().rectified() ? "power.prompt" : "power.prompt.supply");
        String supply = p.progress().plan().kind().takesLamp() ? "" : ".supply";
        boolean ready = lit().map(t -> p.missing(t.begins(p)).isEmpty()).orElse(p.open());
        return session.say((ready ? "power.prompt.off" : "power.prompt.gate") + supply);
    }

    @Override
    public CompletableFuture<?> entered(String line) {
        PowerUp p = now().orElseThrow(() -> InputException.at("\"" + line + "\"")
                .because(session.say("power.not-computed"))
                .so(session.say("power.not-computed.remedy")));
        PowerModel model = p.model();
        PowerRequest request = PowerRequest.parse(
                lines.withUnit(line),
                model.nominal(),
                word -> model.rails().stream().anyMatch(r -> r.net().equalsIgnoreCase(word)),
                model.rectified());
        if (request instanceof PowerRequest.GoTo g) return goTo(g.dial());
        if (request instanceof PowerRequest.Show s) {
            pictures.choose(p, s.picture());
            Platform.runLater(this::picture);
            return CompletableFuture.completedFuture(null);
        }
        if (request instanceof PowerRequest.Reckon r) return reckoned(r.sum());
        // a row that asks for one thing has it now
        boolean lit = (request instanceof PowerRequest.Met m && m.kinds().isEmpty() && !m.all())
                || (lit().filter(t -> t instanceof PowerTarget.Reading).isPresent()
                        && (request instanceof PowerRequest.Read || request instanceof PowerRequest.Feels));
        return lines.carryOut(p, request, line).thenApply(r -> {
            if (lit) Platform.runLater(() -> list.moved(KeyCode.DOWN));
            return r;
        });
    }

    /** Off the interface thread: a sum may solve the set. */
    private CompletableFuture<?> reckoned(Sum sum) {
        PowerModel model = now().orElseThrow().model();
        Chassis chassis = session.need().chassis();
        return session.compute()
                .answer(() -> sum.answer(chassis, model))
                .thenAccept(p -> Platform.runLater(
                        () -> told(answer, session.words().get().say(p))));
    }

    /** Takes no place while it says nothing. */
    private static void told(Label label, String words) {
        label.setText(words);
        label.setVisible(!words.isEmpty());
        label.setManaged(!words.isEmpty());
    }

    private CompletableFuture<?> goTo(double dial) {
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < rows.size(); i++)
            if (rows.get(i) instanceof PowerTarget.Step s
                    && Math.abs(s.row().step().dial() - dial) < least) {
                best = i;
                least = Math.abs(s.row().step().dial() - dial);
            }
        int at = best;
        if (at >= 0) Platform.runLater(() -> list.light(at));
        return CompletableFuture.completedFuture(null);
    }

    @Override
    public Optional<ReadingRequest> request() {
        return now().filter(p -> p.progress().on()).flatMap(p -> lit().flatMap(t -> t.request(p)));
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder("dial\tat set\twatts\texpected\tread\tverdict\n");
        String net = now().flatMap(p -> p.model().rail()).map(Rail::net).orElse("");
        for (StageProgress s : now().map(PowerUp::stages).orElse(List.of()))
            for (StageProgress.Taken t : s.rows())
                text.append(String.join(
                                "\t",
                                drawing.point(t.row()),
                                PowerRows.volts(t.row().line()),
                                "",
                                drawing.amount(t.row(), t.row().expected()),
                                t.value().map(v -> drawing.amount(t.row(), v)).orElse(""),
                                t.standing().name()))
                        .append('\n');
        for (PowerProgress.Row r : now().map(p -> p.progress().rows()).orElse(List.of()))
            text.append(String.join(
                            "\t",
                            PowerRows.volts(r.step().dial()),
                            PowerRows.volts(r.atSet().orElse(r.step().warm().volts())),
                            PowerRows.watts(r.watts().orElse(r.step().warm().watts())),
                            PowerRows.volts(r.step().warm().rail(net)),
                            r.rail().map(Figures::volts).orElse(""),
                            r.standing().name()))
                    .append('\n');
        return text.toString();
    }

    @Override
    public List<String[]> hints() {
        List<String[]> all = new ArrayList<>();
        if (now().filter(p -> p.progress().on()).isPresent()) {
            StringBuilder keys = new StringBuilder();
            for (WatchSign s : WatchSign.values())
                keys.append(Character.toUpperCase(s.key())).append(' ');
            all.add(new String[] {keys.toString().strip(), session.say("power.hint.stop")});
        }
        all.add(new String[] {"Enter", session.say("ui.hint.next")});
        return all;
    }
}
