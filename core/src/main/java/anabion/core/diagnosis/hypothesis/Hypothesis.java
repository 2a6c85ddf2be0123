package anabion.core.diagnosis.hypothesis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.simulation.fault.FaultList;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One thing, or two, that may be wrong, between two severities; a sound set has no fault.
 *
 * @param from the least severity
 * @param to the greatest; the same faults where there are no degrees
 * @param prior odds before any evidence
 */
public record Hypothesis(List<Fault> from, List<Fault> to, double prior) {
    /** Odds that a set on the bench is sound, and that what is wrong is on no list, before any evidence. */
    public static final double SOUND = 0.04;

    public static final double OTHER = 0.06;
    /** How much rarer a given second fault is that came about by itself, relative to its odds alone. */
    private static final double SECOND = 0.25;

    public Hypothesis {
        from = List.copyOf(from);
        to = List.copyOf(to);
    }

    /** Whether nothing is wrong. */
    public boolean sound() {
        return from.isEmpty();
    }

    /** Whether its severity is a range, not one amount. */
    public boolean graded() {
        return !from.equals(to);
    }

    /** What would be repaired, whatever the severity: part and way of failing. */
    public String cause() {
        if (from.size() == 1) return from.get(0).cause();
        return from.stream().map(Fault::cause).collect(Collectors.joining(" + "));
    }

    /** Every single fault of a chassis, and the sound set. */
    public static List<Hypothesis> of(Chassis chassis, Priors priors, PartStress stress) {
        List<Hypothesis> all = new ArrayList<>();
        double sum = 0;
        for (List<Fault> way : FaultList.ways(chassis)) {
            Fault first = way.get(0);
            Part part = chassis.part(first.part()).orElseThrow();
            double weight = priors.weight(part, first) * stress.of(part, first);
            sum += weight;
            int segments = Math.max(1, way.size() - 1);
            for (int n = 0; n < segments; n++)
                all.add(new Hypothesis(
                        List.of(way.get(n)), List.of(way.get(Math.min(n + 1, way.size() - 1))), weight / segments));
        }
        double whole = sum / (1 - SOUND - OTHER);
        List<Hypothesis> scaled = new ArrayList<>();
        for (Hypothesis h : all) scaled.add(new Hypothesis(h.from(), h.to(), h.prior() / whole));
        scaled.add(new Hypothesis(List.of(), List.of(), SOUND));
        return scaled;
    }

    /**
     * At one severity, for words: what is foreseen is kept by hypotheses as they were listed.
     *
     * @param at of each fault, from 0 for the least to 1 for the greatest
     */
    public Hypothesis at(IntToDoubleFunction at) {
        List<Fault> exact = new ArrayList<>();
        for (int n = 0; n < from.size(); n++) exact.add(from.get(n).toward(to.get(n), at.applyAsDouble(n)));
        return new Hypothesis(exact, exact, prior);
    }

    /** The single faults of which it consists. */
    public List<Hypothesis> apart() {
        if (from.size() < 2) return List.of(this);
        List<Hypothesis> all = new ArrayList<>();
        for (int n = 0; n < from.size(); n++) all.add(new Hypothesis(List.of(from.get(n)), List.of(to.get(n)), prior));
        return all;
    }

    /** Both at once; the order of the two does not matter. */
    public Hypothesis and(Hypothesis other) {
        if (cause().compareTo(other.cause()) > 0) return other.and(this);
        return new Hypothesis(
                Stream.concat(from.stream(), other.from().stream()).toList(),
                Stream.concat(to.stream(), other.to().stream()).toList(),
                SECOND * prior * other.prior());
    }

    @Override
    public String toString() {
        if (sound()) return "sound";
        String least = from.stream().map(Fault::text).collect(Collectors.joining(" + "));
        return from.equals(to)
                ? least
                : least + "…" + to.stream().map(Fault::text).collect(Collectors.joining(" + "));
    }
}
