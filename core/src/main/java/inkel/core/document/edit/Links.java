package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;
import inkel.core.quantity.Fact;

/** Wires between boards, put in the place of each other. */
final class Links {
    private Links() {}

    /** @throws EditRefused when the old wire is not there (any more) */
    static Build replaced(Build build, NodeWire old, NodeWire changed) throws EditRefused {
        if (!build.links().contains(old)) {
            throw new EditRefused(
                    Fact.of("refused.no_link").with("from", old.from()).with("to", old.to()));
        }
        return build.withLinks(build.links().stream()
                .map(link -> link.equals(old) ? changed : link)
                .toList());
    }
}
