package inkel.core.wiring;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;

/**
 * Where a pin is on its header, counted so that a finger finds it.
 *
 * @param row {@code left}, {@code right} or {@code single}
 * @param fromStart its place from the marked end, from 1
 * @param fromEnd its place from the far end, from 1
 */
public record HeaderPlace(String row, int fromStart, int fromEnd) {
    /** @param index which pin of the class, from 0 */
    public static HeaderPlace of(PartClass cls, int index) {
        Pin pin = cls.pins().get(index);
        int last = cls.pins().stream()
                .filter(other -> other.row().equals(pin.row()))
                .mapToInt(Pin::place)
                .max()
                .orElseThrow();
        return new HeaderPlace(pin.row(), pin.place(), last + 1 - pin.place());
    }
}
