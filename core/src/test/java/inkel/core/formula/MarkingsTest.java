package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.formula.Markings.Band;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Held against the tables of IEC 60062, read off by hand. */
class MarkingsTest {
    @ParameterizedTest
    @CsvSource({
        "10000, BROWN BLACK ORANGE",
        "4700, YELLOW VIOLET RED",
        "330, ORANGE ORANGE BROWN",
        "47, YELLOW VIOLET BLACK",
        "2.2, RED RED GOLD",
        "0.47, YELLOW VIOLET SILVER",
        "1000000, BROWN BLACK GREEN",
        "9.1e9, WHITE BROWN GREY",
        "4.99e3, YELLOW WHITE WHITE BROWN",
        "51.1, GREEN BROWN BROWN GOLD"
    })
    void bands(double ohms, String wanted) {
        List<Band> bands = Arrays.stream(wanted.split(" ")).map(Band::valueOf).collect(Collectors.toList());
        assertEquals(Optional.of(bands), Markings.bands(ohms));
    }

    @ParameterizedTest
    @CsvSource({"100e-9, 104", "0.1e-6, 104", "22e-12, 220", "10e-12, 100", "4.7e-9, 472", "1e-6, 105", "10e-6, 106"})
    void codes(double farads, String code) {
        assertEquals(Optional.of(code), Markings.code(farads));
    }

    @Test
    void whatCannotBePaintedIsNotTold() {
        assertEquals(Optional.empty(), Markings.bands(4712), "four digits");
        assertEquals(Optional.empty(), Markings.bands(0.047), "a thousandth has no colour");
        assertEquals(Optional.empty(), Markings.code(4.7e-12), "below 10 pF another letter is used");
        assertEquals(Optional.empty(), Markings.code(112e-9), "three digits");
    }
}
