package anabion.core.numeric;

/**
 * Gaussian elimination of a nearly empty row-major matrix, in place: a receiver of 20 to 100 unknowns fills one place in twenty. Only what is filled is worked on,
 * in the order of {@link Pivots}. At this size it beats a general library, which the engine benchmark keeps checking; it allocates next to nothing
 * once made.
 */
public final class RealLu {
    private final int n;
    private final double[] a;
    private final double[] work;
    private final Pivots pivots;
    private final Pivots.Sizes sizes = this::size;
    private int singularAt = -1;

    /** @param n rows and columns */
    public RealLu(int n) {
        this.n = n;
        this.a = new double[n * n];
        this.work = new double[n];
        this.pivots = new Pivots(n);
    }

    /** The matrix to fill before {@link #factor()}: element (row, column) at {@code row * n + column}. */
    public double[] matrix() {
        return a;
    }

    /** @return false if the matrix is singular; {@link #singularAt()} then says at which unknown */
    public boolean factor() {
        singularAt = -1;
        pivots.clear();
        for (int i = 0, at = 0; i < n; i++) for (int j = 0; j < n; j++, at++) if (a[at] != 0) pivots.fill(i, j);
        pivots.order();
        int steps = pivots.run(sizes, this::eliminate);
        if (steps < n) singularAt = pivots.columns[steps];
        return steps == n;
    }

    /** The column in which the last factoring found no pivot; −1 if it found all. */
    public int singularAt() {
        return singularAt;
    }

    private double size(int at) {
        return Math.abs(a[at]);
    }

    private void eliminate(int k) {
        int[] upper = pivots.upper;
        int column = pivots.columns[k];
        int row = pivots.rows[k] * n;
        int from = pivots.upperFrom[k];
        int to = pivots.upperFrom[k + 1];
        double by = 1 / a[row + column];
        for (int l = pivots.lowerFrom[k]; l < pivots.lowerFrom[k + 1]; l++) {
            int at = pivots.lower[l] * n;
            double factor = a[at + column];
            if (factor == 0) continue;
            factor *= by;
            a[at + column] = factor;
            for (int c = from; c < to; c++) a[at + upper[c]] -= factor * a[row + upper[c]];
        }
    }

    /** Solves in place with the transposed matrix: Uᵀ, then Lᵀ. */
    public void solveTransposed(double[] b) {
        for (int k = 0; k < n; k++) {
            int row = pivots.rows[k] * n;
            double x = b[pivots.columns[k]] / a[row + pivots.columns[k]];
            work[k] = x;
            if (x == 0) continue;
            for (int c = pivots.upperFrom[k]; c < pivots.upperFrom[k + 1]; c++)
                b[pivots.upper[c]] -= a[row + pivots.upper[c]] * x;
        }
        for (int k = n - 1; k >= 0; k--) {
            double sum = work[k];
            int column = pivots.columns[k];
            for (int c = pivots.lowerFrom[k]; c < pivots.lowerFrom[k + 1]; c++)
                sum -= a[pivots.lower[c] * n + column] * b[pivots.lower[c]];
            b[pivots.rows[k]] = sum;
        }
    }

    /** Solves in place for one right-hand side. */
    public void solve(double[] b) {
        for (int k = 0; k < n; k++) {
            double x = b[pivots.rows[k]];
            work[k] = x;
            if (x == 0) continue;
            int column = pivots.columns[k];
            for (int c = pivots.lowerFrom[k]; c < pivots.lowerFrom[k + 1]; c++)
                b[pivots.lower[c]] -= a[pivots.lower[c] * n + column] * x;
        }
        for (int k = n - 1; k >= 0; k--) {
            int row = pivots.rows[k] * n;
            double sum = work[k];
            for (int c = pivots.upperFrom[k]; c < pivots.upperFrom[k + 1]; c++)
                sum -= a[row + pivots.upper[c]] * b[pivots.upper[c]];
            b[pivots.columns[k]] = sum / a[row + pivots.columns[k]];
        }
    }
}
