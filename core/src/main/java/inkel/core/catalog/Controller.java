package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Optional;

/**
 * What only a board has.
 *
 * @param clock the clock that its serial ports and timers divide
 * @param uartOversamples the clocks a bit that its ports can be set to, 16 or 8
 * @param uartRegisterBits how wide the whole part of the divisor is
 * @param uartFractionBits how many bits of fraction the divisor has, often 0
 * @param spiDividers what the clock can be divided by for SPI, rising
 * @param softwareUartMax the fastest rate a port made of plain pins can be trusted with
 * @param packageCurrent the most that all pins together may give or take
 * @param timers what makes its PWM
 * @param claims what common code takes of them
 * @param analog its converters
 */
public record Controller(
        Frequency clock,
        List<Integer> uartOversamples,
        int uartRegisterBits,
        int uartFractionBits,
        List<Integer> spiDividers,
        Frequency softwareUartMax,
        Optional<Current> packageCurrent,
        List<Timer> timers,
        List<Claim> claims,
        List<AnalogGroup> analog) {
    public Controller {
        uartOversamples = List.copyOf(uartOversamples);
        spiDividers = List.copyOf(spiDividers);
        timers = List.copyOf(timers);
        claims = List.copyOf(claims);
        analog = List.copyOf(analog);
    }
}
