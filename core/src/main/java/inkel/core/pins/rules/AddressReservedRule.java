package inkel.core.pins.rules;

import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.I2cAddress;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import java.util.List;

/** Reports an address that the bus keeps for itself: below 0x08 or above 0x77. */
public final class AddressReservedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.address_reserved", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().parts().stream()
                        .filter(placed ->
                                placed.address().filter(I2cAddress::isReserved).isPresent())
                        .map(placed -> describe(pins, placed)))
                .toList();
    }

    private static Finding describe(NodePins pins, Placed placed) {
        return Finding.of(INFO, pins.node().place(placed))
                .with("part", placed.part().name())
                .with("address", Engineering.address(placed.address().orElseThrow()))
                .fixes(() -> StrapFixes.toFree(pins, placed))
                .build();
    }
}
