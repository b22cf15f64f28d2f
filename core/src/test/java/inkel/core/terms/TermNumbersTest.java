package inkel.core.terms;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.kit.Builds;
import inkel.core.kit.LongLines;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class TermNumbersTest {
    private static final Assessment ALONE = Builds.classic().assess();

    private static List<Fact> of(Builds build, Term term) {
        return TermNumbers.of(build.assess(), Builds.NODE, term);
    }

    private static Map<String, Object> only(List<Fact> facts) {
        assertEquals(1, facts.size(), facts::toString);
        return facts.get(0).values();
    }

    @Test
    void aStepOfTheConverterIsItsRangeOverTwoToThePowerOfItsBits() {
        Map<String, Object> adc = only(TermNumbers.of(ALONE, Builds.NODE, Term.ADC));
        assertEquals(10, adc.get("bits"));
        assertEquals(5, ((Voltage) adc.get("full")).volts(), 0.001);
        assertEquals(5 / 1024.0, ((Voltage) adc.get("step")).volts(), 1e-6);
    }

    /** 120 Ω at each of two ends are 60 Ω; a table that no line leaves has none to tell. */
    @Test
    void theTerminatorsOfALineStandSideBySide() {
        Assessment two = Assessment.assess(
                LongLines.at("gate", "house", "shed").chain("gate", "house").build(), Builds.CATALOG);
        Map<String, Object> terminators = only(TermNumbers.of(two, "house", Term.TERMINATOR));
        assertEquals(2, terminators.get("count"));
        assertEquals(60, ((Resistance) terminators.get("load")).ohms(), 1e-9);
        assertEquals(List.of(), TermNumbers.of(two, "shed", Term.TERMINATOR));
    }

    @Test
    void theDutyOfAServoIsItsPulseOverThePeriod() {
        Map<String, Object> duty = only(of(Builds.classic().part("arm", "servo-micro", "V+=board.5V"), Term.DUTY));
        // 50 pulses a second: a period of 20 ms.
        assertEquals(0.05, ratio(duty, "low", "from"), 1e-9);
        assertEquals(0.05, ratio(duty, "high", "to"), 1e-9);
    }

    /** Duty in each millisecond of the pulse. */
    private static double ratio(Map<String, Object> duty, String pulse, String share) {
        double millis = ((inkel.core.quantity.TimeSpan) duty.get(pulse)).seconds() * 1e3;
        return ((Share) duty.get(share)).ratio() / millis;
    }

    @Test
    void aDividerLeavesTheShareOfItsLowerResistor() {
        Builds build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.MOSI", "board.D11")
                .between(new Between.Divider(
                        Builds.end("radio.MOSI"), Resistance.ofOhms(10_000), Resistance.ofOhms(20_000), Extras.NONE));
        assertEquals(2 / 3.0, ((Share) only(of(build, Term.DIVIDER)).get("share")).ratio(), 1e-9);
    }

    @Test
    void whatIsNotThereHasNoNumbers() {
        for (Term term : List.of(
                Term.PULL_UP,
                Term.DIVIDER,
                Term.CHIP_SELECT,
                Term.LEVEL_SHIFTER,
                Term.DUTY,
                Term.ADDRESS,
                Term.BURST)) {
            assertEquals(List.of(), TermNumbers.of(ALONE, Builds.NODE, term), term.name());
        }
        assertEquals(List.of(), TermNumbers.of(ALONE, "nowhere", Term.ADC));
    }

    @Test
    void anAddressIsToldAsItIsWritten() {
        Builds build = Builds.classic().part("unit", "motion-unit", "VCC=board.5V");
        assertEquals("0x68", only(of(build, Term.ADDRESS)).get("address"));
    }

    @ParameterizedTest
    @EnumSource(Term.class)
    void noTermFailsOnAnyBoardAndNoneIsTold(Term term) {
        Assessment full = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("unit", "motion-unit", "VCC=board.5V")
                .part("modem", "text-modem", "VCC=board.5V")
                .part("arm", "servo-micro", "V+=board.5V")
                .wire("radio.SCK", "board.D13")
                .wire("radio.CSN", "board.D10")
                .wire("unit.SDA", "board.A4")
                .wire("unit.SCL", "board.A5")
                .assess();
        assertTrue(TermNumbers.of(full, Builds.NODE, term).size() <= 3);
    }
}
