package inkel.core.pins;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A board whose pins have a number in the program and another one on the header: wires that were written down by the places of
 * the header are read as the program's numbers, and hardly one of them fits.
 */
public final class HeaderPlaces {
    /** One that does not fit may be a slip. */
    private static final int FEWEST_MISFITS = 2;

    private HeaderPlaces() {}

    /**
     * All wires to a board read as places of its header; empty unless several do not fit as they are, every number is such a
     * place, and all fit there.
     */
    public static Optional<Fix> fix(NodeCircuit node) {
        List<Edit> edits = new ArrayList<>();
        int misfits = 0;
        for (Wire wire : wires(node).toList()) {
            Optional<Endpoint> place = number(node.board(), wire.to().pin())
                    .flatMap(number -> at(node.board(), number))
                    .filter(pin -> PinFit.whyNot(node, wire.from(), pin).isEmpty());
            if (place.isEmpty()) {
                return Optional.empty();
            }
            misfits += PinFit.isFit(node, wire) ? 0 : 1;
            edits.add(new SetWire(
                    node.node().id(), new Wire(wire.from(), place.get(), wire.held(), wire.reason(), wire.extras())));
        }
        return misfits < FEWEST_MISFITS
                ? Optional.empty()
                : Optional.of(new Fix(
                        "header-places",
                        Fact.of("fix.header_places").with("count", edits.size()),
                        Fact.of("fix.header_places.cost").with("count", edits.size()),
                        edits));
    }

    private static Stream<Wire> wires(NodeCircuit node) {
        Stream<Wire> lost = node.lost().stream()
                .filter(one -> one.kind() == Lost.Kind.WIRE && one.missing().equals(one.to()))
                .flatMap(one -> one.wire().stream());
        return Stream.concat(node.node().wires().stream(), lost)
                .distinct()
                .filter(wire -> wire.to().part().equals(node.board().id()) && !node.isTie(wire));
    }

    /** The number that was written: the program's number of a pin, or one that no pin has. */
    private static Optional<Integer> number(Placed board, String written) {
        String number = board.cls().pin(written).map(Pin::number).orElse(written);
        return number.matches("[1-9][0-9]?") ? Optional.of(Integer.parseInt(number)) : Optional.empty();
    }

    private static Optional<Endpoint> at(Placed board, int place) {
        return board.cls().pins().stream()
                .filter(pin -> pin.header() == place && !pin.can().isEmpty())
                .map(board::endpoint)
                .findFirst();
    }
}
