package inkel.core.pins.rules;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
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
import java.util.List;
import java.util.Optional;

/** Reports wires to another board on the pins of the console, over which the board is programmed or a computer logs in. */
public final class BoardsOnConsoleRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.boards_on_console", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> describe(report, pins).stream())
                .toList();
    }

    private static Optional<Finding> describe(PinReport report, NodePins pins) {
        NodeCircuit node = pins.node();
        List<LinkEnd> ends = pins.linkEnds().stream()
                .filter(end -> pins.isReserved(end.pin()))
                .toList();
        if (ends.isEmpty()) {
            return Optional.empty();
        }
        LinkEnd first = ends.get(0);
        Finding.Builder finding = Finding.of(
                        INFO, ends.stream().map(LinkEnd::here).toList())
                .with("pin", first.pin().pin())
                .with(
                        "other",
                        report.circuit()
                                .node(first.there().node())
                                .orElseThrow()
                                .node()
                                .name());
        Optional<Fix> off = PortFixes.loginOff(node);
        if (off.isPresent()) {
            finding.variant("login").fix(off.get());
        }
        return Optional.of(finding.fix(() -> ends.stream().allMatch(LinkEnd::isSerial)
                        ? BoardLineFixes.toPort(report.circuit(), node, ends)
                        : onAPlainPin(report.circuit(), node, ends))
                .build());
    }

    /** What is no serial line needs no port. */
    private static Optional<Fix> onAPlainPin(Circuit circuit, NodeCircuit node, List<LinkEnd> ends) {
        LinkEnd end = ends.get(0);
        return JoinNodes.freePins(circuit, node)
                .filter(pin -> ends.size() == 1)
                .findFirst()
                .map(pin -> new Fix(
                        "other-pin",
                        Fact.of("fix.boards_pin").with("from", end.pin().pin()).with("to", pin.pin()),
                        Fact.of("fix.boards_pin.cost"),
                        List.of(new ChangeNodeWire(end.link(), end.movedTo(pin.endpoint())))));
    }
}
