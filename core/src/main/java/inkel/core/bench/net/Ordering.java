package inkel.core.bench.net;

import java.util.Comparator;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;

/**
 * In which order points are eliminated, so that little fills up: always one with the fewest neighbours left, which are then
 * neighbours of each other (minimum degree; Tinney and Walker 1967). The elimination itself is the library's.
 */
final class Ordering {
    private Ordering() {}

    /**
     * @param neighbours of every point, without itself; used up
     * @return the points in the order of elimination
     */
    static int[] of(Set<Integer>[] neighbours) {
        int[] order = new int[neighbours.length];
        Comparator<Integer> fewest = Comparator.comparingInt(point -> neighbours[point].size());
        TreeSet<Integer> left = new TreeSet<>(fewest.thenComparing(Comparator.naturalOrder()));
        for (int i = 0; i < neighbours.length; i++) {
            left.add(i);
        }
        for (int done = 0; done < order.length; done++) {
            int point = left.pollFirst();
            order[done] = point;
            Set<Integer> around = new HashSet<>(neighbours[point]);
            for (int one : around) {
                left.remove(one);
                neighbours[one].remove(point);
                neighbours[one].addAll(around);
                neighbours[one].remove(one);
                left.add(one);
            }
        }
        return order;
    }
}
