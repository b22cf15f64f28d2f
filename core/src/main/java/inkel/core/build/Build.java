package inkel.core.build;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** A whole build. Immutable: an edit makes a new one. Two builds are equal when all they hold is equal. */
public record Build(String name, List<Node> nodes, List<LogEntry> log, Extras extras) {
    /** The version of the file format that this program writes. */
    public static final int FORMAT = 1;

    public Build {
        nodes = List.copyOf(nodes);
        log = List.copyOf(log);
    }

    public Optional<Node> node(String id) {
        return nodes.stream().filter(node -> node.id().equals(id)).findFirst();
    }

    public Build withNode(String id, UnaryOperator<Node> change) {
        return new Build(
                name,
                nodes.stream()
                        .map(node -> node.id().equals(id) ? change.apply(node) : node)
                        .toList(),
                log,
                extras);
    }
}
