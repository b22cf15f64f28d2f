package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import java.util.LinkedHashSet;
import java.util.stream.Collectors;

/** Takes a moment away. */
public record RemoveMoment(String node, String moment) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        if (node.moment(moment).isEmpty()) {
            throw new EditRefused(
                    Fact.of("refused.no_moment").with("moment", moment).with("node", node.name()));
        }
        return node.withMoments(node.moments().stream()
                .filter(other -> !other.id().equals(moment))
                .map(other -> other.withNever(other.never().stream()
                        .filter(never -> !never.equals(moment))
                        .collect(Collectors.toCollection(LinkedHashSet::new))))
                .toList());
    }
}
