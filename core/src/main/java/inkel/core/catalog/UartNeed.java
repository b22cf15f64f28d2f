package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Optional;

/**
 * How a part talks over a serial port.
 *
 * @param rates those it can talk at; the first is the one it wakes up with
 * @param line the pair of wires that it hands on to, if it does
 */
public record UartNeed(List<Frequency> rates, Optional<LinePair> line) {
    public UartNeed {
        rates = List.copyOf(rates);
    }
}
