package anabion.core.job;

import anabion.core.tree.Extra;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * Everything that happened to one set here, but for its readings and photos.
 *
 * @param steps states that somebody set by hand; the others are derived
 */
public record Job(
        Arrival arrival, Map<Step, StepState> steps, List<Alteration> alterations, String waitsFor, Extra extra) {
    public static final int FORMAT = 1;
    public static final Job NEW = new Job(Arrival.NONE, Map.of(), List.of(), "", Extra.NONE);

    public Job {
        Map<Step, StepState> ordered = new EnumMap<>(Step.class);
        ordered.putAll(steps);
        steps = Collections.unmodifiableMap(ordered);
        alterations = List.copyOf(alterations);
    }

    public Job withArrival(Arrival newArrival) {
        return new Job(newArrival, steps, alterations, waitsFor, extra);
    }

    public Job withStep(Step step, StepState state) {
        Map<Step, StepState> changed = new EnumMap<>(Step.class);
        changed.putAll(steps);
        changed.put(step, state);
        return new Job(arrival, changed, alterations, waitsFor, extra);
    }

    public Job withWaitsFor(String what) {
        return new Job(arrival, steps, alterations, what, extra);
    }

    public Job altered(Alteration alteration) {
        List<Alteration> more = new ArrayList<>(alterations);
        more.add(alteration);
        return new Job(arrival, steps, more, waitsFor, extra);
    }

    /** The state the set is in now. */
    public FittedState fitted() {
        return FittedState.after(alterations);
    }
}
