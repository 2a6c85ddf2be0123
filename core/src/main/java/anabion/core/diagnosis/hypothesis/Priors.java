package anabion.core.diagnosis.hypothesis;

import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartClass;
import anabion.core.diagnosis.evidence.FailureHistory;
import anabion.core.simulation.fault.FaultFigures;
import anabion.core.simulation.fault.FaultFigures.Factor;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * How often parts fail, relative to a leaky paper capacitor, before anything of a set is known. The figures are general knowledge of the
 * trade for sets of the 1930s to 1960s that have lain for decades.
 *
 * @param year of the set; 0 when not known
 * @param disturbed whether an earlier visitor's work was seen: joints, wrong values and moved cores are likelier then
 * @param accidents references of parts to which whoever works on the set did something: any fault of theirs is likelier
 * @param history how many times as often as usual parts of a kind failed in this workshop, and those of a make as often as their kind
 */
public record Priors(int year, boolean disturbed, Set<String> accidents, Map<Priors.Key, Double> history) {
    public static final Priors USUAL = new Priors(0, false, Set.of(), Map.of());

    private static final FaultFigures FIGURES = FaultFigures.standard();
    /** Waxed paper was given up for better kinds from about here to there. */
    private static final int WAX = 1955;

    private static final int FILM = 1963;
    /** Carbon of this many ohms drifts as often as the figures say. */
    private static final double USUAL_OHMS = 100e3;

    public Priors {
        accidents = Set.copyOf(accidents);
        history = Map.copyOf(history);
    }

    /**
     * What a history is kept by.
     *
     * @param make mark of the parts' maker; empty for all makes
     */
    public record Key(PartClass kind, String make, FaultMode mode) {
        /** The key for parts of any make. */
        public Key anyMake() {
            return new Key(kind, "", mode);
        }
    }

    /** With an earlier visitor's work seen. */
    public Priors visited() {
        return new Priors(year, true, accidents, history);
    }

    /** With what befell parts on the bench. */
    public Priors afterAccidents(Set<String> parts) {
        return new Priors(year, disturbed, parts, history);
    }

    /** For a set of a year; 0 when not known. */
    public Priors from(int builtIn) {
        return new Priors(builtIn, disturbed, accidents, history);
    }

    /** With what a workshop has found itself, from {@link FailureHistory#factors}. */
    public Priors with(Map<Key, Double> experience) {
        return new Priors(year, disturbed, accidents, experience);
    }

    /** The kind of part and its make, and a way of failing. Marks are one whether written in capitals or not. */
    public static Key key(Part p, FaultMode mode) {
        return new Key(PartClass.of(p.component()), p.make().strip().toUpperCase(Locale.ROOT), mode);
    }

    private double experience(Key key) {
        double kind = history.getOrDefault(key.anyMake(), 1.0);
        return key.make().isEmpty() ? kind : kind * history.getOrDefault(key, 1.0);
    }

    /** Relative odds of a fault of a part, wherever it sits: see {@link PartStress}. */
    public double weight(Part p, Fault f) {
        double usual = usual(p, f.mode());
        boolean touched = f.mode() == FaultMode.JOINT || f.mode() == FaultMode.WRONG || f.mode() == FaultMode.MISTUNED;
        return usual
                * age(PartClass.of(p.component()), f.mode())
                * drift(p, f)
                * (together(p, f) ? FIGURES.factor(Factor.TOGETHER) : 1)
                * (f.mode() == FaultMode.JOINT && !f.amount().isEmpty() ? FIGURES.factor(Factor.CONDUCTING) : 1)
                * (disturbed && touched ? FIGURES.factor(Factor.DISTURBED) : 1)
                * (accidents.contains(p.reference()) ? FIGURES.factor(Factor.ACCIDENT) : 1)
                * experience(key(p, f.mode()));
    }

    private static boolean together(Part p, Fault f) {
        return p.component() instanceof Component.Capacitor c
                && c.farads().size() > 1
                && f.target().equals(p.reference());
    }

    /** High values of old carbon drift oftener than low ones, and up rather than down. */
    private static double drift(Part p, Fault f) {
        if (!(p.component() instanceof Component.Resistor r) || f.mode() != FaultMode.DRIFTED) return 1;
        double size = Math.max(
                FIGURES.factor(Factor.DRIFT_SELDOM),
                Math.min(
                        FIGURES.factor(Factor.DRIFT_OFTEN),
                        Math.pow(r.ohms() / USUAL_OHMS, FIGURES.factor(Factor.DRIFT_POWER))));
        boolean fallen = !f.amount().isEmpty() && f.ohms().value() < r.ohms();
        return fallen ? FIGURES.factor(Factor.FALLEN) * size : size;
    }

    /** Before anything of the set is known. */
    public double usual(Part p, FaultMode mode) {
        boolean contact =
                p.component() instanceof Component.Switch s && s.contacts().size() > 2;
        return contact ? FIGURES.factor(Factor.CONTACT) : FIGURES.prior(PartClass.of(p.component()), mode);
    }

    private double age(PartClass kind, FaultMode mode) {
        if (year <= 0 || kind != PartClass.PAPER || mode == FaultMode.OPEN) return 1;
        return year < WAX ? FIGURES.factor(Factor.WAXED) : year < FILM ? 1 : FIGURES.factor(Factor.LATE_PAPER);
    }
}
