package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Says of a plugged wire that it is made otherwise than the list has it: of another colour, soldered, clipped.
 *
 * @param as a colour of wires, {@code solder} or {@code clip}; empty for as the list has it
 */
public record MarkWire(String node, String wire, Optional<String> as) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Map<String, String> made = new LinkedHashMap<>(node.made());
        as.ifPresentOrElse(how -> made.put(wire, how), () -> made.remove(wire));
        return node.withMade(made);
    }
}
