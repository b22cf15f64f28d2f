package inkel.core.bench.net;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Elements are straight up to the bend that they tell, by their laws as the tests have them. */
class BendsTest {
    private static final int WAYS = 2000;
    private static final double AMPERES = 1e-9;

    private static List<Element> elements() {
        return List.of(
                new Element.Resistor(0, 1, 470),
                new Element.Source(0, 1, 5, 0.25, 0.5, false),
                new Element.Source(0, 1, 5, 0.25, Double.POSITIVE_INFINITY, true),
                new Element.Diode(0, 1, 0.3, 2),
                new Element.Load(0, 1, 0.08, 2.7),
                new Element.LinearRegulator(0, 1, 2, 3.3, 0.4, 0.1, 0.002, 0.25, Double.POSITIVE_INFINITY),
                new Element.SwitchingRegulator(0, 1, 2, 5, 2.5, 0.9, 0.1, 0.001, 1),
                new Element.Follower(0, 1, 2, 0.4, 25));
    }

    private static double[] between(double[] from, double[] to, double share) {
        double[] at = new double[from.length];
        for (int i = 0; i < at.length; i++) {
            at[i] = from[i] + share * (to[i] - from[i]);
        }
        return at;
    }

    /** What an element takes; of a converter only its output's, since its input takes a power. */
    private static double takes(Element element, double[] at) {
        return ElementLaws.currents(element, at)[1];
    }

    @Test
    void allIsStraightUpToTheBend() {
        Random random = new Random(11);
        for (Element element : elements()) {
            int bent = 0;
            for (int way = 0; way < WAYS; way++) {
                int size = element.points().size();
                double[] from = random.doubles(size, -1, 7).toArray();
                double[] to = random.doubles(size, -1, 7).toArray();
                double bend = element.untilBend(from, to);
                assertTrue(bend >= 0, element + " " + bend);
                double straight = Math.min(bend, 1);
                bent += bend < 1 ? 1 : 0;
                double start = takes(element, from);
                double end = takes(element, between(from, to, straight));
                for (double share : new double[] {0.25, 0.5, 0.75}) {
                    double there = takes(element, between(from, to, share * straight));
                    double scale = Math.abs(start) + Math.abs(end) + 1;
                    assertEquals(start + share * (end - start), there, AMPERES * scale, element + " way " + way);
                }
            }
            boolean isStraight =
                    element instanceof Element.Resistor || element instanceof Element.Source source && source.sinks();
            assertEquals(isStraight, bent == 0, element + ": " + bent);
        }
    }

    @Test
    void theBendIsWhereTheSlopeChanges() {
        // 0.3 V is met on the way from 0 to 1.2 V after a quarter of it, and from 1.2 V to 0 after three.
        Element diode = new Element.Diode(0, 1, 0.3, 2);
        assertEquals(0.25, diode.untilBend(new double[] {0, 0}, new double[] {1.2, 0}), 1e-12);
        assertEquals(0.75, diode.untilBend(new double[] {1.2, 0}, new double[] {0, 0}), 1e-12);
        assertEquals(Double.POSITIVE_INFINITY, diode.untilBend(new double[] {1, 0}, new double[] {0.31, 0}));
        // A supply of 5 V behind 0.25 Ω gives no more than 0.5 A below 4.875 V, and takes nothing above 5 V.
        Element supply = new Element.Source(0, 1, 5, 0.25, 0.5, false);
        assertEquals(0.5, supply.untilBend(new double[] {0, 4.9}, new double[] {0, 4.85}), 1e-9);
        assertEquals(0.5, supply.untilBend(new double[] {0, 4.9}, new double[] {0, 5.1}), 1e-9);
        // A regulator of 3.3 V with 0.4 V drop-out leaves off regulating below 3.7 V, here half way.
        Element regulator = new Element.LinearRegulator(0, 1, 2, 3.3, 0.4, 0.1, 0.002, 0.25, 1);
        assertEquals(0.5, regulator.untilBend(new double[] {4, 3.29, 0}, new double[] {3.4, 3.28, 0}), 1e-9);
    }

    @Test
    void whereAStraightWayGoesToAndFroTimeBringsItToAnEnd() {
        // Two regulators behind one supply: the one that is loaded with 2.5 Ω is at its limit of 0.3 A, the other is
        // not.
        Network network = RandomNetworks.of(3552);
        Solution solution = new Solver(network).solve().orThrow();
        double[] slow = new Relaxation(network).solve();
        for (int point = 1; point < network.size(); point++) {
            assertEquals(slow[point], solution.between(point, 0), 1e-3, "point " + point);
        }
    }

    @Test
    void aStairOfDiodesSettles() {
        // Each bends at its own volts; all conduct in the end.
        List<Element> elements = new ArrayList<>();
        elements.add(new Element.Source(0, 1, 10, 0.001, Double.POSITIVE_INFINITY, true));
        double amperes = 0;
        for (int i = 1; i <= 8; i++) {
            elements.add(new Element.Diode(1, 0, i, 0.5 * i));
        }
        Solution solution = new Solver(new Network(List.of("ground", "plus"), elements))
                .solve()
                .orThrow();
        double volts = solution.between(1, 0);
        for (int i = 1; i <= 8; i++) {
            amperes += (volts - i) / (0.5 * i) + 1e-9 * volts;
        }
        assertEquals((10 - volts) / 0.001, amperes, 1e-6);
    }
}
