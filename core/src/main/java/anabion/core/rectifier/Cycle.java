package anabion.core.rectifier;

/**
 * The steady cycle of a rectifier under one load.
 *
 * @param volts mean at the reservoir
 * @param amperes mean into the load
 * @param ripple peak to peak, in volts
 * @param peak largest current of one path, in amperes
 * @param effective effective current of one path, in amperes
 * @param given mean power that the sources give, in watts
 * @param inverse largest inverse volts across one path
 * @param settled whether the cycle closes on itself
 */
public record Cycle(
        double volts,
        double amperes,
        double ripple,
        double peak,
        double effective,
        double given,
        double inverse,
        boolean settled) {}
