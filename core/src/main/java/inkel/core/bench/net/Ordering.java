package inkel.core.bench.net;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * In which order points are eliminated, so that little fills up: always one with the fewest neighbours left, which are then
 * neighbours of each other (minimum degree; Tinney and Walker 1967). The elimination itself is the library's.
 */
final class Ordering {
    private final BitSet[] neighbours;

    /** Those that are left, by how many neighbours they have. */
    private final List<BitSet> left = new ArrayList<>();

    private Ordering(BitSet[] neighbours) {
        this.neighbours = neighbours;
    }

    /**
     * @param neighbours of every point, without itself; used up
     * @return the points in the order of elimination
     */
    static int[] of(BitSet[] neighbours) {
        return new Ordering(neighbours).order();
    }

    private int[] order() {
        for (int i = 0; i < neighbours.length; i++) {
            with(neighbours[i].cardinality()).set(i);
        }
        int[] order = new int[neighbours.length];
        for (int done = 0; done < order.length; done++) {
            int point = next();
            order[done] = point;
            BitSet around = neighbours[point];
            with(around.cardinality()).clear(point);
            for (int one = around.nextSetBit(0); one >= 0; one = around.nextSetBit(one + 1)) {
                BitSet of = neighbours[one];
                with(of.cardinality()).clear(one);
                of.or(around);
                of.clear(one);
                of.clear(point);
                with(of.cardinality()).set(one);
            }
        }
        return order;
    }

    private BitSet with(int count) {
        while (left.size() <= count) {
            left.add(new BitSet());
        }
        return left.get(count);
    }

    private int next() {
        int count = 0;
        while (left.get(count).isEmpty()) {
            count++;
        }
        return left.get(count).nextSetBit(0);
    }
}
