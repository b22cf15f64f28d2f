package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.quantity.Fact;
import java.util.List;

/**
 * Puts a node on another board, all at once: its parts, wires and what stands in them as they were worked out for it, and
 * the wires to other boards.
 *
 * @param was the node that it was worked out for
 * @param linksWere the wires between boards that it was worked out with
 * @param with the node as it will be; the board of it is another piece
 * @param links all wires between boards as they will be
 */
public record PutBoard(Node was, List<NodeWire> linksWere, Node with, List<NodeWire> links) implements Edit {
    public PutBoard {
        linksWere = List.copyOf(linksWere);
        links = List.copyOf(links);
    }

    @Override
    public String node() {
        return was.id();
    }

    /** @throws EditRefused also when the node, or a wire between boards, has been changed since it was worked out */
    @Override
    public Build apply(Build build) throws EditRefused {
        Node now = Require.node(build, was.id());
        if (!now.equals(was) || !build.links().equals(linksWere)) {
            throw new EditRefused(Fact.of("refused.node_changed").with("node", now.name()));
        }
        int since = build.log().size();
        Node put = with.withPart(Part.BOARD, board -> board.withSince(since));
        return build.withNode(was.id(), old -> put).withLinks(links);
    }
}
