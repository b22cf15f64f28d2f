package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import java.util.List;

/**
 * Takes the outcome of a planning run: all wires at once, the addresses that straps must be set to, and the wires to
 * other boards that move.
 */
public record Replan(String node, List<Wire> wires, List<SetSetting> settings, List<MoveNodeWire> links)
        implements Edit {
    public Replan {
        wires = List.copyOf(wires);
        settings = List.copyOf(settings);
        links = List.copyOf(links);
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Build changed = Edit.applyAll(build, links);
        Node planned = Require.node(changed, node).withWires(wires);
        return Edit.applyAll(changed.withNode(node, old -> planned), settings);
    }
}
