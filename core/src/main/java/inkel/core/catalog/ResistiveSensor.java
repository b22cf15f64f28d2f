package inkel.core.catalog;

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
}
