package inkel.core.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Against published tables of the distributions, and by counting. */
class SpreadTest {
    @Test
    void ofAMeanItIsStudentsQuantile() {
        // t at 0.985 of 1 freedom is cot(0.015·π) = 21.205; of very many it is the normal 2.1701.
        assertEquals(21.205, Spread.ofMean(1, 1), 0.001);
        assertEquals(2.1701, Spread.ofMean(1, 1_000_000), 0.0005);
        assertEquals(2.1701 * 3, Spread.ofSum(0, 3), 0.001);
        assertEquals(0.97 * 2, Spread.ofSum(2, 0), 1e-9);
    }

    @Test
    void ofASumItHoldsNinetySevenOfAHundredByCounting() {
        Random random = new Random(3);
        for (double[] both : new double[][] {{1, 0.1}, {1, 1}, {0.2, 1}, {3, 0.5}}) {
            double half = Spread.ofSum(both[0], both[1]);
            int held = 0;
            for (int i = 0; i < 100_000; i++) {
                double sum = both[0] * (2 * random.nextDouble() - 1) + both[1] * random.nextGaussian();
                held += Math.abs(sum) <= half ? 1 : 0;
            }
            assertEquals(0.97, held / 100_000.0, 0.003, both[0] + " and " + both[1]);
        }
    }

    @Test
    void ofADeviationItHoldsNinetySevenOfAHundredByCounting() {
        Random random = new Random(4);
        int held = 0;
        for (int i = 0; i < 20_000; i++) {
            double sum = 0;
            double squares = 0;
            for (int n = 0; n < 12; n++) {
                double one = 5 * random.nextGaussian();
                sum += one;
                squares += one * one;
            }
            double deviation = Math.sqrt((squares - sum * sum / 12) / 11);
            held += Spread.ofDeviation(deviation, 11).holds(5) ? 1 : 0;
        }
        assertEquals(0.97, held / 20_000.0, 0.004);
    }

    @Test
    void anEstimateHoldsItsEnds() {
        Estimate estimate = new Estimate(2, 0.5);
        assertTrue(estimate.holds(2.5) && estimate.holds(1.5));
        assertTrue(!estimate.holds(2.51) && !estimate.holds(1.49));
        assertEquals(new Estimate(-4, 1), estimate.times(-2));
    }
}
