package anabion.core.numeric;

/**
 * {@link RealLu} in complex numbers: the same elimination, with real and imaginary parts in two arrays. It allocates next to nothing once
 * made.
 */
public final class ComplexLu {
    private final int n;
    private final double[] re;
    private final double[] im;
    private final double[] workRe;
    private final double[] workIm;
    private final Pivots pivots;
    private final Pivots.Sizes sizes = this::size;

    /** @param n rows and columns */
    public ComplexLu(int n) {
        this.n = n;
        this.re = new double[n * n];
        this.im = new double[n * n];
        this.workRe = new double[n];
        this.workIm = new double[n];
        this.pivots = new Pivots(n);
    }

    /** Real parts of the matrix to fill before {@link #factor()}, row by row. */
    public double[] real() {
        return re;
    }

    /** Imaginary parts, row by row, to be filled before {@link #factor}. */
    public double[] imaginary() {
        return im;
    }

    /** @return false if the matrix is singular */
    public boolean factor() {
        pivots.clear();
        for (int i = 0, at = 0; i < n; i++)
            for (int j = 0; j < n; j++, at++) if (re[at] != 0 || im[at] != 0) pivots.fill(i, j);
        pivots.order();
        return pivots.run(sizes, this::eliminate) == n;
    }

    private double size(int at) {
        return Math.abs(re[at]) + Math.abs(im[at]);
    }

    private void eliminate(int k) {
        int[] upper = pivots.upper;
        int column = pivots.columns[k];
        int row = pivots.rows[k] * n;
        int from = pivots.upperFrom[k];
        int to = pivots.upperFrom[k + 1];
        double a = re[row + column];
        double b = im[row + column];
        double size = a * a + b * b;
        for (int l = pivots.lowerFrom[k]; l < pivots.lowerFrom[k + 1]; l++) {
            int at = pivots.lower[l] * n;
            double x = re[at + column];
            double y = im[at + column];
            if (x == 0 && y == 0) continue;
            double fr = (x * a + y * b) / size;
            double fi = (y * a - x * b) / size;
            re[at + column] = fr;
            im[at + column] = fi;
            for (int c = from; c < to; c++) {
                int what = row + upper[c];
                int into = at + upper[c];
                double p = re[what];
                double q = im[what];
                re[into] -= fr * p - fi * q;
                im[into] -= fr * q + fi * p;
            }
        }
    }

    /** Solves in place, after {@link #factor()}. */
    public void solve(double[] x, double[] y) {
        for (int k = 0; k < n; k++) {
            double r = x[pivots.rows[k]];
            double s = y[pivots.rows[k]];
            workRe[k] = r;
            workIm[k] = s;
            if (r == 0 && s == 0) continue;
            int column = pivots.columns[k];
            for (int c = pivots.lowerFrom[k]; c < pivots.lowerFrom[k + 1]; c++) {
                int row = pivots.lower[c];
                int at = row * n + column;
                x[row] -= re[at] * r - im[at] * s;
                y[row] -= re[at] * s + im[at] * r;
            }
        }
        for (int k = n - 1; k >= 0; k--) back(k, x, y);
    }

    private void back(int k, double[] x, double[] y) {
        int row = pivots.rows[k] * n;
        double r = workRe[k];
        double s = workIm[k];
        for (int c = pivots.upperFrom[k]; c < pivots.upperFrom[k + 1]; c++) {
            int column = pivots.upper[c];
            int at = row + column;
            r -= re[at] * x[column] - im[at] * y[column];
            s -= re[at] * y[column] + im[at] * x[column];
        }
        int column = pivots.columns[k];
        double a = re[row + column];
        double b = im[row + column];
        double size = a * a + b * b;
        x[column] = (r * a + s * b) / size;
        y[column] = (s * a - r * b) / size;
    }
}
