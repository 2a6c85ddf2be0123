package anabion.core.job;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * Everything that happened to one set here, but for its readings and photos.
 *
 * @param alignment what was done to its adjusters, in that order
 * @param closing what was measured and looked at before it was handed back
 * @param notes for its history
 * @param orders what was ordered for it
 * @param cords the runs of its dial cords
 * @param casework what was done to controls and case
 * @param soak the log of its soaks
 * @param stripDown what was taken off, in that order
 * @param steps those that somebody marked by hand, in the order of the work; the others are derived
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Job(
        Arrival arrival,
        List<Marked> steps,
        List<Alteration> alterations,
        String waitsFor,
        RecapLog recap,
        List<LooseEnd> loose,
        List<Heard> heard,
        List<Trial> trials,
        List<Compared> compared,
        PowerLog power,
        List<AlignmentEntry> alignment,
        List<StripDownEntry> stripDown,
        List<SoakEntry> soak,
        List<CordRun> cords,
        List<CaseEntry> casework,
        List<Note> notes,
        List<Order> orders,
        List<ClosingEntry> closing,
        Extra extra)
        implements JobBuilder.With {
    public static final int FORMAT = 2;
    public static final Job NEW = new Job(
            Arrival.NONE,
            List.of(),
            List.of(),
            "",
            RecapLog.NONE,
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            PowerLog.NONE,
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            Extra.NONE);

    public Job {
        steps = steps.stream().sorted(Comparator.comparing(Marked::step)).toList();
        alterations = List.copyOf(alterations);
        loose = List.copyOf(loose);
        heard = List.copyOf(heard);
        trials = List.copyOf(trials);
        compared = List.copyOf(compared);
        alignment = List.copyOf(alignment);
        stripDown = List.copyOf(stripDown);
        soak = List.copyOf(soak);
        cords = List.copyOf(cords);
        casework = List.copyOf(casework);
        notes = List.copyOf(notes);
        orders = List.copyOf(orders);
        closing = List.copyOf(closing);
    }

    /** What somebody marked the step as. */
    public Optional<Marked> marked(Step step) {
        return steps.stream().filter(m -> m.step() == step).findFirst();
    }

    /** With a step marked. */
    public Job withStep(Step step, StepState state) {
        List<Marked> changed = new ArrayList<>(steps);
        Optional<Marked> before = marked(step);
        before.ifPresent(changed::remove);
        changed.add(new Marked(
                before.map(Marked::id).orElseGet(UUID::randomUUID),
                step,
                state,
                before.map(Marked::extra).orElse(Extra.NONE)));
        return withSteps(changed);
    }

    /** With one more alteration. */
    public Job altered(Alteration alteration) {
        List<Alteration> more = new ArrayList<>(alterations);
        more.add(alteration);
        return withAlterations(more);
    }

    /**
     * As it is when the set is in the house again: its complaints are to be heard anew, and of the steps from the cold checks on none is done.
     *
     * @param before what it had come with, for its history
     */
    public Job cameBack(Alteration back, Note before) {
        return altered(back)
                .with(before)
                .withArrival(arrival.withComplaints(List.of()))
                .withSteps(steps.stream()
                        .filter(m -> m.step().compareTo(Step.COLD_CHECKS) < 0)
                        .toList());
    }

    /** With one more open end. */
    public Job with(LooseEnd end) {
        List<LooseEnd> more = new ArrayList<>(loose);
        more.add(end);
        return withLoose(more);
    }

    /** With all that is loose about a part made good. */
    public Job settled(String part) {
        List<LooseEnd> all = loose.stream()
                .map(l -> l.part().equalsIgnoreCase(part) ? l.settle() : l)
                .toList();
        return withLoose(all);
    }

    /** What is not made good yet. */
    public List<LooseEnd> unsettled() {
        return loose.stream().filter(l -> !l.settled()).toList();
    }

    /** With something heard; what was heard at the same place in the same state before is replaced. */
    public Job with(Heard now) {
        List<Heard> all = new ArrayList<>(heard);
        all.removeIf(h -> h.same(now) && h.state().equals(now.state()));
        all.add(now);
        return withHeard(all);
    }

    /** With a part tried out; the same trial in the same state before is replaced. */
    public Job with(Trial now) {
        List<Trial> all = new ArrayList<>(trials);
        all.removeIf(now::same);
        all.add(now);
        return withTrials(all);
    }

    /** With a band compared; the same comparison in the same state before is replaced. */
    public Job with(Compared now) {
        List<Compared> all = new ArrayList<>(compared);
        all.removeIf(now::same);
        all.add(now);
        return withCompared(all);
    }

    /** With one more line in the log of power-ups. */
    public Job with(PowerEntry entry) {
        return withPower(power.with(entry));
    }

    /** With one more line in the log of alignments. */
    public Job with(AlignmentEntry entry) {
        List<AlignmentEntry> more = new ArrayList<>(alignment);
        more.add(entry);
        return withAlignment(more);
    }

    /** With one more line in the log of soaks. */
    public Job with(SoakEntry entry) {
        List<SoakEntry> more = new ArrayList<>(soak);
        more.add(entry);
        return withSoak(more);
    }

    /** With something measured or looked at before it is handed back. */
    public Job with(ClosingEntry entry) {
        List<ClosingEntry> more = new ArrayList<>(closing);
        more.add(entry);
        return withClosing(more);
    }

    /** With something for its history. */
    public Job with(Note note) {
        List<Note> more = new ArrayList<>(notes);
        more.add(note);
        return withNotes(more);
    }

    /** Its notes of a kind. */
    public List<Note> notes(Note.Kind kind) {
        return notes.stream().filter(n -> n.kind() == kind).toList();
    }

    /** With something ordered, or come. */
    public Job with(Order order) {
        List<Order> all = new ArrayList<>(orders);
        all.replaceAll(o -> o.id().equals(order.id()) ? order : o);
        if (!all.contains(order)) all.add(order);
        return withOrders(all);
    }

    /** What it waits for: as said, else what was ordered and has not come, the first that is due first; empty where nothing holds it up. */
    public String waiting() {
        if (!waitsFor.isEmpty()) return waitsFor;
        return orders.stream()
                .filter(o -> o.arrived().isEmpty())
                .sorted(Comparator.comparing(o -> o.due().orElse(LocalDate.MAX)))
                .map(o -> o.what() + o.due().map(d -> " (" + d + ")").orElse(""))
                .collect(Collectors.joining(", "));
    }

    /** With a run of cord, in place of the one of its name. */
    public Job with(CordRun run) {
        List<CordRun> all = new ArrayList<>(cords);
        all.replaceAll(c -> c.name().equals(run.name()) ? run : c);
        if (!all.contains(run)) all.add(run);
        return withCords(all);
    }

    /** With work on the case, or what came of it. */
    public Job with(CaseEntry entry) {
        List<CaseEntry> all = new ArrayList<>(casework);
        all.replaceAll(e -> e.id().equals(entry.id()) ? entry : e);
        if (!all.contains(entry)) all.add(entry);
        return withCasework(all);
    }

    /** With something taken off, or what became of it. */
    public Job with(StripDownEntry entry) {
        List<StripDownEntry> all = new ArrayList<>(stripDown);
        all.replaceAll(e -> e.id().equals(entry.id()) ? entry : e);
        if (!all.contains(entry)) all.add(entry);
        return withStripDown(all);
    }

    /** The parts that something befell on the bench, until it is made good. */
    public Set<String> accidents() {
        return unsettled().stream()
                .filter(l -> l.kind() == LooseKind.ACCIDENT)
                .map(LooseEnd::part)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** After a part got another reference: what was heard at its pins, its trials, and its rails. */
    public Job renamed(String from, String to) {
        List<Heard> all = heard.stream().map(h -> h.renamed(from, to)).toList();
        List<Trial> tried = trials.stream().map(t -> t.renamed(from, to)).toList();
        List<Alteration> altered =
                alterations.stream().map(a -> a.renamed(from, to)).toList();
        return withHeard(all)
                .withTrials(tried)
                .withAlterations(altered)
                .withRecap(recap.renamed(from, to))
                .withPower(power.renamed(from, to));
    }

    /** The state the set is in now. */
    public FittedState fitted() {
        return FittedState.after(alterations);
    }
}
