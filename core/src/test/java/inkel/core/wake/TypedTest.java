package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.quantity.Unit;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypedTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3,31|VOLT|3.31",
                "3.31v|VOLT|3.31",
                "3V31|VOLT|3.31",
                "3.31|VOLT|3.31",
                "-0.02 mV|VOLT|-0.00002",
                "−30 mV|VOLT|-0.03",
                "1k8|OHM|1800",
                "0,4 Ω|OHM|0.4",
                "4R7|OHM|4.7",
                "46 mA|AMPERE|0.046",
                "0,046|AMPERE|0.046",
                "1.5 ms|SECOND|0.0015"
            })
    void isReadAsPeopleWriteIt(String text, Unit unit, double si) {
        assertEquals(si, ((Typed.Value) Typed.parse(text, unit)).quantity().si(), Math.abs(si) * 1e-9);
    }

    @ParameterizedTest
    @ValueSource(strings = {"OL", "ol", "overload", "O.L", "0L", "∞"})
    void beyondTheRangeIsSaidInManyWays(String text) {
        assertEquals(new Typed.Overload(), Typed.parse(text, Unit.OHM));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "abc", "3,3,1", "3.3 A", "1,2.3", "3.3 Ω", "--3"})
    void nonsenseIsNoReading(String text) {
        assertEquals(new Typed.Nonsense(), Typed.parse(text, Unit.VOLT));
    }

    @Test
    void anOverloadIsWellWhereMoreIsAsGood() {
        Typed overload = new Typed.Overload();
        assertEquals(Optional.of(true), overload.isWell(Expected.Within.atLeast(Unit.OHM, 120)));
        assertEquals(Optional.of(false), overload.isWell(Expected.Within.atMost(Unit.OHM, 1)));
        assertEquals(Optional.of(false), overload.isWell(Expected.Within.between(Unit.VOLT, 3.2, 3.4)));
    }

    @Test
    void theEndsOfABandAreInIt() {
        Expected within = Expected.Within.between(Unit.VOLT, 3.2, 3.4);
        assertEquals(Optional.of(true), Typed.parse("3.2", Unit.VOLT).isWell(within));
        assertEquals(Optional.of(true), Typed.parse("3.4", Unit.VOLT).isWell(within));
        assertEquals(Optional.of(false), Typed.parse("3.19", Unit.VOLT).isWell(within));
        assertEquals(Optional.of(false), Typed.parse("3.41", Unit.VOLT).isWell(within));
    }
}
