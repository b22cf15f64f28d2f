package inkel.core.circuit;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Unpowered;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** A sensor of two legs that has no voltage of its own: an analog pin whose resistance to the other leg, on ground, is all it says. */
public final class ResistiveSensor {
    private ResistiveSensor() {}

    /** From the least to the most that it is in use; empty for a pin that gives a voltage. */
    public static Optional<Range<Resistance>> ohms(PartClass cls, Pin pin) {
        boolean isAlone = pin.use() == PinUse.ANALOG
                && cls.supplies().isEmpty()
                && cls.io(pin).isEmpty();
        return !isAlone
                ? Optional.empty()
                : cls.handling().unpowered().stream()
                        .filter(told -> told.from().equals(pin.label()))
                        .filter(told -> cls.pin(told.to())
                                .filter(other -> other.use() == PinUse.GROUND)
                                .isPresent())
                        .map(Unpowered::ohms)
                        .findFirst();
    }

    /** The same for a signal of a table. */
    public static Optional<Range<Resistance>> ohms(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part()).map(Placed::cls).flatMap(cls -> cls.pin(signal.pin())
                .flatMap(pin -> ohms(cls, pin)));
    }
}
