package anabion.core.recap;

import anabion.core.quantity.Series;
import java.time.Duration;

/**
 * How an old electrolytic is formed again: up to its rating through a resistor, in steps, as long as the current falls.
 *
 * @param volts to which it is taken: its rating
 * @param ohms in series, so that no more than {@value #AMPERES} A can flow
 * @param passes amperes below which the leakage must settle
 * @param time for all steps together: half an hour for the oxide, and five time constants of resistor and capacitor
 */
public record Forming(double volts, double ohms, double passes, Duration time) {
    public static final double AMPERES = 5e-3;
    private static final int STEPS = 4;
    private static final Duration OXIDE = Duration.ofMinutes(30);

    /** @return nothing sensible without a rating, so only for pieces that have one */
    public static Forming of(CapacitorSection c) {
        double volts = c.rating();
        double ohms = Series.E12.atOrAbove(volts / AMPERES);
        long charging = Math.round(5 * ohms * c.farads());
        return new Forming(volts, ohms, Tested.formed(c, volts), OXIDE.plusSeconds(charging));
    }

    /** Volts of the supply at each step; the next comes when the current has stopped falling. */
    public java.util.List<Double> steps() {
        return java.util.stream.IntStream.rangeClosed(1, STEPS)
                .mapToObj(n -> volts * n / STEPS)
                .toList();
    }
}
