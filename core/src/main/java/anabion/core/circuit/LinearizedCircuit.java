package anabion.core.circuit;

import java.util.Optional;

/**
 * A circuit seen from its operating point, as if it were linear: how far every net moves when something changes a little.
 *
 * <p>Method: where the balance of currents F(x) of the changed circuit is evaluated at the old state x, the new state is
 * x − J⁻¹·F(x) to first order, with J the factored Jacobian of the old one (the implicit function theorem; one step of Newton's
 * method with the old matrix). Its error grows with the square of the change. Not for several threads at once.
 */
public final class LinearizedCircuit {
    private final Circuit circuit;
    private final MnaSystem equations;
    private final double[] x;

    private LinearizedCircuit(Circuit circuit, MnaSystem equations, double[] x) {
        this.circuit = circuit;
        this.equations = equations;
        this.x = x;
    }

    /** Empty where the search for the operating point failed, or where the point is no more than a touch: a singular matrix. */
    public static Optional<LinearizedCircuit> at(Solution solution) {
        if (!solution.converged()) return Optional.empty();
        Circuit circuit = solution.circuit();
        MnaSystem equations = new MnaSystem(circuit);
        equations.load(circuit);
        double[] x = solution.unknowns();
        equations.evaluate(x, DcSolver.LEAST, 1, true);
        return equations.factor() ? Optional.of(new LinearizedCircuit(circuit, equations, x)) : Optional.empty();
    }

    /**
     * How far each unknown moves, nets first, when the circuit becomes another one.
     *
     * @param changed over the same nets and sources in the same order
     */
    public double[] towards(Circuit changed) {
        if (!changed.nets().equals(circuit.nets()) || !equations.fits(changed))
            throw new IllegalArgumentException("the changed circuit has other nets or sources");
        equations.load(changed);
        equations.evaluate(x, DcSolver.LEAST, 1, false);
        return equations.correction();
    }

    /**
     * Ohms behind every net, as a meter there finds them: the diagonal of J⁻¹ (Thévenin's resistance).
     *
     * @return in the order of the circuit's nets
     */
    public double[] behind() {
        double[] ohms = new double[circuit.nets().size()];
        for (int n = 0; n < ohms.length; n++) ohms[n] = equations.answer(n, Circuit.REFERENCE, 1)[n];
        return ohms;
    }

    /** By how much one ampere driven into each net raises the volts between two: one solution for all places where it may enter. */
    public double[] sensed(int plus, int minus) {
        return equations.sensed(plus, minus);
    }

    /** How far each unknown moves when a current is driven into one net and out of another. */
    public double[] driven(int into, int outOf, double amperes) {
        return equations.answer(into, outOf, amperes);
    }

    /** What ohms lie between every two nets; for circuits of resistances, filaments and windings only. */
    public TransferResistances resistances() {
        int nets = circuit.nets().size();
        double[] lower = new double[nets * (nets + 1) / 2];
        for (int column = 0; column < nets; column++) {
            double[] volts = driven(column, Circuit.REFERENCE, 1);
            for (int row = column; row < nets; row++) lower[row * (row + 1) / 2 + column] = volts[row];
        }
        return new TransferResistances(nets, lower);
    }
}
