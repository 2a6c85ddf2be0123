package anabion.core.numeric;

/**
 * Gaussian elimination with partial pivoting on a dense row-major matrix, in place. (Any textbook; the row-oriented form of
 * Golub and Van Loan, Matrix Computations, 3.4.) At the size of a receiver, 20 to 100 unknowns, it beats a general library,
 * which the engine benchmark keeps checking; it allocates nothing once made.
 */
public final class DenseLu {
    /** A pivot below this is none. Every net is tied by a picosiemens, so only contradictory sources come here. */
    private static final double TINY = 1e-300;

    /** From so many unknowns on the nearly empty rows are worth their indices; a receiver stays below. */
    public static final int LARGE = 300;

    private final int n;
    private final double[] a;
    private final int[] pivot;
    private final int[] columns;
    private int singularAt = -1;

    /** @param n rows and columns */
    public DenseLu(int n) {
        this.n = n;
        this.a = new double[n * n];
        this.pivot = new int[n];
        this.columns = new int[n];
    }

    /** The matrix to fill before {@link #factor()}: element (row, column) at {@code row * n + column}. */
    public double[] matrix() {
        return a;
    }

    /** @return false if the matrix is singular; {@link #singularAt()} then says at which unknown */
    public boolean factor() {
        singularAt = -1;
        for (int k = 0; k < n; k++) {
            int p = largest(k);
            pivot[k] = p;
            if (!(Math.abs(a[p * n + k]) >= TINY)) {
                singularAt = k;
                return false;
            }
            if (p != k) swapRows(p, k);
            eliminate(k);
        }
        return true;
    }

    /** The column in which the last factoring found no pivot; −1 if it found all. */
    public int singularAt() {
        return singularAt;
    }

    private int largest(int k) {
        int p = k;
        double most = Math.abs(a[k * n + k]);
        for (int i = k + 1; i < n; i++) {
            double size = Math.abs(a[i * n + k]);
            if (size > most) {
                most = size;
                p = i;
            }
        }
        return p;
    }

    private void swapRows(int p, int k) {
        for (int j = 0, x = p * n, y = k * n; j < n; j++, x++, y++) {
            double t = a[x];
            a[x] = a[y];
            a[y] = t;
        }
    }

    private void eliminate(int k) {
        int row = k * n;
        double by = 1 / a[row + k];
        int some = n < LARGE ? 0 : filled(row, k + 1);
        for (int i = k + 1; i < n; i++) {
            int at = i * n;
            double factor = a[at + k];
            if (factor == 0) continue; // receivers are sparse: half of the rows have nothing here
            factor *= by;
            a[at + k] = factor;
            if (n < LARGE) for (int j = k + 1; j < n; j++) a[at + j] -= factor * a[row + j];
            else for (int c = 0; c < some; c++) a[at + columns[c]] -= factor * a[row + columns[c]];
        }
    }

    /** Gathers the columns in which a row has something: of a large circuit a few in a thousand. */
    private int filled(int row, int from) {
        int some = 0;
        for (int j = from; j < n; j++) if (a[row + j] != 0) columns[some++] = j;
        return some;
    }

    /** Solves in place with the transposed matrix: Uᵀ, then Lᵀ, then the exchanges of rows backwards. */
    public void solveTransposed(double[] b) {
        for (int i = 0; i < n; i++) {
            int row = i * n;
            b[i] /= a[row + i];
            for (int j = i + 1; j < n; j++) b[j] -= a[row + j] * b[i];
        }
        for (int i = n - 1; i > 0; i--) {
            int row = i * n;
            for (int j = 0; j < i; j++) b[j] -= a[row + j] * b[i];
        }
        for (int k = n - 1; k >= 0; k--) {
            int p = pivot[k];
            if (p != k) {
                double t = b[p];
                b[p] = b[k];
                b[k] = t;
            }
        }
    }

    /** Solves in place for one right-hand side. */
    public void solve(double[] b) {
        for (int k = 0; k < n; k++) {
            int p = pivot[k];
            if (p != k) {
                double t = b[p];
                b[p] = b[k];
                b[k] = t;
            }
        }
        for (int i = 1; i < n; i++) {
            double sum = b[i];
            int row = i * n;
            for (int j = 0; j < i; j++) sum -= a[row + j] * b[j];
            b[i] = sum;
        }
        for (int i = n - 1; i >= 0; i--) {
            double sum = b[i];
            int row = i * n;
            for (int j = i + 1; j < n; j++) sum -= a[row + j] * b[j];
            b[i] = sum / a[row + i];
        }
    }
}
