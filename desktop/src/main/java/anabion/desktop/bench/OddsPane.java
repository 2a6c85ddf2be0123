package anabion.desktop.bench;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.ExpectedAnswer;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.Explanation;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Found;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The odds of the causes, why, and what to do next, as the circuit weighs the evidence. */
final class OddsPane extends VBox {
    static final int MOST = 4;
    static final double WORTH = 0.01;
    /** Beside a likely cause one of this share of its odds is not worth its line. */
    static final double BESIDE = 0.05;

    /** Evidence that makes its cause this much likelier, as a logarithm, is worth a line. */
    private static final double SPEAKS = 0.7;

    private final Session session;
    private final Found found;

    OddsPane(Session session, Found found) {
        super(6);
        this.session = session;
        this.found = found;
        if (found.diagnosis().suspects().stream()
                .limit(1)
                .anyMatch(s -> s.first().from().size() > 1))
            getChildren().add(Texts.wrapped(session.say("cause.two"), "soft", "small"));
        getChildren().add(suspects());
        if (found.old()) getChildren().add(Texts.wrapped(session.say("cause.behind"), "soft", "small"));
    }

    private GridPane suspects() {
        GridPane grid = new GridPane();
        grid.setVgap(4);
        grid.setHgap(8);
        int row = 0;
        List<RankedCause> all = found.diagnosis().singly();
        double worth = all.isEmpty() ? 0 : Math.max(WORTH, BESIDE * all.get(0).odds());
        double quiet = found.diagnosis().sound();
        boolean quietFirst =
                quiet >= WORTH && (all.isEmpty() || quiet >= all.get(0).odds());
        if (quietFirst) row(grid, row++, session.say("cause.quiet"), quiet, "medium");
        for (RankedCause s : all) {
            if (row == MOST || (s.odds() < worth && row > 0)) break;
            row(grid, row, session.words().get().say(CauseWords.of(s)), s.odds(), row == 0 ? "medium" : "soft");
            row++;
        }
        if (found.diagnosis().other() >= WORTH)
            row(grid, row++, session.say("cause.other"), found.diagnosis().other(), "soft");
        if (!quietFirst && quiet >= WORTH) row(grid, row, session.say("cause.quiet"), quiet, "soft");
        return grid;
    }

    static void row(GridPane grid, int row, String words, double odds, String style) {
        Label name = Texts.label(words, style);
        Label share = Texts.label(Figures.odds(odds), row == 0 ? "strong" : "soft", "mono");
        GridPane.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        name.setWrapText(true);
        name.setMinHeight(Label.USE_PREF_SIZE);
        share.setMinWidth(Label.USE_PREF_SIZE);
        GridPane.setHalignment(share, javafx.geometry.HPos.RIGHT);
        GridPane.setValignment(share, javafx.geometry.VPos.TOP);
        grid.addRow(row, name, share);
    }

    /** What speaks loudest for the first suspect, and what speaks against it. */
    static List<String> because(Session session, Found found) {
        if (found.why().isEmpty()) return List.of();
        List<String> lines = new ArrayList<>();
        for (Explanation.Reason r : found.why().get(0).loudest(3)) {
            if (Math.abs(r.speaks()) < SPEAKS
                    || r.foreseen().isEmpty()
                    || r.sound().isEmpty()) continue;
            Observation.Measured m = (Observation.Measured) r.observation();
            lines.add(session.say(
                    m.measurement() instanceof Measurement.Level ? "cause.because-level" : "cause.because",
                    m.measurement().at(),
                    session.words()
                            .get()
                            .say(CauseWords.foreseen(
                                    m.measurement(), r.foreseen().get())),
                    session.words()
                            .get()
                            .say(CauseWords.foreseen(m.measurement(), r.sound().get())),
                    session.words().get().say(CauseWords.value(m.measurement(), m.value()))));
        }
        return lines;
    }

    /** @param measurement where a click leads; empty for what is no test */
    record Proposal(String text, Optional<Measurement> measurement) {}

    /** What to do next: the test and repair of a cause that is as good as found, else the tests that tell most. */
    static List<Proposal> next(Session session, Found found) {
        List<Proposal> lines = new ArrayList<>();
        Diagnosis d = found.diagnosis();
        if (d.decided())
            lines.add(new Proposal(
                    session.say(
                            repair(d.suspects().get(0).first()),
                            d.suspects().get(0).parts().stream()
                                    .map(p -> session.words().get().say(Phrase.of("meaning.plain", CauseWords.part(p))))
                                    .collect(Collectors.joining(" / ")),
                            session.words().get().say(proof(found))),
                    Optional.empty()));
        for (Found.Next n : found.next())
            lines.add(new Proposal(
                    session.words().get().say(CauseWords.of(n.test().measurement())) + ": " + meant(session, n) + ".",
                    Optional.of(n.test().measurement())));
        return lines;
    }

    /** What is not renewed is cleaned, resoldered, moved or tuned. */
    private static String repair(Hypothesis h) {
        Fault f = h.from().get(0);
        if (h.from().size() > 1) return "cause.enough";
        if (f.mode() == FaultMode.MISTUNED || f.mode().isOfWiring()) return "cause.enough-" + f.mode();
        return f.mode() == FaultMode.OPEN && !f.amount().isEmpty() ? "cause.enough-contact" : "cause.enough";
    }

    /** What the suspects would show. */
    private static String meant(Session session, Found.Next n) {
        return ExpectedAnswer.byAnswer(n.meanings()).entrySet().stream()
                .map(e -> session.say(
                        "meaning.if",
                        session.words().get().say(e.getKey()),
                        e.getValue().stream().map(who -> named(session, who)).collect(Collectors.joining(" / "))))
                .collect(Collectors.joining("; "));
    }

    private static String named(Session session, List<Hypothesis> faults) {
        return faults.stream()
                .map(h -> session.words().get().say(CauseWords.of(h)))
                .collect(Collectors.joining(", "));
    }

    /** The reading that the cause moved most goes back to what a sound set shows. */
    private static Phrase proof(Found found) {
        return found.why().get(0).loudest(1).stream()
                .filter(r -> r.sound().isPresent()
                        && r.observation() instanceof Observation.Measured m
                        && m.measurement() instanceof Measurement.Volts)
                .findFirst()
                .map(r -> Phrase.of(
                        "cause.proof.volts",
                        ((Measurement.Volts) r.observation().measurement()).point(),
                        Figures.volts(r.sound().orElse(0.0))))
                .orElse(Phrase.of("cause.proof.none"));
    }
}
