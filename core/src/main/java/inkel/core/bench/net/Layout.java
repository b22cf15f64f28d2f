package inkel.core.bench.net;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.ejml.data.DMatrixSparseCSC;

/**
 * Where the elements of a network stand between its points: which points hang together, in which order they are eliminated,
 * and where numbers are in the matrix. It is the same whatever the figures of the elements are, and is made once for all.
 */
public final class Layout {
    private static final int NOWHERE = -1;
    private static final int MISSING = -2;

    /** The elements of networks that differ little come in the same order, with a few out or in. */
    private static final int LOOK_AHEAD = 3;

    private final int[] unknown;
    private final int[] piece;
    private final int[][] points;
    private final DMatrixSparseCSC matrix;
    private final int[][] places;
    private final Elimination elimination;

    private Layout(Network network) {
        points = points(network);
        piece = pieces(network.size(), points);
        unknown = unknowns(piece, points);
        matrix = structure();
        places = new int[points.length][];
        findPlaces();
        elimination = new Elimination(matrix);
    }

    /** @param like of a network whose points are among those of this one, in whose order they are eliminated */
    private Layout(Network network, Layout like) {
        points = points(network);
        piece = pieces(network.size(), points);
        unknown = unknowns(piece, like.unknown);
        places = new int[points.length][];
        if (Arrays.equals(unknown, like.unknown)) {
            long[] missing = findPlaces(like);
            matrix = missing.length == 0 ? like.matrix : widened(like.matrix, missing);
        } else {
            matrix = structure();
            findPlaces();
        }
        elimination = matrix == like.matrix ? like.elimination : new Elimination(matrix);
    }

    private static int[][] points(Network network) {
        List<Element> elements = network.elements();
        int[][] points = new int[elements.size()][];
        for (int i = 0; i < points.length; i++) {
            points[i] = points(elements.get(i));
        }
        return points;
    }

    private static int[] points(Element element) {
        if (element instanceof Element.Resistor resistor) {
            return new int[] {resistor.one(), resistor.other()};
        }
        return element.points().stream().mapToInt(Integer::intValue).toArray();
    }

    /** How many unknowns there are. */
    private int count() {
        int count = 0;
        for (int number : unknown) {
            count += number >= 0 ? 1 : 0;
        }
        return count;
    }

    private void findPlaces() {
        for (int i = 0; i < points.length; i++) {
            places[i] = places(points[i], matrix);
        }
    }

    /**
     * Those of another layout of the same unknowns. Numbers that stay nothing do no harm: mostly the other structure has places
     * for all of this one.
     *
     * @return what it has no place for, by column and then by row
     */
    private long[] findPlaces(Layout like) {
        int next = 0;
        long[] missing = new long[0];
        for (int i = 0; i < points.length; i++) {
            int same = next;
            while (same < next + LOOK_AHEAD
                    && same < like.points.length
                    && !Arrays.equals(points[i], like.points[same])) {
                same++;
            }
            boolean isThere = same < next + LOOK_AHEAD && same < like.points.length;
            places[i] = isThere ? like.places[same] : places(points[i], like.matrix);
            next = isThere ? same + 1 : next;
            missing = isThere ? missing : with(missing, points[i], places[i]);
        }
        return Arrays.stream(missing).sorted().distinct().toArray();
    }

    private long[] with(long[] missing, int[] of, int[] found) {
        long[] all = missing;
        for (int place = 0; place < found.length; place++) {
            if (found[place] == MISSING) {
                all = Arrays.copyOf(all, all.length + 1);
                int row = unknown[of[place / of.length]];
                int column = unknown[of[place % of.length]];
                all[all.length - 1] = (long) column * piece.length + row;
            }
        }
        return all;
    }

    /** A matrix with a few more places; those that were found move on. */
    private DMatrixSparseCSC widened(DMatrixSparseCSC of, long[] missing) {
        int[] before = new int[missing.length];
        for (int i = 0; i < missing.length; i++) {
            int column = (int) (missing[i] / piece.length);
            int row = (int) (missing[i] % piece.length);
            before[i] = -1 - Arrays.binarySearch(of.nz_rows, of.col_idx[column], of.col_idx[column + 1], row);
        }
        DMatrixSparseCSC made = new DMatrixSparseCSC(of.numRows, of.numCols, of.nz_length + missing.length);
        made.nz_length = of.nz_length + missing.length;
        made.indicesSorted = true;
        int from = 0;
        for (int i = 0; i <= missing.length; i++) {
            int to = i < missing.length ? before[i] : of.nz_length;
            System.arraycopy(of.nz_rows, from, made.nz_rows, from + i, to - from);
            if (i < missing.length) {
                made.nz_rows[to + i] = (int) (missing[i] % piece.length);
            }
            from = to;
        }
        int passed = 0;
        for (int column = 0; column < made.numCols; column++) {
            while (passed < missing.length && missing[passed] / piece.length == column) {
                passed++;
            }
            made.col_idx[column + 1] = of.col_idx[column + 1] + passed;
        }
        for (int i = 0; i < places.length; i++) {
            places[i] = moved(places[i], before, points[i], made);
        }
        return made;
    }

    private int[] moved(int[] found, int[] before, int[] of, DMatrixSparseCSC in) {
        int[] moved = found.clone();
        for (int place = 0; place < moved.length; place++) {
            if (moved[place] == MISSING) {
                return places(of, in);
            }
            int by = 0;
            while (by < before.length && before[by] <= found[place]) {
                by++;
            }
            moved[place] += moved[place] >= 0 ? by : 0;
        }
        return moved;
    }

    static Layout of(Network network) {
        return new Layout(network);
    }

    /** The same for a network that differs little from another: the order of that one is nearly as good, and need not be found. */
    static Layout of(Network network, Layout like) {
        return new Layout(network, like);
    }

    /** By point, the least point of all that hang together with it. */
    int[] piece() {
        return piece;
    }

    /** The place of a point among the unknowns; −1 for one that the others are measured against. */
    int unknown(int point) {
        return unknown[point];
    }

    /** How many unknowns there are. */
    int size() {
        return matrix.numCols;
    }

    /** The points of every element. */
    int[][] points() {
        return points;
    }

    /**
     * Where the numbers of an element stand in the matrix, row by row of its own points; −1 for one that stands nowhere.
     *
     * @param isTransposed for rows and columns exchanged
     */
    int[] places(int element, boolean isTransposed) {
        int[] straight = places[element];
        if (!isTransposed) {
            return straight;
        }
        int size = points[element].length;
        int[] exchanged = new int[straight.length];
        for (int i = 0; i < exchanged.length; i++) {
            exchanged[i] = straight[i % size * size + i / size];
        }
        return exchanged;
    }

    /** A matrix with a place for every number, all of them nothing. */
    DMatrixSparseCSC matrix() {
        return matrix.copy();
    }

    Elimination elimination() {
        return elimination;
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
        BitSet[] neighbours = new BitSet[count];
        for (int i = 0; i < count; i++) {
            neighbours[i] = new BitSet();
        }
        for (int[] of : points) {
            for (int one : of) {
                for (int other : of) {
                    if (plain[one] >= 0 && plain[other] >= 0 && plain[one] != plain[other]) {
                        neighbours[plain[one]].set(plain[other]);
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

    /** In the order of another network, and then those that were measured against there. */
    private static int[] unknowns(int[] piece, int[] like) {
        int[] order = new int[like.length];
        Arrays.fill(order, -1);
        for (int point = 0; point < like.length; point++) {
            if (like[point] >= 0) {
                order[like[point]] = point;
            }
        }
        int[] unknown = new int[piece.length];
        Arrays.fill(unknown, -1);
        int count = 0;
        for (int point : order) {
            if (point >= 0 && piece[point] != point) {
                unknown[point] = count++;
            }
        }
        for (int point = 0; point < piece.length; point++) {
            if (unknown[point] < 0 && piece[point] != point) {
                unknown[point] = count++;
            }
        }
        return unknown;
    }

    /** A place wherever something stands: on the diagonal, and where elements are. */
    private DMatrixSparseCSC structure() {
        int size = count();
        BitSet[] columns = new BitSet[size];
        for (int i = 0; i < size; i++) {
            columns[i] = new BitSet(size);
            columns[i].set(i);
        }
        for (int[] of : points) {
            for (int one : of) {
                for (int other : of) {
                    if (unknown[one] >= 0 && unknown[other] >= 0) {
                        columns[unknown[other]].set(unknown[one]);
                    }
                }
            }
        }
        int all = 0;
        for (BitSet column : columns) {
            all += column.cardinality();
        }
        DMatrixSparseCSC made = new DMatrixSparseCSC(size, size, all);
        made.nz_length = all;
        made.indicesSorted = true;
        int next = 0;
        for (int column = 0; column < size; column++) {
            for (int row = columns[column].nextSetBit(0); row >= 0; row = columns[column].nextSetBit(row + 1)) {
                made.nz_rows[next++] = row;
            }
            made.col_idx[column + 1] = next;
        }
        return made;
    }

    private int[] places(int[] of, DMatrixSparseCSC in) {
        int[] found = new int[of.length * of.length];
        for (int row = 0; row < of.length; row++) {
            for (int column = 0; column < of.length; column++) {
                int one = unknown[of[row]];
                int other = unknown[of[column]];
                found[row * of.length + column] = one < 0 || other < 0 ? NOWHERE : place(in, one, other);
            }
        }
        return found;
    }

    private static int place(DMatrixSparseCSC in, int row, int column) {
        int place = Arrays.binarySearch(in.nz_rows, in.col_idx[column], in.col_idx[column + 1], row);
        return place >= 0 ? place : MISSING;
    }
}
