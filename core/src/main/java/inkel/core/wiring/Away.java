package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A wire to another board. Where it goes through a shifter of the other table, its second half is in that one's list. What stands in it lies on the table of the board that talks; its legs to ground go to that
 * one's row, those to a supply to that of the board that listens.
 *
 * @param near the node of the board that talks
 * @param far the node of the board that listens
 * @param sides the pins of the shifter that it goes through; empty where it goes through none, or one that is not fed
 */
record Away(NodeWire link, NodeCircuit near, NodeCircuit far, Optional<ShifterSides> sides) {
    /** Whether the shifter is on the table of the board that listens. */
    boolean isShiftedThere() {
        return link.converter()
                .filter(place -> place.node().equals(link.to().node()))
                .isPresent();
    }

    /** The pin of the other table that the wire from here ends at. */
    Terminal.OnOtherBoard arrival() {
        return sides.filter(found -> isShiftedThere())
                .map(found -> at(Place.of(link.to().node(), found.towardsDriver())))
                .orElseGet(this::listener);
    }

    /** The other board's ground. */
    Terminal.OnOtherBoard ground() {
        return at(Place.ofNode(link.to().node()));
    }

    /** The pin that listens. */
    Terminal.OnOtherBoard listener() {
        return at(link.to());
    }

    private Terminal.OnOtherBoard at(Place place) {
        String part = far.part(place.part())
                .filter(placed -> !placed.part().isBoard())
                .map(placed -> placed.part().name())
                .orElse("");
        return new Terminal.OnOtherBoard(place, far.node().name(), part);
    }

    Terminal leg(Terminal.Leg leg) {
        return new Terminal.OnLeg(link.from().endpoint(), Optional.of(link.to()), leg);
    }

    /** Whether a leg goes to the ground row of the board that talks. */
    boolean wantsGround() {
        return legs().stream()
                .anyMatch(
                        leg -> leg.from() instanceof Terminal.OnGroundRow || leg.to() instanceof Terminal.OnGroundRow);
    }

    /** The rails of the board that talks whose rows its legs go to. */
    Stream<Endpoint> supplies() {
        return link
                .between()
                .filter(piece -> piece instanceof Between.Opto opto && !opto.turnsOver())
                .flatMap(piece -> supply())
                .stream();
    }

    private Optional<Endpoint> supply() {
        return near.ioRail(link.from().endpoint()).map(Rail::id);
    }

    /** The legs of what stands in it that go elsewhere than along the wire, in the order of work. */
    List<Pieces.Leg> legs() {
        List<Pieces.Leg> legs = new ArrayList<>();
        link.between().ifPresent(piece -> {
            if (piece instanceof Between.Divider divider) {
                legs.add(toGround(Fitting.Sort.RESISTOR, divider.toGround()));
            } else if (piece instanceof Between.Diode diode) {
                pullUp(diode.pullUp()).ifPresent(legs::add);
            } else if (piece instanceof Between.Opto opto) {
                Pieces.lamp(opto, new Terminal.OnGroundRow(), supply(), this::leg)
                        .ifPresent(legs::add);
                legs.add(wire(leg(Terminal.Leg.EMITTER), ground()));
                pullUp(opto.pullUp()).ifPresent(legs::add);
            }
            piece.capacitor().ifPresent(value -> legs.add(toGround(Fitting.Sort.CAPACITOR, value)));
        });
        return legs;
    }

    private static Pieces.Leg wire(Terminal from, Terminal to) {
        return new Pieces.Leg(from, to, Optional.empty());
    }

    private Pieces.Leg toGround(Fitting.Sort sort, Quantity value) {
        Terminal to = new Terminal.OnGroundRow();
        return fitted(sort, value, listener(), to);
    }

    private Optional<Pieces.Leg> pullUp(Quantity value) {
        return far.ioRail(link.to().endpoint())
                .map(Rail::id)
                .map(rail -> fitted(
                        Fitting.Sort.RESISTOR, value, at(Place.of(far.node().id(), rail)), listener()));
    }

    private static Pieces.Leg fitted(Fitting.Sort sort, Quantity value, Terminal from, Terminal to) {
        return new Pieces.Leg(from, to, Optional.of(new Fitting(sort, value, from.id(), to.id())));
    }
}
