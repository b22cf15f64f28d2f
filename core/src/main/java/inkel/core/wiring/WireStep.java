package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Place;
import inkel.core.document.WireId;
import java.util.Optional;

/**
 * One wire to plug, or one small part with two ends.
 *
 * @param id stable as long as both ends stay; the build remembers plugged wires by it
 * @param number its place in the order of work, from 1
 * @param from the end nearer to the board or the supply
 * @param subject what is selected elsewhere when this wire is selected
 * @param inLine resistors or a transistor that stand in the wire, when any do
 * @param fitting the small part that is put from end to end instead of a wire, when it is one
 * @param plugged whether the builder has ticked it off
 */
public record WireStep(
        String id,
        int number,
        Kind kind,
        Terminal from,
        Terminal to,
        WireColour colour,
        Place subject,
        Optional<Between> inLine,
        Optional<Fitting> fitting,
        boolean plugged) {
    WireStep in(Optional<WireColour> other) {
        return other.isEmpty() || other.get() == colour
                ? this
                : new WireStep(id, number, kind, from, to, other.get(), subject, inLine, fitting, plugged);
    }

    WireStep withNumber(int other) {
        return new WireStep(id, other, kind, from, to, colour, subject, inLine, fitting, plugged);
    }

    /** What it is made of; nothing for a small part, whose legs do. */
    public Optional<Jumper> jumper(NodeCircuit node) {
        return fitting.isPresent()
                ? Optional.empty()
                : Optional.of(
                        Jumper.between(node, from, to).made(node.node().made().get(id)));
    }

    /** Whether it is a capacitor across a supply of a part, and not one beside a signal or around a bare chip. */
    public boolean isAcrossSupply() {
        return !subject.isPin() && NodeCircuit.isCapacitor(WireId.parse(id));
    }

    /** What a wire carries, in the order of work. */
    public enum Kind {
        GROUND,
        SUPPLY,
        /** Tied to a rail or ground for good. */
        TIE,
        /** A small part that a bare chip wants around it. */
        FITTING,
        SHARED,
        SIGNAL,
        /** Plugged and no longer in the plan: to be pulled. */
        PULL,
        /** Plugged only while the chip gets its program. */
        PROGRAMMING
    }
}
