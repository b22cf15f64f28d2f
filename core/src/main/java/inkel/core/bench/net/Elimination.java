package inkel.core.bench.net;

import java.util.Arrays;
import org.ejml.data.DMatrixSparseCSC;

/**
 * Where a matrix fills up while one unknown after the other is eliminated, each by its own equation: found once for all
 * matrices of a structure, so that for each of them only numbers are left to reckon (symbolic and numeric factorisation
 * apart; George and Liu 1981). Nodal equations seldom ask for another order; where they do, {@link Factors} says so.
 */
final class Elimination {
    /** Where the rows below the diagonal of every column begin among {@link #below}; one more at the end. */
    private final int[] starts;

    private final int[] below;

    /** Where the rows above the diagonal of every column begin among {@link #above}; one more at the end. */
    private final int[] aboveStarts;

    /** In rising order within a column. */
    private final int[] above;

    /** @param matrix whose structure is that of its transpose, with rows in order */
    Elimination(DMatrixSparseCSC matrix) {
        int size = matrix.numCols;
        int[][] rows = filled(matrix);
        starts = new int[size + 1];
        int[] counts = new int[size];
        for (int column = 0; column < size; column++) {
            starts[column + 1] = starts[column] + rows[column].length;
            for (int row : rows[column]) {
                counts[row]++;
            }
        }
        below = new int[starts[size]];
        aboveStarts = new int[size + 1];
        for (int column = 0; column < size; column++) {
            System.arraycopy(rows[column], 0, below, starts[column], rows[column].length);
            aboveStarts[column + 1] = aboveStarts[column] + counts[column];
        }
        above = new int[below.length];
        int[] next = aboveStarts.clone();
        for (int column = 0; column < size; column++) {
            for (int row : rows[column]) {
                above[next[row]++] = column;
            }
        }
    }

    /** The rows below the diagonal of every column: its own, and those of the columns that are eliminated into it first. */
    private static int[][] filled(DMatrixSparseCSC matrix) {
        int size = matrix.numCols;
        int[][] rows = new int[size][];
        int[] seen = new int[size];
        Arrays.fill(seen, -1);
        int[] found = new int[size];
        int[] firstChild = new int[size];
        int[] nextChild = new int[size];
        Arrays.fill(firstChild, -1);
        for (int column = 0; column < size; column++) {
            int count = 0;
            for (int i = matrix.col_idx[column]; i < matrix.col_idx[column + 1]; i++) {
                int row = matrix.nz_rows[i];
                if (row > column) {
                    seen[row] = column;
                    found[count++] = row;
                }
            }
            for (int child = firstChild[column]; child >= 0; child = nextChild[child]) {
                for (int row : rows[child]) {
                    if (row > column && seen[row] != column) {
                        seen[row] = column;
                        found[count++] = row;
                    }
                }
            }
            rows[column] = Arrays.copyOf(found, count);
            int parent = size;
            for (int row : rows[column]) {
                parent = Math.min(parent, row);
            }
            if (parent < size) {
                nextChild[column] = firstChild[parent];
                firstChild[parent] = column;
            }
        }
        return rows;
    }

    /** The numbers of one matrix after another of this structure. */
    Factors factors() {
        return new Factors();
    }

    /** A matrix taken apart into a lower and an upper one. */
    final class Factors {
        /** An equation is not used for its own unknown where another one has this many times as much of it. */
        private static final double TOO_SMALL = 1e3;

        private final double[] lower = new double[below.length];
        private final double[] upper = new double[above.length];
        private final double[] diagonal = new double[starts.length - 1];
        private final double[] column = new double[starts.length - 1];

        private Factors() {}

        /** @return false when the order of this elimination does not suit these numbers */
        boolean of(DMatrixSparseCSC matrix) {
            for (int at = 0; at < diagonal.length; at++) {
                for (int i = matrix.col_idx[at]; i < matrix.col_idx[at + 1]; i++) {
                    column[matrix.nz_rows[i]] = matrix.nz_values[i];
                }
                if (!eliminate(at)) {
                    Arrays.fill(column, 0);
                    return false;
                }
            }
            return true;
        }

        private boolean eliminate(int at) {
            for (int i = aboveStarts[at]; i < aboveStarts[at + 1]; i++) {
                int row = above[i];
                double value = column[row];
                column[row] = 0;
                upper[i] = value;
                if (value != 0) {
                    for (int j = starts[row]; j < starts[row + 1]; j++) {
                        column[below[j]] -= lower[j] * value;
                    }
                }
            }
            double pivot = column[at];
            column[at] = 0;
            diagonal[at] = pivot;
            double most = 0;
            for (int i = starts[at]; i < starts[at + 1]; i++) {
                double value = column[below[i]];
                column[below[i]] = 0;
                lower[i] = value / pivot;
                most = Math.max(most, Math.abs(value));
            }
            return most <= TOO_SMALL * Math.abs(pivot) && pivot != 0;
        }

        /** Replaces a right-hand side by the unknowns. */
        void solve(double[] right) {
            for (int at = 0; at < right.length; at++) {
                double value = right[at];
                for (int i = starts[at]; i < starts[at + 1] && value != 0; i++) {
                    right[below[i]] -= lower[i] * value;
                }
            }
            for (int at = right.length - 1; at >= 0; at--) {
                double value = right[at] / diagonal[at];
                right[at] = value;
                for (int i = aboveStarts[at]; i < aboveStarts[at + 1] && value != 0; i++) {
                    right[above[i]] -= upper[i] * value;
                }
            }
        }
    }
}
