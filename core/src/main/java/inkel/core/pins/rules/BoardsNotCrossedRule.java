package inkel.core.pins.rules;

import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reports wires between two boards that join talker to talker and listener to listener, one finding for two boards; and those
 * that are written from where they listen, which are judged the wrong way about.
 */
public final class BoardsNotCrossedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.boards_not_crossed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        Circuit circuit = report.circuit();
        Stream<Finding> uncrossed = BoardPairs.of(
                        circuit, link -> BoardPorts.alike(circuit, link).isPresent())
                .stream()
                .map(links -> describe(circuit, links));
        Stream<Finding> turned = BoardPairs.of(circuit, link -> BoardPorts.isTurned(circuit, link)).stream()
                .map(links -> turned(circuit, links));
        return Stream.concat(uncrossed, turned).toList();
    }

    private static Finding turned(Circuit circuit, List<NodeWire> links) {
        NodeWire first = links.get(0);
        return Finding.of(INFO, links.stream().map(NodeWire::from).toList())
                .onlyToLookAt()
                .variant("turned")
                .with("pin", first.from().pin())
                .with("node", BoardPairs.name(circuit, first.from()))
                .with("other_pin", first.to().pin())
                .with("other", BoardPairs.name(circuit, first.to()))
                .fix(new Fix(
                        "turn-boards",
                        Fact.of("fix.turn_boards"),
                        Fact.of("fix.turn_boards.cost"),
                        links.stream()
                                .<Edit>map(link -> new ChangeNodeWire(link, link.withEnds(link.to(), link.from())))
                                .toList()))
                .build();
    }

    private static Finding describe(Circuit circuit, List<NodeWire> links) {
        NodeWire first = links.get(0);
        return Finding.of(INFO, links.stream().map(NodeWire::from).toList())
                .variant(areTalking(circuit, first) ? "talk" : "listen")
                .with("pin", first.from().pin())
                .with("node", BoardPairs.name(circuit, first.from()))
                .with("other_pin", first.to().pin())
                .with("other", BoardPairs.name(circuit, first.to()))
                .fix(() -> cross(circuit, links))
                .build();
    }

    private static boolean areTalking(Circuit circuit, NodeWire link) {
        return BoardPorts.alike(circuit, link).filter(BoardPorts.TALKS::equals).isPresent();
    }

    /** The end of each that is of the wrong kind goes to the other pin of its port. */
    private static Optional<Fix> cross(Circuit circuit, List<NodeWire> links) {
        List<Edit> edits = new ArrayList<>();
        for (NodeWire link : links) {
            boolean isTalking = areTalking(circuit, link);
            Place wrong = isTalking ? link.to() : link.from();
            NodeCircuit node = circuit.node(wrong.node()).orElseThrow();
            Optional<Endpoint> other =
                    BoardPorts.other(node, wrong.endpoint(), isTalking ? BoardPorts.TALKS : BoardPorts.LISTENS);
            if (other.isEmpty()) {
                return Optional.empty();
            }
            Place right = node.place(other.get());
            edits.add(new ChangeNodeWire(
                    link, isTalking ? link.withEnds(link.from(), right) : link.withEnds(right, link.to())));
        }
        return Optional.of(
                new Fix("cross-boards", Fact.of("fix.cross_boards"), Fact.of("fix.cross_boards.cost"), edits));
    }
}
