package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.function.Predicate;

/** Ways out that send a signal to another pin. */
final class PinFixes {
    private static final int MOST = 3;

    private PinFixes() {}

    /** Up to three free pins for a signal, the one that costs the rest least first. */
    static List<Fix> move(NodePins pins, Endpoint signal) {
        return move(pins, signal, pin -> true);
    }

    /** As {@link #move(NodePins, Endpoint)}, for pins of a kind. */
    static List<Fix> move(NodePins pins, Endpoint signal, Predicate<Pin> isAllowed) {
        return moveTo(
                pins,
                signal,
                target -> pins.node().pin(target).filter(isAllowed).isPresent());
    }

    /** As {@link #move(NodePins, Endpoint)}, for some pins. */
    static List<Fix> moveTo(NodePins pins, Endpoint signal, Predicate<Endpoint> isAllowed) {
        return moves(pins, signal, isAllowed, fix -> true);
    }

    /** As {@link #moveTo}, of those ways out alone that do. */
    static List<Fix> moves(NodePins pins, Endpoint signal, Predicate<Endpoint> isAllowed, Predicate<Fix> does) {
        return pins.freeFor(signal).stream()
                .filter(isAllowed)
                .map(target -> move(pins, signal, target))
                .filter(does)
                .limit(MOST)
                .toList();
    }

    private static Fix move(NodePins pins, Endpoint signal, Endpoint target) {
        String node = pins.node().node().id();
        boolean isOnBoard = pins.node().part(target.part()).orElseThrow().part().isBoard();
        String verb = pins.node().wire(signal).isPresent() ? "fix.move" : "fix.place";
        return new Fix(
                "move-" + signal + "-to-" + target,
                Fact.of(isOnBoard ? verb : verb + "_to_part")
                        .with("signal", signal.pin())
                        .with("pin", target.pin())
                        .with(
                                "part",
                                pins.node()
                                        .part(target.part())
                                        .orElseThrow()
                                        .part()
                                        .name()),
                Fact.of(verb + ".cost"),
                List.of(new SetWire(node, new Wire(signal, target, false, "", Extras.NONE))));
    }

    static Fix leaveOut(NodePins pins, Placed placed) {
        return new Fix(
                "leave-out-" + placed.id(),
                Fact.of("fix.leave_out").with("part", placed.part().name()),
                Fact.of("fix.leave_out.cost"),
                List.of(new RemovePart(pins.node().node().id(), placed.id())));
    }
}
