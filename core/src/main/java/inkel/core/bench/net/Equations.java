package inkel.core.bench.net;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.ejml.data.DMatrixRMaj;
import org.ejml.data.DMatrixSparseCSC;
import org.ejml.interfaces.linsol.LinearSolverSparse;
import org.ejml.sparse.FillReducing;
import org.ejml.sparse.csc.factory.LinearSolverFactory_DSCC;

/**
 * The nodal equations of a network: for every point but one of each piece, all that flows away adds up to nothing. The
 * matrix is as sparse as the network; what it is made of is known from the start, so that only its numbers change.
 */
final class Equations {
    private final int[] unknown;
    private final int[] piece;
    private final int[][] points;
    private final int[][] places;
    private final DMatrixSparseCSC matrix;
    private final double[] leaving;
    private final LinearSolverSparse<DMatrixSparseCSC, DMatrixRMaj> solver =
            LinearSolverFactory_DSCC.lu(FillReducing.NONE);

    private Equations(Network network, boolean isTransposed) {
        List<Element> elements = network.elements();
        points = new int[elements.size()][];
        for (int i = 0; i < points.length; i++) {
            points[i] = elements.get(i).points().stream()
                    .mapToInt(Integer::intValue)
                    .toArray();
        }
        piece = pieces(network.size(), points);
        unknown = unknowns(piece, points);
        int size = (int) Arrays.stream(unknown).filter(number -> number >= 0).count();
        leaving = new double[size];
        places = new int[points.length][];
        matrix = structure(size, isTransposed);
    }

    static Equations of(Network network) {
        return new Equations(network, false);
    }

    /** With rows and columns exchanged: what a reading feels of a current put in anywhere. */
    static Equations transposed(Network network) {
        return new Equations(network, true);
    }

    int[] piece() {
        return piece;
    }

    /** The place of a point among the unknowns; −1 for one that the others are measured against. */
    int unknown(int point) {
        return unknown[point];
    }

    int size() {
        return leaving.length;
    }

    private static int[] pieces(int size, int[][] points) {
        int[] piece = new int[size];
        for (int i = 0; i < size; i++) {
            piece[i] = i;
        }
        for (int[] of : points) {
            for (int point : of) {
                int one = root(piece, of[0]);
                int other = root(piece, point);
                piece[Math.max(one, other)] = Math.min(one, other);
            }
        }
        for (int i = 0; i < size; i++) {
            piece[i] = root(piece, i);
        }
        return piece;
    }

    private static int root(int[] piece, int point) {
        int at = point;
        while (piece[at] != at) {
            at = piece[at];
        }
        return at;
    }

    private static int[] unknowns(int[] piece, int[][] points) {
        int[] plain = new int[piece.length];
        int count = 0;
        for (int i = 0; i < plain.length; i++) {
            plain[i] = piece[i] == i ? -1 : count++;
        }
        @SuppressWarnings("unchecked")
        Set<Integer>[] neighbours = new Set[count];
        for (int i = 0; i < count; i++) {
            neighbours[i] = new HashSet<>();
        }
        for (int[] of : points) {
            for (int one : of) {
                for (int other : of) {
                    if (plain[one] >= 0 && plain[other] >= 0 && plain[one] != plain[other]) {
                        neighbours[plain[one]].add(plain[other]);
                    }
                }
            }
        }
        int[] order = Ordering.of(neighbours);
        int[] placeOf = new int[count];
        for (int i = 0; i < count; i++) {
            placeOf[order[i]] = i;
        }
        int[] unknown = new int[plain.length];
        for (int i = 0; i < plain.length; i++) {
            unknown[i] = plain[i] < 0 ? -1 : placeOf[plain[i]];
        }
        return unknown;
    }

    private DMatrixSparseCSC structure(int size, boolean isTransposed) {
        @SuppressWarnings("unchecked")
        TreeSet<Integer>[] columns = new TreeSet[size];
        for (int i = 0; i < size; i++) {
            columns[i] = new TreeSet<>(Set.of(i));
        }
        for (int[] of : points) {
            for (int one : of) {
                for (int other : of) {
                    if (unknown[one] >= 0 && unknown[other] >= 0) {
                        columns[unknown[other]].add(unknown[one]);
                    }
                }
            }
        }
        int count = Arrays.stream(columns).mapToInt(Set::size).sum();
        DMatrixSparseCSC made = new DMatrixSparseCSC(size, size, count);
        made.nz_length = count;
        made.indicesSorted = true;
        int at = 0;
        for (int column = 0; column < size; column++) {
            made.col_idx[column] = at;
            for (int row : columns[column]) {
                made.nz_rows[at++] = row;
            }
        }
        made.col_idx[size] = at;
        for (int i = 0; i < points.length; i++) {
            places[i] = places(made, points[i], isTransposed);
        }
        return made;
    }

    /** Where the numbers of an element stand in the matrix, row by row of its own points. */
    private int[] places(DMatrixSparseCSC made, int[] of, boolean isTransposed) {
        int[] found = new int[of.length * of.length];
        for (int row = 0; row < of.length; row++) {
            for (int column = 0; column < of.length; column++) {
                int one = unknown[of[isTransposed ? column : row]];
                int other = unknown[of[isTransposed ? row : column]];
                found[row * of.length + column] = one < 0 || other < 0
                        ? -1
                        : Arrays.binarySearch(made.nz_rows, made.col_idx[other], made.col_idx[other + 1], one);
            }
        }
        return found;
    }

    /**
     * Sets the numbers for volts at the points; for none, as the elements usually run.
     *
     * @param elements between the same points as those of the network that these equations are of
     */
    void set(List<Element> elements, double[] volts, Set<Integer> off) {
        set(elements, volts, off, false);
    }

    /** @param isNear whether the volts are those of other figures, see {@link Element#near} */
    void set(List<Element> elements, double[] volts, Set<Integer> off, boolean isNear) {
        Arrays.fill(matrix.nz_values, 0, matrix.nz_length, 0);
        Arrays.fill(leaving, 0);
        for (int i = 0; i < points.length; i++) {
            add(i, elements.get(i), volts, off, isNear);
        }
    }

    private void add(int number, Element element, double[] volts, Set<Integer> off, boolean isNear) {
        if (element instanceof Element.Resistor resistor) {
            add(number, resistor, volts);
            return;
        }
        int[] of = points[number];
        int[] places = this.places[number];
        double[] at = new double[of.length];
        if (volts != null) {
            for (int i = 0; i < at.length; i++) {
                at[i] = volts[of[i]];
            }
        }
        Flows into = (from, to, plus, minus, siemens, amperes) -> {
            double flows = siemens * (at[plus] - at[minus]) + amperes;
            leave(of[from], flows);
            leave(of[to], -flows);
            put(places, from * of.length + plus, siemens);
            put(places, from * of.length + minus, -siemens);
            put(places, to * of.length + plus, -siemens);
            put(places, to * of.length + minus, siemens);
        };
        boolean isOff = off.contains(number) && element instanceof Element.LinearRegulator;
        Element as = isOff ? ((Element.LinearRegulator) element).off() : element;
        if (volts == null) {
            as.usual(into);
        } else if (isNear) {
            as.near(at, into);
        } else {
            as.flows(at, into);
        }
    }

    /** As below, without a detour: most elements are resistances. */
    private void add(int number, Element.Resistor resistor, double[] volts) {
        double siemens = 1 / resistor.ohms();
        int[] places = this.places[number];
        double flows = volts == null ? 0 : siemens * (volts[resistor.one()] - volts[resistor.other()]);
        leave(resistor.one(), flows);
        leave(resistor.other(), -flows);
        put(places, 0, siemens);
        put(places, 1, -siemens);
        put(places, 2, -siemens);
        put(places, 3, siemens);
    }

    private void leave(int point, double amperes) {
        if (unknown[point] >= 0) {
            leaving[unknown[point]] += amperes;
        }
    }

    private void put(int[] places, int place, double siemens) {
        if (places[place] >= 0) {
            matrix.nz_values[places[place]] += siemens;
        }
    }

    /** How much current is left over at all points, as the root of the squares. */
    double leftOver() {
        double sum = 0;
        for (double amperes : leaving) {
            sum += amperes * amperes;
        }
        return Math.sqrt(sum);
    }

    /** Makes the matrix ready to be solved with; false when no volts follow from it. */
    boolean factor() {
        return size() == 0 || solver.setA(matrix);
    }

    /** By how much every unknown is to change, so that nothing is left over. */
    double[] step() {
        double[] against = new double[size()];
        for (int i = 0; i < against.length; i++) {
            against[i] = -leaving[i];
        }
        return solve(against);
    }

    /** What every unknown is for a right-hand side. */
    double[] solve(double[] right) {
        if (size() == 0) {
            return right;
        }
        DMatrixRMaj answer = new DMatrixRMaj(size(), 1);
        solver.solve(DMatrixRMaj.wrap(size(), 1, right), answer);
        return answer.data;
    }
}
