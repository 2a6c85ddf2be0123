package anabion.core.signal;

import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.device.model.BipolarLaw;
import anabion.core.device.model.Driven;
import anabion.core.signal.SignalPath.Amplifier;

/** How much of the carrier a converter turns into the intermediate frequency. */
final class Converter {
    /** Oscillation between base and emitter of a self-oscillating transistor, peak, as usually published. */
    private static final double DRIVE = 0.1;

    private Converter() {}

    /** Conversion conductance in siemens; 0 where nothing oscillates. */
    static double siemens(Amplifier a, Solution direct) {
        return direct.circuit()
                .device(a.element())
                .map(d -> siemens(d, a, direct))
                .orElse(0.0);
    }

    private static double siemens(Element.Device d, Amplifier a, Solution direct) {
        double[] v = d.nodes().stream().mapToDouble(direct::at).toArray();
        if (d.law() instanceof Driven law) return law.conversion(v, a.signal(), a.plate());
        if (d.law() instanceof BipolarLaw law)
            return Math.abs(direct.amperes(d)[1]) / law.slope() * ratio(DRIVE / law.slope());
        return 0;
    }

    /**
     * I₁(x)/I₀(x): what is left of the mutual conductance of an exponential device for conversion under a drive of x thermal volts at
     * constant mean current (any textbook), by the trapezoidal rule on the integrals of Bessel.
     */
    private static double ratio(double x) {
        double first = 0;
        double zeroth = 0;
        int points = 64;
        for (int p = 0; p < points; p++) {
            double cosine = Math.cos(Math.PI * (p + 0.5) / points);
            double size = Math.exp(x * (cosine - 1));
            first += size * cosine;
            zeroth += size;
        }
        return first / zeroth;
    }
}
