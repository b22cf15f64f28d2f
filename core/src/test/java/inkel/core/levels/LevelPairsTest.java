package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.Drive;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pairs of families, every figure worked by hand from the data-sheet formulas beside each family. */
class LevelPairsTest {
    /** A family and the range of its supply. */
    private record Side(IoFamily family, Range<Voltage> supply) {}

    private static final Map<String, Side> SIDES = Map.of(
            // 5 V CMOS: 0.6/0.3 VCC, drives within 0.3 V of its rails, bears VCC + 0.5 V; 5 V ± 5 %.
            "cmos5", side("0.6 VCC", "0.3 VCC", "VCC - 0.3 V", "0.3 V", null, "VCC + 0.5 V", null, 4.75, 5.25),
            // TTL levels: 2.0/0.8 V, drives 2.4 V at least and VCC − 1.4 V at most.
            "ttl5", side("2.0 V", "0.8 V", "2.4 V", "0.4 V", "VCC - 1.4 V", "VCC + 0.5 V", null, 4.75, 5.25),
            // 3.3 V CMOS ± 0.1 V.
            "cmos33", side("0.7 VCC", "0.3 VCC", "VCC - 0.4 V", "0.4 V", null, "VCC + 0.3 V", null, 3.2, 3.4),
            // 3.3 V with inputs that bear 5.5 V.
            "tolerant", side("0.7 VCC", "0.3 VCC", "VCC - 0.4 V", "0.4 V", null, "5.5 V", null, 3.2, 3.4),
            // 3.3 V that survives 5.5 V but is meant for 3.6 V.
            "surviving", side("0.7 VCC", "0.3 VCC", "VCC - 0.4 V", "0.4 V", null, "5.5 V", "3.6 V", 3.2, 3.4),
            // 2.8 V CMOS ± 0.1 V.
            "cmos28", side("0.7 VCC", "0.3 VCC", "VCC - 0.35 V", "0.35 V", null, "VCC + 0.3 V", null, 2.7, 2.9));

    private static Side side(
            String vih,
            String vil,
            String voh,
            String vol,
            String vohMax,
            String bears,
            String recommended,
            double from,
            double to) {
        return new Side(
                new IoFamily(
                        "x",
                        "VCC",
                        false,
                        Threshold.parse(vih),
                        Threshold.parse(vil),
                        Threshold.parse(voh),
                        Threshold.parse(vol),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.ofNullable(vohMax).flatMap(Threshold::parse),
                        Threshold.parse(bears).orElseThrow(),
                        Optional.ofNullable(recommended).flatMap(Threshold::parse),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Source.CLASS),
                new Range<>(Voltage.ofVolts(from), null, Voltage.ofVolts(to)));
    }

    @ParameterizedTest(name = "{0} into {1}: {5}")
    @CsvSource(
            textBlock =
                    """
            # driver, receiver, high margin, low margin, headroom, verdict
            cmos5,    ttl5,       2.45,  0.50,  0.00, FINE
            cmos5,    cmos33,     2.07,  0.66, -1.75, HARMS
            cmos5,    tolerant,   2.07,  0.66,  0.25, FINE
            cmos5,    surviving,  2.07,  0.66,  0.25, THIN
            cmos5,    cmos28,     2.42,  0.51, -2.25, HARMS
            ttl5,     cmos5,     -0.75,  1.025, 1.40, NOT_READ
            ttl5,     cmos33,     0.02,  0.56, -0.35, HARMS
            ttl5,     tolerant,   0.02,  0.56,  1.65, THIN
            ttl5,     cmos28,     0.37,  0.41, -0.85, HARMS
            cmos33,   cmos5,     -0.35,  1.025, 1.85, NOT_READ
            cmos33,   ttl5,       0.80,  0.40,  1.85, FINE
            cmos33,   cmos33,     0.42,  0.56,  0.10, FINE
            cmos33,   tolerant,   0.42,  0.56,  2.10, FINE
            cmos33,   cmos28,     0.77,  0.41, -0.40, HARMS
            cmos28,   cmos5,     -0.80,  1.075, 2.35, NOT_READ
            cmos28,   ttl5,       0.35,  0.45,  2.35, FINE
            cmos28,   cmos33,    -0.03,  0.61,  0.60, NOT_READ
            cmos28,   tolerant,  -0.03,  0.61,  2.60, NOT_READ
            cmos28,   cmos28,     0.32,  0.46,  0.10, FINE
            """)
    void aPairStandsAsTheArithmeticSays(
            String driver, String receiver, double high, double low, double headroom, Verdict verdict) {
        LevelCheck check = check(driver, receiver, false);
        assertEquals(high, check.highMargin().volts(), 1e-9, "least high − highest threshold");
        assertEquals(low, check.lowMargin().volts(), 1e-9, "lowest threshold − most low");
        assertEquals(headroom, check.headroom().volts(), 1e-9, "least bearable − most high");
        assertEquals(verdict, check.verdict());
    }

    @ParameterizedTest(name = "{0} on one rail: {1}")
    @CsvSource({
        // Both rise and fall together: at 4.75 V 4.45 − 2.85, at 3.2 V 2.8 − 2.24, at 2.7 V 2.35 − 1.89.
        "cmos5,  1.60, 0.50",
        "cmos33, 0.56, 0.30",
        "cmos28, 0.46, 0.30"
    })
    void onOneRailBothRiseAndFallTogether(String family, double high, double headroom) {
        LevelCheck check = check(family, family, true);
        assertEquals(high, check.highMargin().volts(), 1e-9);
        assertEquals(headroom, check.headroom().volts(), 1e-9);
        assertEquals(Verdict.FINE, check.verdict());
    }

    @Test
    void anOpenDrainHasNoHighOfItsOwn() {
        IoFamily open = new IoFamily(
                "x",
                "VCC",
                true,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Threshold.parse("0.4 V"),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Threshold.parse("5.5 V").orElseThrow(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Source.CLASS);
        Side five = SIDES.get("cmos5");
        assertEquals(Optional.empty(), Drive.check(open, five.supply(), five.family(), five.supply(), false));
    }

    private static LevelCheck check(String driver, String receiver, boolean isSameRail) {
        Side says = SIDES.get(driver);
        Side hears = SIDES.get(receiver);
        return Drive.check(says.family(), says.supply(), hears.family(), hears.supply(), isSameRail)
                .orElseThrow();
    }
}
