package anabion.core.job;

import anabion.core.tree.Extra;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * Everything that happened to one set here, but for its readings and photos.
 *
 * @param steps those that somebody marked by hand, in the order of the work; the others are derived
 */
public record Job(Arrival arrival, List<Marked> steps, List<Alteration> alterations, String waitsFor, Extra extra) {
    public static final int FORMAT = 2;
    public static final Job NEW = new Job(Arrival.NONE, List.of(), List.of(), "", Extra.NONE);

    public Job {
        steps = steps.stream().sorted(Comparator.comparing(Marked::step)).toList();
        alterations = List.copyOf(alterations);
    }

    public Job withArrival(Arrival newArrival) {
        return new Job(newArrival, steps, alterations, waitsFor, extra);
    }

    /** What somebody marked the step as. */
    public Optional<Marked> marked(Step step) {
        return steps.stream().filter(m -> m.step() == step).findFirst();
    }

    public Job withStep(Step step, StepState state) {
        List<Marked> changed = new ArrayList<>(steps);
        Optional<Marked> before = marked(step);
        before.ifPresent(changed::remove);
        changed.add(new Marked(
                before.map(Marked::id).orElseGet(UUID::randomUUID),
                step,
                state,
                before.map(Marked::extra).orElse(Extra.NONE)));
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
