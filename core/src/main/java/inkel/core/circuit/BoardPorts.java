package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Serial lines from board to board. A wire that leaves where a board's port talks and arrives where the other's listens is
 * one: pins where people look for a port are meant as that, unless the builder says otherwise. One that is said to be a serial
 * line is one on any pins.
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

    /** The unit of a board's port that a pin is one of; empty where a program has to make a port of it. */
    public static Optional<Integer> unit(NodeCircuit node, Endpoint pin, String line) {
        return isPort(node, pin, line)
                ? units(node.pin(pin).orElseThrow(), line).stream().findFirst()
                : Optional.empty();
    }

    /** Whether a wire between boards carries what one port says to the other. */
    public static boolean isSerial(Circuit circuit, NodeWire link) {
        return isMeant(circuit, link) && alike(circuit, link).isEmpty() && !isTurned(circuit, link);
    }

    private static boolean isMeant(Circuit circuit, NodeWire link) {
        return isSaid(link)
                || isOpen(link) && isPort(circuit, link.from(), TALKS) && isPort(circuit, link.to(), LISTENS);
    }

    private static boolean isSaid(NodeWire link) {
        return link.carries().isSaid(Carries.Kind.SERIAL);
    }

    /** Whether its pins say what it carries. */
    private static boolean isOpen(NodeWire link) {
        return !link.isLine() && link.carries().kind().isEmpty();
    }

    /**
     * Which of a port's two wires both ends are; empty where they differ, or are no ports. Where it is said to be a serial line
     * one end is enough, since a program makes of the other what is wanted.
     */
    public static Optional<String> alike(Circuit circuit, NodeWire link) {
        if (isTurned(circuit, link)) {
            return Optional.empty();
        }
        boolean talk = isOnly(circuit, link.to(), TALKS) && mayBe(circuit, link, link.from(), TALKS);
        boolean listen = isOnly(circuit, link.from(), LISTENS) && mayBe(circuit, link, link.to(), LISTENS);
        return talk ? Optional.of(TALKS) : listen ? Optional.of(LISTENS) : Optional.empty();
    }

    /** Whether it is written from where one port listens to where the other talks: what its pins say is the other way about. */
    public static boolean isTurned(Circuit circuit, NodeWire link) {
        boolean mayBe = isSaid(link) || isOpen(link);
        return mayBe && isOnly(circuit, link.from(), LISTENS) && isOnly(circuit, link.to(), TALKS);
    }

    private static boolean mayBe(Circuit circuit, NodeWire link, Place end, String line) {
        return isSaid(link) || isOpen(link) && isPort(circuit, end, line);
    }

    private static boolean isOnly(Circuit circuit, Place at, String line) {
        String other = line.equals(TALKS) ? LISTENS : TALKS;
        return isPort(circuit, at, line) && !isPort(circuit, at, other);
    }

    private static boolean isPort(Circuit circuit, Place at, String line) {
        return circuit.node(at.node())
                .filter(node -> isPort(node, at.endpoint(), line))
                .isPresent();
    }
}
