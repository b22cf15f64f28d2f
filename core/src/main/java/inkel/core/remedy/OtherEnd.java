package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Moves the other leg of a bare contact or resistance from ground to a supply or back, with the resistor that this asks for. */
public final class OtherEnd {
    private OtherEnd() {}

    /** To the other one of the two; empty for a part that has no such leg, or whose signal has no wire. */
    public static Optional<Fix> moved(NodeCircuit node, Placed placed) {
        return OtherLeg.isOnSupply(placed.cls()) ? toGround(node, placed) : toSupply(node, placed);
    }

    /** To the supply of the pin that reads it, with a resistor from that pin to ground. */
    public static Optional<Fix> toSupply(NodeCircuit node, Placed placed) {
        return OtherLeg.of(placed.cls()).flatMap(leg -> wire(node, placed).flatMap(wire -> node.ioRail(wire.to())
                .map(Rail::id)
                .map(rail -> toSupply(node, placed, wire, leg.label(), rail))));
    }

    private static Fix toSupply(NodeCircuit node, Placed placed, Wire wire, String leg, Endpoint rail) {
        String id = node.node().id();
        List<Edit> edits = new ArrayList<>(List.of(new Feed(id, placed.id(), leg, rail)));
        boolean isPulledDown = node.between(wire.from())
                .filter(Between.PulledDown.class::isInstance)
                .isPresent();
        if (!isPulledDown) {
            edits.add(new Insert(id, BesideSensor.below(placed.cls(), wire.from())));
        }
        return new Fix(
                "leg-to-supply",
                Fact.of("fix.leg_to_supply")
                        .with("leg", leg)
                        .with("part", placed.part().name())
                        .with("rail", RailNames.of(node, rail)),
                Fact.of(isPulledDown ? "fix.leg.cost" : "fix.leg.cost_resistor"),
                edits);
    }

    /** To ground, with a resistor up to the supply where nothing in the pin makes a high. */
    public static Optional<Fix> toGround(NodeCircuit node, Placed placed) {
        return wire(node, placed)
                .filter(wire -> OtherLeg.isOnSupply(placed.cls()))
                .map(wire -> toGround(node, placed, wire));
    }

    private static Fix toGround(NodeCircuit node, Placed placed, Wire wire) {
        String id = node.node().id();
        String leg = placed.cls().supplies().get(0).pin();
        Optional<Between> now = node.between(wire.from());
        boolean wantsResistor = BesideSensor.of(placed.cls(), wire.from()).isPresent()
                || node.pin(wire.to())
                        .filter(pin -> pin.can(Ability.Kind.NO_PULL))
                        .isPresent();
        List<Edit> edits = new ArrayList<>(List.of(new Unfeed(id, placed.id(), leg)));
        if (wantsResistor && now.filter(Between.PulledUp.class::isInstance).isEmpty()) {
            edits.add(new Insert(id, BesideSensor.above(placed.cls(), wire.from())));
        } else if (now.filter(Between.PulledDown.class::isInstance).isPresent()) {
            edits.add(new TakeOut(id, wire.from()));
        }
        return new Fix(
                "leg-to-ground",
                Fact.of("fix.leg_to_ground")
                        .with("leg", leg)
                        .with("part", placed.part().name()),
                Fact.of(edits.size() == 1 ? "fix.leg.cost" : "fix.leg.cost_resistor"),
                edits);
    }

    private static Optional<Wire> wire(NodeCircuit node, Placed placed) {
        return placed.cls()
                .signals()
                .findFirst()
                .flatMap(pin -> node.wire(placed.endpoint(pin)))
                .filter(wire -> !node.isTie(wire));
    }
}
