package anabion.core.handback;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.SetKind;
import anabion.core.drive.Barrier;
import anabion.core.isolation.Isolation;
import anabion.core.job.ClosingEntry;
import anabion.core.job.ClosingEntry.Kind;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.Whereabouts;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.reading.Reading;
import anabion.core.soak.SoakRun;
import anabion.core.stripdown.Reassembly;
import anabion.core.text.Phrase;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Whether a set may leave the house.
 *
 * @param rows the conditions that concern it, in the order in which they are looked at
 * @param toChassis whether a test of insulation may go to the chassis: where it is proved to be isolated
 */
public record ClosingGate(List<Row> rows, boolean toChassis) {
    /** How a condition stands. */
    public enum State {
        MET,
        OPEN,
        /** Measured, and beyond its limit. */
        FAILED,
        SIGNED
    }

    /**
     * One condition.
     *
     * @param says what is lacking, what was found, or the reason for which it was signed off
     */
    public record Row(ClosingItem item, State state, Phrase says) {
        public boolean bars() {
            return state == State.OPEN || state == State.FAILED;
        }
    }

    public ClosingGate {
        rows = List.copyOf(rows);
    }

    /** What bars it. */
    public List<Row> open() {
        return rows.stream().filter(Row::bars).toList();
    }

    /**
     * Of a set.
     *
     * @param isolation what its circuit shows of it
     * @param readings whether both plug pins were measured against the chassis, among others
     * @param now of the clock
     */
    public static ClosingGate of(
            Chassis chassis, Job job, Isolation isolation, List<Reading> readings, SafetyLimits limits, Instant now) {
        Whereabouts where = Whereabouts.of(job);
        boolean isolated = isolation.proved(
                readings.stream().filter(r -> where.isOfThisVisit(r.at())).toList());
        return new ClosingGate(
                new Looking(chassis, job, where, isolation.mayBeLive(), isolated, limits, now).rows(), isolated);
    }

    private record Looking(
            Chassis chassis,
            Job job,
            Whereabouts where,
            boolean live,
            boolean isolated,
            SafetyLimits limits,
            Instant now) {
        List<Row> rows() {
            List<Row> all = new ArrayList<>();
            for (ClosingItem item : ClosingItem.values()) if (concerns(item)) all.add(row(item));
            return all;
        }

        private boolean mains() {
            Arrangement a = chassis.supply().arrangement();
            return a.usesMains() || live;
        }

        private boolean fused() {
            return chassis.identity().kind() == SetKind.CAR
                    || chassis.parts().stream().anyMatch(p -> p.component() instanceof Component.Fuse);
        }

        private boolean concerns(ClosingItem item) {
            return switch (item) {
                case CAUSE, OPEN_ENDS, TEMPORARY, LOOSE_ENDS, WAITS, TOGETHER, SOAK, BANDS -> true;
                case FUSE -> mains() || fused();
                case TAP, CORD, BACK, INSULATION, TOUCH_CURRENT -> mains();
                case BARRIERS -> live;
                // a chassis that may be joined to the mains is never earthed
                case EARTH -> mains() && isolated;
            };
        }

        private Row row(ClosingItem item) {
            Optional<Phrase> lacks = lacks(item);
            boolean failed =
                    item.isMeasured() && lacks.isPresent() && measured(item).isPresent();
            if (lacks.isEmpty()) return new Row(item, State.MET, found(item));
            Optional<ClosingEntry> signed = last(Kind.SIGNED, item);
            if (signed.isPresent())
                return new Row(
                        item,
                        State.SIGNED,
                        Phrase.of("closing.signed", signed.get().text()));
            return new Row(item, failed ? State.FAILED : State.OPEN, lacks.get());
        }

        private Optional<ClosingEntry> last(Kind kind, ClosingItem item) {
            return job.closing().stream()
                    .filter(e -> e.kind() == kind && e.item().equals(item.code()) && current(e))
                    .reduce((a, b) -> b);
        }

        /** Whether no other part went in since, and the set did not come back. */
        private boolean current(ClosingEntry e) {
            return e.state().equals(job.fitted().id());
        }

        private Optional<ClosingEntry> measured(ClosingItem item) {
            Kind kind =
                    switch (item) {
                        case INSULATION -> Kind.INSULATION;
                        case TOUCH_CURRENT -> Kind.TOUCH;
                        default -> Kind.EARTH;
                    };
            return job.closing().stream()
                    .filter(e -> e.kind() == kind && current(e))
                    .reduce((a, b) -> b);
        }

        /** What is lacking; empty where it is in order. */
        private Optional<Phrase> lacks(ClosingItem item) {
            return switch (item) {
                case CAUSE ->
                    when(
                            job.notes(Note.Kind.CAUSE).stream().noneMatch(n -> where.isOfThisVisit(n.at())),
                            Phrase.of("closing.cause"));
                case OPEN_ENDS ->
                    when(
                            !job.fitted().openEnds().isEmpty(),
                            Phrase.of(
                                    "closing.open-ends", job.fitted().openEnds().size()));
                case TEMPORARY ->
                    when(
                            !job.fitted().temporary().isEmpty(),
                            Phrase.of(
                                    "closing.temporary",
                                    job.fitted().temporary().size()));
                case LOOSE_ENDS ->
                    when(
                            !job.unsettled().isEmpty(),
                            Phrase.of("closing.loose-ends", job.unsettled().size()));
                case WAITS -> when(!job.waiting().isEmpty(), Phrase.of("closing.waits", job.waiting()));
                case TOGETHER -> together();
                case SOAK -> soak();
                case BANDS -> bands();
                case FUSE, TAP, CORD, BACK ->
                    when(last(Kind.CHECKED, item).isEmpty(), Phrase.of("closing." + item.code()));
                case BARRIERS -> {
                    int missing = Barrier.missing(job.casework().stream()
                                    .filter(e -> where.isOfThisVisit(e.at()))
                                    .toList())
                            .size();
                    yield when(missing > 0, Phrase.of("closing.barriers", missing));
                }
                case INSULATION -> insulation();
                case TOUCH_CURRENT -> touch();
                case EARTH -> earth();
            };
        }

        private static Optional<Phrase> when(boolean open, Phrase says) {
            return open ? Optional.of(says) : Optional.empty();
        }

        private Optional<Phrase> together() {
            Reassembly r = Reassembly.of(job.stripDown());
            int off = r.missing().size() + r.leftOver().size();
            return when(off > 0, Phrase.of("closing.together", off));
        }

        private Optional<Phrase> soak() {
            SoakRun run = SoakRun.of(chassis, job, now);
            boolean passed = run.state() == SoakRun.State.PASSED
                    && run.began().filter(where::isOfThisVisit).isPresent();
            return when(!passed, Phrase.of("closing.soak"));
        }

        private Optional<Phrase> bands() {
            List<String> unheard = chassis.bands().stream()
                    .filter(b -> b.kind() != BandKind.DISPLAY)
                    .map(Band::name)
                    .filter(b -> job.closing().stream()
                            .noneMatch(e -> e.kind() == Kind.HEARD && e.item().equals(b) && current(e)))
                    .toList();
            return when(!unheard.isEmpty(), Phrase.of("closing.bands", String.join(", ", unheard)));
        }

        private Optional<Phrase> insulation() {
            Optional<ClosingEntry> m = measured(ClosingItem.INSULATION);
            if (m.isEmpty())
                return Optional.of(Phrase.of(isolated ? "closing.insulation" : "closing.insulation.touchable"));
            double ohms = m.get().values().get(0);
            return when(ohms < limits.insulation(), Phrase.of("closing.beyond", ohms(ohms), ohms(limits.insulation())));
        }

        private Optional<Phrase> touch() {
            Optional<ClosingEntry> m = measured(ClosingItem.TOUCH_CURRENT);
            if (m.isEmpty()) return Optional.of(Phrase.of("closing.touch-current"));
            List<Double> all = m.get().values();
            if (all.size() < ClosingEntry.Plug.values().length)
                return Optional.of(Phrase.of("closing.touch-four", all.size()));
            double most = all.stream().mapToDouble(v -> v).max().orElse(0);
            return when(most > limits.touch(), Phrase.of("closing.beyond", amperes(most), amperes(limits.touch())));
        }

        private Optional<Phrase> earth() {
            Optional<ClosingEntry> m = measured(ClosingItem.EARTH);
            if (m.isEmpty()) return when(last(Kind.CHECKED, ClosingItem.EARTH).isEmpty(), Phrase.of("closing.earth"));
            double ohms = m.get().values().get(0);
            return when(ohms > limits.earth(), Phrase.of("closing.beyond", ohms(ohms), ohms(limits.earth())));
        }

        private static String ohms(double value) {
            return Figures.si(Quantity.ohms(value), 3);
        }

        private static String amperes(double value) {
            return Figures.si(new Quantity(value, Unit.AMPERE), 2);
        }

        /** What was found where it is in order. */
        private Phrase found(ClosingItem item) {
            Optional<ClosingEntry> m = item.isMeasured() ? measured(item) : Optional.empty();
            if (m.isEmpty()) return Phrase.of("closing.met");
            return item == ClosingItem.TOUCH_CURRENT
                    ? Phrase.of(
                            "closing.measured",
                            amperes(m.get().values().stream()
                                    .mapToDouble(v -> v)
                                    .max()
                                    .orElse(0)))
                    : Phrase.of("closing.measured", ohms(m.get().values().get(0)));
        }
    }
}
