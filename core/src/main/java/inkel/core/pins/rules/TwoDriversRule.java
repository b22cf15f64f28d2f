package inkel.core.pins.rules;

import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.Comparator;
import java.util.List;

/** Reports a pin that two signals want which do not share a bus line. */
public final class TwoDriversRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.two_drivers", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.contested().entrySet().stream()
                        .map(entry -> describe(pins, entry.getKey(), entry.getValue())))
                .toList();
    }

    private static Finding describe(NodePins pins, Endpoint target, List<Wire> wires) {
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
                .with("pin", target.pin())
                .with("signal", PinNames.of(pins.node(), mover.from()))
                .with("other", other)
                .fixes(() -> PinFixes.move(pins, mover.from()))
                .build();
    }
}
