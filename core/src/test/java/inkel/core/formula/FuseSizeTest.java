package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Current;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FuseSizeTest {
    private static Current amperes(double value) {
        return Current.ofAmperes(value);
    }

    // 1.25 × the peak, and the next size of IEC 60127 from there up.
    @ParameterizedTest
    @CsvSource({"0.01, 0.1", "0.08, 0.1", "0.081, 0.2", "1.6, 2", "1.601, 3.15", "5, 6.3", "20, 25"})
    void theNextSizeAboveAPeak(double peak, double size) {
        assertEquals(Optional.of(amperes(size)), FuseSize.suitable(amperes(peak)));
    }

    @Test
    void aboveTheLargestThereIsNone() {
        assertEquals(25, FuseSize.largest().amperes());
        assertTrue(FuseSize.suitable(amperes(20.01)).isEmpty());
    }

    @Test
    void whatItBearsAndWhatTakesItAway() {
        assertEquals(3.0, FuseSize.borne(amperes(2)).amperes(), 1e-12);
        assertEquals(5.5, FuseSize.gone(amperes(2)).amperes(), 1e-12);
    }
}
