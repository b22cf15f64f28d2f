package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Serial lines from board to board. A wire that leaves where a board's port talks and arrives where the other's listens is
 * one: pins where people look for a port are meant as that.
 */
public final class BoardPorts {
    public static final String TALKS = "tx";
    public static final String LISTENS = "rx";

    private BoardPorts() {}

    /** Whether a port of a node's board is looked for at a pin. */
    public static boolean isPort(NodeCircuit node, Endpoint pin, String line) {
        return pin.part().equals(node.board().id())
                && node.pin(pin)
                        .filter(found -> isPort(node.board().cls(), found, line))
                        .isPresent();
    }

    /** Whether a port of a board is looked for at a pin: where it usually is, or where its console is. */
    public static boolean isPort(PartClass board, Pin pin, String line) {
        return pin.can(Ability.Kind.UART, line)
                && (pin.can(Ability.Kind.CONSOLE)
                        || board.controller()
                                .filter(found -> found.isUsual(Ability.Kind.UART, line, pin.label()))
                                .isPresent());
    }

    /** The other pin of the port that a pin is one of. */
    public static Optional<Endpoint> other(NodeCircuit node, Endpoint pin, String line) {
        String wanted = line.equals(TALKS) ? LISTENS : TALKS;
        Set<Integer> units = units(node.pin(pin).orElseThrow(), line);
        return node.board()
                .cls()
                .offers()
                .filter(found -> units(found, wanted).stream().anyMatch(units::contains))
                .map(node.board()::endpoint)
                .filter(found -> isPort(node, found, wanted))
                .findFirst();
    }

    private static Set<Integer> units(Pin pin, String line) {
        return pin.can().stream()
                .filter(ability ->
                        ability.kind() == Ability.Kind.UART && ability.line().equals(line))
                .map(Ability::unit)
                .collect(Collectors.toSet());
    }

    /** Whether a wire between boards carries what one port says to the other. */
    public static boolean isSerial(Circuit circuit, NodeWire link) {
        return !link.isLine() && isPort(circuit, link.from(), TALKS) && isPort(circuit, link.to(), LISTENS);
    }

    /** Which of a port's two wires both ends are; empty where they differ, or are no ports. */
    public static Optional<String> alike(Circuit circuit, NodeWire link) {
        return Stream.of(TALKS, LISTENS)
                .filter(line -> !link.isLine() && !isSerial(circuit, link) && isAlike(circuit, link, line))
                .findFirst();
    }

    private static boolean isAlike(Circuit circuit, NodeWire link, String line) {
        return isPort(circuit, link.from(), line) && isPort(circuit, link.to(), line);
    }

    private static boolean isPort(Circuit circuit, Place at, String line) {
        return circuit.node(at.node())
                .filter(node -> isPort(node, at.endpoint(), line))
                .isPresent();
    }
}
