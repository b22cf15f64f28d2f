package inkel.core.pins.rules;

import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.I2cAddress;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.BoardAddress;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reports an I2C bus from board to board on which no board is said to answer: then all of them ask, and none is heard. */
public final class BoardsAddressRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.boards_address", Severity.NOTE, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        Circuit circuit = report.circuit();
        return BoardBuses.all(circuit).stream()
                .filter(lines -> boards(circuit, lines).stream()
                        .allMatch(node -> node.board().answersAt().isEmpty()))
                .map(lines -> describe(circuit, lines))
                .toList();
    }

    private static List<NodeCircuit> boards(Circuit circuit, List<Place> lines) {
        return lines.stream()
                .flatMap(line -> circuit.node(line.node()).stream())
                .toList();
    }

    private static Finding describe(Circuit circuit, List<Place> lines) {
        List<String> nodes = lines.stream().map(Place::node).toList();
        return Finding.of(INFO, lines)
                .with("node", BoardPairs.name(circuit, lines.get(0)))
                .with("other", BoardPairs.name(circuit, lines.get(1)))
                .fixes(() -> boards(circuit, lines).stream()
                        .skip(1)
                        .flatMap(node -> BoardAddress.free(circuit, nodes, I2cAddress.FIRST).stream()
                                .map(address -> at(node, address)))
                        .toList())
                .build();
    }

    static Fix at(NodeCircuit node, int address) {
        return new Fix(
                "answers-" + node.node().id(),
                Fact.of("fix.answers_at")
                        .with("node", node.node().name())
                        .with("address", Engineering.address(address)),
                Fact.of("fix.answers_at.cost"),
                List.of(BoardAddress.set(node, address)));
    }

    /** Another address for a board that shares its own with something on the bus. */
    static Optional<Fix> elsewhere(Circuit circuit, NodeCircuit node, Set<String> nodes) {
        return node.board()
                .answersAt()
                .flatMap(now -> BoardAddress.free(circuit, nodes, now))
                .map(address -> at(node, address));
    }
}
