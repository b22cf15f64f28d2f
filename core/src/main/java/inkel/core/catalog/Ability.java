package inkel.core.catalog;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Something a pin can do for others: {@code digital}, {@code spi0.sck}, {@code uart1.tx}, {@code pwm3.b},
 * {@code adc0.5}.
 *
 * @param unit which bus, timer, slice or converter; 0 where there is only one
 * @param line the line or channel of that unit, empty where it has none
 */
public record Ability(Kind kind, int unit, String line) {
    /** Kinds of ability. Those with units are buses, timers and converters. */
    public enum Kind {
        DIGITAL,
        INTERRUPT,
        SPI,
        I2C,
        UART,
        PWM,
        ADC,
        /** Gives a true voltage. */
        DAC,
        /** Measures the length of pulses in hardware. */
        CAPTURE,
        /** Calls the program when it changes, together with its neighbours. */
        CHANGE,
        /** Has no pull-up of its own that the program could switch on. */
        NO_PULL,
        /** Something else on the board hangs on it: {@code usb}, {@code crystal}, {@code debug}. */
        TAKEN,
        /** Carries the board's own lamp. */
        LED,
        /** Read by the boot code when power comes up. */
        STRAP,
        /** Used while the board is programmed. */
        CONSOLE,
        /** Cannot drive. */
        INPUT_ONLY,
        /** Cannot be read. */
        OUTPUT_ONLY,
        /** Takes the pin of the same label, as a backpack takes a display. */
        SOCKET,
        /** Gives a steady voltage to a part that wants one; a converter tells its bits: {@code voltage.12}. */
        VOLTAGE,
        /** Gives pulses to a servo or a lamp, as a channel of a receiver does. */
        PULSES,
        /** Passes on to the next part of its class what that would else hear from the board. */
        CHAIN,
        /** Takes to ground what comes out of a winding that hangs on a supply, as a transistor on a board does. */
        SINK,
        /** One end of a bridge that drives a winding; the unit is the bridge. */
        DRIVE;

        boolean hasUnit() {
            return this == SPI
                    || this == I2C
                    || this == UART
                    || this == PWM
                    || this == ADC
                    || this == DAC
                    || this == DRIVE;
        }

        String text() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    private static final Pattern TEXT = Pattern.compile("([a-z2-]*[a-z])(\\d+)?(?:\\.([a-z0-9+-]+))?");

    /** Reads the form used in catalogue files; empty when it names no ability. */
    public static Optional<Ability> parse(String text) {
        // "i2c0" carries a digit in its name, which would be taken for the unit.
        String plain = text.startsWith("i2c") ? "iic" + text.substring(3) : text;
        Matcher matcher = TEXT.matcher(plain);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String name = "iic".equals(matcher.group(1)) ? "i2c" : matcher.group(1);
        for (Kind kind : Kind.values()) {
            if (kind.text().equals(name) && kind.hasUnit() == (matcher.group(2) != null)) {
                int unit = kind.hasUnit() ? Integer.parseInt(matcher.group(2)) : 0;
                return Optional.of(new Ability(kind, unit, matcher.group(3) == null ? "" : matcher.group(3)));
            }
        }
        return Optional.empty();
    }

    @Override
    public String toString() {
        return kind.text() + (kind.hasUnit() ? unit : "") + (line.isEmpty() ? "" : "." + line);
    }
}
