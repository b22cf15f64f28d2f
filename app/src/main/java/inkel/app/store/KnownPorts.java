package inkel.app.store;

import inkel.app.line.Port;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Which board was last heard at which port, as the boards themselves reported it.
 *
 * @param known the latest first
 */
public record KnownPorts(List<Known> known) {
    /** Nobody has more boards on the bench in a season. */
    private static final int MOST = 24;

    public KnownPorts {
        known = List.copyOf(known);
    }

    /**
     * @param port the key of a port, see {@link Port#key}
     * @param board the id of a node
     */
    public record Known(String port, String board) {}

    /** With a board heard at a port: what was there before is there no more, and the board is nowhere else. */
    public KnownPorts with(Port port, String board) {
        List<Known> next = new ArrayList<>(List.of(new Known(port.key(), board)));
        known.stream()
                .filter(one -> !one.port().equals(port.key()) && !one.board().equals(board))
                .limit(MOST - 1)
                .forEach(next::add);
        return new KnownPorts(next);
    }

    /** The board that was last heard there. */
    public Optional<String> boardAt(Port port) {
        return known.stream()
                .filter(one -> one.port().equals(port.key()))
                .map(Known::board)
                .findFirst();
    }
}
