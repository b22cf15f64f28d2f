package inkel.core.quantity;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

/** Above and below leave a billionth to rounding, and not more. */
class LimitsTest {
    @Test
    void voltsAtTheSameLevelAreNeitherAboveNorBelow() {
        Voltage five = Voltage.ofVolts(5);
        assertFalse(five.isAbove(five));
        assertFalse(five.isBelow(five));
        assertFalse(Voltage.ofVolts(5 + 0.9e-9).isAbove(five));
        assertTrue(Voltage.ofVolts(5 + 1.1e-9).isAbove(five));
        assertFalse(Voltage.ofVolts(5 - 0.9e-9).isBelow(five));
        assertTrue(Voltage.ofVolts(5 - 1.1e-9).isBelow(five));
        assertFalse(Voltage.ofVolts(1e-9).isAbove(Voltage.ZERO), "exactly the tolerance is not above");
        assertFalse(Voltage.ofVolts(-1e-9).isBelow(Voltage.ZERO));
    }

    @Test
    void currentsAlike() {
        Current one = Current.ofAmperes(1);
        assertFalse(one.isAbove(one));
        assertFalse(one.isBelow(one));
        assertTrue(Current.ofAmperes(1 + 1.1e-9).isAbove(one));
        assertFalse(Current.ofAmperes(1 + 0.9e-9).isAbove(one));
        assertTrue(Current.ofAmperes(1 - 1.1e-9).isBelow(one));
        assertFalse(Current.ofAmperes(1e-9).isAbove(Current.ZERO));
    }
}
