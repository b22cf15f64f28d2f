package inkel.core.bench.net;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/**
 * A third way to the same volts, for networks too stiff to relax: all bends rounded off at first and sharpened bit by bit,
 * each time Newton's way with slopes found by trying, steps halved where they go too far, and elimination with pivots on the
 * full matrix, as textbooks have it. It knows no heat.
 */
public final class DenseNodal {
    private static final int ROUNDS = 80;
    private static final double STILL = 1e-9;
    private static final double TRY = 1e-7;
    private static final double LEAK = 1e-12;
    private static final double LEAST_HELD = 1e-6;
    private static final double REACH = 2;
    private static final double LEAST_SHARE = 1e-4;

    /** How far from its bends an element is rounded off at first: another way where one leads nowhere. */
    private static final double[] ROUNDED = {0.02, 0.3, 0.001, 2};

    private static final double SHARPER = 0.25;
    private static final double LEAST_ROUNDED = 1e-7;

    /** What may be left over at a point, in amperes. */
    private static final double ENOUGH = 1e-6;

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
                .<Outcome>map(volts ->
                        new Outcome.Settled(new Solution(network, volts, dense.piece, Layout.of(network), Set.of())))
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

    /** From what sources and regulators give while nobody takes anything: what takes a power comes up to the higher way. */
    private double[] open() {
        int size = network.size();
        double[][] matrix = new double[size][size];
        double[] against = new double[size];
        for (Element element : network.elements()) {
            if (element instanceof Element.Source source) {
                give(source.minus(), source.plus(), source.volts(), source.ohms(), matrix, against);
            } else if (element instanceof Element.LinearRegulator linear) {
                give(linear.ground(), linear.out(), linear.volts(), linear.ohms(), matrix, against);
            } else if (element instanceof Element.SwitchingRegulator switching) {
                give(switching.ground(), switching.out(), switching.volts(), switching.ohms(), matrix, against);
            } else if (element instanceof Element.Resistor resistor) {
                give(resistor.one(), resistor.other(), 0, resistor.ohms(), matrix, against);
            }
        }
        hold(matrix, against, LEAST_HELD);
        return eliminate(matrix, against);
    }

    private static void give(int minus, int plus, double volts, double ohms, double[][] matrix, double[] against) {
        matrix[minus][minus] += 1 / ohms;
        matrix[plus][plus] += 1 / ohms;
        matrix[minus][plus] -= 1 / ohms;
        matrix[plus][minus] -= 1 / ohms;
        against[plus] += volts / ohms;
        against[minus] -= volts / ohms;
    }

    private void hold(double[][] matrix, double[] against, double siemens) {
        for (int i = 0; i < against.length; i++) {
            if (piece[i] == i) {
                Arrays.fill(matrix[i], 0);
                matrix[i][i] = 1;
                against[i] = 0;
            } else {
                matrix[i][i] += siemens;
            }
        }
    }

    private Optional<double[]> volts() {
        for (double first : ROUNDED) {
            double[] volts = open();
            for (double round = first; round > LEAST_ROUNDED; round *= SHARPER) {
                volts = settled(volts, round);
            }
            if (leftOver(volts, LEAST_ROUNDED) < ENOUGH) {
                return Optional.of(volts);
            }
        }
        return Optional.empty();
    }

    /** Newton's way with bends rounded off, each step as far as what is left over gets less. */
    private double[] settled(double[] from, double round) {
        double[] volts = from;
        double left = leftOver(volts, round);
        boolean goesOn = true;
        for (int i = 0; i < ROUNDS && goesOn; i++) {
            double[][] matrix = new double[volts.length][volts.length];
            double[] against = new double[volts.length];
            for (Element element : network.elements()) {
                add(element, volts, round, matrix, against);
            }
            hold(matrix, against, LEAK);
            double[] step = eliminate(matrix, against);
            goesOn = false;
            double furthest = Arrays.stream(step).map(Math::abs).max().orElse(0);
            double all = Math.min(1, REACH / furthest);
            for (double share = all; share > LEAST_SHARE * all && !goesOn; share /= 2) {
                double[] there = new double[volts.length];
                for (int at = 0; at < there.length; at++) {
                    there[at] = volts[at] + share * step[at];
                }
                double then = leftOver(there, round);
                if (then < left) {
                    goesOn = furthest > STILL;
                    volts = there;
                    left = then;
                    break;
                }
            }
        }
        return volts;
    }

    /** What does not add up to nothing, in amperes: the root of its squares. */
    private double leftOver(double[] volts, double round) {
        double[] sums = new double[volts.length];
        for (Element element : network.elements()) {
            int[] points = element.points().stream().mapToInt(at -> at).toArray();
            double[] now = ElementLaws.currents(
                    element,
                    Arrays.stream(points).mapToDouble(point -> volts[point]).toArray(),
                    round);
            for (int i = 0; i < points.length; i++) {
                sums[points[i]] += now[i];
            }
        }
        double sum = 0;
        for (int i = 0; i < sums.length; i++) {
            sum += piece[i] == i ? 0 : sums[i] * sums[i];
        }
        return Math.sqrt(sum);
    }

    private static void add(Element element, double[] volts, double round, double[][] matrix, double[] against) {
        int[] points = element.points().stream().mapToInt(at -> at).toArray();
        double[] at = new double[points.length];
        for (int i = 0; i < at.length; i++) {
            at[i] = volts[points[i]];
        }
        double[] now = ElementLaws.currents(element, at, round);
        for (int row = 0; row < points.length; row++) {
            against[points[row]] -= now[row];
        }
        for (int column = 0; column < points.length; column++) {
            double[] moved = at.clone();
            moved[column] += TRY;
            double[] then = ElementLaws.currents(element, moved, round);
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
