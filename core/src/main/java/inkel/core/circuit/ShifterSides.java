package inkel.core.circuit;

import inkel.core.build.Between;
import inkel.core.build.Endpoint;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.quantity.Voltage;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The two pins of a way through a shifter. A way has one pin on each side; each side hangs on its own supply. The pin
 * that faces an end of the wire is the one whose supply is nearest to that end's.
 *
 * @param towardsDriver faces the pin that drives
 * @param towardsReceiver faces the pin that listens
 */
public record ShifterSides(Endpoint towardsDriver, Endpoint towardsReceiver) {
    /** Empty when the shifter has no such way, or when a part on it is not fed. */
    public static Optional<ShifterSides> of(
            NodeCircuit node, Between.ShifterWay way, Endpoint driver, Endpoint receiver) {
        Optional<Placed> shifter = node.part(way.shifter());
        Optional<Voltage> receiverAt = node.ioVolts(receiver).map(range -> range.expected());
        Optional<Voltage> driverAt = node.ioVolts(driver).map(range -> range.expected());
        if (shifter.isEmpty() || receiverAt.isEmpty() || driverAt.isEmpty()) {
            return Optional.empty();
        }
        List<Endpoint> pins = pinsOf(shifter.get(), way.way());
        if (pins.size() != 2 || pins.stream().anyMatch(pin -> node.ioVolts(pin).isEmpty())) {
            return Optional.empty();
        }
        Comparator<Endpoint> byVolts =
                Comparator.comparing(pin -> node.ioVolts(pin).orElseThrow().expected());
        Endpoint low = pins.stream().min(byVolts).orElseThrow();
        Endpoint high = pins.get(0).equals(low) ? pins.get(1) : pins.get(0);
        boolean isReceiverHigh = receiverAt.get().isAbove(driverAt.get());
        return Optional.of(isReceiverHigh ? new ShifterSides(low, high) : new ShifterSides(high, low));
    }

    /** The pins of one way, counted along each side in physical order. */
    public static List<Endpoint> pinsOf(Placed shifter, int way) {
        return shifter.cls().io().stream()
                .flatMap(side -> shifter.cls().pins().stream()
                        .filter(pin -> pin.use() == PinUse.WAY && pin.io().equals(side.name()))
                        .skip(way - 1L)
                        .limit(1))
                .map(shifter::endpoint)
                .toList();
    }

    /** How many ways a shifter has. */
    public static int ways(Placed shifter) {
        return (int) shifter.cls().io().stream()
                .mapToLong(side -> shifter.cls().pins().stream()
                        .filter(pin -> pin.use() == PinUse.WAY && pin.io().equals(side.name()))
                        .count())
                .min()
                .orElse(0);
    }

    /** Whether a part has ways at all. */
    public static boolean isShifter(Placed placed) {
        return placed.cls().pins().stream().map(Pin::use).anyMatch(use -> use == PinUse.WAY);
    }
}
