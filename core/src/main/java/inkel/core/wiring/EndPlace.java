package inkel.core.wiring;

import inkel.core.catalog.Outline;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import java.util.List;
import java.util.Optional;

/**
 * The pin of a part that a wire ends at, on its own board's table or on another's.
 *
 * @param node the table that the part is on
 * @param index which of its pins, from 0 in physical order
 */
public record EndPlace(NodeCircuit node, Placed placed, int index) {
    /** Empty for a row of a breadboard, a leg of a small part, and the ground of another board. */
    public static Optional<EndPlace> of(Circuit circuit, NodeCircuit node, Terminal terminal) {
        if (terminal instanceof Terminal.OnPin pin) {
            return node.part(pin.pin().part()).map(placed -> new EndPlace(node, placed, pin.index()));
        }
        if (terminal instanceof Terminal.OnOtherBoard other && !other.isGround()) {
            return circuit.node(other.pin().node())
                    .flatMap(far -> far.part(other.pin().part())
                            .flatMap(placed ->
                                    index(placed, other.pin().pin()).map(index -> new EndPlace(far, placed, index))));
        }
        return Optional.empty();
    }

    private static Optional<Integer> index(Placed placed, String label) {
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).label().equals(label)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    public Pin pin() {
        return placed.cls().pins().get(index);
    }

    /** Whether the part stands in a breadboard, so that any free hole of the pin's row will do. */
    public boolean isInABreadboard() {
        return Jumper.isInABreadboard(node, placed);
    }

    /** Whether it usually lies on its back, since its pins point away from its printed side and go into no breadboard. */
    public boolean isPinsUp() {
        return canBeTurned() && placed.cls().handling().outline().faces() == Outline.Faces.BELOW;
    }

    /** Whether it may lie on either side while it is wired: its header has pins, and stands in no breadboard. */
    public boolean canBeTurned() {
        return !isInABreadboard()
                && placed.cls()
                        .handling()
                        .outline()
                        .row(pin().row())
                        .filter(row -> row.ends() == Outline.Ends.PINS)
                        .isPresent();
    }
}
