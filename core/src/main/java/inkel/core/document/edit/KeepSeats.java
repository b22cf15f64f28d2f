package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Laid;
import inkel.core.document.Node;
import inkel.core.document.SeatChoice;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Says where parts, pieces and meeting rows are kept on the breadboards, and takes the wires of what moves to be pulled.
 *
 * @param seats by id; empty for wherever the planner likes
 * @param pulled ids of wires that are not plugged any more then
 * @param laid where all else stays as long as it can; none for a table that may be laid anew
 */
public record KeepSeats(String node, Map<String, Optional<SeatChoice>> seats, Set<String> pulled, Laid laid)
        implements NodeEdit {
    public KeepSeats {
        seats = Map.copyOf(seats);
        pulled = Set.copyOf(pulled);
    }

    @Override
    public Node applyTo(Node node) throws EditRefused {
        Map<String, SeatChoice> all = new LinkedHashMap<>(node.seats());
        seats.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(entry -> entry.getValue()
                .ifPresentOrElse(seat -> all.put(entry.getKey(), seat), () -> all.remove(entry.getKey())));
        Set<String> plugged = new LinkedHashSet<>(node.plugged());
        plugged.removeAll(pulled);
        return node.withPlugged(plugged).withSeats(all).withLaid(laid);
    }
}
