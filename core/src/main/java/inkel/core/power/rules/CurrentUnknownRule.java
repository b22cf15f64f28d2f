package inkel.core.power.rules;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.List;

/**
 * Reports a part whose definition says nothing of what it takes: it counts as nothing on its rail, so that the rail's verdict is
 * worth less than it seems. What only passes a supply on, and what only its pins feed, takes nothing itself.
 */
public final class CurrentUnknownRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("power.current_unknown", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        return circuit.nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(placed -> !placed.isForLater() && isUntold(placed.cls()))
                        .map(placed -> Finding.of(INFO, node.place(placed))
                                .with("part", placed.part().name())
                                .with("class", placed.cls().name())
                                .build()))
                .toList();
    }

    private static boolean isUntold(PartClass cls) {
        boolean passesOn = cls.kind() != Kind.BOARD && !cls.outputs().isEmpty();
        return !cls.supplies().isEmpty()
                && cls.modes().isEmpty()
                && cls.demands().pinLoads().isEmpty()
                && !OtherLeg.isOnSupply(cls)
                && !passesOn;
    }
}
