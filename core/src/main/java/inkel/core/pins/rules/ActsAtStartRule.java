package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.ActsAtStart;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;
import java.util.Optional;

/** Reports a part that may click, turn, pull, run or sound while the board starts. */
public final class ActsAtStartRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.acts_at_start", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return WireFinding.each(report, ActsAtStartRule::look);
    }

    private static Optional<Finding> look(NodePins pins, Wire wire) {
        Placed part = WireFinding.part(pins, wire);
        Optional<Pin> target = pins.node().pin(wire.to());
        PinUse use = pins.useOf(wire.from());
        return target.filter(pin -> ActsAtStart.may(part, use, pin)).map(pin -> WireFinding.of(INFO, pins, wire)
                .fixes(() -> PinFixes.move(pins, wire.from(), other -> !ActsAtStart.may(part, use, other)))
                .build());
    }
}
