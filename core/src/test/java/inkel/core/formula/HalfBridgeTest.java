package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import java.util.Random;
import org.junit.jupiter.api.Test;

class HalfBridgeTest {
    private static Range<Resistance> range(double least, double most) {
        return Range.between(Resistance.ofOhms(least), Resistance.ofOhms(most));
    }

    /** √(1 kΩ · 100 kΩ) is 10 kΩ; √(2.5 kΩ · 55 kΩ) is 11.73 kΩ, and 12 kΩ is nearer to it than 10 kΩ. */
    @Test
    void theFixedOneLiesInTheMiddleByRatio() {
        assertEquals(10e3, HalfBridge.widest(range(1e3, 100e3), ESeries.E12).ohms(), 1e-6);
        assertEquals(12e3, HalfBridge.widest(range(2.5e3, 55e3), ESeries.E12).ohms(), 1e-6);
    }

    /** A third of 15 kΩ: 5 kΩ below 10 kΩ. */
    @Test
    void theShareIsThatOfADivider() {
        assertEquals(1.0 / 3, HalfBridge.share(Resistance.ofOhms(5e3), Resistance.ofOhms(10e3)), 1e-12);
    }

    @Test
    void noneOfTheSeriesSwingsFurther() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            double least = Math.pow(10, 2 + 2 * random.nextDouble());
            double most = least * (2 + 50 * random.nextDouble());
            double chosen = HalfBridge.widest(range(least, most), ESeries.E12).ohms();
            for (int decade = 0; decade < 8; decade++) {
                double[] values = ESeries.E12.ofDecade(decade).toArray();
                for (double other : values) {
                    assertTrue(
                            swing(least, most, other) <= swing(least, most, chosen) + 1e-9,
                            least + " to " + most + ": " + other + " beats " + chosen);
                }
            }
        }
    }

    private static double swing(double least, double most, double fixed) {
        return most / (most + fixed) - least / (least + fixed);
    }
}
