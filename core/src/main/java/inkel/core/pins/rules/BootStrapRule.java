package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Strap;
import inkel.core.circuit.OtherLeg;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.AtStart;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;

/** Reports a part that holds a pin at a level of its own, or the wrong one, while the board reads it to choose how to start. */
public final class BootStrapRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.boot_strap", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return WireFinding.each(report, (pins, wire) -> pins.atStart(wire).map(does -> describe(pins, wire, does)));
    }

    private static Finding describe(NodePins pins, Wire wire, AtStart does) {
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        switch (does) {
            case STOPS -> finding.variant(isHeldLow(pins, wire) ? "stops_low" : "stops");
            case KEEPS_OUT -> finding.variant("keeps_out").onlyToLookAt();
            case WHILE_CLOSED ->
                finding.variant(
                                OtherLeg.isOnSupply(pins.node(), wire.from().part())
                                        ? "while_closed_high"
                                        : "while_closed")
                        .onlyToLookAt();
            default -> finding.onlyToLookAt();
        }
        PinUse use = pins.useOf(wire.from());
        return finding.fixes(
                        () -> PinFixes.move(pins, wire.from(), pin -> AtStart.of(WireFinding.part(pins, wire), use, pin)
                                .isEmpty()))
                .build();
    }

    private static boolean isHeldLow(NodePins pins, Wire wire) {
        return pins.node()
                .pin(wire.to())
                .flatMap(Strap::of)
                .filter(Strap.HIGH::equals)
                .isPresent();
    }
}
