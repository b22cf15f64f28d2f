package inkel.core.pins.rules;

import inkel.core.circuit.Circuit;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.JoinNodes;
import inkel.core.remedy.PinNames;
import java.util.Comparator;
import java.util.List;

/** Reports a pin that two signals want which do not share a bus line. */
public final class TwoDriversRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.two_drivers", Severity.STOP, Stage.PINS);

    private static final int MOST = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.contested().stream()
                        .map(contested -> contested.wires().isEmpty()
                                ? ofBoards(report.circuit(), pins, contested)
                                : describe(pins, contested)))
                .toList();
    }

    private static Finding describe(NodePins pins, NodePins.Contested contested) {
        List<Wire> wires = contested.wires();
        // The signal with most other places to go is the one to move.
        Wire mover = wires.stream()
                .filter(wire -> !wire.held())
                .max(Comparator.comparingInt(wire -> pins.freeFor(wire.from()).size()))
                .orElse(wires.get(wires.size() - 1));
        Fact other = wires.stream()
                .filter(wire -> !wire.equals(mover))
                .findFirst()
                .map(wire -> PinNames.of(pins.node(), wire.from()))
                .orElse(Fact.of("pin.other_board"));
        return Finding.of(INFO, pins.node().place(mover.from()))
                .with("pin", contested.pin().pin())
                .with("signal", PinNames.of(pins.node(), mover.from()))
                .with("other", other)
                .fixes(() -> PinFixes.move(pins, mover.from()))
                .build();
    }

    /** Only wires from other boards meet there; the last of them is the one to move. */
    private static Finding ofBoards(Circuit circuit, NodePins pins, NodePins.Contested contested) {
        List<LinkEnd> ends = contested.ends();
        LinkEnd mover = ends.get(ends.size() - 1);
        return Finding.of(INFO, ends.stream().map(LinkEnd::there).toList())
                .with("pin", contested.pin().pin())
                .with("signal", far(circuit, mover))
                .with("other", far(circuit, ends.get(0)))
                .fixes(() -> JoinNodes.freePins(circuit, pins.node())
                        .limit(MOST)
                        .map(free -> moved(pins, mover, free))
                        .toList())
                .build();
    }

    private static Fact far(Circuit circuit, LinkEnd end) {
        String node = circuit.node(end.there().node()).orElseThrow().node().name();
        return Fact.of("pin.of_node")
                .with("node", node)
                .with("pin", end.there().endpoint().pin());
    }

    private static Fix moved(NodePins pins, LinkEnd end, Place free) {
        return new Fix(
                "link-to-" + free.pin(),
                Fact.of("fix.move_link").with("node", pins.node().node().name()).with("pin", free.pin()),
                Fact.of("fix.move.cost"),
                List.of(new ChangeNodeWire(end.link(), end.movedTo(free.endpoint()))));
    }
}
