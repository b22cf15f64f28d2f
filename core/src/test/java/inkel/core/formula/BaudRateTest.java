package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BaudRateTest {
    // Register values and errors as in the rate tables that 8-bit controller data sheets print for these clocks
    // (errors there are rounded to a tenth of a percent).
    @ParameterizedTest(name = "{0} Hz, {1} baud, {2} clocks a bit: {3}, {4} %")
    @CsvSource(
            textBlock =
                    """
            16000000, 9600,   16, 103, 0.2
            16000000, 19200,  16, 51,  0.2
            16000000, 38400,  16, 25,  0.2
            16000000, 57600,  16, 16,  2.1
            16000000, 57600,  8,  34,  -0.8
            16000000, 115200, 16, 8,   -3.5
            16000000, 115200, 8,  16,  2.1
            16000000, 250000, 16, 3,   0.0
            8000000,  9600,   16, 51,  0.2
            8000000,  115200, 8,  8,   -3.5
            1000000,  2400,   16, 25,  0.2
            1000000,  9600,   8,  12,  0.2
            18432000, 115200, 16, 9,   0.0
            20000000, 115200, 16, 10,  -1.4
            """)
    void registersAndErrors(double clock, double baud, int oversample, int register, double errorPercent) {
        BaudRate rate = BaudRate.of(Frequency.ofHertz(clock), Frequency.ofHertz(baud), oversample, 12, 0);
        assertEquals(register, rate.register());
        assertEquals(errorPercent, rate.error().percent(), 0.06, "printed to a tenth");
        assertEquals(clock / (oversample * (register + 1.0)), rate.actual().hertz(), 1e-6);
    }

    @Test
    void aFractionBringsTheRateClose() {
        // 125 MHz / (16·115200) = 67.8168; in steps of 1/64 the nearest is 67 + 52/64 = 67.8125: 0.006 % off.
        BaudRate rate = BaudRate.of(Frequency.ofHertz(125e6), Frequency.ofHertz(115200), 16, 16, 6);
        assertEquals(66.8125, rate.register(), 1e-12);
        assertEquals(0.0064, rate.error().percent(), 0.0005);
    }

    @Test
    void aRateBeyondTheRegisterIsMadeAsNearAsItGoes() {
        // Twelve bits end at 4095: 16 MHz / (16·4096) = 244.14 baud is the slowest.
        BaudRate rate = BaudRate.of(Frequency.ofHertz(16e6), Frequency.ofHertz(110), 16, 12, 0);
        assertEquals(4095, rate.register());
        assertEquals(244.140625, rate.actual().hertz(), 1e-9);
        assertFalse(rate.isWithinLimit());
    }

    @Test
    void theBestOfTheBoardsSettingsIsTaken() {
        var controller = Builds.CATALOG.get("board-classic-5v").controller().orElseThrow();
        assertEquals(8, controller.bestBaud(Frequency.ofHertz(57600)).oversample());
        assertTrue(controller.bestBaud(Frequency.ofHertz(57600)).isWithinLimit());
        assertFalse(controller.bestBaud(Frequency.ofHertz(115200)).isWithinLimit());
    }

    // I2C-bus specification: smallest pull-up by (VDD − 0.4 V)/3 mA, largest by rise time/(0.8473·Cb); worked by hand.
    @ParameterizedTest(name = "{0} V, {1}, {2} pF")
    @CsvSource(
            textBlock =
                    """
            3.3, STANDARD, 400, 966.667,  2950.5
            5.0, STANDARD, 200, 1533.333, 5901.1
            3.3, FAST,     100, 966.667,  3540.7
            5.0, FAST,     400, 1533.333, 885.2
            3.3, FASTPLUS, 100, 145.0,    1416.3
            """)
    void pullUps(double supply, I2cPullup.Mode mode, double picofarads, double smallest, double largest) {
        assertEquals(
                smallest,
                I2cPullup.smallest(Voltage.ofVolts(supply), I2cPullup.LOW, mode.sink())
                        .ohms(),
                0.01);
        assertEquals(
                largest,
                I2cPullup.largest(mode, Capacitance.ofFarads(picofarads * 1e-12))
                        .ohms(),
                0.1);
        assertEquals(
                2 * smallest,
                I2cPullup.smallest(
                                Voltage.ofVolts(supply),
                                I2cPullup.LOW,
                                Current.ofAmperes(mode.sink().amperes() / 2))
                        .ohms(),
                0.02,
                "half the sink current, twice the resistor");
    }

    @ParameterizedTest
    @CsvSource({"0x07, true", "0x08, false", "0x40, false", "0x77, false", "0x78, true", "0x00, true"})
    void addressesKeptForTheBus(String address, boolean isReserved) {
        assertEquals(isReserved, I2cAddress.isReserved(Integer.decode(address)));
    }
}
