package inkel.core.circuit;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Unpowered;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** A sensor of two legs that has no voltage of its own: an analog pin whose resistance to the other leg, on ground or on a supply, is all it says. */
public final class ResistiveSensor {
    private ResistiveSensor() {}

    /** From the least to the most that it is in use; empty for a pin that gives a voltage. */
    public static Optional<Range<Resistance>> ohms(PartClass cls, Pin pin) {
        return between(cls, pin).map(Unpowered::ohms);
    }

    /** The same, with the leg that it leads to. */
    public static Optional<Unpowered> between(PartClass cls, Pin pin) {
        boolean isAlone = pin.use() == PinUse.ANALOG
                && cls.io(pin).isEmpty()
                && (cls.supplies().isEmpty() || OtherLeg.isOnSupply(cls));
        return !isAlone
                ? Optional.empty()
                : cls.handling().unpowered().stream()
                        .filter(told -> told.from().equals(pin.label()))
                        .filter(told -> cls.pin(told.to())
                                .filter(ResistiveSensor::isEnd)
                                .isPresent())
                        .findFirst();
    }

    private static boolean isEnd(Pin leg) {
        return leg.use() == PinUse.GROUND || leg.use() == PinUse.SUPPLY;
    }

    /** The same for a signal of a table. */
    public static Optional<Range<Resistance>> ohms(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part()).map(Placed::cls).flatMap(cls -> cls.pin(signal.pin())
                .flatMap(pin -> ohms(cls, pin)));
    }

    /**
     * What makes a voltage of it.
     *
     * @param isAtGround whether the sensor is the one of the two at ground
     */
    public record Beside(Resistance fixed, boolean isAtGround) {}

    /** The resistor beside the wire of one; empty for a signal that is a voltage, and where it is on the side of the sensor. */
    public static Optional<Beside> beside(NodeCircuit node, Endpoint signal) {
        Between between = node.between(signal).orElse(null);
        boolean isOnSupply = OtherLeg.isOnSupply(node, signal.part());
        if (ohms(node, signal).isEmpty()) {
            return Optional.empty();
        } else if (isOnSupply) {
            return between instanceof Between.PulledDown down
                    ? Optional.of(new Beside(down.toGround(), false))
                    : Optional.empty();
        }
        return between instanceof Between.PulledUp up ? Optional.of(new Beside(up.pullUp(), true)) : Optional.empty();
    }
}
