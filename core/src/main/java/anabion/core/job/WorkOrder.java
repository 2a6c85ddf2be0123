package anabion.core.job;

import anabion.core.chassis.Chassis;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;

/** The steps of a job with their state, count and next action, derived from what is known. */
public final class WorkOrder {
    private WorkOrder() {}

    /**
     * One step as shown.
     *
     * @param done how many of its items are done
     * @param total how many there are; 0 where it has no items to count
     * @param next what to do in it next
     */
    public record Item(Step step, StepState state, int done, int total, Phrase next) {}

    /**
     * @param read how many charted points have a reading
     * @param charted how many points the chart has
     */
    public static List<Item> of(Chassis chassis, Job job, int read, int charted) {
        List<Item> items = new ArrayList<>();
        for (Step step : Step.values()) items.add(item(step, chassis, job, read, charted));
        return items;
    }

    /** The first step that is not done: where the job stands. */
    public static Item current(List<Item> items) {
        return items.stream()
                .filter(i -> i.state() != StepState.DONE && !passedBy(i, items))
                .findFirst()
                .orElse(items.get(items.size() - 1));
    }

    /** Whoever works inside a set has passed the step of taking it apart, though all that came off is on again only at the end. */
    private static boolean passedBy(Item item, List<Item> items) {
        return item.step() == Step.STRIP_DOWN
                && items.stream().anyMatch(i -> i.step().compareTo(Step.STRIP_DOWN) > 0 && i.state() != StepState.OPEN);
    }

    private static Item item(Step step, Chassis chassis, Job job, int read, int charted) {
        Item derived =
                switch (step) {
                    case ARRIVAL -> arrival(chassis, job.arrival());
                    case STUDY -> study(chassis);
                    case STRIP_DOWN -> stripDown(job);
                    case RECAP -> recap(job);
                    case VOLTAGES -> voltages(read, charted);
                    case ALIGN ->
                        new Item(
                                step,
                                job.alignment().isEmpty() ? StepState.OPEN : StepState.UNDER_WAY,
                                0,
                                0,
                                Phrase.of("next." + step.code()));
                    case SOAK ->
                        new Item(
                                step,
                                job.soak().isEmpty() ? StepState.OPEN : StepState.UNDER_WAY,
                                0,
                                0,
                                Phrase.of("next." + step.code()));
                    case DRIVE_AND_CASE -> drive(job);
                    case HAND_BACK -> handBack(job);
                    case COLD_CHECKS, FIRST_POWER, TRACE ->
                        new Item(step, StepState.OPEN, 0, 0, Phrase.of("next." + step.code()));
                };
        StepState state = job.marked(step).map(Marked::state).orElse(derived.state());
        return new Item(step, state, derived.done(), derived.total(), derived.next());
    }

    private static Item arrival(Chassis chassis, Arrival arrival) {
        boolean named = !chassis.identity().model().isEmpty();
        boolean heard = arrival.complaints().stream().anyMatch(c -> c.symptom() != SymptomKind.UNTRIED);
        StepState state = named && heard ? StepState.DONE : named ? StepState.UNDER_WAY : StepState.OPEN;
        return new Item(Step.ARRIVAL, state, 0, 0, Phrase.of(heard ? "next.arrival-more" : "next.arrival"));
    }

    private static Item study(Chassis chassis) {
        int done = (chassis.parts().isEmpty() ? 0 : 1)
                + (chassis.chart().isEmpty() ? 0 : 1)
                + (chassis.stages().isEmpty() ? 0 : 1);
        StepState state = done == 0 ? StepState.OPEN : done == 3 ? StepState.DONE : StepState.UNDER_WAY;
        String next = chassis.parts().isEmpty()
                ? "next.study-parts"
                : chassis.stages().isEmpty()
                        ? "next.study-stages"
                        : chassis.chart().isEmpty() ? "next.study-chart" : "next.study-more";
        return new Item(Step.STUDY, state, done, 3, Phrase.of(next));
    }

    private static Item drive(Job job) {
        int done = (int)
                job.casework().stream().filter(e -> e.result().isPresent()).count();
        boolean begun = !job.casework().isEmpty() || !job.cords().isEmpty();
        return new Item(
                Step.DRIVE_AND_CASE,
                begun ? StepState.UNDER_WAY : StepState.OPEN,
                done,
                job.casework().size(),
                Phrase.of("next.drive-and-case"));
    }

    /** Done while the set is out of the house. */
    private static Item handBack(Job job) {
        boolean away = Whereabouts.of(job).away();
        boolean begun = job.closing().stream()
                .anyMatch(e -> e.state().equals(job.fitted().id()));
        StepState state = away ? StepState.DONE : begun ? StepState.UNDER_WAY : StepState.OPEN;
        return new Item(Step.HAND_BACK, state, 0, 0, Phrase.of("next." + Step.HAND_BACK.code()));
    }

    private static Item stripDown(Job job) {
        List<StripDownEntry> all = job.stripDown();
        int on = (int)
                all.stream().filter(e -> e.state() == StripDownEntry.State.ON).count();
        boolean done = !all.isEmpty() && on == all.size();
        StepState state = all.isEmpty() ? StepState.OPEN : done ? StepState.DONE : StepState.UNDER_WAY;
        return new Item(
                Step.STRIP_DOWN,
                state,
                on,
                all.size(),
                Phrase.of(all.isEmpty() ? "next.strip-down" : "next.strip-down-more"));
    }

    private static Item recap(Job job) {
        int fitted = (int) job.recap().ticks().values().stream()
                .filter(t -> t.contains(Tick.FITTED))
                .count();
        boolean begun = job.recap().ticks().values().stream().anyMatch(t -> !t.isEmpty());
        StepState state = begun ? StepState.UNDER_WAY : StepState.OPEN;
        Phrase next = fitted == 0 ? Phrase.of("next.recap") : Phrase.of("next.recap-more", fitted);
        return new Item(Step.RECAP, state, fitted, 0, next);
    }

    private static Item voltages(int read, int charted) {
        StepState state = read == 0 ? StepState.OPEN : read < charted ? StepState.UNDER_WAY : StepState.DONE;
        Phrase next = charted == 0
                ? Phrase.of("next.voltages-chart")
                : read < charted ? Phrase.of("next.voltages", charted - read) : Phrase.of("next.voltages-done");
        return new Item(Step.VOLTAGES, state, read, charted, next);
    }
}
