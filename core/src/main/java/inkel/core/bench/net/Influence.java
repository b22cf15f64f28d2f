package inkel.core.bench.net;

import java.util.List;
import java.util.stream.IntStream;

/**
 * What readings of a settled network feel of a little current put in anywhere: the transposed equations, made ready once
 * (adjoint sensitivities; Director and Rohrer 1969). From that follows what they feel of every figure.
 */
public final class Influence {
    private final Solution solution;
    private final Equations equations;
    private final boolean isReady;

    public Influence(Solution solution) {
        this.solution = solution;
        equations = Equations.transposed(solution.layout());
        equations.set(solution.network().elements(), solution.volts(), solution.off());
        isReady = equations.factor();
    }

    /** A reading: volts at points, each with a weight. */
    public record Weighted(int point, double weight) {}

    /**
     * By how much a reading rises for one ampere put into each point.
     *
     * @return by the number of the point; all nothing where that cannot be told
     */
    public double[] of(List<Weighted> reading) {
        double[] felt = new double[solution.network().size()];
        if (!isReady) {
            return felt;
        }
        double[] right = new double[equations.size()];
        for (Weighted weighted : reading) {
            int unknown = equations.unknown(weighted.point());
            if (unknown >= 0) {
                right[unknown] += weighted.weight();
            }
        }
        double[] answer = equations.solve(right);
        for (int point = 0; point < felt.length; point++) {
            felt[point] = equations.unknown(point) < 0 ? 0 : answer[equations.unknown(point)];
        }
        return felt;
    }

    /** Whether elements join two points, over others too. */
    public boolean areJoined(int one, int other) {
        return solution.piece()[one] == solution.piece()[other];
    }

    /** The volts whose weighted sum is the change of an element's current, near where it is. */
    public List<Weighted> through(int element) {
        Element at = solution.element(element);
        double[] weights = new double[at.points().size()];
        boolean isFromGround = at instanceof Element.SwitchingRegulator;
        at.flows(Solution.at(at, solution.volts()), (from, to, plus, minus, siemens, amperes) -> {
            if (isFromGround ? from == 2 && to == 1 : from == 0 && to == 1) {
                weights[plus] += siemens;
                weights[minus] -= siemens;
            }
        });
        return IntStream.range(0, weights.length)
                .mapToObj(i -> new Weighted(at.points().get(i), weights[i]))
                .toList();
    }
}
