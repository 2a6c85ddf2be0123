package anabion.desktop.sheet;

import anabion.core.align.Alignment;
import anabion.core.align.AlignmentProcedure;
import anabion.core.align.AlignmentTable;
import anabion.core.align.Indicator;
import anabion.core.align.WindingTuning;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.ServiceLine;
import anabion.core.chassis.Spot;
import anabion.core.chassis.TuningRange;
import anabion.core.command.AdjusterLine;
import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.format.ServiceTableCodec;
import anabion.core.job.AlignmentEntry;
import anabion.core.quantity.DialFrequency;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Alignments.Shown;
import anabion.desktop.session.Session;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
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

/** The lines of an alignment, what came of them, and two drawings: selectivity, and the error of the dial. */
public final class AlignSheet implements Sheet {
    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label how = Texts.label("", "soft");
    private final VBox header = new VBox();
    private final LitRows list;
    private final Label detail = Texts.wrapped("");
    private final AlignPictures pictures;
    private final AlignRows drawn;
    private final AlignDetail details;
    private final AlignEntries entries;
    private Optional<Alignment> alignment = Optional.empty();

    public AlignSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.pictures = new AlignPictures(session, this::placed);
        this.drawn = new AlignRows(session);
        this.details = new AlignDetail(session);
        this.entries = new AlignEntries(session);
        this.list = new LitRows(() -> {
            detail.setText(detail());
            planned();
            whenShown.run();
        });
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.align"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        how.setMinWidth(0);
        HBox top = new HBox(10, title, how);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        detail.setPadding(new Insets(6, 14, 10, 14));
        pane.setTop(new VBox(top, header));
        pane.setCenter(list.node());
        pane.setBottom(new VBox(pictures, Texts.rule(), detail));
        pane.heightProperty().addListener((o, a, b) -> pictures.fit(b.doubleValue()));
        session.alignments().shown().addListener((o, a, b) -> show(a, b));
        session.alignments()
                .trouble()
                .addListener((o, a, b) ->
                        show(Optional.empty(), session.alignments().shown().get()));
        session.words()
                .addListener((o, a, b) -> show(
                        session.alignments().shown().get(),
                        session.alignments().shown().get()));
        show(Optional.empty(), session.alignments().shown().get());
    }

    private void show(Optional<Shown> before, Optional<Shown> now) {
        alignment = now.map(Shown::alignment);
        boolean same = before.map(s -> s.alignment().table().procedure().band())
                .equals(alignment.map(a -> a.table().procedure().band()));
        int lit = list.lit();
        list.clear();
        header.getChildren().setAll(drawn.head());
        String trouble = session.alignments().trouble().get();
        how.setText(alignment.map(this::how).orElse(trouble));
        List<AlignmentTable.Row> rows = rows();
        rows.forEach(r -> list.add(
                List.of(r, next().filter(r::equals).isPresent(), session.words().get()),
                () -> drawn.row(r, next().filter(r::equals).isPresent(), level(r))));
        if (rows.isEmpty() && trouble.isEmpty())
            list.empty(session.say(alignment.isPresent() ? "align.no-lines" : "align.computing"));
        list.light(same ? lit : next().map(rows::indexOf).orElse(0));
        alignment.ifPresent(pictures::show);
        pictures.setVisible(alignment.isPresent());
        pictures.setManaged(alignment.isPresent());
        detail.setText(detail());
    }

    /** The band, where its lines come from, and what is watched. */
    private String how(Alignment a) {
        String band = a.table().procedure().band().name();
        String from = session.say(a.table().procedure().printed() ? "align.from-table" : "align.from-circuit");
        if (fm()) return session.say("align.how.fm", band, from);
        Indicator watched =
                rows().stream().findFirst().map(r -> r.line().indicator()).orElse(Indicator.OUTPUT_METER);
        return session.say("align.how." + watched.code(), band, from);
    }

    private void planned() {
        List<Adjuster> inHand = litRow().map(r -> r.line().adjusters()).orElse(List.of());
        session.set().get().ifPresent(s -> pictures.plan(s.chassis().adjusters(), inHand));
    }

    private CompletableFuture<?> placed(String letter, Spot spot) {
        return session.putChassis(
                session.say("ui.change.placed", letter),
                AdjusterLine.place(letter, spot, session.need().chassis()));
    }

    private List<AlignmentTable.Row> rows() {
        return alignment.map(a -> a.table().rows()).orElse(List.of());
    }

    private Optional<AlignmentTable.Row> next() {
        return alignment.flatMap(a -> a.table().next());
    }

    private Optional<AlignmentTable.Row> litRow() {
        return list.lit() < rows().size() ? Optional.of(rows().get(list.lit())) : Optional.empty();
    }

    // --- the lit line in words ---

    private String detail() {
        return litRow().map(r -> details.of(
                        r, alignment.orElseThrow().table().procedure().band(), output()))
                .orElse("");
    }

    private Optional<Double> level(AlignmentTable.Row r) {
        return r.level(output());
    }

    private Optional<AlignmentProcedure.Output> output() {
        return alignment.flatMap(a -> a.table().procedure().output());
    }

    // --- typed lines ---

    @Override
    public CompletableFuture<?> entered(String line) {
        if (of(line.strip()).isPresent()) {
            goTo(line.strip());
            return CompletableFuture.completedFuture(null);
        }
        AlignRequest request = AlignRequest.parse(line);
        if (request instanceof AlignRequest.Take t) return taken(line, t);
        if (request instanceof AlignRequest.Station x) return heard(line, x);
        if (request instanceof AlignRequest.PeaksAt x) return peaks(line, x);
        if (request instanceof AlignRequest.OwnStations x)
            return session.alignments().keep(x.hertz());
        if (request instanceof AlignRequest.Place x) return placed(x.adjuster(), x.spot());
        if (request instanceof AlignRequest.Plan) {
            pictures.turnOver();
            return CompletableFuture.completedFuture(null);
        }
        if (request instanceof AlignRequest.PlanPhoto x) return pictures.behind(line, x);
        if (request instanceof AlignRequest.Curve x) return curve(line, x);
        if (request instanceof AlignRequest.Across x) return across(line, x.adjuster());
        if (request instanceof AlignRequest.ForgetTable) return forgotten(line);
        if (request instanceof AlignRequest.Watch w) return watched(line, w.indicator());
        if (request instanceof AlignRequest.Overrule x)
            return said(line, AlignmentEntry.Kind.OVERRULED, "ui.change.overruled", x.reason());
        return said(
                line, AlignmentEntry.Kind.LEFT_ALONE, "ui.change.left-alone", ((AlignRequest.Leave) request).reason());
    }

    private CompletableFuture<?> said(String line, AlignmentEntry.Kind kind, String change, String reason) {
        return put(session.say(change, band(line)), entries.of(kind, band(line), reason));
    }

    private String band(String line) {
        return session.alignments().band(line).name();
    }

    private CompletableFuture<?> taken(String line, AlignRequest.Take t) {
        String band = band(line);
        String first = line.strip().split("\\s+")[0];
        if (t.adjuster().isEmpty() && t.before() > 0 && of(first).isPresent())
            throw InputException.at(line)
                    .because(session.say("align.two-meanings", first))
                    .so(session.say("align.two-meanings.remedy", first));
        int at = rows().indexOf(meant(line, t.adjuster()));
        AlignmentTable.Row row = alignment
                .orElseThrow()
                .table()
                .since(session.need().chassis(), session.need().job())
                .rows()
                .get(at);
        AlignmentEntry e = entries.of(band, row, t);
        boolean closes = AlignEntries.closes(row, e);
        return put(session.say("ui.change.aligned", row.line().letters()), e).thenApply(x -> {
            Platform.runLater(() -> {
                if (closes && at + 1 < rows().size()) list.light(at + 1);
            });
            return x;
        });
    }

    /** A bare number is meant in the unit of the line. */
    private CompletableFuture<?> peaks(String line, AlignRequest.PeaksAt x) {
        AlignmentTable.Row row = meant(line, x.adjuster());
        AlignmentEntry e = entries.of(band(line), row, x.at(row.line().meant(x.typed())));
        return put(session.say("ui.change.aligned", row.line().letters()), e);
    }

    private CompletableFuture<?> curve(String line, AlignRequest.Curve x) {
        AlignmentTable.Row row = meant(line, Optional.empty());
        return put(
                session.say("ui.change.curve", row.line().letters()),
                entries.curve(
                        band(line),
                        row,
                        x.samples().stream()
                                .map(p -> new AlignmentEntry.Sample(row.line().meant(p.hertz()), p.volts()))
                                .toList()));
    }

    /** What belongs across a winding is said beneath the lines; nothing is kept. */
    private CompletableFuture<?> across(String line, String letter) {
        AlignmentTable.Row row = meant(line, Optional.of(letter));
        Adjuster own = row.line().adjusters().stream()
                .filter(a -> a.letter().equalsIgnoreCase(letter))
                .findFirst()
                .orElseThrow();
        WindingTuning w = WindingTuning.of(
                        session.need().chassis(), own, row.line().hertz())
                .orElseThrow(() -> InputException.at(line)
                        .because(session.say("align.no-winding", letter))
                        .so(session.say("align.no-winding.remedy")));
        detail.setText(details.of(w));
        return CompletableFuture.completedFuture(null);
    }

    private AlignmentTable.Row meant(String line, Optional<String> letter) {
        return (letter.isPresent() ? of(letter.get()) : litRow()).orElseThrow(() -> InputException.at(line)
                .because(session.say("align.no-row"))
                .so(session.say("align.no-row.remedy")));
    }

    /** Volts behind the AVC need one; what is watched on FM its detector says. */
    private CompletableFuture<?> watched(String line, Indicator indicator) {
        String band = band(line);
        if (fm())
            throw InputException.at(line)
                    .because(session.say("align.watch-fm"))
                    .so(session.say("align.watch-fm.remedy"));
        List<AlignmentTable.Row> known =
                rows().stream().filter(r -> !r.line().point().isEmpty()).toList();
        if (indicator.wantsControl()
                && !known.isEmpty()
                && known.stream().allMatch(r -> r.line().knee().isEmpty()))
            throw InputException.at(line)
                    .because(session.say("align.watch-no-avc"))
                    .so(session.say("align.watch-no-avc.remedy"));
        return put(
                session.say("ui.change.watch", session.say("align.indicator." + indicator.code())),
                entries.of(AlignmentEntry.Kind.WATCH, band, indicator.code()));
    }

    private Optional<AlignmentTable.Row> of(String letter) {
        return rows().stream()
                .filter(r ->
                        r.line().adjusters().stream().anyMatch(a -> a.letter().equalsIgnoreCase(letter)))
                .findFirst();
    }

    private CompletableFuture<?> heard(String line, AlignRequest.Station s) {
        String band = band(line);
        TuningRange range = alignment.orElseThrow().table().procedure().band().range();
        double station = range.meant(s.station());
        double dial = range.meant(s.dial());
        return put(
                session.say("ui.change.station", DialFrequency.printed(station)), entries.station(band, dial, station));
    }

    private CompletableFuture<?> put(String label, AlignmentEntry entry) {
        return session.putJob(label, session.need().job().with(entry));
    }

    @Override
    public Optional<ReadingRequest> request() {
        return litRow().flatMap(r -> AlignEntries.request(
                session.need().chassis(),
                alignment.orElseThrow().table().procedure().band(),
                r.line(),
                level(r)));
    }

    // --- what every sheet has ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return litRow().map(r -> r.line().dial().isPresent()
                        ? session.say(
                                "align.where.dial",
                                r.line().letters(),
                                DialFrequency.printed(r.line().dial().get()))
                        : session.say(
                                "align.where",
                                r.line().letters(),
                                AlignRows.hertz(r.line().hertz())))
                .orElse(session.say("step.align"));
    }

    @Override
    public String prompt() {
        return session.say(litRow().isPresent() ? "align.prompt" : "align.empty-prompt");
    }

    @Override
    public void goTo(String name) {
        list.light(of(name).map(rows()::indexOf).orElseThrow(() -> InputException.at(name)
                .because(session.say("align.no-row"))
                .so(session.say("align.no-row.remedy"))));
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    /** The maker's table, in whatever layout: the one that was there before goes. */
    @Override
    public CompletableFuture<?> paste(String text) {
        Chassis chassis = session.need().chassis();
        Band band = session.alignments().band("");
        try {
            List<ServiceLine> read = ServiceTableCodec.lines(new StringReader(text), chassis, band);
            return session.putChassis(session.say("ui.change.table"), chassis.withServiceTable(read));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private CompletableFuture<?> forgotten(String line) {
        Chassis chassis = session.need().chassis();
        if (chassis.serviceTable().isEmpty())
            throw InputException.at(line)
                    .because(session.say("align.no-table"))
                    .so(session.say("align.no-table.remedy"));
        return session.putChassis(session.say("ui.change.no-table"), chassis.withServiceTable(List.of()));
    }

    @Override
    public String copy() {
        return drawn.copy(rows());
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"1.2 2.0", session.say("align.hint.volts")},
                new String[] {"P N W E", session.say("align.hint.outcomes")},
                new String[] {fm() ? "98.5 reads 98" : "600 reads 580", session.say("align.hint.station")});
    }

    private boolean fm() {
        return alignment
                .filter(a -> a.table().procedure().band().kind() == BandKind.FM)
                .isPresent();
    }
}
