package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullDown;
import inkel.core.document.Between;
import inkel.core.document.Wire;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.BesideSensor;
import inkel.core.remedy.OtherEnd;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a contact or a resistance whose other leg is on a supply, and beside the wire of which nothing makes the low. */
public final class NoPullDownRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.no_pull_down", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return WireFinding.each(
                report,
                (pins, wire) -> isFloating(pins.node(), wire) ? Optional.of(describe(pins, wire)) : Optional.empty());
    }

    private static boolean isFloating(NodeCircuit node, Wire wire) {
        return OtherLeg.isOnSupply(node, wire.from().part())
                && !node.isTie(wire)
                && PullDown.on(node, wire.to()).isEmpty();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        if (isResistance(pins, wire)) {
            finding.variant("resistance");
        }
        return finding.fixes(() -> waysOut(pins, wire)).build();
    }

    private static boolean isResistance(NodePins pins, Wire wire) {
        return pins.useOf(wire.from()) == PinUse.ANALOG;
    }

    private static List<Fix> waysOut(NodePins pins, Wire wire) {
        Placed placed = WireFinding.part(pins, wire);
        String node = pins.node().node().id();
        Between.PulledDown down = BesideSensor.below(placed.cls(), wire.from());
        List<Fix> fixes = new ArrayList<>();
        fixes.add(new Fix(
                "pull-down-at-pin",
                Fact.of("fix.pull_down_at_pin")
                        .with("value", down.toGround())
                        .with("pin", wire.to().pin()),
                Fact.of("fix.beside.cost"),
                List.of(new Insert(node, down))));
        OtherEnd.toGround(pins.node(), placed).ifPresent(fixes::add);
        return fixes;
    }
}
