package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.List;

/** Reports a part on a two-wire bus whose definition names no address: whether it clashes with another cannot be told. */
public final class AddressUnknownRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("i2c.address_unknown", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        return circuit.nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(placed -> isUntold(node, placed))
                        .map(placed -> Finding.of(INFO, node.place(placed))
                                .with("part", placed.part().name())
                                .with("class", placed.cls().name())
                                .build()))
                .toList();
    }

    private static boolean isUntold(NodeCircuit node, Placed placed) {
        return !placed.part().isBoard()
                && !placed.isForLater()
                && placed.cls().i2c().isEmpty()
                && placed.cls().pins().stream()
                        .anyMatch(pin -> pin.use() == PinUse.I2C_SDA
                                && node.wire(placed.endpoint(pin)).isPresent());
    }
}
