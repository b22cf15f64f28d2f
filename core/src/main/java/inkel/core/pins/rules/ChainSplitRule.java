package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.Chain;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reports a part of a chain on another clock than the first of it, so that the bits do not come along; one that takes them over
 * at another moment is only to be looked at.
 */
public final class ChainSplitRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.chain_split", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().parts().stream()
                        .filter(placed -> Chain.before(pins.node(), placed).isPresent())
                        .flatMap(placed -> Stream.of(PinUse.SPI_SCK, PinUse.SPI_CS)
                                .flatMap(use -> split(pins, placed, use).stream())))
                .toList();
    }

    private static Optional<Finding> split(NodePins pins, Placed placed, PinUse use) {
        NodeCircuit node = pins.node();
        Optional<Wire> own = Chain.wire(node, placed, use);
        Placed first = Chain.first(node, placed);
        return Chain.wire(node, first, use)
                .filter(wire -> own.isPresent() && !own.get().to().equals(wire.to()))
                .map(wire -> describe(pins, own.get(), first, wire, use));
    }

    private static Finding describe(NodePins pins, Wire own, Placed first, Wire ofFirst, PinUse use) {
        Finding.Builder finding = WireFinding.of(INFO, pins, own);
        return (use == PinUse.SPI_CS ? finding.onlyToLookAt().variant("select") : finding)
                .with("first", first.part().name())
                .with("other_pin", ofFirst.to().pin())
                .fix(new Fix(
                        "together",
                        Fact.of("fix.move")
                                .with("signal", own.from().pin())
                                .with("pin", ofFirst.to().pin()),
                        Fact.of("fix.move.cost"),
                        List.of(new SetWire(
                                pins.node().node().id(), new Wire(own.from(), ofFirst.to(), false, "", Extras.NONE)))))
                .build();
    }
}
