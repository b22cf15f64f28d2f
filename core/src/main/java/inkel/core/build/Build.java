package inkel.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

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

    /** The log with one more line. */
    public Build withLog(LogEntry entry) {
        List<LogEntry> longer = new ArrayList<>(log);
        longer.add(entry);
        return new Build(name, nodes, longer, extras);
    }

    public Build withNodes(List<Node> newNodes) {
        return new Build(name, newNodes, log, extras);
    }

    /** An id that no node has yet: made from a name, with a number behind it when taken. */
    public String freeNodeId(String wanted) {
        String stem =
                wanted.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
        String first = stem.isEmpty() ? "node" : stem;
        return Stream.iterate(1, count -> count + 1)
                .map(count -> count == 1 ? first : first + "-" + count)
                .filter(candidate -> node(candidate).isEmpty())
                .findFirst()
                .orElseThrow();
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
