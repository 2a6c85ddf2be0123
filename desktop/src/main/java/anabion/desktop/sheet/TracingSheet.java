package anabion.desktop.sheet;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Points;
import anabion.core.command.TraceEntry;
import anabion.core.command.TraceRequest;
import anabion.core.diagnosis.prediction.AudibilityModel;
import anabion.core.error.InputException;
import anabion.core.job.Heard;
import anabion.core.job.Outcome;
import anabion.core.job.Step;
import anabion.core.json.Extra;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.reading.Standing;
import anabion.core.signal.Gains;
import anabion.core.tracing.School;
import anabion.core.tracing.TracePoint;
import anabion.core.tracing.TraceRow;
import anabion.core.tracing.TraceTable;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.ComputeScheduler;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

/** Where to put a signal in, how much a good set needs there, and what was heard. */
public final class TracingSheet implements Sheet {
    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label left = Texts.wrapped("");
    private final Label how = Texts.label("", "soft");
    private final VBox header = new VBox();
    private final LitRows list;
    private final SocketPane socket;
    private List<TracePoint> points = List.of();
    private Optional<Ground> computed = Optional.empty();
    private TraceTable sheet = new TraceTable("", List.of());
    private School school = School.HALF;

    /** What the levels rest on. */
    private record Ground(anabion.core.chassis.Chassis chassis, String band) {}

    public TracingSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.socket = new SocketPane(session);
        this.list = new LitRows(() -> {
            socket();
            whenShown.run();
        });
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.trace"), "title");
        how.setMinWidth(0);
        title.setMinWidth(Label.USE_PREF_SIZE);
        HBox top = new HBox(10, title, how);
        top.setAlignment(Pos.BASELINE_LEFT);
        VBox above = new VBox(6, top, left);
        above.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(above, header));
        pane.setCenter(list.node());
        pane.setBottom(new VBox(Texts.rule(), socket));
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        session.condition().addListener((o, a, b) -> look());
        look();
    }

    private void look() {
        if (session.step().get() != Step.TRACE || session.set().get().isEmpty()) return;
        SetRecord set = session.need();
        String chosen = session.condition().get().map(c -> c.band()).orElse("");
        Optional<Band> band = set.chassis().band(chosen).or(() -> set.chassis().bands().stream()
                .findFirst());
        if (band.isEmpty()) {
            points = List.of();
            show(chosen, true);
            return;
        }
        Ground ground = new Ground(set.chassis(), band.get().name());
        if (computed.filter(ground::equals).isPresent()) {
            show(ground.band(), false);
            return;
        }
        computed = Optional.of(ground);
        session.compute()
                .ask(ComputeScheduler.Job.TRACE_POINTS, () -> TraceTable.points(set.chassis(), band.get()), p -> {
                    if (computed.filter(ground::equals).isEmpty()) return;
                    points = p;
                    show(ground.band(), true);
                });
    }

    private void show(String band, boolean fresh) {
        sheet = TraceTable.of(band, points, session.need().job());
        left.setText(words());
        boolean levels = sheet.rows().stream().anyMatch(r -> r.at().volts() > 0);
        String told = levels || sheet.rows().isEmpty() ? "trace.how" : "trace.how-stages";
        how.setText(session.say(display() ? "trace.how.display" : told));
        header.getChildren().setAll(head());
        list.clear();
        sheet.rows().forEach(r -> list.add(List.of(r, session.words().get()), () -> row(r)));
        if (sheet.rows().isEmpty()) list.empty(session.say("trace.empty"));
        list.light(
                fresh
                        ? sheet.next(school, this::odds)
                                .map(sheet.rows()::indexOf)
                                .orElse(0)
                        : list.lit());
    }

    /** Of a stage, as what was found so far says; zero before anything was weighed. */
    private double odds(String stage) {
        return session.need()
                .chassis()
                .stage(stage)
                .flatMap(session.diagnoses()::odds)
                .orElse(0.0);
    }

    private String words() {
        boolean unread = session.verdict().get().map(v -> v.read() == 0).orElse(true);
        if (school == School.VOLTAGES && unread) return session.say("trace.voltages-first");
        if (sheet.rows().isEmpty()) return "";
        if (sheet.rows().stream().noneMatch(TraceRow::tried))
            return session.say(
                    display() ? "trace.begin.display" : tapping() ? "trace.begin-tap" : "trace.begin",
                    session.say("trace.school." + school.code()));
        if (sheet.contradicts()) return session.say("trace.contradict");
        List<String> stages = sheet.left();
        return stages.isEmpty()
                ? session.say(own("trace.all-good"), sheet.band())
                : session.say("trace.left", String.join(", ", stages));
    }

    private HBox head() {
        HBox head = columns(
                Texts.label(""),
                session.say("trace.column.stage"),
                session.say("ui.volts.pin"),
                session.say(own("trace.column.signal")),
                display() ? "" : session.say("trace.column.through"),
                display() ? "" : session.say("trace.column.level"),
                Texts.label(session.say(own("trace.column.heard"))));
        head.getStyleClass().add("head");
        return head;
    }

    private static HBox columns(
            Node mark, String stage, String point, String signal, String through, String level, Label heard) {
        HBox place = new HBox(mark);
        place.setMinWidth(24);
        place.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(heard, Priority.ALWAYS);
        heard.setMaxWidth(Double.MAX_VALUE);
        heard.setMinWidth(0);
        HBox.setMargin(heard, new Insets(0, 0, 0, 18));
        HBox row = new HBox(
                place,
                Texts.column(stage, 88, false, "soft"),
                Texts.column(point, 62, false),
                Texts.column(signal, 150, false, "soft"),
                Texts.column(through, 66, true, "soft"),
                Texts.column(level, 84, true),
                heard);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private HBox row(TraceRow r) {
        String word = r.tried() ? outcomes(r) : session.say(r.left() ? "trace.untried" : "trace.cleared");
        boolean bad = r.tried() && !r.good();
        Standing standing = bad ? Standing.OUT : r.good() || !r.left() ? Standing.WITHIN : Standing.NOT_TAKEN;
        HBox box = columns(
                new Mark(Mark.of(standing)),
                r.stage(),
                r.point().equals(r.stage()) ? session.say("trace.input") : r.point(),
                signal(r),
                through(r.at()),
                level(r),
                Texts.label(word, bad ? "out" : "soft"));
        box.setAccessibleText(r.stage() + " " + r.point() + ", " + signal(r) + ", " + level(r) + ", " + word);
        return box;
    }

    private String through(TracePoint p) {
        if (p.induced()) return session.say("trace.beside");
        return p.farads() > 0 ? Figures.si(new Quantity(p.farads(), Unit.FARAD)) : "";
    }

    private String outcomes(TraceRow r) {
        return Stream.of(r.heard(), r.tapped())
                .flatMap(Optional::stream)
                .map(h -> said(h, r))
                .collect(Collectors.joining(", "));
    }

    /** An outcome; of a level by how many decibels it is more than a good set's. */
    private String said(Heard h, TraceRow r) {
        if (h.volts() <= 0) return session.say("trace.how." + h.how().code(), session.say(h.wordKey()));
        String volts = Figures.si(new Quantity(h.volts(), Unit.VOLT), 2);
        if (!r.at().measurable()) return volts;
        long lacking = Math.round(r.at().lacking(h.volts()));
        return session.say(
                lacking > 0 ? "trace.taken-more" : lacking < 0 ? "trace.taken-less" : "trace.taken",
                volts,
                Long.toString(Math.abs(lacking)));
    }

    private String signal(TraceRow r) {
        if (r.at().hertz() <= 0)
            return session.say("trace.signal-plain." + r.signal().code());
        return session.say("trace.signal." + r.signal().code(), Figures.si(new Quantity(r.at().hertz(), Unit.HERTZ)));
    }

    private String level(TraceRow r) {
        if (r.at().volts() <= 0) return "";
        return r.at().heardWhenSound()
                ? Figures.si(new Quantity(r.at().volts(), Unit.VOLT), 2)
                : session.say("trace.no-level");
    }

    /** Whether an outcome without another word is what a tracer says: going forwards from the aerial, and along a display. */
    private boolean tapping() {
        return school == School.FORWARD || display();
    }

    /** The key of words that a display has of its own. */
    private String own(String key) {
        return display() ? key + ".display" : key;
    }

    private boolean display() {
        Optional<Band> band = session.set().get().flatMap(s -> s.chassis().band(sheet.band()));
        return band.filter(b -> b.kind() == BandKind.DISPLAY).isPresent();
    }

    /** Of the lit point, to find the pin. */
    private void socket() {
        socket.show(litRow().flatMap(r -> Points.of(session.need().chassis()).find(r.point())));
    }

    @Override
    public void flip() {
        socket.flip();
    }

    private Optional<TraceRow> litRow() {
        return list.lit() < sheet.rows().size() ? Optional.of(sheet.rows().get(list.lit())) : Optional.empty();
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return litRow().map(r -> session.say("trace.at", r.point())).orElse(session.say("step.trace"));
    }

    @Override
    public String prompt() {
        return session.say(litRow().isEmpty() ? "trace.empty-prompt" : own("trace.prompt"));
    }

    /**
     * An outcome by its first letter or word, or the level that it took, with a point before it for another row; {@code put}, {@code touch} or
     * {@code tap} before all says how; {@code school back}.
     */
    @Override
    public CompletableFuture<?> entered(String line) {
        TraceRequest command = TraceRequest.parse(line, display());
        if (command instanceof TraceRequest.Take t) return taken(line, t.entry());
        if (command instanceof TraceRequest.Choose c) school = c.school();
        show(sheet.band(), true);
        return CompletableFuture.completedFuture(null);
    }

    private CompletableFuture<?> taken(String line, TraceEntry entry) {
        if (!entry.place().isEmpty()) goTo(entry.place());
        TraceRow row = litRow().orElseThrow(() ->
                InputException.at(line).because(session.say("trace.no-row")).so(session.say("trace.no-row.remedy")));
        Heard.How how = entry.how().orElse(tapping() && entry.volts() == 0 ? Heard.How.TAP : Heard.How.INJECT);
        if (how == Heard.How.TOUCH && !TraceTable.touchable(session.need().chassis(), row.at()))
            throw InputException.at(line)
                    .because(session.say("trace.no-touch"))
                    .so(session.say("trace.no-touch.remedy"));
        Outcome outcome = entry.volts() > 0
                ? called(line, how, row, entry.volts())
                : entry.outcome().orElseThrow(() -> InputException.at(line)
                        .because(session.say(own("trace.no-outcome")))
                        .so(session.say(own("trace.no-outcome.remedy"))));
        Heard heard = new Heard(
                UUID.randomUUID(),
                session.clock().instant(),
                sheet.band(),
                how,
                row.signal(),
                row.point(),
                outcome,
                entry.volts(),
                session.need().job().fitted().id(),
                Extra.NONE);
        return session.putJob(
                        session.say("ui.change.heard", row.point(), said(heard, row)),
                        session.need().job().with(heard))
                .thenApply(set -> {
                    Platform.runLater(() -> show(sheet.band(), true));
                    return set;
                });
    }

    /** A level says how it would sound; only where a signal is put in, and what a good set takes there is known. */
    private Outcome called(String line, Heard.How how, TraceRow row, double volts) {
        String no = how != Heard.How.INJECT
                ? "tapped"
                : !row.at().measurable() ? "unknown" : volts >= Gains.Level.SILENT ? "beyond" : "";
        if (!no.isEmpty())
            throw InputException.at(line)
                    .because(session.say("trace.level-" + no))
                    .so(session.say("trace.level-" + no + ".remedy"));
        return AudibilityModel.called(row.at().lacking(volts));
    }

    /** Of a point whose level in a good set is known. */
    @Override
    public Optional<ReadingRequest> request() {
        return litRow().filter(r -> r.at().measurable() && r.at().hertz() > 0)
                .map(r -> new ReadingRequest.Level(
                        r.signal().code() + " " + r.point(),
                        r.point(),
                        r.signal(),
                        r.at().hertz(),
                        r.at().volts(),
                        TraceTable.output(session.need().chassis())));
    }

    @Override
    public void goTo(String name) {
        for (int i = 0; i < sheet.rows().size(); i++)
            if (names(sheet.rows().get(i), name.strip())) {
                list.light(i);
                return;
            }
        throw InputException.at(name).because(session.say("trace.no-row")).so(session.say("trace.no-row.remedy"));
    }

    /** By the point, perhaps with the signal before it: two signals go in at a mixer's grid. */
    private static boolean names(TraceRow r, String name) {
        return r.point().equalsIgnoreCase(name) || (r.signal().code() + " " + r.point()).equalsIgnoreCase(name);
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder("stage\tpoint\tsignal\tlevel\theard\n");
        for (TraceRow r : sheet.rows())
            text.append(String.join("\t", r.stage(), r.point(), signal(r), level(r), outcomes(r)))
                    .append('\n');
        return text.toString();
    }

    @Override
    public List<String[]> hints() {
        if (display()) return List.<String[]>of(new String[] {"L D A G", session.say("trace.hint.display")});
        List<String[]> all = new ArrayList<>();
        all.add(new String[] {"L W N", session.say("trace.hint.outcomes")});
        all.add(new String[] {"D H C", session.say("trace.hint.others")});
        Optional<TracePoint> at = litRow().map(TraceRow::at);
        at.filter(TracePoint::measurable)
                .ifPresent(p -> all.add(new String[] {"12mV", session.say("trace.hint.level")}));
        at.filter(p -> TraceTable.touchable(session.need().chassis(), p))
                .ifPresent(p -> all.add(new String[] {"touch H", session.say("trace.hint.touch")}));
        return all;
    }
}
