package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;

/** Puts a part of another class in a part's place; its wires and feeds stay where they are. */
public record Exchange(String node, String part, String classId) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, node), part);
        int since = build.log().size();
        return build.withNode(
                node, old -> old.withPart(part, was -> was.withClass(classId).withSince(since)));
    }
}
