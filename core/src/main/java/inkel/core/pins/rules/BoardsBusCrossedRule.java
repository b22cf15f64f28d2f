package inkel.core.pins.rules;

import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
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
import java.util.List;

/** Reports an I2C bus from board to board whose data and clock change places on the way; one finding for two boards. */
public final class BoardsBusCrossedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.boards_crossed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        Circuit circuit = report.circuit();
        return BoardPairs.of(circuit, link -> BoardBuses.isCrossed(circuit, link)).stream()
                .map(links -> describe(circuit, links))
                .toList();
    }

    private static Finding describe(Circuit circuit, List<NodeWire> links) {
        NodeWire first = links.get(0);
        return Finding.of(INFO, links.stream().map(NodeWire::from).toList())
                .with("pin", first.from().pin())
                .with("node", BoardPairs.name(circuit, first.from()))
                .with("other_pin", first.to().pin())
                .with("other", BoardPairs.name(circuit, first.to()))
                .fixes(() -> links.size() == 2 ? List.of(straight(links.get(0), links.get(1))) : List.of())
                .build();
    }

    /** Both wires change places at the board that the first one leads to. */
    private static Fix straight(NodeWire one, NodeWire other) {
        boolean isAlongside = one.to().node().equals(other.to().node());
        Place otherFar = isAlongside ? other.to() : other.from();
        NodeWire changed = isAlongside ? other.withEnds(other.from(), one.to()) : other.withEnds(one.to(), other.to());
        List<Edit> edits = List.of(
                new ChangeNodeWire(one, one.withEnds(one.from(), otherFar)), new ChangeNodeWire(other, changed));
        return new Fix("straight", Fact.of("fix.straight_bus"), Fact.of("fix.straight_bus.cost"), edits);
    }
}
