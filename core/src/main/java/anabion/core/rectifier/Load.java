package anabion.core.rectifier;

/**
 * What hangs on the reservoir: a current of {@code siemens·(v − back)}, never negative. A resistor has no {@code back}; a filter
 * resistor into a smoothing capacitor has that capacitor's volts.
 */
public record Load(double siemens, double back) {
    double amperes(double volts) {
        return Math.max(0, siemens * (volts - back));
    }
}
