package inkel.core.document.edit;

import inkel.core.catalog.PartClass;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Fit;

/**
 * Puts a part of another class in a part's place; its wires and feeds stay where they are. Own figures, settings and modes that
 * mean nothing for the class go.
 */
public record Exchange(String node, String part, PartClass cls) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, node), part);
        int since = build.log().size();
        return build.withNode(node, old -> Fit.exchanged(old, part, cls, since));
    }
}
