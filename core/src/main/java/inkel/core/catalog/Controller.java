package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.List;

/**
 * What only a board has.
 *
 * @param clock the clock that its serial ports and timers divide
 * @param uartOversamples the clocks a bit that its ports can be set to, 16 or 8
 * @param uartRegisterBits how wide the whole part of the divisor is
 * @param uartFractionBits how many bits of fraction the divisor has, often 0
 * @param spiDividers what the clock can be divided by for SPI, rising
 * @param softwareUartMax the fastest rate a port made of plain pins can be trusted with
 */
public record Controller(
        Frequency clock,
        List<Integer> uartOversamples,
        int uartRegisterBits,
        int uartFractionBits,
        List<Integer> spiDividers,
        Frequency softwareUartMax) {
    public Controller {
        uartOversamples = List.copyOf(uartOversamples);
        spiDividers = List.copyOf(spiDividers);
    }
}
