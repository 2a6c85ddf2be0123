package anabion.desktop.bench;

import anabion.core.diagnosis.Diagnosis;
import anabion.core.tracing.StageOdds;
import anabion.desktop.session.Session;
import java.util.Map;
import java.util.Optional;
import javafx.scene.layout.GridPane;

/** The odds of the stages, where they alone say where the fault lies. */
final class StagesPane extends GridPane {
    StagesPane(Session session, StageOdds odds) {
        setVgap(4);
        setHgap(8);
        int row = 0;
        double first = odds.odds().values().stream().findFirst().orElse(0.0);
        for (Map.Entry<StageOdds.Cause, Double> e : odds.odds().entrySet()) {
            if (row == OddsPane.MOST || e.getValue() < Math.max(OddsPane.WORTH, OddsPane.BESIDE * first)) break;
            OddsPane.row(this, row, named(session, e.getKey()), e.getValue(), row == 0 ? "medium" : "soft");
            row++;
        }
        if (odds.other() >= OddsPane.WORTH) OddsPane.row(this, row, session.say("cause.other"), odds.other(), "soft");
    }

    /** What they come to, in a line. */
    static String headline(Session session, StageOdds odds) {
        if (odds.other() >= Diagnosis.LEADING_ODDS) return session.say("cause.headline", session.say("cause.other"));
        Optional<StageOdds.Cause> first = odds.odds().entrySet().stream()
                .findFirst()
                .filter(e -> e.getValue() >= Diagnosis.LEADING_ODDS)
                .map(Map.Entry::getKey);
        return first.map(c -> session.say("cause.headline", named(session, c)))
                .orElseGet(() -> session.say("cause.undecided"));
    }

    private static String named(Session session, StageOdds.Cause c) {
        return c.band().isEmpty() ? c.stage() : session.say("trace.own", c.stage(), c.band());
    }
}
