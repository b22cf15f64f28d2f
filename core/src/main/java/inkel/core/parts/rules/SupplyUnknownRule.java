package inkel.core.parts.rules;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.ArrayList;
import java.util.List;

/**
 * Reports a supply pin of which the definition of the part says nothing: nobody feeds it, and whether a rail suits it cannot be
 * told. Missing data is not a pass.
 */
public final class SupplyUnknownRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.supply_unknown", Severity.LOOK, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            for (Placed placed : node.parts()) {
                List<String> untold = placed.isForLater() ? List.of() : untold(placed);
                if (!untold.isEmpty()) {
                    findings.add(Finding.of(INFO, node.place(placed))
                            .with("part", placed.part().name())
                            .with("class", placed.cls().name())
                            .with("pins", untold)
                            .build());
                }
            }
        }
        return findings;
    }

    private static List<String> untold(Placed placed) {
        return placed.cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.SUPPLY)
                .map(Pin::label)
                .filter(label -> placed.cls().supply(label).isEmpty())
                .distinct()
                .toList();
    }
}
