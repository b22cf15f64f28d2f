package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Moment;
import inkel.core.document.Node;

/** Adds a moment, or puts it in place of the one with its id. */
public record SetMoment(String node, Moment moment) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        for (Moment.Raise raise : moment.raises()) {
            Require.part(node, raise.part());
        }
        return node.withMoment(moment);
    }
}
