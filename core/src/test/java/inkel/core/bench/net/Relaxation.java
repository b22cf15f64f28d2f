package inkel.core.bench.net;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A second way to the same volts, which shares no line with the first: point after point is set to where its own currents
 * add up to nothing, found by halving, while all others stay; again and again until nothing moves. What elements do is
 * in {@link ElementLaws}.
 */
final class Relaxation {
    private static final int SWEEPS = 20_000;
    private static final double STILL = 1e-7;
    private static final double MOST = 30;

    private final double[] volts;
    private final List<List<End>> ends = new ArrayList<>();

    /** An end of an element at a point. */
    private record End(Element element, int[] points, int place) {}

    Relaxation(Network network) {
        volts = new double[network.size()];
        for (int i = 0; i < volts.length; i++) {
            ends.add(new ArrayList<>());
        }
        for (Element element : network.elements()) {
            int[] points = element.points().stream().mapToInt(at -> at).toArray();
            for (int place = 0; place < points.length; place++) {
                ends.get(points[place]).add(new End(element, points, place));
            }
            if (element instanceof Element.Source source) {
                // From above, since what takes a power has two ways to settle, and it comes up to the higher one.
                Arrays.fill(volts, 1, volts.length, Math.max(volts[volts.length - 1], source.volts()));
            }
        }
    }

    /** Volts against the first point; empty when it moves for too long. */
    double[] solve() {
        for (int sweep = 0; sweep < SWEEPS; sweep++) {
            double moved = 0;
            for (int point = 1; point < volts.length; point++) {
                double before = volts[point];
                volts[point] = settled(point);
                moved = Math.max(moved, Math.abs(volts[point] - before));
            }
            if (moved < STILL) {
                return volts;
            }
        }
        return new double[0];
    }

    private double settled(int point) {
        double low = -MOST;
        double high = MOST;
        for (int i = 0; i < 40; i++) {
            volts[point] = (low + high) / 2;
            if (leaving(point) > 0) {
                high = volts[point];
            } else {
                low = volts[point];
            }
        }
        return (low + high) / 2;
    }

    private double leaving(int point) {
        double sum = 0;
        for (End end : ends.get(point)) {
            double[] at = new double[end.points().length];
            for (int i = 0; i < at.length; i++) {
                at[i] = volts[end.points()[i]];
            }
            sum += ElementLaws.currents(end.element(), at)[end.place()];
        }
        return sum;
    }
}
