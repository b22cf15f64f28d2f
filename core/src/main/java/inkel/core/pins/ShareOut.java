package inkel.core.pins;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Fact;

/**
 * Everything of a node that goes nowhere gets a pin, and what is wired stays where it is. Worked out when it is made; that
 * takes the solver's time, so a window plans beside itself instead, and says what clashes. Where there is no placement the
 * build stays as it is.
 *
 * @param shared what is shipped and on the shelf
 */
public record ShareOut(String node, Catalog shared) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        if (build.node(node).isEmpty()) {
            throw new EditRefused(Fact.of("refused.no_node").with("node", node));
        }
        return new Planner(build, shared).planKeeping(node).takenBy(build);
    }
}
