package inkel.core.remedy;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Tie;
import inkel.core.document.Endpoint;
import java.util.Optional;
import java.util.stream.Stream;

/** Where pins go that only want to be held high or low. */
public final class Ties {
    private Ties() {}

    /**
     * The board's ground, or the part's own rail, or where the pin does not bear that one, another that it bears and reads
     * as high. Empty for a pin that wants more than that, for a part that is not fed, and where no rail will do.
     */
    public static Optional<Endpoint> of(NodeCircuit node, Placed placed, Pin pin) {
        return switch (pin.need()) {
            case TIE_HIGH, FIXED_HIGH -> high(node, placed, pin);
            case TIE_LOW, FIXED_LOW -> ground(node);
            default -> Optional.empty();
        };
    }

    /** A rail that a pin can be held high by. */
    public static Optional<Endpoint> high(NodeCircuit node, Placed placed, Pin pin) {
        Optional<Endpoint> own =
                placed.cls().io(pin).map(family -> placed.part().feeds().get(family.supply()));
        if (own.isEmpty()) {
            return Optional.empty();
        }
        Endpoint signal = placed.endpoint(pin);
        Optional<Tie> straight = Tie.of(node, signal, own.get());
        if (straight.isEmpty() || !straight.get().harms()) {
            return own;
        }
        return Stream.concat(
                        node.rails().stream()
                                .filter(rail ->
                                        rail.id().part().equals(node.board().id())),
                        node.rails().stream()
                                .filter(rail ->
                                        !rail.id().part().equals(node.board().id())))
                .map(Rail::id)
                .filter(rail -> Tie.of(node, signal, rail)
                        .filter(tie -> !tie.harms() && tie.isRead())
                        .isPresent())
                .findFirst();
    }

    /** The ground that signals are tied to. */
    public static Optional<Endpoint> ground(NodeCircuit node) {
        return node.board().cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .findFirst()
                .map(node.board()::endpoint);
    }
}
