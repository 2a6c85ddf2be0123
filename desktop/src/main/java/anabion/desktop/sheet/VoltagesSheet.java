package anabion.desktop.sheet;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.Point;
import anabion.core.command.Entry;
import anabion.core.quantity.Figures;
import anabion.core.reading.Condition;
import anabion.core.reading.EveryBand;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.reading.judgement.Judge;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Texts;
import anabion.desktop.session.ComputeScheduler;
import anabion.desktop.session.Session;
import anabion.desktop.session.Takes;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Charted, should read, read, verdict: row by row, device by device, with the socket of the lit row. */
public final class VoltagesSheet implements Sheet {
    private static final double TIGHT_BELOW = 660;

    private final Session session;
    private final Consumer<Optional<ReadingRow>> onLit;
    private final BorderPane pane = new BorderPane();
    private final Label title = Texts.label("", "title");
    private final Label conditions = Texts.label("", "soft");
    private final LitRows list = new LitRows(this::lit);
    private final SocketPane socket;
    private final VoltRows drawing;
    private final BandRows across;
    private final Label against = Texts.wrapped("", "soft");
    private final VBox header = new VBox();
    private List<ReadingRow> rows = List.of();
    private boolean every;
    private Optional<EveryBand> bands = Optional.empty();
    private List<Object> headed = List.of();
    private int lit;
    private Optional<UUID> settled = Optional.empty();

    public VoltagesSheet(Session session, Consumer<Optional<ReadingRow>> onLit) {
        this.session = session;
        this.onLit = onLit;
        socket = new SocketPane(session);
        drawing = new VoltRows(session);
        across = new BandRows(session, drawing);
        against.setPadding(new Insets(0, 14, 8, 14));
        pane.getStyleClass().add("sheet");
        HBox top = new HBox(10, title, conditions);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        conditions.setMinWidth(0);
        title.setMinWidth(Label.USE_PREF_SIZE);
        pane.setTop(new VBox(top, against, header));
        pane.widthProperty().addListener((o, a, b) -> {
            boolean narrow = b.doubleValue() < TIGHT_BELOW;
            across.tight(narrow);
            if (drawing.tight(narrow)) rebuild();
        });
        pane.setCenter(list.node());
        pane.setBottom(new VBox(Texts.rule(), socket));
        session.verdict().addListener((o, a, b) -> anew());
        session.stage().addListener((o, a, b) -> rebuild());
        session.condition().addListener((o, a, b) -> {
            if (every) anew();
        });
        session.words().addListener((o, a, b) -> rebuild());
        session.set().addListener((o, a, b) -> {
            compared();
            if (a.map(SetRecord::id).equals(b.map(SetRecord::id))) return;
            lit = -1;
            every = false;
            bands = Optional.empty();
        });
        rebuild();
    }

    private void anew() {
        if (!every || session.set().get().isEmpty() || session.condition().get().isEmpty()) {
            rebuild();
            return;
        }
        SetRecord set = session.need();
        Condition now = session.condition().get().get();
        session.compute().ask(ComputeScheduler.Job.BANDS, () -> set.onEveryBand(now, session.predictors()), e -> {
            if (!every
                    || session.set().get().filter(s -> s.id().equals(set.id())).isEmpty()) return;
            bands = Optional.of(e);
            rebuild();
        });
    }

    @Override
    public void everyBand() {
        every = !every;
        bands = Optional.empty();
        anew();
    }

    private void compared() {
        against.setText(across.against());
        against.setManaged(!against.getText().isEmpty());
    }

    private String band() {
        return session.condition().get().map(Condition::band).orElse("");
    }

    private List<EveryBand.BandRow> lines() {
        return bands.map(EveryBand::lines).orElse(List.of()).stream()
                .filter(l -> inStage(l.rows().get(0)))
                .toList();
    }

    /** The rows of one band, or where all bands stand side by side those of the band in hand. */
    private List<ReadingRow> rowsNow() {
        if (bands.isEmpty())
            return session.verdict().get().map(Judge.Verdict::rows).orElse(List.of());
        int at = Math.max(0, bands.get().bands().indexOf(band()));
        return bands.get().lines().stream().map(l -> l.rows().get(at)).toList();
    }

    private void rebuild() {
        List<ReadingRow> all = rowsNow();
        List<EveryBand.BandRow> lines = lines();
        Optional<String> label = lit >= 0 && lit < rows.size()
                ? Optional.of(rows.get(lit).point().label())
                : Optional.empty();
        rows = all.stream().filter(this::inStage).toList();
        int before = label.map(l -> index(l)).orElse(-1);
        lit = before >= 0 ? before : firstWanted();
        head();
        compared();
        title.setText(session.say("step.voltages"));
        conditions.setText(conditionWords());
        list.clear();
        String group = "";
        for (int i = 0; i < rows.size(); i++) {
            ReadingRow row = rows.get(i);
            String device = row.point().device().map(Part::reference).orElse("");
            if (!device.equals(group) || i == 0)
                list.group(List.of(device, session.words().get()), () -> drawing.group(row));
            group = device;
            if (bands.isEmpty()) list.add(looks(row), () -> drawing.row(row, settled));
            else {
                EveryBand.BandRow line = lines.get(i);
                List<String> names = bands.get().bands();
                list.add(List.of(looks(row), line, band(), names), () -> across.row(line, band(), names));
            }
        }
        if (rows.isEmpty()) list.empty(emptyWords());
        list.light(lit);
    }

    /** All that the looks of a row follow from; one that was read just now lets its needle settle. */
    private List<Object> looks(ReadingRow row) {
        boolean fresh = row.reading()
                .filter(r -> settled.filter(r.id()::equals).isPresent())
                .isPresent();
        return List.of(row, fresh, drawing.columns(), session.words().get());
    }

    /** The names of the columns, made anew where they change. */
    private void head() {
        List<Object> now = List.of(
                bands.map(EveryBand::bands).orElse(List.of()),
                band(),
                drawing.columns(),
                session.words().get());
        if (now.equals(headed)) return;
        headed = now;
        header.getChildren()
                .setAll(bands.map(b -> across.head(b.bands(), band())).orElseGet(drawing::head));
    }

    private String emptyWords() {
        if (bands.isPresent()) return session.say("ui.volts.every-empty");
        boolean parts =
                session.set().get().map(s -> !s.chassis().parts().isEmpty()).orElse(false);
        boolean charted = session.set()
                .get()
                .flatMap(s -> s.compared().chart())
                .filter(c -> !c.rows().isEmpty())
                .isPresent();
        // a charted set has rows as soon as it is solved
        if (charted && session.stage().get().isEmpty()) return session.say("ui.computing");
        return session.say(parts && session.stage().get().isPresent() ? "ui.volts.stage-empty" : "ui.volts.empty");
    }

    private boolean inStage(ReadingRow row) {
        Optional<String> stage = session.stage().get();
        if (stage.isEmpty() || session.set().get().isEmpty()) return true;
        return session.set()
                .get()
                .get()
                .chassis()
                .stage(stage.get())
                .filter(s -> s.point().equals(row.point().label())
                        || row.point()
                                .device()
                                .filter(d -> s.parts().contains(d.reference()))
                                .isPresent())
                .isPresent();
    }

    /** The row to begin with: the first that is out, else the first not taken. */
    private int firstWanted() {
        for (int i = 0; i < rows.size(); i++) if (rows.get(i).verdict().key().equals("verdict.positive")) return i;
        for (int i = 0; i < rows.size(); i++) if (rows.get(i).standing() == Standing.NOT_TAKEN) return i;
        return 0;
    }

    private String conditionWords() {
        Optional<Condition> now = session.condition().get();
        if (session.set().get().isEmpty() || now.isEmpty()) return "";
        if (every) return session.say("ui.volts.every", band());
        String stage =
                session.stage().get().map(s -> session.say("ui.volts.only", s)).orElse("");
        SetRecord set = session.set().get().get();
        Optional<Chart> chart = set.compared().chart();
        if (chart.isPresent() && !chart.equals(set.chassis().chart()))
            return session.say(
                            "ui.volts.conditions-own",
                            chart.get().source(),
                            Figures.fixed(now.get().line(), 0),
                            MeterWords.of(now.get().meter().text()))
                    + stage;
        if (chart.isEmpty()) {
            boolean compared = session.verdict().get().stream()
                    .flatMap(v -> v.rows().stream())
                    .anyMatch(r -> r.reading().isPresent() && r.expectation().isPresent());
            return session.say(compared ? "ui.volts.no-chart-computed" : "ui.volts.no-chart") + stage;
        }
        Chart.Conditions c = chart.get().conditions();
        return session.say(
                        chart.get().provisional() ? "ui.volts.conditions-provisional" : "ui.volts.conditions",
                        Figures.fixed(c.line(), 0),
                        MeterWords.of(c.meter()),
                        Figures.fixed(now.get().line(), 0),
                        MeterWords.of(now.get().meter().text()))
                + stage;
    }

    /** A row was lit, here or by a click. */
    private void lit() {
        lit = rows.isEmpty() ? -1 : list.lit();
        Optional<ReadingRow> row = litRow();
        onLit.accept(row);
        socket.show(row.map(ReadingRow::point));
    }

    public Optional<ReadingRow> litRow() {
        return lit >= 0 && lit < rows.size() ? Optional.of(rows.get(lit)) : Optional.empty();
    }

    private int index(String label) {
        for (int i = 0; i < rows.size(); i++) if (rows.get(i).point().label().equals(label)) return i;
        return -1;
    }

    @Override
    public void flip() {
        socket.flip();
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return litRow().map(r -> r.point().label() + " " + drawing.net(r)).orElse(session.say("step.voltages"));
    }

    @Override
    public String prompt() {
        return session.say(litRow().isPresent() ? "ui.volts.prompt" : "ui.volts.prompt-empty");
    }

    @Override
    public boolean takesReadings() {
        return true;
    }

    @Override
    public Optional<ReadingRequest> request() {
        return litRow().map(r -> new ReadingRequest.Volts(
                r.point().label(),
                session.need().chassis().reference(),
                r.measure(),
                r.expectation().map(e -> OptionalDouble.of(e.value())).orElse(OptionalDouble.empty())));
    }

    @Override
    public CompletableFuture<?> reading(Entry.Volts volts) {
        Point point = volts.point().map(session::point).orElseGet(() -> litRow().map(ReadingRow::point)
                .orElseThrow(() -> anabion.core.error.InputException.at("")
                        .because(session.say("ui.volts.no-row"))
                        .so(session.say("ui.volts.no-row.remedy"))));
        Measure measure = litRow().filter(r -> r.point().label().equals(point.label()))
                .map(ReadingRow::measure)
                .orElseGet(() -> rows.stream()
                        .filter(r -> r.point().label().equals(point.label()))
                        .map(ReadingRow::measure)
                        .findFirst()
                        .orElse(Measure.DC_VOLTS));
        return Takes.volts(session, point, measure, volts).thenApply(set -> {
            javafx.application.Platform.runLater(() -> taken(point, set));
            return set;
        });
    }

    private void taken(Point point, SetRecord set) {
        settled = set.readings().isEmpty()
                ? Optional.empty()
                : Optional.of(set.readings().get(set.readings().size() - 1).id());
        int at = index(point.label());
        lit = Math.min(at < 0 ? lit : at + 1, Math.max(0, rows.size() - 1));
        list.light(lit);
    }

    @Override
    public void goTo(String name) {
        Point point = session.point(name);
        int at = index(point.label());
        if (at < 0) {
            for (int i = 0; i < rows.size(); i++) if (rows.get(i).point().net().equals(point.net())) at = i;
        }
        if (at < 0)
            throw anabion.core.error.InputException.at(name)
                    .because(session.say("ui.volts.not-listed"))
                    .so(session.say("ui.volts.not-listed.remedy", name));
        lit = at;
        list.light(lit);
    }

    @Override
    public void moved(KeyCode key) {
        lit = Math.max(0, Math.min(rows.size() - 1, lit + (key == KeyCode.DOWN ? 1 : -1)));
        list.light(lit);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder("pin\tnet\tchart\tshould read\tread\tverdict\n");
        for (ReadingRow r : rows) {
            text.append(r.point().label())
                    .append('\t')
                    .append(drawing.net(r))
                    .append('\t')
                    .append(r.expectation()
                            .filter(e -> e.charted().isPresent())
                            .map(e -> Figures.volts(e.charted().getAsDouble()))
                            .orElse(""))
                    .append('\t')
                    .append(r.expectation().map(e -> Figures.volts(e.value())).orElse(""))
                    .append('\t')
                    .append(r.reading().map(x -> Figures.volts(x.value())).orElse(""))
                    .append('\t')
                    .append(session.words().get().say(r.said()))
                    .append('\n');
        }
        return text.toString();
    }

    @Override
    public CompletableFuture<?> paste(String text) {
        return Takes.pasted(session, text);
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"Enter", session.say("ui.hint.next")},
                new String[] {"?", session.say("ui.hint.doubtful")},
                new String[] {"F5", session.say("ui.hint.side")});
    }
}
