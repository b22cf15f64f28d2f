package inkel.core.document.edit;

import inkel.core.document.Between;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Puts a part in a wire. */
public record Insert(String node, Between between) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, between.signal().part());
        if (between instanceof Between.ShifterWay way) {
            Require.part(node, way.shifter());
        }
        return node.withBetween(between);
    }
}
