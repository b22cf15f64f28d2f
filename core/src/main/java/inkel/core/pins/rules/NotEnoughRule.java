package inkel.core.pins.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Helpers;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.stream.Stream;

/** Reports signals for which no pin is left at all. */
public final class NotEnoughRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.not_enough", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(pins -> check(report, pins)).toList();
    }

    private static Stream<Finding> check(PinReport report, NodePins pins) {
        List<Endpoint> without = without(pins);
        return without.isEmpty() ? Stream.empty() : Stream.of(describe(report, pins, without));
    }

    /** Signals that go nowhere and for which no pin is left. */
    static List<Endpoint> without(NodePins pins) {
        return pins.loose().stream()
                .filter(signal -> !pins.hasFreeFor(signal) && !canBeDriven(pins, signal))
                .toList();
    }

    /** Whether it is a line of a bus that the program can drive on plain pins. */
    private static boolean canBeDriven(NodePins pins, Endpoint signal) {
        Placed placed = pins.node().part(signal.part()).orElseThrow();
        return pins.useOf(signal).sharedLine().isPresent()
                && OwnBusFix.of(pins, placed).isPresent();
    }

    private static Finding describe(PinReport report, NodePins pins, List<Endpoint> without) {
        NodeCircuit node = pins.node();
        List<Fact> names =
                without.stream().map(signal -> PinNames.of(node, signal)).toList();
        return Finding.of(INFO, node.place(without.get(0)))
                .with("count", without.size())
                .with("signals", names)
                .fixes(() -> Helpers.carrying(report.circuit().catalog(), node, without))
                .fixes(() -> without.stream()
                        .map(Endpoint::part)
                        .distinct()
                        .limit(2)
                        .map(part -> PinFixes.leaveOut(pins, node.part(part).orElseThrow()))
                        .toList())
                .build();
    }
}
