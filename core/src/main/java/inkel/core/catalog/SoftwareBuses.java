package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import java.util.Optional;

/**
 * What a board's program can do on plain pins in place of its hardware, and how fast.
 *
 * @param uart the fastest rate a serial port made of plain pins can be trusted with
 * @param spi the fastest clock of an SPI bus on plain pins; absent where there is no such code
 * @param i2c the fastest clock of an I2C bus on plain pins; absent where there is no such code
 * @param pulses timed pulses on plain pins; absent where there is no such code
 * @param isHeldUp whether what it times by itself, such as a strip of lamps, stops its interrupts; hardware or a second core
 *     does it otherwise
 */
public record SoftwareBuses(
        Frequency uart,
        Optional<Frequency> spi,
        Optional<Frequency> i2c,
        Optional<SoftPulses> pulses,
        boolean isHeldUp) {
    /**
     * Pulses that the program switches itself.
     *
     * @param most the highest frequency
     * @param jitter how far the end of a pulse wanders, from earliest to latest
     */
    public record SoftPulses(Frequency most, TimeSpan jitter) {}

    /** What the same program does at a clock that is so many times as fast. */
    SoftwareBuses times(double factor) {
        return new SoftwareBuses(
                times(uart, factor),
                spi.map(clock -> times(clock, factor)),
                i2c.map(clock -> times(clock, factor)),
                pulses.map(soft -> new SoftPulses(
                        times(soft.most(), factor),
                        TimeSpan.ofSeconds(soft.jitter().seconds() / factor))),
                isHeldUp);
    }

    private static Frequency times(Frequency clock, double factor) {
        return Frequency.ofHertz(clock.hertz() * factor);
    }

    /** The fastest clock of a bus of this kind on plain pins; empty where there is none. */
    public Optional<Frequency> clock(Ability.Kind bus) {
        return bus == Ability.Kind.SPI ? spi : bus == Ability.Kind.I2C ? i2c : Optional.empty();
    }
}
