package inkel.core.bench.net;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

/** The plainest of three ways comes to the same volts. */
class DenseNodalTest {
    private static final int NETWORKS = 300;

    @Test
    void itAgreesWithTheProgramsWay() {
        int compared = 0;
        for (int seed = 0; seed < NETWORKS; seed++) {
            Network network = RandomNetworks.of(seed);
            if (new Solver(network).solve() instanceof Outcome.Settled own
                    && own.solution().off().isEmpty()
                    && DenseNodal.solve(network) instanceof Outcome.Settled dense) {
                compared++;
                for (int point = 1; point < network.size(); point++) {
                    double one = own.solution().between(point, 0);
                    double other = dense.solution().between(point, 0);
                    if (!Double.isNaN(one)) {
                        assertEquals(one, other, 0.01 * Math.max(1, Math.abs(one)), seed + " point " + point);
                    }
                }
            }
        }
        // A way that finds nothing would agree with everything.
        assertTrue(compared > NETWORKS * 0.9, "only " + compared + " settled");
    }
}
