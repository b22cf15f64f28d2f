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

    @Test
    void threePointsOfACurveGiveItsThreeFigures() {
        // Figures of a 10 kΩ thermistor as its makers print them; at these resistances 1/T = a + b·ln R + c·(ln R)³.
        double a = 1.129148e-3;
        double b = 2.34125e-4;
        double c = 8.76741e-8;
        SteinhartHart curve =
                SteinhartHart.through(onCurve(a, b, c, 32_650), onCurve(a, b, c, 10_000), onCurve(a, b, c, 3_603));
        assertEquals(a, curve.a(), 1e-9);
        assertEquals(b, curve.b(), 1e-10);
        assertEquals(c, curve.c(), 1e-12);
        // And as they print its table: 0, 25 and 50 °C there.
        assertEquals(0, curve.at(32_650).celsius(), 0.02);
        assertEquals(25, curve.at(10_000).celsius(), 0.02);
        assertEquals(50, curve.at(3_603).celsius(), 0.05);
    }

    private static SteinhartHart.Known onCurve(double a, double b, double c, double ohms) {
        double log = Math.log(ohms);
        return new SteinhartHart.Known(ohms, 1 / (a + b * log + c * log * log * log) - 273.15);
    }

    @Test
    void aSoftMoveIsFastestByHalfPiOfItsMean() {
        // 1000 µs in 2 s are 500 a second on average; a cosine is π/2 of that in its middle.
        assertEquals(785.398, new SoftMove(1000, 2000, 2).fastest(), 0.001);
        assertEquals(785.398, new SoftMove(2000, 1000, 2).fastest(), 0.001);
    }

    @Test
    void samplesDeviateAsAHandReckons() {
        // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, squares 32, by seven 4.571, root 2.138.
        SampleBand band = SampleBand.of(List.of(2.0, 4.0, 4.0, 4.0, 5.0, 5.0, 7.0, 9.0));
        assertEquals(5, band.mean(), 1e-12);
        assertEquals(2.13809, band.deviation(), 1e-5);
        assertEquals(5 - 3 * 2.13809, band.low(), 1e-4);
        assertEquals(5 + 3 * 2.13809, band.high(), 1e-4);
        assertEquals(0, SampleBand.of(List.of(7.0)).deviation());
        assertEquals(Math.sqrt(2), SampleBand.of(List.of(1.0, 3.0)).deviation(), 1e-12);
    }
}
