package anabion.desktop.sheet;

import anabion.core.coldcheck.ColdRow;
import anabion.core.coldcheck.ColdTable;
import anabion.core.coldcheck.Discharge;
import anabion.core.command.ColdRequest;
import anabion.core.command.OhmsLine;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.core.simulation.Simulator;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.NeedleBar;
import anabion.desktop.control.Texts;
import anabion.desktop.session.ComputeScheduler;
import anabion.desktop.session.Session;
import anabion.desktop.session.Takes;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The ohms to take with the set unplugged: what the circuit predicts, what was read, and what that says. */
public final class ColdChecksSheet implements Sheet {
    private static final double SHOWN_OPEN = 2e7;
    private static final double TIGHT_BELOW = 660;

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label discharge = Texts.wrapped("");
    private final VBox header = new VBox();
    private final LitRows list;
    private List<ColdRow> rows = List.of();
    private Optional<SetRecord> shown = Optional.empty();
    private List<ColdRow> listed = List.of();
    /** Whether the row to begin with is lit of itself: until somebody goes elsewhere. */
    private boolean led = true;

    private boolean tight;

    /** What one round of computing brings. */
    private record Computed(List<ColdRow> rows, Optional<Discharge> discharge) {
        static Computed of(SetRecord s) {
            return new Computed(
                    ColdTable.of(s.chassis(), s.readings(), s.job()),
                    s.chassis().parts().isEmpty() ? Optional.empty() : Discharge.of(s.chassis()));
        }
    }

    public ColdChecksSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.list = new LitRows(whenShown);
        pane.getStyleClass().add("sheet");
        Label title = Texts.label(session.say("step.cold-checks"), "title");
        Label how = Texts.label(session.say("cold.how"), "soft");
        how.setMinWidth(0);
        HBox top = new HBox(10, title, how);
        title.setMinWidth(Label.USE_PREF_SIZE);
        top.setAlignment(Pos.BASELINE_LEFT);
        discharge.getStyleClass().add("small");
        VBox above = new VBox(6, top, discharge);
        above.setPadding(new Insets(12, 14, 8, 14));
        pane.setTop(new VBox(above, header));
        pane.setCenter(list.node());
        pane.widthProperty().addListener((o, a, b) -> {
            boolean narrow = b.doubleValue() < TIGHT_BELOW;
            if (narrow != tight) {
                tight = narrow;
                rebuild();
            }
        });
        session.set().addListener((o, a, b) -> {
            if (!a.map(SetRecord::id).equals(b.map(SetRecord::id))) led = true;
            look();
        });
        session.step().addListener((o, a, b) -> look());
        session.stage().addListener((o, a, b) -> rebuild());
        session.diagnoses().telling().addListener((o, a, b) -> rebuild());
        look();
    }

    private void look() {
        Optional<SetRecord> set = session.set().get();
        if (session.step().get() != anabion.core.job.Step.COLD_CHECKS || set.equals(shown)) return;
        boolean same = set.map(SetRecord::id).equals(shown.map(SetRecord::id));
        shown = set;
        if (!same) {
            rows = List.of();
            rebuild();
        }
        if (set.isEmpty()) return;
        SetRecord s = set.get();
        session.compute().ask(ComputeScheduler.Job.COLD_OHMS, () -> Computed.of(s), c -> {
            if (!shown.equals(set)) return;
            rows = c.rows();
            discharge.setText(c.discharge().map(this::words).orElse(session.say("cold.discharge.none")));
            rebuild();
        });
    }

    /** A set with parts has rows as soon as it is solved. */
    private String emptyWords() {
        if (!rows.isEmpty()) return "cold.stage-empty";
        boolean parts =
                session.set().get().filter(s -> !s.chassis().parts().isEmpty()).isPresent();
        return parts ? "ui.computing" : "cold.empty";
    }

    /** The row to begin with: the first not taken. */
    private int firstWanted() {
        for (int i = 0; i < listed.size(); i++) if (listed.get(i).reading().isEmpty()) return i;
        return 0;
    }

    private String words(Discharge d) {
        return session.say(
                "cold.discharge",
                d.net(),
                Figures.volts(d.volts()),
                Figures.si(Quantity.ohms(d.ohms())),
                Figures.fixed(Math.ceil(d.watts()), 0),
                Figures.fixed(d.seconds(), 1));
    }

    private HBox head() {
        HBox head = columns(
                Texts.label(session.say("cold.column.between")),
                Texts.label(session.say("cold.column.what")),
                session.say("cold.column.should"),
                session.say("cold.column.read"),
                Texts.label(session.say("cold.column.bar")),
                Texts.label(session.say("ui.volts.verdict")));
        head.getStyleClass().add("head");
        return head;
    }

    /** In a narrow sheet the bar gives its place to the words. */
    private HBox columns(Label between, Label what, String should, String read, Region bar, Label verdict) {
        fixed(between, tight ? 138 : 142);
        fixed(verdict, 160);
        fixed(bar, 84);
        what.setMinWidth(0);
        what.setPrefWidth(60);
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        HBox.setMargin(bar, new Insets(0, 10, 0, 14));
        HBox.setMargin(verdict, new Insets(0, 0, 0, tight ? 12 : 0));
        HBox row = new HBox(
                between, what, Texts.column(should, 78, true), Texts.column(read, 74, true, "read"), bar, verdict);
        if (tight) row.getChildren().remove(bar);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static void fixed(Region region, double width) {
        region.setMinWidth(width);
        region.setPrefWidth(width);
        region.setMaxWidth(width);
    }

    /** Mains first, for safety; then what tells most and is not taken yet; then the order of the work. */
    private List<ColdRow> ordered() {
        List<ColdRow> telling = telling();
        List<ColdRow> all = new ArrayList<>(
                rows.stream().filter(r -> r.group() == ColdRow.Group.MAINS).toList());
        all.addAll(telling);
        rows.stream()
                .filter(r -> r.group() != ColdRow.Group.MAINS && !telling.contains(r))
                .forEach(all::add);
        Optional<String> stage = session.stage().get();
        if (stage.isEmpty()) return all;
        return all.stream()
                .filter(r -> session.need()
                        .chassis()
                        .stage(stage.get())
                        .filter(s -> s.parts().contains(r.part()))
                        .isPresent())
                .toList();
    }

    private List<ColdRow> telling() {
        List<ColdRow> all = new ArrayList<>();
        for (Measurement.Ohms p : session.diagnoses().telling().get())
            rows.stream()
                    .filter(r -> r.reading().isEmpty()
                            && r.group() != ColdRow.Group.MAINS
                            && between(r, p.net(), p.against()))
                    .findFirst()
                    .filter(r -> !all.contains(r))
                    .ifPresent(all::add);
        return all;
    }

    private void rebuild() {
        header.getChildren().setAll(head());
        list.clear();
        Optional<String> lit = litRow().map(ColdRow::label);
        listed = ordered();
        List<ColdRow> telling = telling();
        String group = "";
        for (ColdRow r : listed) {
            String own = telling.contains(r) ? "most" : r.group().name().toLowerCase(Locale.ROOT);
            if (!group.equals(own)) list.heading(session.say("cold.group." + own));
            group = own;
            list.add(List.of(r, tight, session.words().get()), () -> row(r));
        }
        if (listed.isEmpty()) list.empty(session.say(emptyWords()));
        int same = lit.map(this::place).orElse(-1);
        list.light(led || same < 0 ? firstWanted() : same);
    }

    private int place(String label) {
        for (int i = 0; i < listed.size(); i++) if (listed.get(i).label().equals(label)) return i;
        return -1;
    }

    private HBox row(ColdRow r) {
        boolean out = r.standing() == Standing.OUT;
        NeedleBar bar = new NeedleBar();
        if (r.reading().isEmpty()) bar.expected();
        else bar.read(r.deviation(), r.standing(), false);
        String read = r.reading()
                .map(x -> r.read().orElse(session.say("meaning.open")) + (x.doubtful() ? "?" : ""))
                .orElse("·");
        String verdict = session.words().get().say(r.verdict())
                + r.off().map(o -> ", " + o).orElse("");
        String what = session.words().get().say(r.what());
        HBox box = columns(
                Texts.label(r.label()),
                Texts.label(what, "soft"),
                should(r),
                read,
                bar,
                Texts.label(verdict, out ? "out" : "soft"));
        box.setOnMousePressed(e -> led = false);
        box.setAccessibleText(r.label() + " " + what + ", " + read + ", " + verdict);
        return box;
    }

    /** One number where specimens lie close together, else from where to where. */
    private String should(ColdRow r) {
        if (r.usual() > SHOWN_OPEN) return session.say("meaning.open");
        double least = Math.max(r.low(), 0);
        return r.high() < 2 * Math.max(r.usual(), 0.5) ? ohms(r.usual()) : session.say("cold.from", ohms(least));
    }

    private String ohms(double value) {
        return value > SHOWN_OPEN ? session.say("meaning.open") : Figures.ohms(value);
    }

    private Optional<ColdRow> litRow() {
        return list.lit() < listed.size() ? Optional.of(listed.get(list.lit())) : Optional.empty();
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return litRow().map(ColdRow::label).orElse(session.say("step.cold-checks"));
    }

    @Override
    public String prompt() {
        return session.say(litRow().isPresent() ? "cold.prompt" : "cold.prompt-empty");
    }

    /** {@code 33k}, {@code open}, {@code 33k?}, or with a net before it for the first row of that net, or two nets for any pair. */
    @Override
    public CompletableFuture<?> entered(String line) {
        ColdRequest command = ColdRequest.parse(line, name -> listed.stream().anyMatch(r -> names(r, name)));
        if (command instanceof ColdRequest.Pair p) return pair(p.ohms());
        if (command instanceof ColdRequest.Read r) {
            r.name().ifPresent(this::goTo);
            return lit(line, r.ohms());
        }
        if (command instanceof ColdRequest.GoTo g) goTo(g.name());
        return CompletableFuture.completedFuture(null);
    }

    private CompletableFuture<?> lit(String line, OhmsLine read) {
        ColdRow row = litRow().orElseThrow(() -> InputException.at("\"" + line + "\"")
                .because(session.say("cold.no-row"))
                .so(session.say("cold.no-row.remedy")));
        boolean followed = telling().contains(row);
        return taken(row.net(), row.against(), read).thenApply(set -> {
            Platform.runLater(() -> {
                list.moved(KeyCode.DOWN);
                led = followed;
            });
            return set;
        });
    }

    /** Between any two nets, listed or not. */
    private CompletableFuture<SetRecord> pair(OhmsLine read) {
        String net = net(read.nets().get(0));
        String against = net(read.nets().get(1));
        if (net.equals(against))
            throw InputException.at(String.join(" ", read.nets()))
                    .because(session.say("cold.one-net"))
                    .so(session.say("cold.one-net.remedy"));
        return taken(net, against, read);
    }

    private String net(String name) {
        boolean net = Simulator.nets(session.need().chassis()).contains(name);
        return net ? name : session.point(name).net();
    }

    private CompletableFuture<SetRecord> taken(String net, String against, OhmsLine read) {
        return Takes.ohms(session, net, against, read.ohms(), read.doubtful());
    }

    /** The other way round a junction may conduct: that is another question, with a row of its own. */
    private static boolean between(ColdRow r, String net, String against) {
        return r.net().equals(net) && r.against().equals(against);
    }

    /** By net, by part, by its heading, or by both nets in their order. */
    private static boolean names(ColdRow r, String word) {
        if (ColdRequest.isHeading(r.label(), word)) return true;
        String[] nets = word.split("\\s+");
        if (nets.length == 2) return between(r, nets[0], nets[1]);
        return r.net().equalsIgnoreCase(word) || r.part().equalsIgnoreCase(word);
    }

    @Override
    public Optional<ReadingRequest> request() {
        return litRow().map(r -> new ReadingRequest.Ohms(r.net(), r.against()));
    }

    @Override
    public void goTo(String name) {
        led = false;
        for (int i = 0; i < listed.size(); i++)
            if (names(listed.get(i), name)) {
                list.light(i);
                return;
            }
        throw InputException.at(name).because(session.say("cold.no-row")).so(session.say("cold.no-row.remedy"));
    }

    @Override
    public void moved(KeyCode key) {
        led = false;
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder("between\twhat\tshould read\tread\tverdict\n");
        for (ColdRow r : listed)
            text.append(String.join(
                            "\t",
                            r.label(),
                            session.words().get().say(r.what()),
                            should(r),
                            r.reading().map(x -> ohms(x.value())).orElse(""),
                            session.words().get().say(r.verdict())))
                    .append('\n');
        return text.toString();
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"Enter", session.say("ui.hint.next")},
                new String[] {"?", session.say("ui.hint.doubtful")});
    }
}
