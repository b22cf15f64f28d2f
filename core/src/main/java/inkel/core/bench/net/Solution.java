package inkel.core.bench.net;

import java.util.List;
import java.util.Set;

/**
 * The volts at every point of a network, and what flows in its elements.
 *
 * @param volts by the number of the point, against the first point of all that hang together
 * @param piece which piece each point belongs to: points of one piece are joined by elements
 * @param layout of its network
 * @param off regulators that have switched themselves off for heat, by number
 */
public record Solution(Network network, double[] volts, int[] piece, Layout layout, Set<Integer> off) {
    public Solution {
        off = Set.copyOf(off);
    }

    Solution(Network network, double[] volts, Layout layout, Set<Integer> off) {
        this(network, volts, layout.piece(), layout, off);
    }

    /** The volts from one point to another; not a number where nothing joins their pieces. */
    public double between(int plus, int minus) {
        return piece[plus] == piece[minus] ? volts[plus] - volts[minus] : Double.NaN;
    }

    /** What flows through an element from the first of its points to the second; out of a source or regulator at its plus. */
    public double amperes(int element) {
        return amperes(element(element));
    }

    /** The same of any element between the same points, at the volts that are there. */
    public double amperes(Element element) {
        Sums sums = sums(element);
        return element instanceof Element.SwitchingRegulator ? sums.fromGround : sums.along;
    }

    /** What all elements take out of a point, in sum; nothing but rounding when the network has settled. */
    public double leaving(int point) {
        double sum = 0;
        for (int i = 0; i < network.elements().size(); i++) {
            List<Integer> points = element(i).points();
            double[] leaving = leaving(element(i));
            for (int place = 0; place < leaving.length; place++) {
                sum += points.get(place) == point ? leaving[place] : 0;
            }
        }
        return sum;
    }

    /** What any element takes out of each of its points, at the volts that are there. */
    public double[] leaving(Element element) {
        return sums(element).leaving;
    }

    /** An element as it is: a regulator that has switched itself off gives nothing. */
    public Element element(int number) {
        Element at = network.elements().get(number);
        return off.contains(number) && at instanceof Element.LinearRegulator regulator ? regulator.off() : at;
    }

    private Sums sums(Element element) {
        Sums sums = new Sums(at(element, volts));
        element.flows(sums.at, sums);
        return sums;
    }

    /** The volts at an element's own points. */
    static double[] at(Element element, double[] volts) {
        List<Integer> points = element.points();
        double[] at = new double[points.size()];
        for (int i = 0; i < at.length; i++) {
            at[i] = volts[points.get(i)];
        }
        return at;
    }

    /** What flows in an element at certain volts. */
    private static final class Sums implements Flows {
        private final double[] at;
        private final double[] leaving;

        /** From its first point to the second. */
        private double along;

        /** From its third point to the second: what a switching regulator gives. */
        private double fromGround;

        Sums(double[] at) {
            this.at = at;
            leaving = new double[at.length];
        }

        @Override
        public void add(int from, int to, int plus, int minus, double siemens, double amperes) {
            double flows = siemens * (at[plus] - at[minus]) + amperes;
            leaving[from] += flows;
            leaving[to] -= flows;
            along += from == 0 && to == 1 ? flows : 0;
            fromGround += from == 2 && to == 1 ? flows : 0;
        }
    }
}
