package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * What moves several readings at once, each at its place in {@link GaussianPrediction#shares}: parts, tubes and the line; each electrolytic that has lain; how well
 * cores and coils are set; the line while levels were taken; how ohms bow between the states of electrolytics, and between severities; that state; and last the
 * severities of the faults, of the second of two before that of the first.
 *
 * @param parts those that differ from specimen to specimen, and the line
 * @param spreads their standard deviations, as fractions
 * @param capacitors of every kind
 */
public record Sources(List<String> parts, List<Double> spreads, List<String> electrolytics, Set<String> capacitors) {
    private static final int OTHERS = 7;

    /** @param spreads standard deviation of each part as a fraction */
    public static Sources of(Chassis chassis, Map<String, Double> spreads) {
        return new Sources(
                List.copyOf(spreads.keySet()),
                List.copyOf(spreads.values()),
                capacitors(chassis, c -> c.is(Dielectric.ELECTROLYTIC)),
                Set.copyOf(capacitors(chassis, c -> true)));
    }

    private static List<String> capacitors(Chassis chassis, Predicate<Component.Capacitor> which) {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Capacitor c && which.test(c))
                .map(Part::reference)
                .toList();
    }

    /** Nothing moves. */
    public double[] none() {
        return new double[parts.size() + electrolytics.size() + OTHERS];
    }

    /**
     * Place of an electrolytic.
     *
     * @param n from 0
     */
    public int electrolytic(int n) {
        return parts.size() + n;
    }

    /** Place of how well cores and coils are set. */
    public int aligned() {
        return parts.size() + electrolytics.size();
    }

    /** Place of the line while levels were taken. */
    public int fed() {
        return aligned() + 1;
    }

    /** Place of how ohms bow between the states of electrolytics. */
    public int bowed() {
        return fed() + 1;
    }

    /** Place of how ohms bow between severities. */
    public int bent() {
        return bowed() + 1;
    }

    /** Place of the state of electrolytics that have lain. */
    public int lain() {
        return bent() + 1;
    }

    /** Place of the severity of the first fault, which is the last of all. */
    public int severity() {
        return lain() + 2;
    }
}
