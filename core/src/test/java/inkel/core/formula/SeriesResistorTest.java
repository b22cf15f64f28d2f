package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import org.junit.jupiter.api.Test;

class SeriesResistorTest {
    @Test
    void aRedLampOnFiveVolts() {
        // (5 V − 2 V) / 10 mA = 300 Ω, sold as 330 Ω, which lets 9.09 mA through.
        Voltage across = SeriesResistor.across(Voltage.ofVolts(5), Voltage.ofVolts(2));
        Current wanted = Current.ofMilliamperes(10);
        assertEquals(300, SeriesResistor.least(across, wanted).ohms(), 1e-9);
        Resistance sold = SeriesResistor.standard(across, wanted, ESeries.E12);
        assertEquals(330, sold.ohms(), 1e-9);
        assertEquals(9.0909e-3, SeriesResistor.current(across, sold).amperes(), 1e-7);
    }

    @Test
    void nothingFlowsWhereTheLampKeepsAll() {
        Voltage across = SeriesResistor.across(Voltage.ofVolts(1.8), Voltage.ofVolts(3.2));
        assertEquals(0, SeriesResistor.current(across, Resistance.ofOhms(100)).amperes(), 0);
    }

    @Test
    void aValueThatIsSoldIsTakenAsItIs() {
        assertEquals(
                1000,
                SeriesResistor.standard(Voltage.ofVolts(1), Current.ofMilliamperes(1), ESeries.E12)
                        .ohms(),
                1e-9);
    }
}
