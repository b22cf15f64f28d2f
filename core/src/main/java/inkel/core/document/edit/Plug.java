package inkel.core.document.edit;

import inkel.core.document.Node;
import java.util.LinkedHashSet;
import java.util.Set;

/** Marks wires as plugged in or pulled out. */
public record Plug(String node, Set<String> wires, boolean in) implements NodeEdit {
    public Plug {
        wires = new LinkedHashSet<>(wires);
    }

    @Override
    public Node applyTo(Node node) {
        Set<String> plugged = new LinkedHashSet<>(node.plugged());
        if (in) {
            plugged.addAll(wires);
        } else {
            plugged.removeAll(wires);
        }
        return node.withPlugged(plugged);
    }
}
