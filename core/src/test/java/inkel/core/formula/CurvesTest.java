package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.PolyLine.Corner;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Lines through points, soft moves and the curve of a thermistor, against hand arithmetic. */
class CurvesTest {
    @Test
    void aBentLineGoesThroughItsCornersAndIsFlatBeyondWhereClipped() {
        List<Corner> corners = List.of(new Corner(0, 600), new Corner(100, 800), new Corner(300, 2400));
        PolyLine clipped = new PolyLine(corners, true);
        PolyLine open = new PolyLine(corners, false);
        assertEquals(700, clipped.at(50));
        assertEquals(800, clipped.at(100));
        assertEquals(1600, clipped.at(200));
        assertEquals(600, clipped.at(-10));
        assertEquals(2400, clipped.at(400));
        assertEquals(580, open.at(-10));
        assertEquals(3200, open.at(400));
        assertEquals(8, open.slope(1));
        assertEquals(0, open.offset(1), 1e-9);
        assertThrows(IllegalArgumentException.class, () -> new PolyLine(List.of(new Corner(0, 1)), true));
        assertThrows(
                IllegalArgumentException.class, () -> new PolyLine(List.of(new Corner(5, 1), new Corner(5, 2)), true));
    }

    @Test
    void aSoftMoveBeginsAndEndsSlowlyAndIsFastestInItsMiddle() {
        // One second in frames of 20 ms: 50 places; half way after 25; (1 − cos 3.6°)/2 of the way after the first.
        List<Double> table = new SoftMove(560, 2299, 1).table(0.02);
        assertEquals(50, table.size());
        assertEquals(560 + 1739 * (1 - Math.cos(Math.toRadians(3.6))) / 2, table.get(0), 1e-9);
        assertEquals((560 + 2299) / 2.0, table.get(24), 1e-9);
        assertEquals(2299, table.get(49), 1e-9);
        double widest = 0;
        for (int i = 1; i < 50; i++) {
            widest = Math.max(widest, table.get(i) - table.get(i - 1));
        }
        assertTrue(widest <= new SoftMove(560, 2299, 1).fastest() * 0.02 + 1e-9);
        assertEquals(List.of(5.0), new SoftMove(1, 5, 0.001).table(0.02));
    }

    @Test
    void aThermistorGoesThroughItsThreePointsAndBetweenThemNearItsTable() {
        // A published table of a 10 kΩ thermistor of B = 3977 K: 32,554 Ω at 0 °C, 10,000 at 25, 3,605.6 at 50 by its
        // own
        // formula R = 10000·exp(3977·(1/T − 1/298.15)).
        SteinhartHart curve = SteinhartHart.through(known(0), known(25), known(50));
        for (int celsius : List.of(0, 25, 50)) {
            assertEquals(celsius, curve.at(known(celsius).ohms()).celsius(), 1e-6);
        }
        for (int celsius : List.of(5, 12, 33, 45)) {
            assertEquals(celsius, curve.at(known(celsius).ohms()).celsius(), 0.01);
        }
        SteinhartHart.Known one = known(25);
        assertThrows(IllegalArgumentException.class, () -> SteinhartHart.through(one, one, known(50)));
    }

    private static SteinhartHart.Known known(double celsius) {
        return new SteinhartHart.Known(10_000 * Math.exp(3977 * (1 / (celsius + 273.15) - 1 / 298.15)), celsius);
    }
}
