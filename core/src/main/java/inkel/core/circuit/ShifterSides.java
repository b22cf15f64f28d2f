package inkel.core.circuit;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Ways;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * The two pins of a way through a shifter or a buffer. Through a shifter, the pin that faces an end of the wire is the
 * one whose supply is nearest to that end's; through a buffer, the input faces what drives.
 *
 * @param towardsDriver faces the pin that drives
 * @param towardsReceiver faces the pin that listens
 */
public record ShifterSides(Endpoint towardsDriver, Endpoint towardsReceiver) {
    /** Empty when the part has no such way, or when a part on it is not fed. */
    public static Optional<ShifterSides> of(
            NodeCircuit node, Between.ShifterWay way, Endpoint driver, Endpoint receiver) {
        return of(node, way.shifter(), way.way(), node.ioVolts(driver), node.ioVolts(receiver));
    }

    /** Those of a wire between boards, on the node of its {@link NodeWire#converter}; empty where it goes through none. */
    public static Optional<ShifterSides> of(Circuit circuit, NodeWire link) {
        Optional<Place> converter = link.converter();
        Optional<NodeCircuit> node = converter.flatMap(place -> circuit.node(place.node()));
        return node.isEmpty() || !(link.between().orElseThrow() instanceof Between.ShifterWay way)
                ? Optional.empty()
                : of(
                        node.get(),
                        converter.get().part(),
                        way.way(),
                        circuit.ioVolts(link.from()),
                        circuit.ioVolts(link.to()));
    }

    private static Optional<ShifterSides> of(
            NodeCircuit node,
            String part,
            int way,
            Optional<Range<Voltage>> driverAt,
            Optional<Range<Voltage>> receiverAt) {
        Optional<Placed> shifter = node.part(part);
        if (shifter.isEmpty() || receiverAt.isEmpty() || driverAt.isEmpty()) {
            return Optional.empty();
        }
        List<Pin> pins = node.ways(shifter.get()).pins(way);
        if (pins.size() != 2) {
            return Optional.empty();
        }
        Endpoint one = shifter.get().endpoint(pins.get(0));
        Endpoint other = shifter.get().endpoint(pins.get(1));
        Optional<Range<Voltage>> oneAt = node.ioVolts(one);
        Optional<Range<Voltage>> otherAt = node.ioVolts(other);
        if (oneAt.isEmpty() || otherAt.isEmpty()) {
            return Optional.empty();
        }
        if (pins.get(0).use() == PinUse.WAY_IN) {
            return Optional.of(new ShifterSides(one, other));
        }
        if (pins.get(0).use() == PinUse.WAY_OUT) {
            return Optional.of(new ShifterSides(other, one));
        }
        boolean isOneLow = !oneAt.get().expected().isAbove(otherAt.get().expected());
        Endpoint low = isOneLow ? one : other;
        Endpoint high = isOneLow ? other : one;
        boolean isReceiverHigh =
                receiverAt.get().expected().isAbove(driverAt.get().expected());
        return Optional.of(isReceiverHigh ? new ShifterSides(low, high) : new ShifterSides(high, low));
    }

    /** The pins of a wire's way that face the part with the signal and the pin it goes to, in that order. */
    public static Optional<Facing> facing(NodeCircuit node, Between.ShifterWay way, Wire wire) {
        boolean drives = node.pin(wire.from())
                .filter(pin -> pin.use().drives() && !pin.use().listens())
                .isPresent();
        return drives
                ? of(node, way, wire.from(), wire.to())
                        .map(sides -> new Facing(sides.towardsDriver(), sides.towardsReceiver()))
                : of(node, way, wire.to(), wire.from())
                        .map(sides -> new Facing(sides.towardsReceiver(), sides.towardsDriver()));
    }

    /**
     * The pins of a way by the ends of its wire.
     *
     * @param signal faces the part that the signal belongs to
     * @param target faces the pin that the wire goes to
     */
    public record Facing(Endpoint signal, Endpoint target) {}

    /** Whether a part has ways at all. */
    public static boolean isShifter(Placed placed) {
        return !Ways.of(placed.cls()).isEmpty();
    }
}
