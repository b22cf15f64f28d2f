package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Laid;
import inkel.core.document.Node;
import inkel.core.document.SeatChoice;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Marks wires as plugged in, and keeps what they are plugged at where it sits.
 *
 * @param seats by id; those that are kept already stay as they are
 * @param laid the whole table as it lies
 */
public record PlugSeated(Plug plug, Map<String, SeatChoice> seats, Laid laid) implements NodeEdit {
    public PlugSeated {
        seats = Map.copyOf(seats);
    }

    @Override
    public String node() {
        return plug.node();
    }

    @Override
    public Node applyTo(Node node) throws EditRefused {
        Map<String, SeatChoice> all = new LinkedHashMap<>(node.seats());
        seats.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(seat -> all.putIfAbsent(seat.getKey(), seat.getValue()));
        return plug.applyTo(node).withSeats(all).withLaid(laid);
    }
}
