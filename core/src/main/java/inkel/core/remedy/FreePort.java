package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import java.util.Comparator;
import java.util.stream.Stream;

/**
 * A serial port of a board that nobody has.
 *
 * @param isConsole whether programs are loaded over it, or a computer logs in there
 */
public record FreePort(Place talks, Place listens, boolean isConsole) {
    /** The ports of a node's board, those of the console last. */
    public static Stream<FreePort> of(Circuit circuit, NodeCircuit node) {
        Placed board = node.board();
        return board.cls()
                .offers()
                .filter(pin -> !board.isKeptFree(pin))
                .sorted(Comparator.comparing(pin -> pin.can(Ability.Kind.CONSOLE)))
                .filter(pin -> isFree(circuit, node, board.endpoint(pin), BoardPorts.TALKS))
                .flatMap(pin -> BoardPorts.other(node, board.endpoint(pin), BoardPorts.TALKS)
                        .filter(listens -> isFree(circuit, node, listens, BoardPorts.LISTENS))
                        .map(listens -> new FreePort(
                                node.place(board.endpoint(pin)), node.place(listens), pin.can(Ability.Kind.CONSOLE)))
                        .stream());
    }

    private static boolean isFree(Circuit circuit, NodeCircuit node, Endpoint pin, String line) {
        return BoardPorts.isPort(node, pin, line) && JoinNodes.isFree(circuit, node, pin);
    }
}
