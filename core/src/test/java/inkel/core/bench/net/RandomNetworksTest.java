package inkel.core.bench.net;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class RandomNetworksTest {
    private static final int MANY = 10_000;
    private static final int SOME = 200;

    @Test
    void noCurrentComesFromNowhereOrGetsLost() {
        int settled = 0;
        for (int seed = 0; seed < MANY; seed++) {
            Network network = RandomNetworks.of(seed);
            Outcome found = new Solver(network).solve();
            if (found instanceof Outcome.Unsettled unsettled) {
                // Only where a power is taken there may be no place to settle; a plain resistance is never blamed.
                Element named = network.elements().get(unsettled.element());
                assertTrue(network.elements().stream().anyMatch(Element.SwitchingRegulator.class::isInstance));
                assertFalse(named instanceof Element.Resistor, "network " + seed + ": " + named);
            } else if (found instanceof Outcome.Settled outcome) {
                settled++;
                Solution solution = outcome.solution();
                for (int point = 0; point < solution.network().size(); point++) {
                    assertEquals(0, solution.leaving(point), 1e-7, "network " + seed + ", point " + point);
                }
            }
        }
        assertTrue(settled >= MANY * 0.99, "only " + settled + " settle");
    }

    @Test
    void aSecondSolverComesToTheSame() {
        int compared = 0;
        for (int seed = 0; seed < SOME; seed++) {
            Network network = RandomNetworks.of(seed);
            double[] other = new Relaxation(network).solve();
            if (new Solver(network).solve() instanceof Outcome.Settled outcome && other.length > 0) {
                compared++;
                for (int point = 1; point < network.size(); point++) {
                    double found = outcome.solution().between(point, 0);
                    assertEquals(
                            other[point],
                            found,
                            Math.max(0.01 * Math.abs(other[point]), 1e-3),
                            "network " + seed + ", point " + point);
                }
            }
        }
        assertTrue(compared >= SOME * 0.95, "only " + compared + " are compared");
    }
}
