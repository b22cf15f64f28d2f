package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Parts of one class, of which each passes on to the next what that would else hear from the board, or say to it. */
public final class Chain {
    private Chain() {}

    /** Whether a wire ends at a pin that only goes on to the next of a chain. */
    public static boolean isLink(NodeCircuit node, Wire wire) {
        return node.pin(wire.to()).filter(pin -> pin.can(Ability.Kind.CHAIN)).isPresent();
    }

    /** The part that another hangs behind; empty for the one that is wired to the board, and for what hangs in no chain. */
    public static Optional<Placed> before(NodeCircuit node, Placed placed) {
        return placed.cls()
                .signals()
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .filter(wire -> isLink(node, wire))
                .flatMap(wire -> node.part(wire.to().part()).stream())
                .findFirst();
    }

    /** The part that a chain begins with; the part itself where it hangs in none, or in a circle. */
    public static Placed first(NodeCircuit node, Placed placed) {
        Set<String> seen = new HashSet<>();
        Placed first = placed;
        Optional<Placed> before = Optional.of(placed);
        while (before.isPresent()) {
            if (!seen.add(before.get().id())) {
                return placed;
            }
            first = before.get();
            before = before(node, first);
        }
        return first;
    }

    /** How many parts of its chain are before it; 0 in a circle. */
    public static int place(NodeCircuit node, Placed placed) {
        String first = first(node, placed).id();
        int place = 0;
        Placed at = placed;
        while (!at.id().equals(first)) {
            at = before(node, at).orElseThrow();
            place++;
        }
        return place;
    }

    /** How many parts hang behind one, at whatever distance. */
    public static int behind(NodeCircuit node, Placed placed) {
        return (int) node.parts().stream()
                .filter(other -> isBehind(node, other, placed.id()))
                .count();
    }

    /** Whether a part hangs behind another, at whatever distance. */
    public static boolean isBehind(NodeCircuit node, Placed placed, String other) {
        Set<String> seen = new HashSet<>();
        Optional<Placed> before = before(node, placed);
        while (before.isPresent() && seen.add(before.get().id())) {
            if (before.get().id().equals(other)) {
                return true;
            }
            before = before(node, before.get());
        }
        return false;
    }

    /** The wire of a part's signal for a use; empty where it has none, or that is not wired. */
    public static Optional<Wire> wire(NodeCircuit node, Placed placed, PinUse use) {
        return placed.cls()
                .signals()
                .filter(pin -> pin.use() == use)
                .map(placed::endpoint)
                .flatMap((Endpoint signal) -> node.wire(signal).stream())
                .findFirst();
    }
}
