package inkel.core.bench.net;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
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
    private final Layout layout;
    private final int[][] points;
    private final int[][] places;
    private final DMatrixSparseCSC matrix;
    private final double[] leaving;
    private double[] factored;
    private boolean isFactored;
    private List<Element> known;

    /** The numbers of the resistances, and what they let through: the same at all volts, and most of a network. */
    private final int[] straight;

    private final double[] siemens;
    private int straights;

    /** The numbers of all else. */
    private final int[] bent;

    private int bents;

    /** What the resistances alone put into the matrix. */
    private final double[] still;

    private final Into into = new Into();
    private final Elimination.Factors factors;

    /** For the few whose unknowns cannot each be eliminated by its own equation; made when the first comes. */
    private LinearSolverSparse<DMatrixSparseCSC, DMatrixRMaj> pivoting;

    private boolean isPivoted;

    private Equations(Layout layout, boolean isTransposed) {
        this.layout = layout;
        points = layout.points();
        places = new int[points.length][];
        for (int i = 0; i < points.length; i++) {
            places[i] = layout.places(i, isTransposed);
        }
        matrix = layout.matrix();
        factors = layout.elimination().factors();
        leaving = new double[layout.size()];
        straight = new int[points.length];
        siemens = new double[points.length];
        bent = new int[points.length];
        still = new double[matrix.nz_length];
    }

    static Equations of(Layout layout) {
        return new Equations(layout, false);
    }

    /** With rows and columns exchanged: what a reading feels of a current put in anywhere. */
    static Equations transposed(Layout layout) {
        return new Equations(layout, true);
    }

    /** The place of a point among the unknowns; −1 for one that the others are measured against. */
    int unknown(int point) {
        return layout.unknown(point);
    }

    int size() {
        return leaving.length;
    }

    /**
     * Sets the numbers for volts at the points.
     *
     * @param elements between the same points as those of the network that these equations are of
     */
    void set(List<Element> elements, double[] volts, Set<Integer> off) {
        set(elements, volts, off, false);
    }

    /**
     * Sets the numbers as the elements usually run, whatever the volts.
     *
     * @param passing the numbers of diodes that let current through
     */
    void setUsual(List<Element> elements, Set<Integer> off, BitSet passing) {
        begin(elements);
        for (int i = 0; i < bents; i++) {
            int number = bent[i];
            Element as = as(number, elements.get(number), off);
            into.at(number, null);
            if (passing.get(number)) {
                ((Element.Diode) as).passing(into);
            } else {
                as.usual(into);
            }
        }
    }

    /** @param isNear whether the volts are those of other figures, see {@link Element#near} */
    void set(List<Element> elements, double[] volts, Set<Integer> off, boolean isNear) {
        begin(elements);
        for (int i = 0; i < straights; i++) {
            int[] of = points[straight[i]];
            double flows = siemens[i] * (volts[of[0]] - volts[of[1]]);
            leave(of[0], flows);
            leave(of[1], -flows);
        }
        for (int i = 0; i < bents; i++) {
            add(bent[i], elements.get(bent[i]), volts, off, isNear);
        }
    }

    private void begin(List<Element> elements) {
        if (elements != known) {
            know(elements);
        }
        System.arraycopy(still, 0, matrix.nz_values, 0, still.length);
        Arrays.fill(leaving, 0);
    }

    private void know(List<Element> elements) {
        known = elements;
        straights = 0;
        bents = 0;
        Arrays.fill(still, 0);
        for (int i = 0; i < points.length; i++) {
            if (elements.get(i) instanceof Element.Resistor resistor) {
                double through = 1 / resistor.ohms();
                int[] at = places[i];
                put(still, at[0], through);
                put(still, at[1], -through);
                put(still, at[2], -through);
                put(still, at[3], through);
                siemens[straights] = through;
                straight[straights++] = i;
            } else {
                bent[bents++] = i;
            }
        }
    }

    private void add(int number, Element element, double[] volts, Set<Integer> off, boolean isNear) {
        double[] at = into.at(number, volts);
        Element as = as(number, element, off);
        if (isNear) {
            as.near(at, into);
        } else {
            as.flows(at, into);
        }
    }

    /** A regulator that has switched itself off gives nothing. */
    private static Element as(int number, Element element, Set<Integer> off) {
        return element instanceof Element.LinearRegulator regulator && off.contains(number) ? regulator.off() : element;
    }

    private void leave(int point, double amperes) {
        int unknown = layout.unknown(point);
        if (unknown >= 0) {
            leaving[unknown] += amperes;
        }
    }

    private static void put(double[] values, int place, double siemens) {
        if (place >= 0) {
            values[place] += siemens;
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
        if (size() == 0) {
            return true;
        }
        // Mostly the last step led along one piece of every element, so that nothing changed but what is left over.
        if (!Arrays.equals(matrix.nz_values, factored)) {
            factored = matrix.nz_values.clone();
            isPivoted = !factors.of(matrix);
            isFactored = !isPivoted || pivoted();
        }
        return isFactored;
    }

    private boolean pivoted() {
        if (pivoting == null) {
            pivoting = LinearSolverFactory_DSCC.lu(FillReducing.NONE);
        }
        return pivoting.setA(matrix);
    }

    /**
     * The same with a conductance from every unknown to where it is now, as a capacitor there has for a while.
     *
     * @param held in siemens
     */
    boolean factor(double held) {
        for (int column = 0; column < size(); column++) {
            int from = matrix.col_idx[column];
            int place = Arrays.binarySearch(matrix.nz_rows, from, matrix.col_idx[column + 1], column);
            matrix.nz_values[place] += held;
        }
        return factor();
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
        if (!isPivoted) {
            double[] answer = right.clone();
            factors.solve(answer);
            return answer;
        }
        DMatrixRMaj answer = new DMatrixRMaj(size(), 1);
        pivoting.solve(DMatrixRMaj.wrap(size(), 1, right), answer);
        return answer.data;
    }

    /** Puts what flows in one element after another where it belongs. */
    private final class Into implements Flows {
        private int[] of;
        private int[] at;
        private double[] volts;

        /** The volts at the points of an element, which is the next one. */
        double[] at(int number, double[] all) {
            of = points[number];
            at = places[number];
            volts = new double[of.length];
            for (int i = 0; i < volts.length && all != null; i++) {
                volts[i] = all[of[i]];
            }
            return volts;
        }

        @Override
        public void add(int from, int to, int plus, int minus, double siemens, double amperes) {
            double flows = siemens * (volts[plus] - volts[minus]) + amperes;
            leave(of[from], flows);
            leave(of[to], -flows);
            put(matrix.nz_values, at[from * of.length + plus], siemens);
            put(matrix.nz_values, at[from * of.length + minus], -siemens);
            put(matrix.nz_values, at[to * of.length + plus], -siemens);
            put(matrix.nz_values, at[to * of.length + minus], siemens);
        }
    }
}
