package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Points;
import anabion.core.chassis.Renames;
import anabion.core.command.MakeLine;
import anabion.core.command.RoleLine;
import anabion.core.command.StudyLine;
import anabion.core.command.StudyRequest;
import anabion.core.command.ValueList;
import anabion.core.command.WiringLine;
import anabion.core.error.InputException;
import anabion.core.format.ListCodec;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.signal.StageFinder;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The set's papers: parts with their nets, the service chart with its conditions, the stages of each band. */
public final class StudySheet implements Sheet {
    private static final Pattern SISTER = Pattern.compile("chart-from\\s+(\\S.*)", Pattern.CASE_INSENSITIVE);

    /** Width below which the tabs carry their numbers instead of their keys. */
    private static final double TIGHT_BELOW = 900;

    private static final double NARROW_BELOW = 680;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final HBox tabs = new HBox(16);
    private final Label note = Texts.wrapped("", "soft");
    private final List<StudyTab> all;
    private final Runnable changed;
    private int now;
    private Room room = Room.WIDE;

    /** What the tabs have room for: their keys, their numbers in the keys' place, or no counts either. */
    private enum Room {
        WIDE,
        TIGHT,
        NARROW
    }

    /** @param changed called when another tab is shown */
    public StudySheet(Session session, Runnable changed) {
        this.session = session;
        this.changed = changed;
        this.all = List.of(
                new PartsTab(session),
                new ChartTab(session),
                new StagesTab(session),
                new AdjustersTab(session),
                new ChecksTab(session, this::rebuild),
                new CircuitTab(session));
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.study"), "title");
        title.setMinWidth(Label.USE_PREF_SIZE);
        HBox top = new HBox(20, title, tabs);
        top.setAlignment(Pos.CENTER_LEFT);
        tabs.setAlignment(Pos.CENTER_LEFT);
        top.setPadding(new Insets(12, 14, 4, 14));
        note.setPadding(new Insets(0, 14, 4, 14));
        pane.setTop(new VBox(top, note));
        pane.widthProperty().addListener((o, a, b) -> {
            Room now = b.doubleValue() < NARROW_BELOW
                    ? Room.NARROW
                    : b.doubleValue() < TIGHT_BELOW ? Room.TIGHT : Room.WIDE;
            if (now == room) return;
            room = now;
            rebuild();
        });
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        session.words().addListener((o, a, b) -> rebuild());
        say("");
        rebuild();
    }

    /** What nobody sees is built when somebody does. */
    private void look() {
        if (session.step().get() == Step.STUDY) rebuild();
    }

    private void rebuild() {
        tabs.getChildren().clear();
        for (int i = 0; i < all.size(); i++) {
            int number = i;
            String name = session.say(all.get(i).title());
            if (room != Room.NARROW) name += "  " + all.get(i).count();
            Button tab = new Button(room == Room.WIDE ? name : (i + 1) + " " + name);
            tab.getStyleClass().setAll("tab");
            if (i == now) tab.getStyleClass().add("here");
            tab.setOnAction(e -> tab(number + 1));
            tabs.getChildren().add(tab);
            if (room == Room.WIDE) tabs.getChildren().add(Texts.label("Alt " + (i + 1), "key"));
        }
        all.forEach(t -> t.rebuild(room == Room.NARROW));
        pane.setCenter(all.get(now).node());
    }

    private void say(String text) {
        note.setText(text);
        note.setManaged(!text.isEmpty());
        note.setVisible(!text.isEmpty());
    }

    @Override
    public void tab(int number) {
        if (number < 1 || number > all.size()) return;
        now = number - 1;
        say("");
        rebuild();
        changed.run();
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say(all.get(now).title());
    }

    @Override
    public String prompt() {
        return session.say(all.get(now).title() + ".prompt");
    }

    @Override
    public CompletableFuture<?> entered(String line) {
        Chassis chassis = session.need().chassis();
        Matcher sister = SISTER.matcher(line.strip());
        if (sister.matches()) return sisterChart(line, sister.group(1));
        StudyRequest command = StudyRequest.parse(line);
        if (command instanceof StudyRequest.Drop d)
            return session.putChassis(session.say("ui.change.drop", d.name()), StudyLine.drop(d.name(), chassis));
        if (command instanceof StudyRequest.Make m)
            return session.putChassis(session.say("ui.change.make"), MakeLine.parse(m.line(), chassis));
        if (command instanceof StudyRequest.Role r)
            return session.putChassis(session.say("ui.change.role"), RoleLine.parse(r.line(), chassis));
        if (command instanceof StudyRequest.Rename r) return rename(r.from(), r.to());
        if (command instanceof StudyRequest.Row r)
            return session.putChassis(
                    session.say("ui.change.study", r.name()), all.get(now).line(r.line(), chassis));
        return session.putChassis(session.say("ui.change.stages"), StageFinder.named(chassis));
    }

    /** The chart of a set of the same model, by its serial: to be confirmed by what this one reads. */
    private CompletableFuture<?> sisterChart(String line, String serial) {
        SetRecord set = session.need();
        return session.ask(w -> w.specimens().charts(set.chassis().identity(), set.id()), x -> {})
                .thenCompose(all -> session.putChassis(
                        session.say("ui.change.sister", serial),
                        set.chassis()
                                .withChart(Optional.of(all.stream()
                                        .filter(c -> c.serial().equalsIgnoreCase(serial))
                                        .findFirst()
                                        .map(c -> c.chart()
                                                .asProvisional(
                                                        session.say("study.chart.of-sister", serial),
                                                        p -> Points.of(set.chassis())
                                                                .find(p)
                                                                .isPresent()))
                                        .orElseThrow(() -> InputException.at(line)
                                                .because(session.say("study.chart.no-sister"))
                                                .so(session.say("study.chart.no-sister.remedy")))))));
    }

    private CompletableFuture<?> rename(String from, String to) {
        List<Op> ops = new ArrayList<>();
        ops.add(new Op.PutChassis(Renames.part(session.need().chassis(), from, to)));
        session.need().readings().stream()
                .filter(r -> !r.renamed(from, to).equals(r))
                .forEach(r -> ops.add(new Op.PutReading(r.renamed(from, to))));
        Job job = session.need().job();
        if (!job.renamed(from, to).equals(job)) ops.add(new Op.PutJob(job.renamed(from, to)));
        return session.change(session.say("ui.change.rename", from, to), ops.toArray(Op[]::new));
    }

    @Override
    public String edit() {
        return all.get(now).edit();
    }

    @Override
    public void moved(KeyCode key) {
        all.get(now).moved(key);
    }

    @Override
    public String copy() {
        return all.get(now).copy();
    }

    @Override
    public CompletableFuture<?> paste(String text) {
        Chassis chassis = session.need().chassis();
        try {
            return switch (ListCodec.kind(text)) {
                case CHART ->
                    session.putChassis(
                            session.say("ui.change.chart"),
                            StudyLine.chartRows(ListCodec.chart(new StringReader(text), chassis), chassis));
                case PARTS ->
                    session.putChassis(
                            session.say("ui.change.parts"),
                            ListCodec.parts(
                                    new StringReader(text),
                                    chassis,
                                    session.types().library().get()));
                case VALUES -> joined(ValueList.join(chassis, ListCodec.values(new StringReader(text))), chassis);
                case LINES -> lines(text, chassis);
            };
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Plain wiring lines, one a row. */
    private CompletableFuture<?> lines(String text, Chassis chassis) {
        Chassis grown = chassis;
        int number = 0;
        for (String line : text.lines().toList()) {
            number++;
            if (line.isBlank()) continue;
            try {
                grown = ListCodec.withPart(
                        grown,
                        WiringLine.parse(
                                line.replace('\t', ' '),
                                grown,
                                session.types().library().get()));
            } catch (InputException e) {
                throw e.inside("line " + number);
            }
        }
        return session.putChassis(session.say("ui.change.parts"), grown);
    }

    private CompletableFuture<?> joined(ValueList.Report report, Chassis chassis) {
        List<String> said = new ArrayList<>();
        if (!report.missing().isEmpty()) said.add(session.say("ui.join.missing", String.join(", ", report.missing())));
        if (!report.unplaced().isEmpty())
            said.add(session.say("ui.join.unplaced", String.join(", ", report.unplaced())));
        if (!report.doubled().isEmpty()) said.add(session.say("ui.join.doubled", String.join(", ", report.doubled())));
        report.contradictory()
                .forEach(c -> said.add(session.say("ui.join.contradiction", c.reference(), c.drawing(), c.list())));
        report.unreadable().forEach(e -> said.add(e.getMessage()));
        return session.putChassis(session.say("ui.change.values"), chassis.withParts(report.parts()))
                .thenApply(set -> {
                    javafx.application.Platform.runLater(
                            () -> say(report.clean() ? session.say("ui.join.clean") : String.join("  ", said)));
                    return set;
                });
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"Alt 1-" + all.size(), session.say("ui.hint.tabs")},
                new String[] {"Enter", session.say("ui.hint.edit")},
                new String[] {"Ctrl V", session.say("ui.hint.paste")});
    }
}
