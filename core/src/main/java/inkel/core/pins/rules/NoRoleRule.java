package inkel.core.pins.rules;

import inkel.core.build.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.PinFit;
import inkel.core.pins.PinReport;
import inkel.core.pins.PinReport.NodePins;
import java.util.List;

/** Reports a signal on a pin that cannot do what the signal needs. */
public final class NoRoleRule implements Rule<PinReport> {
    private static final RuleInfo INFO =
            new RuleInfo("pins.no_role", Severity.STOP, Stage.PINS, "what the board's pins can do");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.misplaced().stream().map(wire -> describe(pins, wire)))
                .toList();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        return Finding.of(INFO, pins.node().place(wire.from()))
                .with(
                        "part",
                        pins.node()
                                .part(wire.from().part())
                                .orElseThrow()
                                .part()
                                .name())
                .with("signal", wire.from().pin())
                .with("pin", wire.to().pin())
                .with(
                        "reason",
                        PinFit.whyNot(pins.node(), wire.from(), wire.to()).orElseThrow())
                .fixes(PinFixes.move(pins, wire.from()))
                .build();
    }
}
