package inkel.core.catalog;

import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * A pin through which a part is fed.
 *
 * @param range the least and the most it works at
 * @param absoluteMax above this it is damaged
 * @param with the supply pin whose rail it is fed from too, unless the builder says otherwise: the analog half of a chip,
 *     a reference
 * @param dropout what a regulator behind the pin needs above its own output; absent when there is none
 * @param isForCell whether a cell belongs there and nothing else, since the part charges it
 * @param isMeasured whether what comes there is what the part measures: another rail would be another question
 */
public record Supply(
        String pin,
        Figure<Voltage> range,
        Voltage absoluteMax,
        Optional<Voltage> dropout,
        Optional<String> with,
        boolean isForCell,
        boolean isMeasured) {
    /** One that takes any source of its volts, and goes with no other pin. */
    public static Supply plain(String pin, Figure<Voltage> range, Voltage absoluteMax) {
        return new Supply(pin, range, absoluteMax, Optional.empty(), Optional.empty(), false, false);
    }

    /** The same pin of a chip that works from another voltage on, not above its usual one. */
    public Supply worksFrom(Voltage least) {
        Range<Voltage> known = range.range();
        return new Supply(
                pin,
                new Figure<>(new Range<>(least, known.typ(), known.max()), range.source()),
                absoluteMax,
                dropout,
                with,
                isForCell,
                isMeasured);
    }
}
