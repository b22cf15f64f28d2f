package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.List;

/** The rates a part can talk at; the first is the one it wakes up with. */
public record UartNeed(List<Frequency> rates) {
    public UartNeed {
        rates = List.copyOf(rates);
    }
}
