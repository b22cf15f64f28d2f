package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.NodePins;
import inkel.core.pins.SerialLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Ways out for a part's serial port: another one of the board, plain pins, a slower rate. */
final class PortFixes {
    private PortFixes() {}

    /** A free port of the board, else plain pins where the rate allows that. */
    static List<Fix> elsewhere(NodePins pins, SerialLine line) {
        List<Fix> fixes = new ArrayList<>(hardware(pins, line));
        Frequency most = line.node().board().cls().controller().orElseThrow().softwareUartMax();
        boolean maySoftware = line.placed()
                .baud()
                .filter(baud -> !Quantity.exceeds(baud, most))
                .isPresent();
        if (maySoftware) {
            put(
                            pins,
                            line,
                            free(
                                    pins,
                                    pin -> pin.can(Ability.Kind.DIGITAL)
                                            && !pin.can(Ability.Kind.INPUT_ONLY)
                                            && !pin.can(Ability.Kind.UART)))
                    .ifPresent(fixes::add);
        }
        return fixes;
    }

    /** Ports of the board on which nobody is and of which both pins are free. */
    static List<Fix> hardware(NodePins pins, SerialLine line) {
        Set<Integer> taken = pins.serialLines().stream()
                .flatMap(other -> other.unit().stream())
                .collect(Collectors.toSet());
        return pins.node()
                .board()
                .cls()
                .offers()
                .flatMap(pin -> pin.can().stream())
                .filter(ability -> ability.kind() == Ability.Kind.UART)
                .map(Ability::unit)
                .distinct()
                .filter(unit -> !taken.contains(unit))
                .flatMap(unit -> put(pins, line, portPins(pins, line, unit)).stream())
                .limit(1)
                .toList();
    }

    /** A pin for each wire of the port, crossed; fewer where one is taken. */
    private static List<Endpoint> portPins(NodePins pins, SerialLine line, int unit) {
        List<Endpoint> found = new ArrayList<>();
        for (Wire wire : line.wires()) {
            String wanted = pins.useOf(wire.from()) == PinUse.UART_TX ? "rx" : "tx";
            free(pins, pin -> pin.can().contains(new Ability(Ability.Kind.UART, unit, wanted))).stream()
                    .findFirst()
                    .ifPresent(found::add);
        }
        return found;
    }

    private static List<Endpoint> free(NodePins pins, Predicate<Pin> test) {
        Placed board = pins.node().board();
        return board.cls()
                .offers()
                .filter(test)
                .filter(pin -> !board.isKeptFree(pin))
                .map(board::endpoint)
                .filter(pin -> !pins.isTaken(pin) && !pins.isReserved(pin))
                .toList();
    }

    private static Optional<Fix> put(NodePins pins, SerialLine line, List<Endpoint> targets) {
        List<Wire> wires = line.wires();
        if (targets.size() < wires.size()) {
            return Optional.empty();
        }
        String node = pins.node().node().id();
        List<Edit> edits = IntStream.range(0, wires.size())
                .mapToObj(i -> (Edit) new SetWire(node, Wire.placed(wires.get(i).from(), targets.get(i))))
                .toList();
        List<String> names =
                targets.stream().limit(wires.size()).map(Endpoint::pin).toList();
        return Optional.of(new Fix(
                "port-" + String.join("-", names),
                Fact.of("fix.port").with("part", line.placed().part().name()).with("pins", names),
                Fact.of("fix.port.cost").with("count", wires.size()),
                edits));
    }

    /** The fastest rate of the part that is slow enough. */
    static List<Fix> slower(SerialLine line, Frequency most) {
        return line.placed().cls().uart().orElseThrow().rates().stream()
                .filter(rate -> !Quantity.exceeds(rate, most))
                .max(Comparator.comparingDouble(Frequency::hertz))
                .map(rate -> BaudFix.of(line, rate))
                .stream()
                .toList();
    }

    /** A computer is not programmed over its port: what talks there is a console that can be switched off for good. */
    static Optional<Fix> loginOff(NodeCircuit node) {
        Placed board = node.board();
        return board.cls()
                .controller()
                .filter(Controller::isComputer)
                .map(computer -> new Fix(
                        "console-off",
                        Fact.of("fix.console_off").with("part", board.part().name()),
                        Fact.of("fix.console_off.cost"),
                        List.of(new SetSetting(node.node().id(), board.id(), Settings.CONSOLE, "off"))));
    }
}
