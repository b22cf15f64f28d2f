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
import java.util.Set;

/** Reports a wire to a pin on which something of the board itself hangs: its port, its slow crystal, its debugger. */
public final class BoardTakesRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.board_takes", Severity.LOOK, Stage.PINS);

    /** What can be told by name; an own class may name anything. */
    private static final Set<String> NAMED = Set.of("usb", "crystal", "debug");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return WireFinding.each(report, (pins, wire) -> pins.node()
                .pin(wire.to())
                .flatMap(BoardTakesRule::taker)
                .map(what -> describe(pins, wire, what)));
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
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        return (NAMED.contains(taker) ? finding.variant(taker) : finding)
                .fixes(() -> PinFixes.move(pins, wire.from(), pin -> taker(pin).isEmpty()))
                .build();
    }
}
