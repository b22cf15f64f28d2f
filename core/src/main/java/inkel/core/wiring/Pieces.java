package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** The legs of what stands in a wire that go elsewhere than along the wire: to ground, to a supply. */
final class Pieces {
    private final NodeCircuit node;

    Pieces(NodeCircuit node) {
        this.node = node;
    }

    /**
     * One leg, joined by a wire, or a small part from end to end.
     *
     * @param fitting the small part; empty for a wire
     */
    record Leg(Terminal from, Terminal to, Optional<Fitting> fitting) {}

    /** Whether a leg goes to the row of the common ground. */
    boolean wantsGround(Between between) {
        return node.wire(between.signal()).filter(wire -> !node.isTie(wire)).stream()
                .flatMap(wire -> legs(wire, between).stream())
                .anyMatch(
                        leg -> leg.from() instanceof Terminal.OnGroundRow || leg.to() instanceof Terminal.OnGroundRow);
    }

    /** The rails whose rows its legs go to. */
    Stream<Endpoint> supplies(Between between) {
        return node.wire(between.signal()).filter(wire -> !node.isTie(wire)).stream()
                .flatMap(wire -> legs(wire, between).stream())
                .flatMap(leg -> Stream.of(leg.from(), leg.to()))
                .flatMap(end -> end instanceof Terminal.OnRow row ? Stream.of(row.rail()) : Stream.empty());
    }

    private Optional<Endpoint> supply(Endpoint listener) {
        return node.ioRail(listener).map(Rail::id);
    }

    /** The legs of a piece, in the order of work. */
    List<Leg> legs(Wire wire, Between between) {
        Endpoint listener = node.listener(wire);
        Endpoint driver = listener.equals(wire.from()) ? wire.to() : wire.from();
        List<Leg> legs = new ArrayList<>();
        if (between instanceof Between.Divider divider) {
            legs.add(toGround(listener, Fitting.Sort.RESISTOR, divider.toGround()));
        } else if (between instanceof Between.CoilDriver) {
            legs.add(wire(ground(driver), leg(wire, Terminal.Leg.EMITTER)));
        } else if (between instanceof Between.Diode diode) {
            pullUp(listener, diode.pullUp()).ifPresent(legs::add);
        } else if (between instanceof Between.PulledUp up) {
            pullUp(wire.to(), up.pullUp()).ifPresent(legs::add);
        } else if (between instanceof Between.PulledDown down) {
            legs.add(toGround(wire.to(), Fitting.Sort.RESISTOR, down.toGround()));
        } else if (between instanceof Between.Opto opto) {
            lamp(opto, ground(driver), supply(driver), leg -> leg(wire, leg)).ifPresent(legs::add);
            legs.add(wire(ground(listener), leg(wire, Terminal.Leg.EMITTER)));
            pullUp(listener, opto.pullUp()).ifPresent(legs::add);
        }
        between.capacitor().ifPresent(value -> legs.add(toGround(listener, Fitting.Sort.CAPACITOR, value)));
        return legs;
    }

    /**
     * The leg of an optocoupler's lamp that is not in the wire.
     *
     * @param supply of who talks; empty while it is not fed
     */
    static Optional<Leg> lamp(
            Between.Opto opto, Terminal ground, Optional<Endpoint> supply, Function<Terminal.Leg, Terminal> leg) {
        return opto.turnsOver()
                ? Optional.of(wire(ground, leg.apply(Terminal.Leg.CATHODE)))
                : supply.map(rail -> wire(new Terminal.OnRow(rail), leg.apply(Terminal.Leg.ANODE)));
    }

    /** The leg of an optocoupler's lamp that the wire from who talks ends at. */
    static Terminal.Leg lampInWire(Between.Opto opto) {
        return opto.turnsOver() ? Terminal.Leg.ANODE : Terminal.Leg.CATHODE;
    }

    static Terminal leg(Wire wire, Terminal.Leg leg) {
        return new Terminal.OnLeg(wire.from(), Optional.empty(), leg);
    }

    private static Leg wire(Terminal from, Terminal to) {
        return new Leg(from, to, Optional.empty());
    }

    private Leg toGround(Endpoint pin, Fitting.Sort sort, Quantity value) {
        Terminal to = ground(pin);
        return new Leg(WireSteps.onPin(node, pin), to, Optional.of(new Fitting(sort, value, pin.pin(), to.id())));
    }

    private Optional<Leg> pullUp(Endpoint pin, Quantity value) {
        return supply(pin)
                .map(rail -> new Leg(
                        new Terminal.OnRow(rail),
                        WireSteps.onPin(node, pin),
                        Optional.of(new Fitting(Fitting.Sort.RESISTOR, value, rail.toString(), pin.pin()))));
    }

    /** The common ground, or the own one of a part that keeps apart. */
    private Terminal ground(Endpoint pin) {
        Part part = node.part(pin.part()).orElseThrow().part();
        return part.groundApart()
                ? WireSteps.ownGround(node, part.id()).orElseGet(Terminal.OnGroundRow::new)
                : new Terminal.OnGroundRow();
    }
}
