package anabion.core.diagnosis.hypothesis;

import anabion.core.chassis.Component;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.FailureHistory;
import java.util.Locale;
import java.util.Map;

/**
 * How often parts fail, relative to a leaky paper capacitor, before anything of a set is known. The figures are general knowledge of the
 * trade for sets of the 1930s to 1960s that have lain for decades.
 *
 * @param year of the set; 0 when not known
 * @param disturbed whether an earlier visitor's work was seen: joints, wrong values and moved cores are likelier then
 * @param history how many times as often as usual parts of a kind failed in this workshop, and those of a make as often as their kind
 */
public record Priors(int year, boolean disturbed, Map<Priors.Key, Double> history) {
    public static final Priors USUAL = new Priors(0, false, Map.of());

    private static final Map<FaultMode, Double> PAPER =
            Map.of(FaultMode.LEAKY, 1.0, FaultMode.SHORT, 0.35, FaultMode.OPEN, 0.35, FaultMode.WRONG, 0.02);
    private static final Map<FaultMode, Double> ELECTROLYTIC = Map.of(
            FaultMode.DRIED,
            1.2,
            FaultMode.OPEN,
            0.5,
            FaultMode.LEAKY,
            0.4,
            FaultMode.SHORT,
            0.35,
            FaultMode.WRONG,
            0.02);
    private static final Map<FaultMode, Double> SMALL =
            Map.of(FaultMode.LEAKY, 0.1, FaultMode.SHORT, 0.08, FaultMode.OPEN, 0.1, FaultMode.WRONG, 0.02);
    private static final Map<FaultMode, Double> RESISTOR =
            Map.of(FaultMode.DRIFTED, 0.5, FaultMode.OPEN, 0.5, FaultMode.WRONG, 0.02);
    private static final Map<FaultMode, Double> WINDING = Map.of(
            FaultMode.OPEN,
            0.35,
            FaultMode.SHORT,
            0.08,
            FaultMode.LEAKY,
            0.08,
            FaultMode.CORE,
            0.06,
            FaultMode.MISTUNED,
            0.06);
    private static final Map<FaultMode, Double> TUBE = Map.of(
            FaultMode.EMISSION, 1.0,
            FaultMode.DEAD, 0.4,
            FaultMode.GASSY, 0.25,
            FaultMode.HEATER_OPEN, 0.35,
            FaultMode.HEATER_CATHODE, 0.25,
            FaultMode.JOINT, 0.08);
    private static final Map<FaultMode, Double> TRANSISTOR = Map.of(
            FaultMode.OPEN, 0.5, FaultMode.SHORT, 0.5, FaultMode.LEAKY, 0.8, FaultMode.GAIN, 0.4, FaultMode.WEAK, 0.6);
    /** One contact of a switch that has many. */
    private static final double CONTACT = 0.06;

    private static final double REST = 0.25;
    private static final double PAPER_FROM = 9e-10;
    private static final double DISTURBED = 3;
    /** Waxed paper was given up for better kinds from about here to there. */
    private static final int WAX = 1955;

    private static final int FILM = 1963;
    /** How much oftener a paper capacitor from before leaks, and how much rarer one from after. */
    private static final double WAXED = 1.5;

    private static final double LATE = 0.4;

    /** Old carbon falls where it was overheated, and so often. */
    private static final double FALLEN = 0.2;
    /** Carbon of this many ohms drifts as often as the tables say, more ohms oftener: by this power of the ratio, within these bounds. */
    private static final double USUAL_OHMS = 100e3;

    private static final double POWER = 0.25;
    private static final double SELDOM = 0.4;
    private static final double OFTEN = 1.6;

    public Priors {
        history = Map.copyOf(history);
    }

    /**
     * What a history is kept by.
     *
     * @param make mark of the parts' maker; empty for all makes
     */
    public record Key(String kind, String make, FaultMode mode) {
        public Key anyMake() {
            return new Key(kind, "", mode);
        }
    }

    /** With an earlier visitor's work seen. */
    public Priors visited() {
        return new Priors(year, true, history);
    }

    /** For a set of a year; 0 when not known. */
    public Priors from(int builtIn) {
        return new Priors(builtIn, disturbed, history);
    }

    /** With what a workshop has found itself, from {@link FailureHistory#factors}. */
    public Priors with(Map<Key, Double> experience) {
        return new Priors(year, disturbed, experience);
    }

    /** The kind of part and its make, and a way of failing. Marks are one whether written in capitals or not. */
    public static Key key(Part p, FaultMode mode) {
        return new Key(kind(p.component()), p.make().strip().toUpperCase(Locale.ROOT), mode);
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
                * age(kind(p.component()), f.mode())
                * drift(p, f)
                * (disturbed && touched ? DISTURBED : 1)
                * experience(key(p, f.mode()));
    }

    /** High values of old carbon drift oftener than low ones, and up rather than down. */
    private static double drift(Part p, Fault f) {
        if (!(p.component() instanceof Component.Resistor r) || f.mode() != FaultMode.DRIFTED) return 1;
        double size = Math.max(SELDOM, Math.min(OFTEN, Math.pow(r.ohms() / USUAL_OHMS, POWER)));
        boolean fallen = !f.amount().isEmpty() && f.ohms().value() < r.ohms();
        return fallen ? FALLEN * size : size;
    }

    /** Before anything of the set is known. */
    public double usual(Part p, FaultMode mode) {
        boolean contact =
                p.component() instanceof Component.Switch s && s.contacts().size() > 2;
        return contact ? CONTACT : table(kind(p.component())).getOrDefault(mode, REST);
    }

    private double age(String kind, FaultMode mode) {
        if (year <= 0 || !kind.equals("paper") || mode.equals(FaultMode.OPEN)) return 1;
        return year < WAX ? WAXED : year < FILM ? 1 : LATE;
    }

    private static Map<FaultMode, Double> table(String kind) {
        return switch (kind) {
            case "electrolytic" -> ELECTROLYTIC;
            case "paper" -> PAPER;
            case "small capacitor" -> SMALL;
            case "resistor" -> RESISTOR;
            case "winding" -> WINDING;
            case "tube" -> TUBE;
            case "transistor" -> TRANSISTOR;
            default -> Map.of();
        };
    }

    private static String kind(Component c) {
        if (c instanceof Component.Capacitor k)
            return k.is(Dielectric.ELECTROLYTIC)
                    ? "electrolytic"
                    : k.farads().get(0) >= PAPER_FROM && !k.is(Dielectric.MICA) ? "paper" : "small capacitor";
        if (c instanceof Component.Resistor) return "resistor";
        if (c instanceof Component.Windings) return "winding";
        if (c instanceof Component.Device d) return d.deviceKind() == DeviceKind.TUBE ? "tube" : "transistor";
        return c.kind();
    }
}
