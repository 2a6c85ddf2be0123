package anabion.core.reading;

import anabion.core.chassis.Measure;
import anabion.core.chassis.Renames;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * One reading, with all that it needs to be judged later.
 *
 * @param point where the probe was, such as {@code V4.1}
 * @param reference the net it was measured against
 * @param value volts or ohms, signed
 * @param doubtful marked by the user: shown, but not judged upon
 * @param state the fitted state it was taken in
 */
public record Reading(
        UUID id,
        String point,
        String reference,
        Measure measure,
        double value,
        boolean doubtful,
        Condition condition,
        UUID state,
        Instant at,
        Extra extra) {
    /** As taken under another condition. */
    public Reading withCondition(Condition other) {
        return new Reading(id, point, reference, measure, value, doubtful, other, state, at, extra);
    }

    /** After a part got another reference: both nets may be named after its pins. */
    public Reading renamed(String from, String to) {
        return new Reading(
                id,
                Renames.point(point, from, to),
                Renames.point(reference, from, to),
                measure,
                value,
                doubtful,
                condition.withOpenEnds(condition.openEnds().stream()
                        .map(e -> Renames.owned(e, from, to))
                        .toList()),
                state,
                at,
                extra);
    }

    /** Whether another says that the same was read at the same point under the same condition; its time, doubt and id do not matter. */
    public boolean isSameMeasurement(Reading other) {
        return point.equals(other.point)
                && reference.equals(other.reference)
                && measure == other.measure
                && value == other.value
                && condition.equals(other.condition);
    }

    /** With another value, in the unit of its measure. */
    public Reading withValue(double newValue) {
        return new Reading(id, point, reference, measure, newValue, doubtful, condition, state, at, extra);
    }

    /** Under another id. */
    public Reading withId(UUID newId) {
        return new Reading(newId, point, reference, measure, value, doubtful, condition, state, at, extra);
    }
}
