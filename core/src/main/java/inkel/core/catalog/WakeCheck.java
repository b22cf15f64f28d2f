package inkel.core.catalog;

import java.util.Optional;

/**
 * What tells at the first power-up that a part is alive.
 *
 * @param how what is looked at
 * @param at the register for an identity, the pin for an idle level, the command for a reply
 * @param expect what is read when all is well: a hexadecimal value, {@code high}, {@code low} or a text
 */
public record WakeCheck(How how, String at, String expect) {
    /** What is looked at. */
    public enum How {
        /** A register that always reads the same. */
        IDENTITY,
        /** The level of a pin while nothing happens. */
        IDLE,
        /** Whether it answers at its bus address. */
        ANSWERS,
        /** What comes back for a command over a serial port. */
        REPLY
    }

    /** The level of an idle pin; empty for other checks. */
    public Optional<Boolean> isHigh() {
        return how == How.IDLE ? Optional.of(expect.equals("high")) : Optional.empty();
    }
}
