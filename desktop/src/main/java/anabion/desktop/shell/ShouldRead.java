package anabion.desktop.shell;

import anabion.core.engine.CircuitPredictor;
import anabion.core.quantity.Figures;
import anabion.core.reading.Condition;
import anabion.desktop.probe.Entry;
import anabion.desktop.session.Session;
import anabion.workshop.Question;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;

/** Answers "what should it read?" in the probe line. */
final class ShouldRead {
    private ShouldRead() {}

    /** The answer stands in the line until the next entry. */
    static CompletableFuture<?> ask(Entry.Should asked, Session session, ProbeLine probe) {
        Condition now = session.condition().get().orElseThrow();
        Question question = Question.of(session.need().chassis(), asked.point(), asked.settings(), now);
        CompletableFuture<String> answer = session.ask(question).thenApply(a -> words(question, a, session));
        // twice later: the line is cleared when the entry has been carried out
        answer.thenAccept(words -> Platform.runLater(() -> Platform.runLater(() -> probe.say(words))));
        return answer;
    }

    private static String words(Question q, Optional<CircuitPredictor.Answer> answer, Session session) {
        if (answer.isEmpty()) return session.say("ui.should.unknown", q.point().label());
        boolean alternates = answer.get().alternating() > 0.5;
        String volts = alternates
                        && Math.abs(answer.get().direct()) < 0.05 * answer.get().alternating()
                ? Figures.volts(answer.get().alternating()) + " ~"
                : Figures.volts(answer.get().direct());
        return session.say(
                "ui.should",
                q.point().label(),
                volts,
                Figures.fixed(q.condition().line(), 0),
                q.condition().band(),
                q.condition().meter().text());
    }
}
