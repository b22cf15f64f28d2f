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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a wire to a pin on which something of the board itself hangs: its port, its slow crystal, its debugger. */
public final class BoardTakesRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.board_takes", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            for (Wire wire : pins.node().node().wires()) {
                Optional<String> taker = pins.node().pin(wire.to()).flatMap(BoardTakesRule::taker);
                taker.ifPresent(what -> findings.add(describe(pins, wire, what)));
            }
        }
        return findings;
    }

    private static Optional<String> taker(Pin pin) {
        for (Ability ability : pin.can()) {
            if (ability.kind() == Ability.Kind.TAKEN) {
                return Optional.of(ability.line());
            }
        }
        return Optional.empty();
    }

    private static Finding describe(NodePins pins, Wire wire, String taker) {
        return WireFinding.of(INFO, pins, wire)
                .variant(taker)
                .fixes(() -> PinFixes.move(pins, wire.from(), pin -> taker(pin).isEmpty()))
                .build();
    }
}
