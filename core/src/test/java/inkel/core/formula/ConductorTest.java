package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConductorTest {
    /** Published tables of solid copper wire (ASTM B258): cross-section in mm², resistance in Ω/km at 20 °C. */
    @ParameterizedTest(name = "AWG {0}: {1} mm², {2} Ω/km")
    @CsvSource({
        "16, 1.309,  13.17",
        "20, 0.518,  33.31",
        "22, 0.326,  52.96",
        "24, 0.205,  84.22",
        "26, 0.129,  133.9",
        "28, 0.0810, 212.9",
        "30, 0.0509, 338.6",
        "36, 0.0127, 1361"
    })
    void areasAndResistancesAreThoseOfTheTables(double awg, double areaSquareMillimetres, double ohmsPerKilometre) {
        assertEquals(areaSquareMillimetres, Conductor.areaSquareMetres(awg) * 1e6, areaSquareMillimetres * 5e-3);
        Resistance there = Conductor.thereAndBack(awg, Length.ofMetres(500), 0, Resistance.ofOhms(0));
        assertEquals(ohmsPerKilometre, there.ohms(), ohmsPerKilometre * 5e-3);
    }
}
