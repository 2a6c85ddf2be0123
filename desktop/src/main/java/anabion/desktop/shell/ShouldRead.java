package anabion.desktop.shell;

import anabion.core.command.Entry;
import anabion.core.quantity.Figures;
import anabion.core.reading.Condition;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.dc.Overload;
import anabion.desktop.session.Session;
import anabion.workshop.Question;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/** Answers "what should it read?" in the probe line. */
final class ShouldRead {
    private ShouldRead() {}

    /** What the line says until the next entry. */
    record Answer(String words) {}

    static CompletableFuture<Answer> ask(Entry.Should asked, Session session) {
        Condition now = session.condition().get().orElseThrow();
        Question question = Question.of(session.need().chassis(), asked.point(), asked.settings(), now);
        return session.ask(question).thenApply(a -> new Answer(words(question, a, session)));
    }

    private static String words(Question q, Optional<CircuitPredictor.Answer> answer, Session session) {
        if (answer.isEmpty()) return session.say("ui.should.unknown", q.point().label());
        boolean alternates = answer.get().alternating() > 0.5;
        String volts = alternates
                        && Math.abs(answer.get().direct()) < 0.05 * answer.get().alternating()
                ? Figures.volts(answer.get().alternating()) + " ~"
                : Figures.volts(answer.get().direct());
        String said = session.say(
                "ui.should",
                q.point().label(),
                volts,
                Figures.fixed(q.condition().line(), 0),
                q.condition().band(),
                q.condition().meter().text());
        StringBuilder all = new StringBuilder(said);
        q.condition()
                .level()
                .ifPresent(l -> all.append(
                        l.carrier() > 0
                                ? session.say("ui.should.signal", Figures.fixed(l.carrier(), 0))
                                : session.say(
                                        "ui.should.no-signal", q.condition().signal())));
        for (Overload o : answer.get().overloads())
            all.append(session.say(
                    "ui.should.overload",
                    o.part(),
                    session.say("place.heat." + o.place().code()),
                    Figures.fixed(o.watts(), 1),
                    Figures.fixed(o.limit(), 1)));
        return all.toString();
    }
}
