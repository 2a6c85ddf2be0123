package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.power.GateItem;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerProgress;
import anabion.core.power.Rail;
import anabion.core.power.StopReason;
import anabion.core.power.Sum;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.PowerCurveView;
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
    private static final double CURVES = 190;
    /** Rows of conditions take the curves' place: those are of no use before the set is on. */
    private static final double LOW = 420;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label rig = Texts.label("", "soft");
    private final Label plan = Texts.wrapped("", "small");
    private final Label answer = Texts.wrapped("", "petrol");
    private final HBox stop = new HBox(10);
    private final VBox header = new VBox();
    private final PowerCurveView curves = new PowerCurveView();
    private final VBox below = new VBox(4);
    private final LitRows list;
    private final PowerRows drawing;
    private final PowerLines lines;
    private List<Object> of = List.of();

    public FirstPowerSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.drawing = new PowerRows(session);
        this.lines = new PowerLines(session, this::litRow, this::litCondition);
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
        answered("");
        VBox above = new VBox(6, top, plan, answer, stop);
        above.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(above, header));
        pane.setCenter(list.node());
        Label caption = Texts.label(session.say("power.curves"), "soft", "small");
        below.setPadding(new Insets(4, 14, 8, 14));
        below.getChildren().setAll(Texts.rule(), caption, curves);
        curves.setPrefHeight(CURVES);
        pane.setBottom(below);
        pane.heightProperty().addListener((o, a, b) -> picture());
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

    private List<PowerProgress.Row> rows() {
        return now().map(p -> p.progress().rows()).orElse(List.of());
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
            list.empty(trouble.isEmpty() ? session.say("power.computing") : trouble);
            list.light(0);
            return;
        }
        PowerUp p = now.get();
        rig.setText(rig(p));
        plan.setText(session.say("power.plan." + p.progress().plan().kind().code()));
        plan.setVisible(!p.progress().on());
        plan.setManaged(!p.progress().on());
        header.getChildren().setAll(drawing.head(p));
        if (!p.progress().on()) gate(p);
        list.heading(session.say(p.open() || p.progress().on() ? "power.steps" : "power.steps.later"));
        for (PowerProgress.Row r : rows())
            list.add(List.of(r, drawing.tight(), session.words().get()), () -> drawing.row(p, r));
        List<Object> place =
                List.of(session.set().get().map(SetRecord::id), conditions().size());
        boolean same = place.equals(of);
        if (of.isEmpty() || !of.get(0).equals(place.get(0))) answered("");
        of = place;
        list.light(same ? list.lit() : firstWanted());
        picture();
    }

    /** Those that are listed: once the set is on they have done their work. */
    private List<GateItem> conditions() {
        return now().filter(p -> !p.progress().on()).map(PowerUp::gate).orElse(List.of());
    }

    /** The first condition that is missing, else the first step that is not taken. */
    private int firstWanted() {
        List<GateItem> gate = conditions();
        for (int i = 0; i < gate.size(); i++) if (gate.get(i).state().stops()) return i;
        for (int i = 0; i < rows().size(); i++)
            if (rows().get(i).standing() == Standing.NOT_TAKEN) return gate.size() + i;
        return gate.size();
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
        Optional<StopReason> reason = p.progress().stop();
        return reason.map(
                r -> session.words().get().say(r.words(p.model(), p.progress().plan())));
    }

    private void gate(PowerUp p) {
        list.heading(session.say("power.gate"));
        for (GateItem i : p.gate()) list.add(List.of(i, session.words().get()), () -> drawing.condition(i));
    }

    private void picture() {
        Optional<PowerUp> now = now();
        boolean wanted = now.isPresent() && (now.get().progress().on() || pane.getHeight() > LOW + 2 * CURVES);
        below.setVisible(wanted);
        below.setManaged(wanted);
        if (!wanted) return;
        PowerUp p = now.get();
        double at = litRow().map(r -> r.atSet().orElse(r.step().warm().volts())).orElse(0.0);
        curves.show(p.model(), p.progress().plotted(), at, k -> session.say("power.alike." + k.code()));
    }

    private Optional<PowerProgress.Row> litRow() {
        int step = list.lit() - conditions().size();
        return step >= 0 && step < rows().size() ? Optional.of(rows().get(step)) : Optional.empty();
    }

    private Optional<GateItem> litCondition() {
        return list.lit() < conditions().size() ? Optional.of(conditions().get(list.lit())) : Optional.empty();
    }

    // --- what is typed ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return litRow().map(r -> PowerRows.volts(r.step().dial()))
                .or(() -> litCondition()
                        .map(i -> session.say("power.gate.name." + i.kind().code())))
                .orElse(session.say("step.first-power"));
    }

    @Override
    public String prompt() {
        if (now().isEmpty()) return session.say("power.prompt.none");
        PowerUp p = now().get();
        if (p.progress().on()) return session.say(p.model().rectified() ? "power.prompt" : "power.prompt.supply");
        String supply = p.progress().plan().kind().takesLamp() ? "" : ".supply";
        return session.say((p.open() ? "power.prompt.off" : "power.prompt.gate") + supply);
    }

    @Override
    public CompletableFuture<?> entered(String line) {
        PowerUp p = now().orElseThrow(() -> InputException.at("\"" + line + "\"")
                .because(session.say("power.not-computed"))
                .so(session.say("power.not-computed.remedy")));
        PowerModel model = p.model();
        PowerRequest request = PowerRequest.parse(
                line,
                model.nominal(),
                word -> model.rails().stream().anyMatch(r -> r.net().equalsIgnoreCase(word)),
                model.rectified());
        if (request instanceof PowerRequest.GoTo g) return goTo(g.dial());
        if (request instanceof PowerRequest.Reckon r) return reckoned(r.sum());
        boolean lit = request instanceof PowerRequest.Met m && m.kinds().isEmpty() && !m.all();
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
                .thenAccept(p ->
                        Platform.runLater(() -> answered(session.words().get().say(p))));
    }

    private void answered(String words) {
        answer.setText(words);
        answer.setVisible(!words.isEmpty());
        answer.setManaged(!words.isEmpty());
    }

    private CompletableFuture<?> goTo(double dial) {
        List<PowerProgress.Row> rows = rows();
        int best = 0;
        for (int i = 1; i < rows.size(); i++)
            if (Math.abs(rows.get(i).step().dial() - dial)
                    < Math.abs(rows.get(best).step().dial() - dial)) best = i;
        int at = best;
        int before = conditions().size();
        Platform.runLater(() -> list.light(before + at));
        return CompletableFuture.completedFuture(null);
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder("dial\tat set\twatts\texpected\tread\tverdict\n");
        String net = now().flatMap(p -> p.model().rail()).map(Rail::net).orElse("");
        for (PowerProgress.Row r : rows())
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
