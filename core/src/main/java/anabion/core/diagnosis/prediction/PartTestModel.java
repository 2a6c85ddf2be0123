package anabion.core.diagnosis.prediction;

import anabion.core.diagnosis.evidence.Adjust;
import anabion.core.diagnosis.evidence.Appears;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.simulation.fault.FaultFigures;

/** How often a test of a part out of circuit, or a swap, says bad (general practice). */
public final class PartTestModel {
    /** Of a part that is bad. */
    private static final double CONVICTS = 0.95;
    /** Of one that is good. */
    private static final double ACCUSES = 0.03;
    /** Of a tuned circuit that a fault shifts: travels reach some of these. */
    private static final double SHIFTED = 0.6;
    /** Of a tuned circuit without a fault, where turning changes nothing: what is silent elsewhere shows the same. */
    private static final double SILENT = 0.15;
    /** Of a bad joint, that tapping its part changes something. */
    private static final double SHAKEN = 0.6;
    /** Of a part whose joints hold: tubes ring, and what lies beside is shaken, too. */
    private static final double LOOSE = 0.05;
    /** Of any, where the fault is on no list. */
    private static final double OTHER_BAD = 0.1;

    private PartTestModel() {}

    /** The odds of bad and good under a hypothesis. */
    public static double[] odds(Hypothesis h, Measurement.PartTest test) {
        if (test instanceof Adjust a) return odds(adjusted(h, a));
        if (test instanceof Appears a) return odds(appearing(h, a));
        boolean caught = h.from().stream().anyMatch(test::catches);
        if (test instanceof Tapped) return odds(caught ? SHAKEN : LOOSE);
        return odds(caught ? CONVICTS : ACCUSES);
    }

    /** A set that is sound, or whose fault never shows so, is said to by a slip. */
    private static double appearing(Hypothesis h, Appears a) {
        return h.from().stream()
                .mapToDouble(f -> FaultFigures.standard().appears(a.when(), f.mode()))
                .max()
                .orElse(ACCUSES);
    }

    private static double adjusted(Hypothesis h, Adjust a) {
        if (h.from().stream().anyMatch(a::kills)) return CONVICTS;
        if (h.from().stream().anyMatch(a::catches)) return SHIFTED;
        return a.silent() ? SILENT : ACCUSES;
    }

    /** The odds of bad and good where nothing is known. */
    public static double[] unknown() {
        return odds(OTHER_BAD);
    }

    private static double[] odds(double bad) {
        return new double[] {bad, 1 - bad};
    }
}
