package anabion.desktop.bench;

import anabion.core.chassis.Stage;
import anabion.core.coldcheck.ColdDanger;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.evidence.DirectProof;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.Step;
import anabion.core.lineup.LineUpModel;
import anabion.core.quantity.Figures;
import anabion.core.reading.Expectation;
import anabion.core.reading.Finding;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.judgement.Judge;
import anabion.core.stripdown.Reassembly;
import anabion.core.tracing.StageOdds;
import anabion.desktop.control.FadingScrollPane;
import anabion.desktop.control.Texts;
import anabion.desktop.session.DirectFindings;
import anabion.desktop.session.Found;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** What the numbers say, why, and what to do next, in plain sentences. */
final class VerdictPane extends BorderPane {
    /** Steps that are worked with the set switched on. */
    private static final Set<Step> POWERED =
            EnumSet.of(Step.FIRST_POWER, Step.VOLTAGES, Step.TRACE, Step.ALIGN, Step.SOAK);

    /** Steps of which the log in the job says all. */
    private static final Set<Step> LOGGED = EnumSet.of(Step.STRIP_DOWN, Step.SOAK, Step.DRIVE_AND_CASE, Step.HAND_BACK);

    private static final int MOST_PROOFS = 2;
    private static final double NARROW_BELOW = 260;
    private static final PseudoClass NARROW = PseudoClass.getPseudoClass("narrow");

    private final Session session;
    private final VBox body = new VBox(8);
    private final VBox foot = new VBox(6);
    private Consumer<Measurement> whenChosen = p -> {};
    private final BooleanProperty arithmetic = new SimpleBooleanProperty();
    private final ObjectProperty<Optional<ReadingRow>> lit = new SimpleObjectProperty<>(Optional.empty());

    VerdictPane(Session session) {
        this.session = session;
        getStyleClass().add("sheet");
        ScrollPane scroll = new FadingScrollPane(body);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        body.setPadding(new Insets(12, 14, 12, 14));
        foot.setPadding(new Insets(0, 14, 12, 14));
        setCenter(scroll);
        setBottom(foot);
        // in a small window what to do next would lie beneath the fold
        widthProperty().addListener((o, a, b) -> pseudoClassStateChanged(NARROW, b.doubleValue() < NARROW_BELOW));
        session.verdict().addListener((o, a, b) -> rebuild());
        session.diagnoses().found().addListener((o, a, b) -> rebuild());
        session.diagnoses().alone().addListener((o, a, b) -> rebuild());
        session.diagnoses().direct().known().addListener((o, a, b) -> rebuild());
        session.stage().addListener((o, a, b) -> rebuild());
        session.isolation().addListener((o, a, b) -> rebuild());
        session.power().shown().addListener((o, a, b) -> rebuild());
        session.alignments().shown().addListener((o, a, b) -> rebuild());
        session.step().addListener((o, a, b) -> rebuild());
        session.set().addListener((o, a, b) -> {
            if (LOGGED.contains(session.step().get())) rebuild();
        });
        session.words().addListener((o, a, b) -> rebuild());
        session.limits().addListener((o, a, b) -> rebuild());
        arithmetic.addListener((o, a, b) -> rebuild());
        lit.addListener((o, a, b) -> {
            if (arithmetic.get()) rebuild();
        });
        rebuild();
    }

    BooleanProperty arithmetic() {
        return arithmetic;
    }

    /** The row whose arithmetic is wanted. */
    ObjectProperty<Optional<ReadingRow>> lit() {
        return lit;
    }

    private void add(Node... nodes) {
        body.getChildren().addAll(nodes);
    }

    /** That odds are on their way; takes no room when they are not. */
    private Label weighing() {
        Label weighing = Texts.label(session.say("ui.verdict.weighing"), "soft", "small");
        weighing.visibleProperty().bind(session.diagnoses().weighing());
        weighing.managedProperty().bind(session.diagnoses().weighing());
        return weighing;
    }

    private void rebuild() {
        body.getChildren().clear();
        foot.getChildren().clear();
        Optional<Own> own = own();
        add(Texts.label(session.say(own.map(Own::title).orElse("ui.verdict")), "soft", "small"), weighing());
        List<Finding> findings = findings();
        if (arithmetic.get()) showArithmetic();
        DirectFindings.Known known = session.diagnoses().direct().known().get();
        if (known.stops()) stop(known.dangers());
        Optional<Found> found = session.stage().get().isPresent()
                ? Optional.empty()
                : session.diagnoses().found().get();
        if (own.isEmpty() && session.stage().get().isEmpty())
            known.proofs().stream().limit(MOST_PROOFS).forEach(p -> proved(p, found));
        if (own.isPresent()) add(own.get().pane());
        else if (found.isPresent()) weighed(found.get(), findings);
        else if (findings.isEmpty()) nothing();
        else findings(findings);
        // the chains of a display, and stages traced beside charted volts
        if (own.isEmpty() && (found.isPresent() || !findings.isEmpty()))
            alone().ifPresent(o -> add(
                    Texts.rule(),
                    Texts.wrapped(StagesPane.headline(session, o), "medium"),
                    new StagesPane(session, o)));
        safety();
    }

    /** A danger comes before any odds. */
    private void stop(List<ColdDanger> dangers) {
        ColdDanger first = dangers.get(0);
        Label head = Texts.wrapped(session.words().get().say(first.words()), "headline", "brick");
        add(head, Texts.wrapped(session.words().get().say(first.next())));
        dangers.stream()
                .skip(1)
                .forEach(d -> add(Texts.wrapped(session.words().get().say(d.words()), "brick")));
        add(Texts.rule(), Texts.label(session.say("danger.all-the-same"), "soft", "small"));
    }

    /** That a part is bad, and what the odds say of its part in the complaint. */
    private void proved(DirectProof p, Optional<Found> found) {
        String errs = Figures.fixed(100 * DirectProof.ERROR, 0);
        Optional<Double> odds = found.filter(f -> !f.old()).map(f -> f.diagnosis().singly().stream()
                .filter(s -> s.parts().contains(p.part()))
                .mapToDouble(RankedCause::odds)
                .sum());
        add(
                Texts.label(session.say("proof.head"), "soft", "small"),
                Texts.wrapped(session.words().get().say(p.says()), "medium"),
                Texts.wrapped(
                        odds.map(o -> session.say("proof.odds", errs, Figures.odds(Math.min(1, o))))
                                .orElseGet(() -> session.say("proof.no-odds", errs)),
                        "soft",
                        "small"),
                Texts.rule());
    }

    /** What a step says itself, under a heading of its own. */
    private record Own(String title, Node pane) {}

    private Optional<Own> own() {
        if (session.set().get().isEmpty()) return Optional.empty();
        return switch (session.step().get()) {
            case FIRST_POWER ->
                session.power().shown().get().map(p -> new Own("power.verdict", new PowerPane(session, p)));
            case ALIGN ->
                session.alignments().shown().get().map(a -> new Own("align.verdict", new AlignPane(session, a)));
            case STRIP_DOWN -> Optional.of(new Own("stripdown.verdict", new StripDownPane(session)));
            case SOAK -> Optional.of(new Own("soak.verdict", new SoakPane(session)));
            case HAND_BACK -> Optional.of(new Own("closing.verdict", new HandBackPane(session)));
            case DRIVE_AND_CASE -> Optional.of(new Own("case.verdict", new DrivePane(session)));
            default -> Optional.empty();
        };
    }

    /** What the stages alone say, unless one of them was chosen. */
    private Optional<StageOdds> alone() {
        return session.stage().get().isPresent()
                ? Optional.empty()
                : session.diagnoses().alone().get();
    }

    private List<Finding> findings() {
        List<Finding> all = session.verdict().get().map(Judge.Verdict::findings).orElse(List.of());
        Optional<Stage> stage = session.stage()
                .get()
                .flatMap(s -> session.set().get().flatMap(r -> r.chassis().stage(s)));
        return stage.map(s -> all.stream().filter(f -> concerns(f, s)).toList()).orElse(all);
    }

    private static boolean concerns(Finding f, Stage stage) {
        return f.suspects().stream()
                        .anyMatch(s -> stage.parts().contains(s.fault().part()))
                || stage.parts().contains(f.point().split("\\.")[0]);
    }

    /** When a proposed test is clicked. */
    void onTest(Consumer<Measurement> handler) {
        whenChosen = handler;
    }

    private void nothing() {
        Step step = session.step().get();
        String next = session.order().stream()
                .filter(i -> i.step() == step)
                .findFirst()
                .map(i -> session.words().get().say(i.next()))
                .orElse("");
        boolean readings = session.verdict().get().map(v -> v.read() > 0).orElse(false);
        String key = session.stage().get().isPresent()
                ? "ui.verdict.stage-quiet"
                : readings ? "ui.verdict.quiet" : "ui.verdict.empty";
        Optional<StageOdds> alone = alone();
        String quiet = session.say(key, session.stage().get().orElse(""));
        add(Texts.wrapped(alone.map(o -> StagesPane.headline(session, o)).orElse(quiet), "headline"));
        alone.ifPresent(o -> add(new StagesPane(session, o)));
        add(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"), Texts.wrapped(next));
    }

    private void findings(List<Finding> findings) {
        Finding first = findings.get(0);
        add(Texts.wrapped(session.words().get().say(first.headline()), "headline"));
        add(Texts.wrapped(String.join(" ", because(first))));
        if (!first.suspects().isEmpty()) add(suspects(first));
        add(
                Texts.rule(),
                Texts.label(session.say("ui.next"), "soft", "small"),
                numbered(first.tests().stream()
                        .map(t -> new OddsPane.Proposal(session.words().get().say(t), Optional.empty()))
                        .toList()));
        also(findings.subList(1, findings.size()));
    }

    private List<String> because(Finding f) {
        return f.because().stream().map(p -> session.words().get().say(p)).toList();
    }

    private void also(List<Finding> others) {
        if (others.isEmpty()) return;
        add(Texts.rule(), Texts.label(session.say("ui.also"), "soft", "small"));
        others.forEach(f -> add(Texts.wrapped(session.words().get().say(f.headline()), "medium")));
    }

    /** The odds over the whole circuit; the pattern's words where it suspects the same part. */
    private void weighed(Found found, List<Finding> findings) {
        Set<String> parts = found.diagnosis().suspects().stream()
                .findFirst()
                .map(RankedCause::parts)
                .orElse(Set.of());
        Optional<Finding> same = findings.stream()
                .filter(f -> f.suspects().stream()
                        .anyMatch(s -> parts.contains(s.fault().part())))
                .findFirst();
        List<String> why = new ArrayList<>(same.map(this::because).orElseGet(() -> OddsPane.because(session, found)));
        if (same.isPresent()) {
            add(Texts.wrapped(session.words().get().say(same.get().headline()), "headline"));
            // what was seen at once; how it follows comes after what to do
            if (!why.isEmpty()) add(Texts.wrapped(why.remove(0)));
        } else add(Texts.wrapped(session.words().get().say(CauseWords.headline(found.diagnosis())), "headline"));
        add(new OddsPane(session, found));
        List<OddsPane.Proposal> next = OddsPane.next(session, found);
        if (!next.isEmpty()) add(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"), numbered(next));
        if (!why.isEmpty()) {
            add(Texts.rule(), Texts.label(session.say("ui.why"), "soft", "small"));
            why.forEach(l -> add(Texts.wrapped(l)));
        }
        also(findings.stream()
                .filter(f -> same.isEmpty() || !f.equals(same.get()))
                .toList());
        add(Texts.wrapped(
                found.inferred() ? places(found) : session.say("cause.weighed", found.pieces()), "soft", "small"));
    }

    /** That places are all that can be told so far, and whose parts would tell more. */
    private String places(Found found) {
        return LineUpModel.byTube(found.diagnosis()).entrySet().stream()
                .findFirst()
                .map(e -> session.say("cause.places", found.pieces(), e.getKey(), Figures.odds(e.getValue())))
                .orElse(session.say("cause.places-none", found.pieces()));
    }

    private GridPane suspects(Finding finding) {
        GridPane grid = new GridPane();
        grid.setVgap(4);
        grid.setHgap(8);
        for (int i = 0; i < finding.suspects().size(); i++) {
            Label name = Texts.label(
                    session.words().get().say(finding.suspects().get(i).words()), i == 0 ? "medium" : "soft");
            Label rank = Texts.label(session.say(i == 0 ? "ui.suspect.first" : "ui.suspect.also"), "soft", "small");
            grid.addRow(i, name, rank);
            GridPane.setHgrow(name, javafx.scene.layout.Priority.ALWAYS);
            name.setMaxWidth(Double.MAX_VALUE);
            name.setWrapText(true);
            rank.setMinWidth(Label.USE_PREF_SIZE);
        }
        return grid;
    }

    private GridPane numbered(List<OddsPane.Proposal> lines) {
        GridPane grid = new GridPane();
        grid.setHgap(10);
        grid.setVgap(6);
        for (int i = 0; i < lines.size(); i++) {
            Label number = Texts.label(String.valueOf(i + 1), "petrol", "strong");
            GridPane.setValignment(number, javafx.geometry.VPos.TOP);
            number.setMinWidth(12);
            Label line = Texts.wrapped(lines.get(i).text());
            lines.get(i).measurement().ifPresent(p -> {
                line.setCursor(Cursor.HAND);
                line.setOnMouseClicked(e -> whenChosen.accept(p));
            });
            grid.addRow(i, number, line);
        }
        return grid;
    }

    private void showArithmetic() {
        Optional<Expectation> e = lit.get().flatMap(ReadingRow::expectation);
        add(Texts.label(
                session.say(
                        "ui.arithmetic", lit.get().map(r -> r.point().label()).orElse("")),
                "medium",
                "petrol"));
        if (e.isEmpty()) add(Texts.wrapped(session.say("ui.arithmetic.none"), "soft"));
        else
            e.get()
                    .arithmetic()
                    .forEach(p -> add(Texts.wrapped(session.words().get().say(p), "small")));
        add(Texts.rule());
    }

    /** Quiet at the foot; the dangerous case stands in the band above the sheet. */
    private void safety() {
        Optional<SetRecord> set = session.set().get();
        if (set.isEmpty()) return;
        foot.getChildren().add(Texts.rule());
        String text = POWERED.contains(session.step().get()) ? live() : session.say("safety.quiet");
        // the arrival sheet says it itself
        if (session.step().get() == Step.STUDY)
            text = session.isolation()
                    .get()
                    .map(i -> session.words().get().say(i.words(set.get().readingsOfThisVisit())))
                    .orElse("");
        foot.getChildren().add(Texts.wrapped(text, "soft", "small"));
    }

    private String live() {
        double highest = session.verdict().get().stream()
                .flatMap(v -> v.rows().stream())
                .flatMap(r -> r.reading().stream())
                .mapToDouble(r -> Math.abs(r.value()))
                .max()
                .orElse(0);
        return highest > 30 ? session.say("safety.live", Figures.volts(highest)) : session.say("safety.powered");
    }

    /** The one danger to state in the band above the sheet; empty when there is none in this step. */
    static Optional<String> danger(Session session) {
        Optional<SetRecord> set = session.set().get();
        List<ColdDanger> dangers = session.diagnoses().direct().known().get().dangers();
        if (!dangers.isEmpty())
            return Optional.of(session.words().get().say(dangers.get(0).words()));
        boolean powered = POWERED.contains(session.step().get());
        if (set.isEmpty() || !powered) return Optional.empty();
        int hanging = Reassembly.of(set.get().job().stripDown()).hanging().size();
        if (hanging > 0) return Optional.of(session.say("safety.hanging", hanging));
        List<Alteration> open = set.get().job().fitted().openEnds();
        if (!open.isEmpty())
            return Optional.of(session.say(
                    "safety.open-end",
                    String.join(", ", open.stream().map(Alteration::part).toList())));
        return session.isolation().get().filter(Isolation::mayBeLive).map(i -> session.words()
                .get()
                .say(i.words(set.get().readingsOfThisVisit())));
    }
}
