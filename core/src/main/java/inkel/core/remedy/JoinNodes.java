package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.formula.I2cAddress;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A signal wire from one board to another, between the first pins that are free on both. */
public final class JoinNodes {
    private JoinNodes() {}

    /** Empty when one of the boards has no free digital pin. */
    public static Optional<Edit> of(Circuit circuit, String one, String other) {
        return freePin(circuit, one).flatMap(from -> freePin(circuit, other)
                .map(to -> new AddNodeWire(new NodeWire(from, to, false, Extras.NONE))));
    }

    /**
     * Two crossed wires from port to port, with a ground beside them; ports that programs are loaded over last. Empty when one
     * of the boards has no free one.
     */
    public static List<Edit> serial(Circuit circuit, String one, String other) {
        Optional<FreePort> mine = port(circuit, one);
        Optional<FreePort> theirs = port(circuit, other);
        if (mine.isEmpty() || theirs.isEmpty()) {
            return List.of();
        }
        return List.of(
                new AddNodeWire(new NodeWire(mine.get().talks(), theirs.get().listens(), true, Extras.NONE)),
                new AddNodeWire(new NodeWire(theirs.get().talks(), mine.get().listens(), false, Extras.NONE)));
    }

    private static Optional<FreePort> port(Circuit circuit, String nodeId) {
        return FreePort.of(circuit, circuit.node(nodeId).orElseThrow()).findFirst();
    }

    /**
     * Data to data and clock to clock where people look for the I2C bus of both boards, with a ground beside them; the other board
     * answers to a free address, where neither does yet. Empty when one of the boards has none, something else is there, or the two are joined so.
     */
    public static List<Edit> bus(Circuit circuit, String one, String other) {
        List<Place> mine = busPins(circuit, one);
        List<Place> theirs = busPins(circuit, other);
        boolean isJoined = circuit.links().stream()
                .anyMatch(link -> link.touches(one)
                        && link.touches(other)
                        && BoardBuses.line(circuit, link).isPresent());
        if (isJoined || mine.size() != 2 || theirs.size() != 2) {
            return List.of();
        }
        List<Edit> edits = new ArrayList<>(List.of(
                new AddNodeWire(new NodeWire(mine.get(0), theirs.get(0), true, Extras.NONE)),
                new AddNodeWire(new NodeWire(mine.get(1), theirs.get(1), false, Extras.NONE))));
        boolean isSaid = Stream.of(one, other)
                .flatMap(node -> circuit.node(node).stream())
                .anyMatch(node -> node.board().answersAt().isPresent());
        if (!isSaid) {
            NodeCircuit answering = circuit.node(other).orElseThrow();
            BoardAddress.free(circuit, List.of(one, other), I2cAddress.FIRST)
                    .map(address -> BoardAddress.set(answering, address))
                    .ifPresent(edits::add);
        }
        return edits;
    }

    private static List<Place> busPins(Circuit circuit, String nodeId) {
        NodeCircuit node = circuit.node(nodeId).orElseThrow();
        Placed board = node.board();
        return board.cls().busPins().stream()
                .filter(pin -> !board.isKeptFree(pin))
                .map(board::endpoint)
                .filter(pin -> isFree(circuit, node, pin) || isOnBus(circuit, node, pin))
                .map(node::place)
                .toList();
    }

    /** Whether only the bus itself is there. */
    private static boolean isOnBus(Circuit circuit, NodeCircuit node, Endpoint pin) {
        Place place = node.place(pin);
        return node.nets().getOrDefault(pin, List.of()).stream().allMatch(wire -> node.pin(wire.from())
                        .flatMap(signal -> signal.use().sharedLine())
                        .filter(line -> line.bus() == Ability.Kind.I2C)
                        .isPresent())
                && circuit.links().stream()
                        .filter(link -> link.from().equals(place) || link.to().equals(place))
                        .allMatch(link -> BoardBuses.line(circuit, link).isPresent());
    }

    private static Optional<Place> freePin(Circuit circuit, String nodeId) {
        return circuit.node(nodeId).flatMap(node -> freePins(circuit, node).findFirst());
    }

    /**
     * Digital pins of a node's board that nobody has, the console's and those the builder keeps free left out; those first that
     * can do least besides, since what others can is missed sooner.
     */
    public static Stream<Place> freePins(Circuit circuit, NodeCircuit node) {
        Placed board = node.board();
        return board.cls()
                .offers()
                .filter(pin -> pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.CONSOLE))
                .filter(pin -> !board.isKeptFree(pin))
                .sorted(Comparator.comparing(
                                (Pin pin) -> pin.can(Ability.Kind.STRAP) || pin.can(Ability.Kind.INPUT_ONLY))
                        .thenComparing(pin -> pin.can().size()))
                .map(board::endpoint)
                .filter(pin -> isFree(circuit, node, pin))
                .map(node::place);
    }

    static boolean isFree(Circuit circuit, NodeCircuit node, Endpoint pin) {
        Place place = node.place(pin);
        return !node.nets().containsKey(pin)
                && circuit.links().stream()
                        .noneMatch(
                                link -> link.from().equals(place) || link.to().equals(place));
    }
}
