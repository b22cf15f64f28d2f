package inkel.core.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NearestTest {
    // Worked by hand: letters added, dropped or changed, and neighbours that changed places.
    @ParameterizedTest(name = "{0} to {1}: {2}")
    @CsvSource({
        "radio, radio, 0",
        "radoi, radio, 1",
        "nmae, name, 1",
        "ca, abc, 3",
        "D99, D9, 1",
        "'', abc, 3",
        "kitten, sitting, 3",
        "a, b, 1"
    })
    void distances(String from, String to, int expected) {
        assertEquals(expected, Nearest.distance(from, to));
        assertEquals(expected, Nearest.distance(to, from));
    }

    @Test
    void theNearestIsSuggestedAndNothingFarFetched() {
        List<String> pins = List.of("D9", "D10", "A0");
        assertEquals(Optional.of("D9"), Nearest.to("D99", pins));
        assertEquals(Optional.empty(), Nearest.to("elephant", pins));
        assertEquals(Optional.empty(), Nearest.to("x", List.of()));
    }

    @Test
    void smallLettersAreNoSlipAndWhatGoesOnIsMeant() {
        assertEquals(Optional.of("D3"), Nearest.to("d3", List.of("A3", "D2", "D3")));
        assertEquals(Optional.of("CSN"), Nearest.to("CS", List.of("CE", "CSN")));
        assertEquals(Optional.of("miso"), Nearest.to("miso", List.of("MISO", "miso")));
        assertEquals(Optional.empty(), Nearest.to("d3", List.of("GND", "VIN")));
    }
}
