package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullDown;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.circuit.SaidWire;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.OnlyLow;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.BesideSensor;
import inkel.core.remedy.OtherEnd;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a contact, an open drain or a wire for both ways whose high nothing makes. */
public final class NoPullRule implements Rule<PinReport> {
    private static final String USUAL = "4.7 kΩ";

    private static final RuleInfo INFO = new RuleInfo("pins.no_pull", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return WireFinding.each(
                report,
                (pins, wire) -> OnlyLow.isUnpulled(pins.node(), wire) && !isSaidOnSupply(pins.node(), wire)
                        ? Optional.of(describe(pins, wire))
                        : Optional.empty());
    }

    private static Finding describe(NodePins pins, Wire wire) {
        boolean isData = pins.useOf(wire.from()) == PinUse.DATA;
        boolean isResistance = ResistiveSensor.ohms(pins.node(), wire.from()).isPresent();
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        if (PullDown.on(pins.node(), wire.to()).isPresent()) {
            finding.variant(isResistance ? "resistance_down" : "down");
        } else if (isData || isResistance) {
            finding.variant(isData ? "two_way" : "resistance");
        }
        return finding.fixes(() -> waysOut(pins, wire, isData || isResistance)).build();
    }

    private static List<Fix> waysOut(NodePins pins, Wire wire, boolean isAnywhere) {
        List<Fix> fixes = new ArrayList<>();
        Placed placed = WireFinding.part(pins, wire);
        if (placed.takesPullUps(wire.from().pin())) {
            fixes.add(new Fix(
                    "add-pull-ups",
                    Fact.of("fix.add_pull_up")
                            .with("value", USUAL)
                            .with("signal", wire.from().pin())
                            .with("part", placed.part().name()),
                    Fact.of("fix.add_pull_ups.cost"),
                    List.of(new SetSetting(pins.node().node().id(), placed.id(), Settings.ADD_PULL_UPS, USUAL))));
        }
        boolean isHeldDown = PullDown.on(pins.node(), wire.to()).isPresent();
        if (!isAnywhere && !isHeldDown) {
            fixes.addAll(PinFixes.move(pins, wire.from(), pin -> !pin.can(Ability.Kind.NO_PULL)));
        }
        boolean isOpen = pins.node()
                .between(wire.from())
                .map(Between.PulledDown.class::isInstance)
                .orElse(!placed.takesPullUps(wire.from().pin()));
        if (isOpen) {
            Between.PulledUp beside = BesideSensor.above(placed.cls(), wire.from());
            fixes.add(new Fix(
                    "pull-up-at-pin",
                    Fact.of("fix.pull_up_at_pin")
                            .with("value", beside.pullUp())
                            .with("pin", wire.to().pin()),
                    Fact.of("fix.beside.cost"),
                    List.of(new Insert(pins.node().node().id(), beside))));
        }
        if (isHeldDown) {
            OtherEnd.toSupply(pins.node(), placed).ifPresent(fixes::add);
        }
        return fixes;
    }

    /** Whether a wire that has to become a feed first puts its other leg on a supply. */
    private static boolean isSaidOnSupply(NodeCircuit node, Wire wire) {
        return !node.lost().isEmpty()
                && SaidWire.feeds(node).stream()
                        .anyMatch(feed -> feed.part().equals(wire.from().part())
                                && OtherLeg.is(node, new Endpoint(feed.part(), feed.pin())));
    }
}
