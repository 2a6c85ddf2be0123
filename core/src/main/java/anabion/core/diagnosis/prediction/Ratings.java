package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.recap.CapacitorSection;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;

/** Whether a set may be switched on in a state that it was not made for: with its load off, its rails rise. */
final class Ratings {
    /** By which factor more than usual a capacitor bears that has no rating printed on it, and by how many volts. */
    private static final double UNRATED = 1.1;

    private static final double LITTLE = 2;

    private Ratings() {}

    /**
     * Whether every capacitor whose volts rise stays within what is printed on it, and nothing burns that does not burn anyway. A capacitor without a printed
     * rating may see a tenth more than usual.
     *
     * @param then solved in that state
     * @param usually solved as the set is made to work
     */
    static boolean holds(Chassis chassis, OperatingPoint then, OperatingPoint usually) {
        boolean burning = !Overload.of(chassis, usually).stream()
                .map(Overload::part)
                .toList()
                .containsAll(
                        Overload.of(chassis, then).stream().map(Overload::part).toList());
        return !burning
                && CapacitorSection.of(chassis).stream().allMatch(c -> {
                    double most = c.rating() > 0 ? c.rating() : UNRATED * across(c, usually) + LITTLE;
                    return across(c, then) <= Math.max(most, across(c, usually));
                });
    }

    private static double across(CapacitorSection c, OperatingPoint o) {
        return Math.abs(o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0));
    }
}
