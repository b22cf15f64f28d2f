package inkel.core.bench.net;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.ejml.data.DMatrixSparseCSC;

/**
 * Where the elements of a network stand between its points: which points hang together, in which order they are eliminated,
 * and where numbers are in the matrix. It is the same whatever the figures of the elements are, and is made once for all.
 */
public final class Layout {
    private final int[] unknown;
    private final int[] piece;
    private final int[][] points;
    private final DMatrixSparseCSC matrix;
    private final int[][] places;

    private Layout(Network network) {
        List<Element> elements = network.elements();
        points = new int[elements.size()][];
        for (int i = 0; i < points.length; i++) {
            points[i] = elements.get(i).points().stream()
                    .mapToInt(Integer::intValue)
                    .toArray();
        }
        piece = pieces(network.size(), points);
        unknown = unknowns(piece, points);
        matrix = structure(
                (int) Arrays.stream(unknown).filter(number -> number >= 0).count());
        places = new int[points.length][];
        for (int i = 0; i < points.length; i++) {
            places[i] = places(points[i]);
        }
    }

    static Layout of(Network network) {
        return new Layout(network);
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

    private DMatrixSparseCSC structure(int size) {
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
        return made;
    }

    private int[] places(int[] of) {
        int[] found = new int[of.length * of.length];
        for (int row = 0; row < of.length; row++) {
            for (int column = 0; column < of.length; column++) {
                int one = unknown[of[row]];
                int other = unknown[of[column]];
                found[row * of.length + column] = one < 0 || other < 0
                        ? -1
                        : Arrays.binarySearch(matrix.nz_rows, matrix.col_idx[other], matrix.col_idx[other + 1], one);
            }
        }
        return found;
    }
}
