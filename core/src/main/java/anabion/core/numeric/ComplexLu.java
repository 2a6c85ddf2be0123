package anabion.core.numeric;

import java.util.Arrays;

/**
 * {@link DenseLu} in complex numbers: the same elimination, with real and imaginary parts in two arrays. It allocates nothing once
 * made.
 */
public final class ComplexLu {
    private final int n;
    private final double[] re;
    private final double[] im;
    private final int[] pivot;
    private final int[] columns;
    private int[][] places = {};

    /** @param n rows and columns */
    public ComplexLu(int n) {
        this.n = n;
        this.re = new double[n * n];
        this.im = new double[n * n];
        this.pivot = new int[n];
        this.columns = new int[n];
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
        places = new int[0][];
        for (int k = 0; k < n; k++) {
            int p = largest(k);
            pivot[k] = p;
            int at = p * n + k;
            if (Math.abs(re[at]) + Math.abs(im[at]) < 1e-300) return false;
            if (p != k) swapRows(p, k);
            eliminate(k);
        }
        return true;
    }

    private int largest(int k) {
        int p = k;
        double most = -1;
        for (int i = k; i < n; i++) {
            double size = Math.abs(re[i * n + k]) + Math.abs(im[i * n + k]);
            if (size > most) {
                most = size;
                p = i;
            }
        }
        return p;
    }

    private void swapRows(int p, int k) {
        for (int j = 0, x = p * n, y = k * n; j < n; j++, x++, y++) {
            double r = re[x];
            re[x] = re[y];
            re[y] = r;
            double i = im[x];
            im[x] = im[y];
            im[y] = i;
        }
    }

    private void eliminate(int k) {
        int row = k * n;
        double a = re[row + k];
        double b = im[row + k];
        double size = a * a + b * b;
        int some = n < DenseLu.LARGE ? 0 : filled(row, k + 1, n);
        for (int i = k + 1; i < n; i++) {
            int at = i * n;
            double x = re[at + k];
            double y = im[at + k];
            if (x == 0 && y == 0) continue;
            double fr = (x * a + y * b) / size;
            double fi = (y * a - x * b) / size;
            re[at + k] = fr;
            im[at + k] = fi;
            if (n < DenseLu.LARGE) for (int j = k + 1; j < n; j++) subtract(at + j, row + j, fr, fi);
            else for (int c = 0; c < some; c++) subtract(at + columns[c], row + columns[c], fr, fi);
        }
    }

    private void subtract(int from, int what, double fr, double fi) {
        double p = re[what];
        double q = im[what];
        re[from] -= fr * p - fi * q;
        im[from] -= fr * q + fi * p;
    }

    private int filled(int row, int from, int to) {
        int some = 0;
        for (int j = from; j < to; j++) if (re[row + j] != 0 || im[row + j] != 0) columns[some++] = j;
        return some;
    }

    /** The filled places of every row, once for all right-hand sides. */
    private int[][] filled() {
        int[][] all = new int[n][];
        for (int i = 0; i < n; i++) all[i] = Arrays.copyOf(columns, filled(i * n, 0, n));
        return all;
    }

    /** Solves in place, after {@link #factor()}. */
    public void solve(double[] x, double[] y) {
        if (n >= DenseLu.LARGE && places.length == 0) places = filled();
        for (int k = 0; k < n; k++) {
            int p = pivot[k];
            double r = x[p];
            x[p] = x[k];
            x[k] = r;
            double i = y[p];
            y[p] = y[k];
            y[k] = i;
        }
        for (int i = 1; i < n; i++) reduce(x, y, i, 0, i);
        for (int i = n - 1; i >= 0; i--) {
            reduce(x, y, i, i + 1, n);
            double a = re[i * n + i];
            double b = im[i * n + i];
            double size = a * a + b * b;
            double r = (x[i] * a + y[i] * b) / size;
            y[i] = (y[i] * a - x[i] * b) / size;
            x[i] = r;
        }
    }

    private void reduce(double[] x, double[] y, int i, int from, int to) {
        double r = x[i];
        double s = y[i];
        if (n >= DenseLu.LARGE) {
            for (int j : places[i]) {
                if (j < from || j >= to) continue;
                int at = i * n + j;
                r -= re[at] * x[j] - im[at] * y[j];
                s -= re[at] * y[j] + im[at] * x[j];
            }
        } else
            for (int j = from, at = i * n + from; j < to; j++, at++) {
                r -= re[at] * x[j] - im[at] * y[j];
                s -= re[at] * y[j] + im[at] * x[j];
            }
        x[i] = r;
        y[i] = s;
    }
}
