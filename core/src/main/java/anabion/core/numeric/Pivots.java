package anabion.core.numeric;

import java.util.Arrays;
import java.util.function.IntConsumer;

/**
 * The order in which a nearly empty matrix is eliminated, and the places that its factors fill. Rows and columns stay where they are: a step names them.
 *
 * <p>Method: a row that has nothing on the diagonal, such as a source's, changes places with one that it meets. The unknown that meets the fewest
 * others then goes first, and joins these to one another, and so on: minimum degree (Tinney and Walker, 1967, their second scheme). It looks at where
 * something is, not at how much, so that matrices of one pattern are eliminated alike. Where a pivot turns out smaller than {@link #THRESHOLD} of the
 * rest of its row and of its column, what is left is eliminated by the largest pivots (threshold pivoting: Duff, Erisman and Reid, Direct Methods for Sparse
 * Matrices, 1986).
 */
final class Pivots {
    private static final double THRESHOLD = 1e-3;
    /** A pivot below this is none. Every net is tied by a picosiemens, so only contradictory sources come here. */
    private static final double TINY = 1e-300;

    private final int n;
    private final int words;
    /** The row and the column of each step. */
    final int[] rows;

    final int[] columns;
    /** Rows below each pivot that may hold something in its column, step by step, and where each step begins. */
    int[] lower;

    final int[] lowerFrom;
    /** Columns behind each pivot that may hold something in its row. */
    int[] upper;

    final int[] upperFrom;
    /** Where there is something, a bit for each column, row by row: as it is now, and as it was ordered. */
    final long[] filled;

    private final long[] ordered;
    private boolean known;

    Pivots(int n) {
        this.n = n;
        this.words = (n + 63) / 64;
        rows = new int[n];
        columns = new int[n];
        lower = new int[8 * n];
        upper = new int[8 * n];
        lowerFrom = new int[n + 1];
        upperFrom = new int[n + 1];
        filled = new long[n * words];
        ordered = new long[n * words];
    }

    /** Before a new matrix is looked at. */
    void clear() {
        Arrays.fill(filled, 0);
    }

    /** There is something at a place. */
    void fill(int row, int column) {
        filled[row * words + (column >> 6)] |= 1L << column;
    }

    private boolean has(int row, int column) {
        return (filled[row * words + (column >> 6)] >>> column & 1) != 0;
    }

    /** Orders the elimination of what is filled; at once where the last one was filled alike. */
    void order() {
        if (known && Arrays.equals(filled, ordered)) return;
        System.arraycopy(filled, 0, ordered, 0, filled.length);
        known = true;
        int[] rowOf = onDiagonal();
        Graph graph = new Graph(rowOf);
        for (int k = 0; k < n; k++) {
            int v = graph.least();
            open(k);
            rows[k] = rowOf[v];
            columns[k] = v;
            graph.eliminate(v, k, rowOf);
        }
    }

    /** The row that stands for each unknown: its own, or one that fills its place on the diagonal. */
    private int[] onDiagonal() {
        int[] rowOf = new int[n];
        for (int i = 0; i < n; i++) rowOf[i] = i;
        for (int i = 0; i < n; i++) {
            if (has(i, i) || rowOf[i] != i) continue;
            for (int j = 0; j < n; j++)
                if (j != i && rowOf[j] == j && has(i, j) && has(j, i) && has(j, j)) {
                    rowOf[i] = j;
                    rowOf[j] = i;
                    break;
                }
        }
        return rowOf;
    }

    /** How large what stands at a place of the row-major matrix is. */
    interface Sizes {
        double at(int place);
    }

    /**
     * Goes through all steps.
     *
     * @param eliminate what is done in one, once its pivot is known
     * @return how many could be gone: below the number of unknowns where no pivot was left
     */
    int run(Sizes sizes, IntConsumer eliminate) {
        int k = 0;
        for (; k < n && holds(k, sizes); k++) eliminate.accept(k);
        for (; k < n && takeLargest(k, sizes); k++) eliminate.accept(k);
        return k;
    }

    /** Whether the pivot that was foreseen is large enough beside the rest of its row, or of its column: either keeps what is worked on from growing. */
    private boolean holds(int step, Sizes sizes) {
        int column = columns[step];
        int row = rows[step] * n;
        double own = sizes.at(row + column);
        if (!(own >= TINY)) return false;
        double most = 0;
        for (int c = upperFrom[step]; c < upperFrom[step + 1]; c++) most = Math.max(most, sizes.at(row + upper[c]));
        if (own >= THRESHOLD * most) return true;
        most = 0;
        for (int c = lowerFrom[step]; c < lowerFrom[step + 1]; c++)
            most = Math.max(most, sizes.at(lower[c] * n + column));
        return own >= THRESHOLD * most;
    }

    /**
     * Takes the largest pivot that is left, and lists what its step fills, where the one foreseen does not hold: what was ordered holds no longer.
     *
     * @return false where none is left
     */
    private boolean takeLargest(int step, Sizes sizes) {
        known = false;
        int column = columns[step];
        int largest = step;
        for (int i = step + 1; i < n; i++)
            if (sizes.at(rows[i] * n + column) > sizes.at(rows[largest] * n + column)) largest = i;
        exchange(step, largest);
        if (!(sizes.at(rows[step] * n + column) >= TINY)) return false;
        open(step);
        int up = upperFrom[step];
        int low = lowerFrom[step];
        for (int j = step + 1; j < n; j++) {
            if (sizes.at(rows[step] * n + columns[j]) != 0) upper[up++] = columns[j];
            if (sizes.at(rows[j] * n + column) != 0) lower[low++] = rows[j];
        }
        upperFrom[step + 1] = up;
        lowerFrom[step + 1] = low;
        return true;
    }

    private void exchange(int step, int other) {
        int row = rows[step];
        rows[step] = rows[other];
        rows[other] = row;
    }

    /** Makes room for what a step may fill. */
    private void open(int step) {
        if (lowerFrom[step] + n > lower.length) lower = Arrays.copyOf(lower, 2 * lower.length);
        if (upperFrom[step] + n > upper.length) upper = Arrays.copyOf(upper, 2 * upper.length);
    }

    /** Which unknowns meet which others that are not eliminated yet. */
    private final class Graph {
        private final long[] meets = new long[n * words];
        private final int[] degrees = new int[n];

        Graph(int[] rowOf) {
            for (int i = 0; i < n; i++) {
                int from = rowOf[i] * words;
                for (int w = 0; w < words; w++)
                    for (long bits = filled[from + w]; bits != 0; bits &= bits - 1) {
                        int j = (w << 6) + Long.numberOfTrailingZeros(bits);
                        meets[i * words + w] |= bits & -bits;
                        meets[j * words + (i >> 6)] |= 1L << i;
                    }
            }
            for (int i = 0; i < n; i++) {
                meets[i * words + (i >> 6)] &= ~(1L << i);
                degrees[i] = degree(i);
            }
        }

        private int degree(int i) {
            int sum = 0;
            for (int w = 0; w < words; w++) sum += Long.bitCount(meets[i * words + w]);
            return sum;
        }

        int least() {
            int best = -1;
            int fewest = Integer.MAX_VALUE;
            for (int i = 0; i < n; i++)
                if (degrees[i] < fewest) {
                    fewest = degrees[i];
                    best = i;
                }
            return best;
        }

        /** Lists what an unknown meets as the places of its step, and joins these to one another. */
        void eliminate(int v, int step, int[] rowOf) {
            int up = upperFrom[step];
            int low = lowerFrom[step];
            int base = v * words;
            for (int w = 0; w < words; w++)
                for (long bits = meets[base + w]; bits != 0; bits &= bits - 1) {
                    int u = (w << 6) + Long.numberOfTrailingZeros(bits);
                    upper[up++] = u;
                    lower[low++] = rowOf[u];
                    for (int x = 0; x < words; x++) meets[u * words + x] |= meets[base + x];
                    meets[u * words + (u >> 6)] &= ~(1L << u);
                    meets[u * words + (v >> 6)] &= ~(1L << v);
                    degrees[u] = degree(u);
                }
            degrees[v] = Integer.MAX_VALUE;
            upperFrom[step + 1] = up;
            lowerFrom[step + 1] = low;
        }
    }
}
