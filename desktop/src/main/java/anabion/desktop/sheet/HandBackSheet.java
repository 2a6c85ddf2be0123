package anabion.desktop.sheet;

import anabion.core.chassis.Band;
import anabion.core.command.ClosingLine;
import anabion.core.error.InputException;
import anabion.core.handback.ClosingGate;
import anabion.core.handback.ClosingItem;
import anabion.core.handback.SafetyLimits;
import anabion.core.isolation.Isolation;
import anabion.core.job.ClosingEntry;
import anabion.core.job.ClosingEntry.Kind;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.Whereabouts;
import anabion.core.json.Extra;
import anabion.desktop.control.LitRows;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.Timer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What must be in order before a set leaves the house, row by row. */
public final class HandBackSheet implements Sheet {
    private static final String LIMITS = "safety.limits";

    private final Session session;
    private final BorderPane pane = new BorderPane();
    private final Label detail = Texts.wrapped("");
    private final LitRows list;

    public HandBackSheet(Session session, Runnable whenShown) {
        this.session = session;
        this.list = new LitRows(() -> {
            detail();
            whenShown.run();
        });
        pane.getStyleClass().add("sheet");
        Label how = Texts.label(session.say("closing.how"), "soft");
        how.setMinWidth(0);
        HBox top = new HBox(10, Texts.label(session.say("step.hand-back"), "title"), how);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        detail.setPadding(new Insets(8, 14, 12, 14));
        pane.setTop(top);
        pane.setCenter(list.node());
        pane.setBottom(new VBox(Texts.rule(), detail));
        session.set().addListener((o, a, b) -> show());
        session.isolation().addListener((o, a, b) -> show());
        session.words().addListener((o, a, b) -> show());
        session.ask(w -> w.setting(LIMITS), kept -> {
            kept.map(SafetyLimits::read).ifPresent(session.limits()::set);
            show();
        });
        show();
    }

    /** The conditions of the set in hand. */
    public static Optional<ClosingGate> gate(Session session) {
        return session.set().get().map(s -> {
            Isolation known = session.isolation().get().orElseGet(() -> Isolation.unproved(s.chassis()));
            return ClosingGate.of(
                    s.chassis(),
                    s.job(),
                    known,
                    s.readings(),
                    session.limits().get(),
                    session.clock().instant());
        });
    }

    private List<ClosingGate.Row> rows() {
        return gate(session).map(ClosingGate::rows).orElse(List.of());
    }

    private void show() {
        int lit = list.lit();
        list.clear();
        for (ClosingGate.Row r : rows()) list.add(List.of(r, session.words().get()), () -> row(r));
        list.light(lit);
    }

    private HBox row(ClosingGate.Row r) {
        String name = session.say("closing.item." + r.item().code());
        String says = session.words().get().say(r.says());
        HBox mark = new HBox(new Mark(mark(r)));
        mark.setMinWidth(22);
        mark.setAlignment(Pos.CENTER_LEFT);
        Label words = Texts.label(says, r.bars() ? "" : "soft");
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(mark, Texts.column(name, 150, false, "medium"), words);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText(name + ", " + says);
        return row;
    }

    private static Mark.Kind mark(ClosingGate.Row r) {
        return switch (r.state()) {
            case MET -> Mark.Kind.DISC;
            case OPEN -> Mark.Kind.RING;
            case FAILED -> Mark.Kind.TRIANGLE;
            case SIGNED -> Mark.Kind.SQUARE;
        };
    }

    private void detail() {
        detail.setText(lit().map(this::detail).orElse(""));
    }

    private String detail(ClosingGate.Row r) {
        String says = session.words().get().say(r.says()) + ".";
        if (!r.bars()) return says;
        String to = r.item().isLookedAt()
                ? "look"
                : r.item().isMeasured() ? "measure" : r.item() == ClosingItem.CAUSE ? "say" : "mend";
        return says + " " + session.say("closing.to." + to);
    }

    private Optional<ClosingGate.Row> lit() {
        List<ClosingGate.Row> rows = rows();
        return list.lit() >= 0 && list.lit() < rows.size() ? Optional.of(rows.get(list.lit())) : Optional.empty();
    }

    // --- typed lines ---

    @Override
    public CompletableFuture<?> entered(String line) {
        ClosingLine typed = ClosingLine.parse(line);
        if (typed instanceof ClosingLine.Limit l) return limit(l);
        if (typed instanceof ClosingLine.Measured m) return measured(line, m);
        if (typed instanceof ClosingLine.Heard h) return heard(h);
        if (typed instanceof ClosingLine.HandedBack h) return handedBack(h);
        if (typed instanceof ClosingLine.Signed s)
            return put(entry(Kind.SIGNED, meant(line, s.item()).code()).withText(s.reason()));
        ClosingItem item = meant(line, ((ClosingLine.Checked) typed).item());
        if (!item.isLookedAt() && item != ClosingItem.EARTH)
            throw InputException.at(line)
                    .because(session.say("closing.told", session.say("closing.item." + item.code())))
                    .so(session.say("closing.told.remedy"));
        return put(entry(Kind.CHECKED, item.code()));
    }

    /** Out of the house and into the archive, with a day to ask how it plays. */
    private CompletableFuture<?> handedBack(ClosingLine.HandedBack h) {
        int open = (int) rows().stream().filter(ClosingGate.Row::bars).count();
        if (open > 0)
            throw InputException.at("handed back")
                    .because(session.say("closing.still-open", open))
                    .so(session.say("closing.still-open.remedy"));
        if (Whereabouts.of(session.need().job()).away())
            throw InputException.at("handed back")
                    .because(session.say("closing.away"))
                    .so(session.say("closing.away.remedy"));
        List<Op> ops = new ArrayList<>();
        ops.add(new Op.PutJob(session.need()
                .job()
                .with(entry(Kind.HANDED_BACK, "").withText(h.to()))
                .withStep(Step.HAND_BACK, StepState.DONE)));
        ops.add(new Op.PutPlace(Op.Place.ARCHIVE));
        h.ask()
                .ifPresent(length -> ops.add(new Op.PutTimer(
                        Timer.starting(session.need().id(), session.say("closing.ask"), length, session.clock()))));
        return session.change(session.say("ui.change.closing.handed-back"), ops.toArray(new Op[0]));
    }

    private CompletableFuture<?> limit(ClosingLine.Limit l) {
        SafetyLimits now = session.limits().get().with(l.which(), l.value());
        session.limits().set(now);
        session.remember(LIMITS, now.text());
        show();
        return CompletableFuture.completedFuture(null);
    }

    /** What does not concern this set is refused: above all a test that could hurt it or somebody. */
    private CompletableFuture<?> measured(String line, ClosingLine.Measured m) {
        ClosingItem item =
                switch (m.kind()) {
                    case INSULATION -> ClosingItem.INSULATION;
                    case TOUCH -> ClosingItem.TOUCH_CURRENT;
                    default -> ClosingItem.EARTH;
                };
        if (rows().stream().noneMatch(r -> r.item() == item))
            throw InputException.at(line)
                    .because(session.say("closing.not-here." + item.code()))
                    .so(session.say("closing.not-here.remedy"));
        return put(entry(m.kind(), "").withValues(m.values()));
    }

    private CompletableFuture<?> heard(ClosingLine.Heard h) {
        String band = session.need().chassis().bands().stream()
                .map(Band::name)
                .filter(h.band()::equalsIgnoreCase)
                .findFirst()
                .orElseThrow(() -> InputException.at(h.band())
                        .because(session.say("ui.no-band"))
                        .so(session.say(
                                "ui.no-band.remedy",
                                String.join(
                                        ", ",
                                        session.need().chassis().bands().stream()
                                                .map(Band::name)
                                                .toList()))));
        return put(entry(Kind.HEARD, band).withValues(List.of(h.stations())).withText(h.text()));
    }

    private ClosingItem meant(String line, Optional<ClosingItem> named) {
        ClosingItem item = named.or(() -> lit().map(ClosingGate.Row::item)).orElseThrow(() -> InputException.at(line)
                .because(session.say("closing.no-row"))
                .so(session.say("closing.no-row.remedy")));
        if (rows().stream().noneMatch(r -> r.item() == item))
            throw InputException.at(line)
                    .because(session.say("closing.no-concern"))
                    .so(session.say("closing.no-row.remedy"));
        return item;
    }

    private CompletableFuture<?> put(ClosingEntry entry) {
        return session.putJob(
                session.say("ui.change.closing." + entry.kind().code()),
                session.need().job().with(entry));
    }

    private ClosingEntry entry(Kind kind, String item) {
        return new ClosingEntry(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                item,
                List.of(),
                "",
                session.need().job().fitted().id(),
                Extra.NONE);
    }

    // --- what every sheet has ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return lit().map(r -> session.say("closing.item." + r.item().code())).orElse(session.say("step.hand-back"));
    }

    @Override
    public String prompt() {
        return session.say("closing.prompt");
    }

    @Override
    public void moved(KeyCode key) {
        list.moved(key);
    }

    @Override
    public String copy() {
        StringBuilder text = new StringBuilder();
        rows().forEach(r -> text.append(session.say("closing.item." + r.item().code()))
                .append('\t')
                .append(session.words().get().say(r.says()))
                .append('\n'));
        return text.toString();
    }

    @Override
    public List<String[]> hints() {
        return List.of(
                new String[] {"sign because …", session.say("closing.hint.sign")},
                new String[] {"handed back", session.say("closing.hint.handed")});
    }
}
