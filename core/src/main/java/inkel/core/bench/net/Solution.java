package inkel.core.bench.net;

import java.util.List;
import java.util.Set;

/**
 * The volts at every point of a network, and what flows in its elements.
 *
 * @param volts by the number of the point, against the first point of all that hang together
 * @param piece which piece each point belongs to: points of one piece are joined by elements
 * @param off regulators that have switched themselves off for heat, by number
 */
public record Solution(Network network, double[] volts, int[] piece, Set<Integer> off) {
    public Solution {
        off = Set.copyOf(off);
    }

    /** The volts from one point to another; not a number where nothing joins their pieces. */
    public double between(int plus, int minus) {
        return piece[plus] == piece[minus] ? volts[plus] - volts[minus] : Double.NaN;
    }

    /** What flows through an element from the first of its points to the second; out of a source at its plus. */
    public double amperes(int element) {
        Element at = element(element);
        double[] sum = {0};
        boolean isFromGround = at instanceof Element.SwitchingRegulator;
        each(at, (from, to, amperes) -> {
            if (isFromGround ? from == 2 && to == 1 : from == 0 && to == 1) {
                sum[0] += amperes;
            }
        });
        return sum[0];
    }

    /** What all elements take out of a point, in sum; nothing but rounding when the network has settled. */
    public double leaving(int point) {
        double sum = 0;
        for (int i = 0; i < network.elements().size(); i++) {
            sum += leaving(point, i);
        }
        return sum;
    }

    /** What an element takes out of a point. */
    public double leaving(int point, int element) {
        Element at = element(element);
        List<Integer> points = at.points();
        double[] sum = {0};
        each(at, (from, to, amperes) -> {
            sum[0] += points.get(from) == point ? amperes : 0;
            sum[0] -= points.get(to) == point ? amperes : 0;
        });
        return sum[0];
    }

    /** An element as it is: a regulator that has switched itself off gives nothing. */
    public Element element(int number) {
        Element at = network.elements().get(number);
        return off.contains(number) && at instanceof Element.LinearRegulator regulator ? regulator.off() : at;
    }

    private void each(Element element, Branch branch) {
        double[] at =
                element.points().stream().mapToDouble(point -> volts[point]).toArray();
        element.flows(
                at,
                (from, to, plus, minus, siemens, amperes) ->
                        branch.take(from, to, siemens * (at[plus] - at[minus]) + amperes));
    }

    @FunctionalInterface
    private interface Branch {
        void take(int from, int to, double amperes);
    }
}
