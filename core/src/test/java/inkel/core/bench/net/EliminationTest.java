package inkel.core.bench.net;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.ejml.data.DMatrixSparseCSC;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EliminationTest {
    /** By columns, in the order of rows, with a place wherever one or its mirror has a number. */
    private static DMatrixSparseCSC sparse(double[][] rows) {
        int size = rows.length;
        DMatrixSparseCSC made = new DMatrixSparseCSC(size, size);
        for (int column = 0; column < size; column++) {
            for (int row = 0; row < size; row++) {
                if (row == column || rows[row][column] != 0 || rows[column][row] != 0) {
                    made.growMaxLength(made.nz_length + 1, true);
                    made.nz_rows[made.nz_length] = row;
                    made.nz_values[made.nz_length++] = rows[row][column];
                }
            }
            made.col_idx[column + 1] = made.nz_length;
        }
        made.indicesSorted = true;
        return made;
    }

    private static double[] times(double[][] rows, double[] unknowns) {
        double[] right = new double[rows.length];
        for (int row = 0; row < rows.length; row++) {
            for (int column = 0; column < rows.length; column++) {
                right[row] += rows[row][column] * unknowns[column];
            }
        }
        return right;
    }

    private static double[] solved(double[][] rows, double... right) {
        DMatrixSparseCSC matrix = sparse(rows);
        Elimination.Factors factors = new Elimination(matrix).factors();
        assertTrue(factors.of(matrix));
        double[] unknowns = right.clone();
        factors.solve(unknowns);
        return unknowns;
    }

    /** A divider of 1 kΩ and 2 kΩ with 3 kΩ on it, by hand: 1 mS + 0.5 mS + 1/3 mS take 5 mA at 2.727 V. */
    @Test
    void whatIsWorkedOutByHandComesOut() {
        assertArrayEquals(
                new double[] {5 / (1 + 0.5 + 1.0 / 3)}, solved(new double[][] {{1 + 0.5 + 1.0 / 3}}, 5), 1e-15);
        // x + 2y = 5 and 3x + 4y = 11
        assertArrayEquals(new double[] {1, 2}, solved(new double[][] {{1, 2}, {3, 4}}, 5, 11), 1e-14);
    }

    /** What is in every structure: a chain, a hub first, a ring that fills up, and thirty by chance. */
    @Test
    void unknownsThatWerePutInComeOutAgain() {
        Random random = new Random(7);
        for (int round = 0; round < 300; round++) {
            int size = 1 + random.nextInt(30);
            double[][] rows = new double[size][size];
            for (int edge = 0; edge < 2 * size; edge++) {
                int one = round % 3 == 0 ? 0 : random.nextInt(size);
                int other = round % 3 == 1 ? Math.min(size - 1, one + 1) : random.nextInt(size);
                rows[one][other] = -random.nextDouble();
                rows[other][one] = random.nextInt(5) == 0 ? 0 : -random.nextDouble();
            }
            double[] unknowns = new double[size];
            for (int i = 0; i < size; i++) {
                unknowns[i] = random.nextGaussian();
                rows[i][i] = 0;
                for (int j = 0; j < size; j++) {
                    rows[i][i] += Math.abs(rows[i][j]) + Math.abs(rows[j][i]) + 0.01;
                }
            }
            assertArrayEquals(unknowns, solved(rows, times(rows, unknowns)), 1e-9, "round " + round);
        }
    }

    /** An unknown has a share of its own equation of at least a thousandth of what others have of it. */
    @ParameterizedTest
    @CsvSource({"1000, true", "1000.001, false", "-1000, true", "-1000.001, false"})
    void anEquationWithNextToNothingOfItsUnknownIsNotUsed(double other, boolean suits) {
        DMatrixSparseCSC matrix = sparse(new double[][] {{1, 5}, {other, 7}});
        assertEquals(suits, new Elimination(matrix).factors().of(matrix));
    }

    @Test
    void whatCannotBeSolvedInThisOrderIsToldAndLeavesNothingBehind() {
        DMatrixSparseCSC exchanged = sparse(new double[][] {{0, 1}, {1, 0}});
        Elimination.Factors factors = new Elimination(exchanged).factors();
        assertFalse(factors.of(exchanged));
        assertFalse(factors.of(sparse(new double[][] {{1, Double.NaN}, {1, 1}})));
        assertFalse(factors.of(sparse(new double[][] {{1, 1}, {1, 1}})), "twice the same equation");

        assertTrue(factors.of(sparse(new double[][] {{2, 1}, {1, 3}})));
        double[] right = {4, 7};
        factors.solve(right);
        assertArrayEquals(new double[] {1, 2}, right, 1e-14);
    }
}
