package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.DriverPins;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;

/** Select pins that a driver of the board's operating system takes, whether or not something is selected by them. */
public final class DriverTaken {
    private DriverTaken() {}

    /** The pins that each driver takes, fewer where the builder told it to. */
    private static Stream<String> pins(Placed board, DriverPins driver) {
        int most = board.own(Settings.SELECTS).orElse(driver.pins().size());
        return driver.pins().stream().limit(most);
    }

    /** Whether a driver would take the pin from a signal that is no select, once a part is on its bus. */
    static boolean mayTake(NodeCircuit node, PinUse use, Endpoint target) {
        Placed board = node.board();
        List<DriverPins> drivers =
                board.cls().controller().map(of -> of.drivers()).orElse(List.of());
        return !drivers.isEmpty()
                && use != PinUse.SPI_CS
                && target.part().equals(board.id())
                && drivers.stream()
                        .anyMatch(
                                driver -> pins(board, driver).anyMatch(target.pin()::equals) && isWanted(node, driver));
    }

    private static boolean isWanted(NodeCircuit node, DriverPins driver) {
        return node.parts().stream()
                .filter(placed -> !placed.part().isBoard() && !placed.isForLater() && !PinFit.isOnSoftwareBus(placed))
                .flatMap(placed -> placed.cls().signals())
                .anyMatch(pin -> pin.use()
                        .sharedLine()
                        .filter(line -> line.bus() == driver.bus())
                        .isPresent());
    }

    /** Wires on pins that a driver takes, for its bus is in use. */
    public static List<Wire> wires(NodePins pins) {
        NodeCircuit node = pins.node();
        boolean hasDrivers = node.board()
                .cls()
                .controller()
                .filter(board -> !board.drivers().isEmpty())
                .isPresent();
        if (!hasDrivers) {
            return List.of();
        }
        return node.node().wires().stream()
                .filter(wire -> !node.isTie(wire) && mayTake(node, pins.useOf(wire.from()), wire.to()))
                .filter(wire -> isInUse(pins, wire.to()))
                .toList();
    }

    private static boolean isInUse(NodePins pins, Endpoint taken) {
        NodeCircuit node = pins.node();
        return node.board().cls().controller().stream()
                .flatMap(board -> board.drivers().stream())
                .filter(driver -> driver.pins().contains(taken.pin()))
                .anyMatch(driver -> pins.node().node().wires().stream().anyMatch(wire -> isOn(node, wire, driver)));
    }

    private static boolean isOn(NodeCircuit node, Wire wire, DriverPins driver) {
        boolean isOfTheBoard = wire.to().part().equals(node.board().id());
        boolean isByHardware = node.part(wire.from().part())
                .filter(placed -> !PinFit.isOnSoftwareBus(placed))
                .isPresent();
        return isOfTheBoard
                && isByHardware
                && node.pin(wire.from())
                        .flatMap(pin -> pin.use().sharedLine())
                        .filter(line -> node.pin(wire.to())
                                .filter(pin ->
                                        pin.can().contains(new Ability(driver.bus(), driver.unit(), line.line())))
                                .isPresent())
                        .isPresent();
    }

    /** How many pins would be left to the drivers if a pin were free of them; empty when a select needs it or a later one. */
    public static OptionalInt enough(NodePins pins, Endpoint free) {
        NodeCircuit node = pins.node();
        return node.board().cls().controller().stream()
                .flatMap(board -> board.drivers().stream())
                .filter(driver -> driver.pins().contains(free.pin()))
                .filter(driver -> driver.pins().stream()
                        .skip(driver.pins().indexOf(free.pin()))
                        .noneMatch(pin -> isSelect(pins, pin)))
                .mapToInt(driver -> driver.pins().indexOf(free.pin()))
                .findFirst();
    }

    private static boolean isSelect(NodePins pins, String pin) {
        return pins.wiresOf(PinUse.SPI_CS).stream().anyMatch(wire -> wire.to()
                .equals(new Endpoint(pins.node().board().id(), pin)));
    }
}
