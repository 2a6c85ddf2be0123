package anabion.desktop.sheet;

import anabion.core.chassis.Dielectric;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.recap.Choice;
import anabion.core.recap.Item;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.recap.SeleniumSwap;
import anabion.core.recap.Tested;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;

/** The lines of the recap sheet: a batch's name, its parts, the test that ends it. */
final class RecapRows {
    private static final Columns WIDE = new Columns(58, 142, 104, 148, 62, 34);
    private static final Columns TIGHT = new Columns(50, 104, 80, 110, 52, 28);

    private record Columns(double part, double role, double was, double now, double volts, double tick) {}

    /** A line: of a part where it has a key. */
    record ShownRow(String key, String text, boolean heading, Optional<Item> item) {}

    private final Session session;
    private Columns columns = WIDE;
    private RecapLog log = RecapLog.NONE;
    private Map<String, PartTest> tests = Map.of();

    RecapRows(Session session) {
        this.session = session;
    }

    boolean tight(boolean narrow) {
        Columns fitting = narrow ? TIGHT : WIDE;
        boolean changed = !fitting.equals(columns);
        columns = fitting;
        return changed;
    }

    /** Takes the ticks and the deciding tests of the set on the bench, once for all lines. */
    void read() {
        log = session.set().get().map(s -> s.job().recap()).orElse(RecapLog.NONE);
        tests = session.set().get().map(s -> Tested.deciding(log, s.chassis())).orElse(Map.of());
    }

    /** The lines of a plan, batch by batch, then what stays. */
    List<ShownRow> lines(Plan plan) {
        List<ShownRow> lines = new ArrayList<>();
        int n = 0;
        for (Plan.Batch b : plan.batches()) {
            lines.add(new ShownRow("", ++n + "  " + say(b.title()), true, Optional.empty()));
            for (String key : b.keys()) lines.add(new ShownRow(key, other(plan, key), false, plan.item(key)));
            lines.add(new ShownRow("", say(b.test()), false, Optional.empty()));
        }
        List<Item> kept = plan.items().stream()
                .filter(i -> i.choice().action() == Choice.Action.KEEP)
                .toList();
        if (!kept.isEmpty()) lines.add(new ShownRow("", session.say("recap.stays"), true, Optional.empty()));
        kept.forEach(i -> lines.add(new ShownRow(i.key(), "", false, Optional.of(i))));
        return lines;
    }

    private String say(anabion.core.text.Phrase phrase) {
        return session.words().get().say(phrase);
    }

    /** What is done to a part that is no capacitor. */
    private String other(Plan plan, String key) {
        return plan.resistors().stream()
                .filter(r -> r.part().reference().equals(key))
                .map(r -> r.part().printed() + ": " + say(r.rule()) + ", "
                        + session.say("recap.watts", Figures.fixed(r.wanted(), r.wanted() < 1 ? 2 : 0)))
                .findFirst()
                .or(() -> plan.tubes().stream()
                        .filter(t -> t.part().reference().equals(key))
                        .map(t -> t.part().printed() + ": " + say(t.test()) + ", " + say(t.spare()))
                        .findFirst())
                .or(() -> plan.swaps().stream()
                        .filter(s -> s.part().reference().equals(key))
                        .map(this::swap)
                        .findFirst())
                .orElse("");
    }

    private String swap(SeleniumSwap s) {
        return session.say(
                "recap.swap-row",
                Figures.si(new Quantity(s.ohms(), Unit.OHM)),
                Figures.fixed(2 * s.watts(), 1),
                Figures.fixed(s.inverse(), 0),
                Figures.fixed(s.reached(), 0),
                Figures.fixed(s.target(), 0));
    }

    HBox head() {
        HBox head = new HBox(
                Texts.column(session.say("recap.head.part"), columns.part(), false),
                Texts.column(session.say("recap.head.role"), columns.role(), false),
                Texts.column(session.say("recap.head.was"), columns.was(), false),
                Texts.column(session.say("recap.head.now"), columns.now(), false),
                Texts.column(session.say("recap.head.volts"), columns.volts(), true),
                Texts.gap());
        for (Tick t : Tick.values()) {
            Label word = Texts.column(session.say("recap.tick." + t.code()), columns.tick(), false);
            word.setAlignment(Pos.CENTER);
            head.getChildren().add(word);
        }
        head.getStyleClass().add("head");
        head.setMinWidth(0);
        return head;
    }

    HBox row(ShownRow line) {
        if (line.heading()) {
            HBox box = new HBox(Texts.label(line.text(), "strong", "petrol"));
            box.setAlignment(Pos.BASELINE_LEFT);
            box.setPadding(new Insets(8, 14, 0, 10));
            return box;
        }
        if (line.key().isEmpty()) {
            Label test = Texts.label(line.text(), "soft", "small");
            test.setMinWidth(0);
            HBox box = new HBox(8, new Mark(Mark.Kind.HALF), test);
            box.setAlignment(Pos.CENTER_LEFT);
            box.setPadding(new Insets(5, 14, 0, 10));
            return box;
        }
        HBox box = new HBox(Texts.column(line.key(), columns.part(), false, "medium"));
        line.item().ifPresentOrElse(i -> part(i, box), () -> {
            Label text = Texts.label(line.text(), "soft");
            text.setMinWidth(0);
            HBox.setHgrow(text, Priority.ALWAYS);
            text.setMaxWidth(Double.MAX_VALUE);
            box.getChildren().add(text);
        });
        if (line.item().isPresent()) box.getChildren().add(Texts.gap());
        ticks(line, log.ticks(line.key()), failed(line), box);
        box.setAlignment(Pos.CENTER_LEFT);
        box.setPadding(new Insets(4, 14, 0, 10));
        return box;
    }

    private void part(Item i, HBox box) {
        String now =
                switch (i.choice().action()) {
                    case RENEW -> Labels.of(i.choice());
                    case TEST ->
                        columns.equals(TIGHT)
                                ? session.say("recap.action.test")
                                : session.say("recap.test-or", Labels.of(i.choice()));
                    case KEEP -> session.say("recap.action.keep");
                };
        boolean warned = !i.choice().warnings().isEmpty();
        box.getChildren()
                .addAll(
                        Texts.column(session.say("recap.role." + i.role().code()), columns.role(), false, "soft"),
                        Texts.column(i.piece().part().printed(), columns.was(), false, "soft"),
                        Texts.column(now, columns.now(), false, warned ? "brick" : "medium"),
                        Texts.column(Figures.fixed(i.stress().worst(), 0) + " V", columns.volts(), true, "soft"));
    }

    /** Whether the test that decides about a part fails it. */
    private boolean failed(ShownRow line) {
        return Optional.ofNullable(tests.get(line.key()))
                .filter(t -> line.item()
                        .map(i -> Tested.of(t, i.piece()))
                        .orElseGet(() -> Tested.of(t))
                        .fails())
                .isPresent();
    }

    private void ticks(ShownRow line, Set<Tick> done, boolean failed, HBox box) {
        boolean keeps = line.item()
                .filter(i -> i.choice().action() == Choice.Action.KEEP)
                .isPresent();
        for (Tick t : Tick.values()) {
            boolean electrolytic = line.item()
                    .filter(i -> i.choice().kind() == Dielectric.ELECTROLYTIC)
                    .isPresent();
            boolean blank = keeps || (t == Tick.POLARITY && !electrolytic);
            StackPane cell = new StackPane();
            cell.setMinWidth(columns.tick());
            cell.setPrefWidth(columns.tick());
            cell.setMaxWidth(columns.tick());
            Mark.Kind kind = t == Tick.MEASURED && failed ? Mark.Kind.TRIANGLE : Mark.Kind.DISC;
            if (!blank) cell.getChildren().add(new Mark(done.contains(t) ? kind : Mark.Kind.RING));
            box.getChildren().add(cell);
        }
    }
}
