package anabion.core.device.model;

/**
 * An iron wire in hydrogen: in its range its current hardly follows its volts. Below the range it is a resistance that rises
 * with its volts from a {@value #COLD}th of what it has at the range's lower end; above, the current rises as the square root of the volts. (Shape: published curves.)
 *
 * @param low volts at which its range begins
 * @param least amperes there
 * @param high volts at which it ends
 * @param most amperes there
 */
public record BarretterLaw(double low, double least, double high, double most) implements FilamentLaw {
    private static final int COLD = 5;

    /** In the middle of its range. */
    @Override
    public double volts() {
        return (low + high) / 2;
    }

    @Override
    public double ohms(double effective) {
        if (effective >= high) return effective / (most * Math.sqrt(effective / high));
        if (effective >= low) return effective / (least + (most - least) * (effective - low) / (high - low));
        return low / least * (1 + (COLD - 1) * effective / low) / COLD;
    }
}
