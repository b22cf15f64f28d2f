package inkel.core.pins;

import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Frequency;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A serial line from a board to another one, seen from the first.
 *
 * @param far the node of the other board
 * @param ends its one or two wires
 */
public record BoardLine(NodeCircuit node, String far, List<LinkEnd> ends) {
    public BoardLine {
        ends = List.copyOf(ends);
    }

    /** The lines of a node's board, those that are joined like to like among them. */
    static List<BoardLine> of(NodeCircuit node, List<LinkEnd> linkEnds) {
        Map<String, List<LinkEnd>> byFarEnd = new LinkedHashMap<>();
        linkEnds.stream().filter(LinkEnd::isSerial).forEach(end -> byFarEnd.computeIfAbsent(
                        end.there().node(), far -> new ArrayList<>())
                .add(end));
        return byFarEnd.entrySet().stream()
                .flatMap(far ->
                        pairs(node, far.getValue()).stream().map(ends -> new BoardLine(node, far.getKey(), ends)))
                .toList();
    }

    /** Two boards may have several lines: what is said and what is heard on one port belong together, then what is left, in order. */
    private static List<List<LinkEnd>> pairs(NodeCircuit node, List<LinkEnd> ends) {
        List<LinkEnd> said = ends.stream().filter(LinkEnd::isSending).toList();
        List<LinkEnd> heard =
                new ArrayList<>(ends.stream().filter(end -> !end.isSending()).toList());
        Map<LinkEnd, LinkEnd> answers = new HashMap<>();
        for (LinkEnd end : said) {
            heard.stream()
                    .filter(other ->
                            unit(node, end).isPresent() && unit(node, other).equals(unit(node, end)))
                    .findFirst()
                    .ifPresent(other -> answers.put(end, other));
            heard.remove(answers.get(end));
        }
        for (LinkEnd end : said) {
            if (!answers.containsKey(end) && !heard.isEmpty()) {
                answers.put(end, heard.remove(0));
            }
        }
        List<List<LinkEnd>> pairs = new ArrayList<>();
        for (LinkEnd end : ends) {
            if (end.isSending()) {
                LinkEnd other = answers.get(end);
                boolean isFirst = other == null || ends.indexOf(end) < ends.indexOf(other);
                pairs.add(other == null ? List.of(end) : isFirst ? List.of(end, other) : List.of(other, end));
            } else if (heard.contains(end)) {
                pairs.add(List.of(end));
            }
        }
        return pairs;
    }

    /** The ports of the board that its wires are on; none where the program makes one of plain pins. */
    public Set<Integer> units() {
        return ends.stream().flatMap(end -> unit(end).stream()).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private Optional<Integer> unit(LinkEnd end) {
        return unit(node, end);
    }

    private static Optional<Integer> unit(NodeCircuit node, LinkEnd end) {
        return BoardPorts.unit(node, end.pin(), end.isSending() ? BoardPorts.TALKS : BoardPorts.LISTENS);
    }

    /** The wires that the program has to serve bit by bit; one on the wrong pin of a port is none. */
    public List<LinkEnd> bySoftware() {
        return ends.stream()
                .filter(end -> !BoardPorts.isPort(node, end.pin(), BoardPorts.TALKS)
                        && !BoardPorts.isPort(node, end.pin(), BoardPorts.LISTENS))
                .toList();
    }

    /** Whether a port serves one of its wires, so that its rate is divided down from the clock. */
    public boolean isByPort() {
        return bySoftware().size() < ends.size();
    }

    /** The rates that were said of it, each once; in bits per second. */
    public List<Frequency> rates() {
        return ends.stream()
                .flatMap(end -> end.link().carries().baud().stream())
                .distinct()
                .toList();
    }

    /** Says a rate of both its wires, or none. */
    public List<Edit> at(Optional<Frequency> rate) {
        return ends.stream()
                .map(LinkEnd::link)
                .<Edit>map(link ->
                        new ChangeNodeWire(link, link.withCarries(link.carries().with(rate))))
                .toList();
    }

    /**
     * Whether one port can serve it and another one: what is said goes to both from one pin, what is heard comes in at one, and
     * nothing says that at two rates.
     */
    public boolean mayShare(BoardLine other) {
        Set<Frequency> rates = new LinkedHashSet<>(rates());
        rates.addAll(other.rates());
        return rates.size() <= 1 && isOnOnePin(other, true) && isOnOnePin(other, false);
    }

    private boolean isOnOnePin(BoardLine other, boolean isSending) {
        return Stream.concat(ends.stream(), other.ends().stream())
                        .filter(end -> end.isSending() == isSending)
                        .map(LinkEnd::pin)
                        .distinct()
                        .count()
                <= 1;
    }
}
