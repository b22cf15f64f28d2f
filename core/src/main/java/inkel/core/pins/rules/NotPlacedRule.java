package inkel.core.pins.rules;

import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;

/** Reports a signal that the part needs and that goes nowhere. */
public final class NotPlacedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.not_placed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.loose().stream().map(signal -> describe(pins, signal)))
                .toList();
    }

    private static Finding describe(NodePins pins, Endpoint signal) {
        return Finding.of(INFO, pins.node().place(signal))
                .with(
                        "part",
                        pins.node().part(signal.part()).orElseThrow().part().name())
                .with("pin", signal.pin())
                .fixes(() -> PinFixes.move(pins, signal))
                .build();
    }
}
