package anabion.desktop.session;

import anabion.core.chassis.Place;
import anabion.core.chassis.Stage;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.ExpectedAnswer;
import anabion.core.diagnosis.inference.Explanation;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import java.util.List;

/**
 * What the evidence on the set on the bench says.
 *
 * @param why explanations of the first suspects, in their order
 * @param next what to do next, with what it would mean
 * @param pieces how many pieces of evidence were weighed
 * @param inferred whether no circuit is entered: what is suspected are places at the tubes of the line-up
 * @param old whether there is newer evidence, still being weighed
 */
public record Found(
        Diagnosis diagnosis, List<Explanation> why, List<Next> next, int pieces, boolean inferred, boolean old) {
    /** A test, and what it would show for each of the first suspects and a sound set. */
    public record Next(RatedMeasurement test, List<ExpectedAnswer> meanings) {}

    public Found {
        why = List.copyOf(why);
        next = List.copyOf(next);
    }

    Found behind() {
        return new Found(diagnosis, why, next, pieces, inferred, true);
    }

    /** Odds that the fault is in a stage: those of its parts, a group shared out evenly among its causes. */
    public double odds(Stage stage) {
        double sum = 0;
        for (RankedCause s : diagnosis.suspects()) {
            long mine = s.causes().stream()
                    .filter(h -> h.from().stream().anyMatch(f -> stage.parts().contains(Place.owner(f.part()))))
                    .count();
            sum += s.odds() * mine / s.causes().size();
        }
        return sum;
    }
}
