package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Helpers;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;

/** Reports a signal that wants timed pulses on a pin that cannot give them, not by the program either. */
public final class NoPwmRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pwm.no_pwm", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.misplaced().stream()
                        .filter(wire -> pins.useOf(wire.from()) == PinUse.PWM)
                        .map(wire -> describe(report, pins, wire)))
                .toList();
    }

    private static Finding describe(PinReport report, NodePins pins, Wire wire) {
        return WireFinding.of(INFO, pins, wire)
                .fixes(() -> PinFixes.move(pins, wire.from()))
                .fixes(() -> Helpers.carrying(report.circuit().catalog(), pins.node(), List.of(wire.from())))
                .build();
    }
}
