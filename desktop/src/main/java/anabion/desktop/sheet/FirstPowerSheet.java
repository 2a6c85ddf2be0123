package anabion.desktop.sheet;

import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.json.Extra;
import anabion.core.power.Gate;
import anabion.core.power.GateItem;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerReading;
import anabion.core.power.Rail;
import anabion.core.power.SeriesLamp;
import anabion.core.power.StopReason;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Mark;
import anabion.desktop.control.NeedleBar;
import anabion.desktop.control.PowerCurveView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
import javafx.scene.layout.Region;
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
    private final HBox stop = new HBox(10);
    private final VBox header = new VBox();
    private final PowerCurveView curves = new PowerCurveView();
    private final VBox below = new VBox(4);
    private final LitRows list;
    private boolean tight;
    private List<Object> of = List.of();

    public FirstPowerSheet(Session session, Runnable whenShown) {
        this.session = session;
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
        VBox above = new VBox(6, top, plan, stop);
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
            if (narrow != tight) {
                tight = narrow;
                rebuild();
            }
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
        header.getChildren().setAll(head(p));
        if (!p.progress().on()) gate(p);
        list.heading(session.say(p.open() ? "power.steps" : "power.steps.later"));
        for (PowerProgress.Row r : rows())
            list.add(List.of(r, tight, session.words().get()), () -> row(p, r));
        List<Object> place =
                List.of(session.set().get().map(SetRecord::id), conditions().size());
        boolean same = place.equals(of);
        of = place;
        list.light(same ? list.lit() : firstWanted(p));
        picture();
    }

    /** Those that are listed: once the set is on they have done their work. */
    private List<GateItem> conditions() {
        return now().filter(p -> !p.progress().on()).map(PowerUp::gate).orElse(List.of());
    }

    /** The first condition that is missing, else the first step that is not taken. */
    private int firstWanted(PowerUp p) {
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
                .map(l -> session.say("power.rig.lamp", Gate.lamp(l)))
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
        for (GateItem i : p.gate()) list.add(List.of(i, session.words().get()), () -> condition(i));
    }

    private HBox condition(GateItem i) {
        Mark mark = new Mark(
                switch (i.state()) {
                    case MET -> Mark.Kind.DISC;
                    case OVERRULED -> Mark.Kind.SQUARE;
                    case MISSING -> Mark.Kind.RING;
                    case BARRED -> Mark.Kind.TRIANGLE;
                });
        Label what = Texts.column(
                session.say("power.gate.name." + i.kind().code()),
                130,
                false,
                i.state().stops() ? "medium" : "soft");
        Label why =
                Texts.wrapped(session.words().get().say(i.why()), i.state() == GateItem.State.BARRED ? "out" : "soft");
        HBox.setHgrow(why, Priority.ALWAYS);
        HBox box = new HBox(10, mark, what, why);
        box.setAlignment(Pos.CENTER_LEFT);
        box.setPadding(new Insets(4, 14, 4, 14));
        box.setAccessibleText(
                session.say("power.gate.state." + i.state().code()) + ": " + what.getText() + ", " + why.getText());
        return box;
    }

    private HBox head(PowerUp p) {
        HBox head = columns(
                session.say("power.column.dial"),
                session.say("power.column.at-set"),
                session.say("power.column.load"),
                expectedHead(p),
                session.say("power.column.read"),
                Texts.label(session.say("ui.volts.bar")),
                session.say("power.column.wait"),
                Texts.label(session.say("ui.volts.verdict")));
        head.getStyleClass().add("head");
        return head;
    }

    private String expectedHead(PowerUp p) {
        return p.model().rectified()
                ? session.say(
                        "power.column.expected", p.model().rail().map(Rail::net).orElse(""))
                : session.say("power.column.current");
    }

    private HBox columns(
            String dial,
            String atSet,
            String load,
            String expected,
            String read,
            Region bar,
            String wait,
            Label verdict) {
        bar.setMinWidth(84);
        bar.setPrefWidth(140);
        bar.setMaxWidth(140);
        HBox.setHgrow(bar, Priority.ALWAYS);
        HBox.setMargin(bar, new Insets(0, 10, 0, 14));
        verdict.setMinWidth(0);
        verdict.setPrefWidth(110);
        HBox.setHgrow(verdict, Priority.ALWAYS);
        HBox row = new HBox(
                Texts.column(dial, 62, true),
                Texts.column(atSet, 70, true),
                Texts.column(load, 70, true),
                Texts.column(expected, 108, true),
                Texts.column(read, 70, true, "read"),
                bar,
                Texts.column(wait, 52, true),
                verdict);
        HBox.setMargin(verdict, new Insets(0, 0, 0, 14));
        if (tight) row.getChildren().remove(bar);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private HBox row(PowerUp p, PowerProgress.Row r) {
        NeedleBar bar = new NeedleBar();
        if (r.standing() == Standing.NOT_TAKEN) bar.expected();
        else bar.read(r.halfWidths(), r.standing(), false);
        String net = p.model().rail().map(Rail::net).orElse("");
        boolean rectified = p.model().rectified();
        String expected = rectified
                ? volts(r.step().warm().rail(net))
                : Figures.si(Quantity.amperes(r.step().warm().amperes()), 2);
        String read = r.rail().filter(v -> rectified).map(Figures::volts).orElse("·");
        if (!rectified)
            read = taken(p, r).map(a -> Figures.si(Quantity.amperes(a), 2)).orElse("·");
        String atSet = volts(r.atSet().orElse(r.step().warm().volts()));
        String load = r.watts().map(w -> watts(w)).orElse(watts(r.step().warm().watts()));
        String verdict = session.say("power.standing."
                        + r.standing().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
                + (r.step().lamp() || p.progress().plan().lamp().isEmpty() ? "" : session.say("power.without-lamp"));
        HBox box = columns(
                volts(r.step().dial()),
                atSet,
                load,
                expected,
                read,
                bar,
                clock(r.step().seconds()),
                Texts.label(verdict, r.standing() == Standing.OUT ? "out" : "soft"));
        box.setAccessibleText(session.say("power.row", volts(r.step().dial()), expected, read, verdict));
        return box;
    }

    private static Optional<Double> taken(PowerUp p, PowerProgress.Row r) {
        return p.progress().readings().stream()
                .filter(x -> x.what() == PowerReading.What.AMPERES
                        && x.dial() == r.step().dial())
                .reduce((a, b) -> b)
                .map(PowerReading::value);
    }

    private static String volts(double v) {
        return Figures.fixed(v, Math.abs(v) < 20 ? 1 : 0) + " V";
    }

    private static String watts(double w) {
        return Figures.fixed(w, w < 10 ? 1 : 0) + " W";
    }

    private static String clock(double seconds) {
        int whole = (int) Math.round(seconds);
        return whole / 60 + ":" + String.format(java.util.Locale.ROOT, "%02d", whole % 60);
    }

    private void picture() {
        Optional<PowerUp> now = now();
        boolean wanted = now.isPresent() && (now.get().progress().on() || pane.getHeight() > LOW + 2 * CURVES);
        below.setVisible(wanted);
        below.setManaged(wanted);
        if (!wanted) return;
        PowerUp p = now.get();
        PowerReading.What what = p.model().rectified() ? PowerReading.What.RAIL : PowerReading.What.AMPERES;
        String net = p.model().rectified() ? p.model().rail().map(Rail::net).orElse("") : "";
        Map<PowerReading, Boolean> taken = new LinkedHashMap<>();
        for (PowerReading r : p.progress().readings())
            if (r.what() == what && r.net().equals(net)) taken.put(placed(p, r), out(p, r));
        double at = litRow().map(r -> r.atSet().orElse(r.step().warm().volts())).orElse(0.0);
        curves.show(p.model(), taken, at, k -> session.say("power.alike." + k.code()));
    }

    private static boolean out(PowerUp p, PowerReading r) {
        return p.progress().rows().stream()
                .anyMatch(x -> x.step().dial() == r.dial()
                        && x.standing() == Standing.OUT
                        && x.step().lamp() == (r.atSet() != r.dial()));
    }

    /** Behind a lamp, where nobody measured at the set, a reading stands where a sound set would be. */
    private static PowerReading placed(PowerUp p, PowerReading r) {
        double atSet = r.atSet() > 0
                ? r.atSet()
                : p.model().sound().atDial(r.dial(), p.progress().plan().lamp()).volts();
        return new PowerReading(r.dial(), atSet, r.what(), r.net(), r.value());
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
        return litRow().map(r -> volts(r.step().dial()))
                .or(() -> litCondition()
                        .map(i -> session.say("power.gate.name." + i.kind().code())))
                .orElse(session.say("step.first-power"));
    }

    @Override
    public String prompt() {
        if (now().isEmpty()) return session.say("power.prompt.none");
        return session.say(
                now().get().progress().on()
                        ? "power.prompt"
                        : now().get().open() ? "power.prompt.off" : "power.prompt.gate");
    }

    @Override
    public CompletableFuture<?> entered(String line) {
        PowerUp p = now().orElseThrow(() -> InputException.at("\"" + line + "\"")
                .because(session.say("power.not-computed"))
                .so(session.say("power.not-computed.remedy")));
        PowerModel model = p.model();
        PowerRequest request = PowerRequest.parse(line, model.nominal(), word -> model.rails().stream()
                .anyMatch(r -> r.net().equalsIgnoreCase(word)));
        if (request instanceof PowerRequest.GoTo g) return goTo(g.dial());
        if (request instanceof PowerRequest.Met m) return met(p, m);
        PowerEntry entry = entry(p, request, line);
        return put(line, job().with(entry));
    }

    private Job job() {
        return session.need().job();
    }

    private CompletableFuture<?> put(String label, Job job) {
        return session.putJob(session.say("power.change", label), job);
    }

    private PowerEntry entry(PowerUp p, PowerRequest request, String line) {
        if (request instanceof PowerRequest.Read r) return read(p, r, line);
        if (request instanceof PowerRequest.AtSet s) {
            on(line);
            return entry(PowerEntry.Kind.AT_SET, step(), "", s.volts(), "");
        }
        if (request instanceof PowerRequest.Sign s)
            return entry(PowerEntry.Kind.SIGN, step(), s.sign().code(), 0, "");
        if (request instanceof PowerRequest.Lamp l) return lamp(p, l);
        if (request instanceof PowerRequest.Overrule o) return overrule(p, o);
        if (request instanceof PowerRequest.Cause c) return cause(c);
        if (request instanceof PowerRequest.On) return begun(p, line);
        if (request instanceof PowerRequest.Off) return entry(PowerEntry.Kind.OFF, step(), "", 0, "");
        return entry(PowerEntry.Kind.NOTE, step(), "", 0, ((PowerRequest.Note) request).text());
    }

    private Optional<PowerProgress.Row> step() {
        return litRow();
    }

    private PowerEntry entry(
            PowerEntry.Kind kind, Optional<PowerProgress.Row> at, String what, double value, String text) {
        double dial = at.map(r -> r.step().dial()).orElse(0.0);
        double atSet =
                at.filter(r -> !r.step().lamp()).map(r -> r.step().dial()).orElse(0.0);
        return new PowerEntry(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                dial,
                atSet,
                what,
                against(kind, what),
                value,
                text,
                job().fitted().id(),
                Extra.NONE);
    }

    private String against(PowerEntry.Kind kind, String net) {
        boolean rail = kind == PowerEntry.Kind.RAIL || kind == PowerEntry.Kind.RIPPLE;
        return now().filter(p -> rail).stream()
                .flatMap(p -> p.model().rails().stream())
                .filter(r -> r.net().equals(net))
                .map(Rail::foot)
                .findFirst()
                .orElse("");
    }

    private void on(String line) {
        if (!job().power().on())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.is-off"))
                    .so(session.say("power.is-off.remedy"));
    }

    private PowerEntry begun(PowerUp p, String line) {
        if (job().power().on())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.is-on"))
                    .so(session.say("power.is-on.remedy"));
        List<String> missing = p.gate().stream()
                .filter(i -> i.state().stops())
                .map(i -> session.say("power.gate.name." + i.kind().code()))
                .toList();
        if (!missing.isEmpty())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.gate.closed", String.join(", ", missing)))
                    .so(session.say("power.gate.closed.remedy"));
        return entry(PowerEntry.Kind.BEGAN, step(), p.progress().plan().kind().code(), 0, "");
    }

    private PowerEntry read(PowerUp p, PowerRequest.Read r, String line) {
        on(line);
        PowerEntry.Kind kind =
                switch (r.what()) {
                    case RAIL -> PowerEntry.Kind.RAIL;
                    case RIPPLE -> PowerEntry.Kind.RIPPLE;
                    case WATTS -> PowerEntry.Kind.WATTS;
                    case AMPERES -> PowerEntry.Kind.AMPERES;
                    case GLOW -> PowerEntry.Kind.GLOW;
                    case DARK -> PowerEntry.Kind.LIT;
                };
        if (kind == PowerEntry.Kind.GLOW) {
            if (p.progress().plan().lamp().isEmpty())
                throw InputException.at("\"" + line + "\"")
                        .because(session.say("power.no-lamp"))
                        .so(session.say("power.no-lamp.remedy"));
            return entry(kind, step(), SeriesLamp.Glow.values()[(int) r.value()].code(), 0, "");
        }
        String net = kind != PowerEntry.Kind.RAIL && kind != PowerEntry.Kind.RIPPLE
                ? ""
                : p.model().rails().stream()
                        .map(Rail::net)
                        .filter(n -> n.equalsIgnoreCase(r.net()))
                        .findFirst()
                        .or(() -> p.model().rail().map(Rail::net))
                        .orElse("");
        return entry(kind, step(), net, r.value(), "");
    }

    private PowerEntry lamp(PowerUp p, PowerRequest.Lamp l) {
        if (!p.progress().plan().kind().takesLamp())
            throw InputException.at("lamp")
                    .because(session.say("power.lamp.battery"))
                    .so(session.say("power.lamp.battery.remedy"));
        return entry(
                PowerEntry.Kind.LAMP,
                Optional.empty(),
                l.lamp().map(SeriesLamp::text).orElse(""),
                0,
                "");
    }

    private PowerEntry overrule(PowerUp p, PowerRequest.Overrule o) {
        GateItem item = p.gate().stream()
                .filter(i -> i.kind() == o.kind())
                .findFirst()
                .orElseThrow(() -> InputException.at(o.kind().code())
                        .because(session.say("power.gate.not-asked"))
                        .so(session.say("power.gate.not-asked.remedy")));
        if (item.state() == GateItem.State.BARRED)
            throw InputException.at(o.kind().code())
                    .because(session.say("power.gate.barred"))
                    .so(session.words().get().say(item.why()));
        return entry(PowerEntry.Kind.OVERRULED, Optional.empty(), o.kind().code(), 0, o.reason());
    }

    private PowerEntry cause(PowerRequest.Cause c) {
        String part = session.need()
                .chassis()
                .part(c.part().toUpperCase(java.util.Locale.ROOT))
                .or(() -> session.need().chassis().part(c.part()))
                .orElseThrow(() -> InputException.at(c.part())
                        .because(session.say("ui.no-part"))
                        .so(session.say("ui.no-part.remedy")))
                .reference();
        return entry(PowerEntry.Kind.CAUSE, Optional.empty(), part, 0, c.words());
    }

    /** {@code ok} alone says it of the condition in hand, {@code ok all} of all that are asked by hand. */
    private CompletableFuture<?> met(PowerUp p, PowerRequest.Met m) {
        List<GateItem.Kind> asked = p.gate().stream()
                .map(GateItem::kind)
                .filter(GateItem.Kind::isByHand)
                .toList();
        Job job = job();
        List<GateItem.Kind> lit = litCondition().map(GateItem::kind).stream().toList();
        for (GateItem.Kind k : m.all() ? asked : m.kinds().isEmpty() ? lit : m.kinds()) {
            if (!asked.contains(k))
                throw InputException.at(k.code())
                        .because(session.say("power.gate.by-record"))
                        .so(session.say("power.gate.by-record.remedy"));
            job = job.with(entry(PowerEntry.Kind.MET, Optional.empty(), k.code(), 0, ""));
        }
        return put("ok", job).thenApply(r -> {
            if (m.kinds().isEmpty() && !m.all()) Platform.runLater(() -> list.moved(KeyCode.DOWN));
            return r;
        });
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
                            volts(r.step().dial()),
                            volts(r.atSet().orElse(r.step().warm().volts())),
                            watts(r.watts().orElse(r.step().warm().watts())),
                            volts(r.step().warm().rail(net)),
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
