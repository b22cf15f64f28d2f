package inkel.core.bench.net;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/**
 * A third way to the same volts, for networks too stiff to relax: Newton with slopes found by trying, and elimination with
 * pivots on the full matrix, as textbooks have it. It knows no heat.
 */
public final class DenseNodal {
    private static final int ROUNDS = 400;
    private static final double STILL = 1e-7;
    private static final double TRY = 1e-6;
    private static final double LEAK = 1e-12;
    private static final double REACH = 1;

    private final Network network;
    private final int[] piece;

    private DenseNodal(Network network) {
        this.network = network;
        piece = pieces();
    }

    /** Unsettled where it does not come to rest. */
    public static Outcome solve(Network network) {
        DenseNodal dense = new DenseNodal(network);
        return dense.volts()
                .<Outcome>map(volts -> new Outcome.Settled(new Solution(network, volts, dense.piece, Set.of())))
                .orElse(new Outcome.Unsettled(0));
    }

    private int[] pieces() {
        int[] of = new int[network.size()];
        for (int i = 0; i < of.length; i++) {
            of[i] = i;
        }
        boolean moved = true;
        while (moved) {
            moved = false;
            for (Element element : network.elements()) {
                int least = element.points().stream()
                        .mapToInt(point -> of[point])
                        .min()
                        .orElseThrow();
                for (int point : element.points()) {
                    moved |= of[point] != least;
                    of[point] = least;
                }
            }
        }
        return of;
    }

    private Optional<double[]> volts() {
        int size = network.size();
        double[] volts = new double[size];
        double most = network.elements().stream()
                .filter(Element.Source.class::isInstance)
                .mapToDouble(element -> ((Element.Source) element).volts())
                .max()
                .orElse(0);
        // From above, since what takes a power has two ways to settle, and it comes up to the higher one.
        for (int i = 0; i < size; i++) {
            volts[i] = piece[i] == i ? 0 : most;
        }
        for (int round = 0; round < ROUNDS; round++) {
            double[][] matrix = new double[size][size];
            double[] against = new double[size];
            for (Element element : network.elements()) {
                add(element, volts, matrix, against);
            }
            for (int i = 0; i < size; i++) {
                if (piece[i] == i) {
                    Arrays.fill(matrix[i], 0);
                    matrix[i][i] = 1;
                    against[i] = 0;
                } else {
                    matrix[i][i] += LEAK;
                }
            }
            double[] step = eliminate(matrix, against);
            double furthest = 0;
            for (double part : step) {
                furthest = Math.max(furthest, Math.abs(part));
            }
            if (Double.isNaN(furthest)) {
                return Optional.empty();
            }
            // Late rounds go half way, so that what jumps over a bend and back comes to rest on it.
            double share = Math.min(1, REACH / furthest) * (round > ROUNDS / 4 ? 0.5 : 1);
            for (int i = 0; i < size; i++) {
                volts[i] += share * step[i];
            }
            if (furthest < STILL) {
                return Optional.of(volts);
            }
        }
        return Optional.empty();
    }

    private static void add(Element element, double[] volts, double[][] matrix, double[] against) {
        int[] points = element.points().stream().mapToInt(at -> at).toArray();
        double[] at = new double[points.length];
        for (int i = 0; i < at.length; i++) {
            at[i] = volts[points[i]];
        }
        double[] now = ElementLaws.currents(element, at);
        for (int row = 0; row < points.length; row++) {
            against[points[row]] -= now[row];
        }
        for (int column = 0; column < points.length; column++) {
            double[] moved = at.clone();
            moved[column] += TRY;
            double[] then = ElementLaws.currents(element, moved);
            for (int row = 0; row < points.length; row++) {
                matrix[points[row]][points[column]] += (then[row] - now[row]) / TRY;
            }
        }
    }

    private static double[] eliminate(double[][] matrix, double[] right) {
        int size = right.length;
        for (int column = 0; column < size; column++) {
            int pivot = column;
            for (int row = column + 1; row < size; row++) {
                pivot = Math.abs(matrix[row][column]) > Math.abs(matrix[pivot][column]) ? row : pivot;
            }
            double[] swapped = matrix[pivot];
            matrix[pivot] = matrix[column];
            matrix[column] = swapped;
            double other = right[pivot];
            right[pivot] = right[column];
            right[column] = other;
            for (int row = column + 1; row < size; row++) {
                double share = matrix[row][column] / matrix[column][column];
                if (share != 0) {
                    for (int i = column; i < size; i++) {
                        matrix[row][i] -= share * matrix[column][i];
                    }
                    right[row] -= share * right[column];
                }
            }
        }
        double[] out = new double[size];
        for (int row = size - 1; row >= 0; row--) {
            double sum = right[row];
            for (int i = row + 1; i < size; i++) {
                sum -= matrix[row][i] * out[i];
            }
            out[row] = sum / matrix[row][row];
        }
        return out;
    }
}
