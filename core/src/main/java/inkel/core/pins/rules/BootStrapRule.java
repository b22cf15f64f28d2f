package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;
import java.util.Optional;

/** Reports a part that holds a pin at a level of its own while the board reads it to choose how to start. */
public final class BootStrapRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.boot_strap", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().node().wires().stream()
                        .filter(wire -> isDecided(pins, wire))
                        .map(wire -> describe(pins, wire)))
                .toList();
    }

    private static boolean isDecided(NodePins pins, Wire wire) {
        Optional<Pin> target = pins.node().pin(wire.to());
        return target.isPresent() && target.get().can(Ability.Kind.STRAP) && pins.holdsAtStart(wire);
    }

    private static Finding describe(NodePins pins, Wire wire) {
        return WireFinding.of(INFO, pins, wire)
                .fixes(() -> PinFixes.move(pins, wire.from(), pin -> !pin.can(Ability.Kind.STRAP)))
                .build();
    }
}
