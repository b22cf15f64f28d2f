package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Takes the outcome of a planning run: all wires at once, the feeds that wires stood for, the addresses that straps must be set to, and the wires to
 * other boards that move.
 */
public record Replan(
        String node, List<Wire> wires, List<Feed> feeds, List<SetSetting> settings, List<ChangeNodeWire> links)
        implements Edit {
    public Replan {
        wires = List.copyOf(wires);
        feeds = List.copyOf(feeds);
        settings = List.copyOf(settings);
        links = List.copyOf(links);
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Build changed = Edit.applyAll(build, links);
        Node before = Require.node(changed, node);
        Node planned = before.withWires(inOrderOf(before.wires()));
        Build fed = Edit.applyAll(changed.withNode(node, old -> planned), feeds);
        return Edit.applyAll(fed, settings);
    }

    /** Signals that were wired before stay where they stand in the file, so that a plan which moves nothing changes nothing. */
    private List<Wire> inOrderOf(List<Wire> before) {
        Map<Endpoint, Wire> left = new LinkedHashMap<>();
        wires.forEach(wire -> left.put(wire.from(), wire));
        List<Wire> ordered = new ArrayList<>();
        for (Wire old : before) {
            Wire now = left.remove(old.from());
            if (now != null) {
                ordered.add(now);
            }
        }
        ordered.addAll(left.values());
        return ordered;
    }
}
