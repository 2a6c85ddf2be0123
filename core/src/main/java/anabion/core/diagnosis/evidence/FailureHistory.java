package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;

/**
 * What a workshop's own tests of parts say of how often which kinds of them fail.
 *
 * <p>Method: of each kind of part and way of failing, the bad ones among those tested are held against as many as the {@link Priors} would expect at the
 * workshop's overall share of bad ones, and those of one make against as many as that kind leads to expect; {@link #HELD} imagined cases that agree with the priors keep a few tests from saying much (a gamma prior on the
 * ratio). A factor stays within {@link #MOST} either way.
 */
public final class FailureHistory {
    private static final double HELD = 4;
    private static final double MOST = 4;

    private FailureHistory() {}

    /**
     * Tests of one kind of part for one way of failing.
     *
     * @param usual weight of that fault before any experience
     */
    public record Tally(int tested, int bad, double usual) {
        Tally and(Tally other) {
            return new Tally(tested + other.tested, bad + other.bad, usual);
        }
    }

    /** The tests of one set, whether the parts were renewed since or not, by {@link Priors#key}. */
    public static Map<Priors.Key, Tally> of(Chassis chassis, Job job) {
        Map<Priors.Key, Tally> all = new HashMap<>();
        for (RecapLog.Tested t : job.recap().tests()) {
            PartTest test = t.test();
            chassis.part(test.key().replaceFirst("\\..*", ""))
                    .ifPresent(p -> Evidence.fails(chassis, p, test).ifPresent(bad -> {
                        FaultMode mode = mode(p, test);
                        Priors.Key key = Priors.key(p, mode);
                        Tally one = new Tally(1, bad ? 1 : 0, Priors.USUAL.usual(p, mode));
                        all.merge(key.anyMake(), one, Tally::and);
                        if (!key.make().isEmpty()) all.merge(key, one, Tally::and);
                    }));
        }
        return all;
    }

    private static FaultMode mode(Part p, PartTest t) {
        return switch (t.what()) {
            case LEAKAGE -> FaultMode.LEAKY;
            case EMISSION -> FaultMode.EMISSION;
            case GAIN -> FaultMode.GAIN;
            case ESR -> FaultMode.DRIED;
            case VALUE ->
                p.component() instanceof Component.Resistor
                        ? FaultMode.DRIFTED
                        : p.component() instanceof Component.Capacitor c && c.is(Dielectric.ELECTROLYTIC)
                                ? FaultMode.DRIED
                                : FaultMode.OPEN;
        };
    }

    /** How many times as often as usual parts of each kind failed so, and those of each make as often as their kind; for {@link Priors#with}. */
    public static Map<Priors.Key, Double> factors(Collection<Map<Priors.Key, Tally>> sets) {
        Map<Priors.Key, Tally> kinds = new HashMap<>();
        Map<Priors.Key, Tally> makes = new HashMap<>();
        sets.forEach(s -> s.forEach((key, t) -> (key.make().isEmpty() ? kinds : makes).merge(key, t, Tally::and)));
        double bad = kinds.values().stream().mapToDouble(Tally::bad).sum();
        double weighted =
                kinds.values().stream().mapToDouble(t -> t.tested() * t.usual()).sum();
        Map<Priors.Key, Double> factors = new HashMap<>();
        kinds.forEach((key, t) -> factors.put(key, factor(t, weighted > 0 ? bad * t.usual() / weighted : 0)));
        makes.forEach((key, t) -> {
            Tally kind = kinds.get(key.anyMake());
            factors.put(key, factor(t, (double) kind.bad() / kind.tested()));
        });
        return factors;
    }

    /** @param share of bad ones that was to be expected */
    private static double factor(Tally t, double share) {
        double factor = (t.bad() + HELD) / (t.tested() * share + HELD);
        return Math.max(1 / MOST, Math.min(MOST, factor));
    }
}
