package inkel.core.pins;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Chain;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A signal that asks for a pin: one of a part, or the end of a wire to another board.
 *
 * @param now where it goes today, if anywhere
 * @param tie where it may be tied when no pin is left
 * @param isByChoice whether it goes to a pin that serves only whom the builder gave it
 * @param link the end that it is, when it is one
 */
record Want(
        Placed placed,
        Pin pin,
        Optional<Wire> now,
        Optional<Endpoint> tie,
        boolean isByChoice,
        Optional<LinkEnd> link) {
    Endpoint signal() {
        return placed.endpoint(pin);
    }

    PinUse use() {
        return pin.use();
    }

    /** Whether it stays where it is: held by the builder, or given by them to the signal of another part. */
    boolean isHeld() {
        return isByChoice || now.filter(Wire::held).isPresent();
    }

    /** Whether it goes to the part before it in a chain, and to no pin of its own. */
    boolean isInChain(NodeCircuit node) {
        return now.filter(wire -> Chain.isLink(node, wire)).isPresent();
    }

    /** The want whose pin it has too, where that is among some wants. */
    Optional<Want> follows(NodeCircuit node, List<Want> wants) {
        if (link.isPresent()) {
            return Optional.empty();
        }
        return use() == PinUse.SPI_CS ? selectedWith(node, wants) : onLineWith(wants);
    }

    /** The select of the first part of its chain. */
    private Optional<Want> selectedWith(NodeCircuit node, List<Want> wants) {
        String first = Chain.first(node, placed).id();
        return first.equals(placed.id())
                ? Optional.empty()
                : wants.stream()
                        .filter(want ->
                                want.use() == PinUse.SPI_CS && want.placed.id().equals(first))
                        .findFirst();
    }

    /** The first of those that its builder put on one line with it, each of which has an address of its own. */
    private Optional<Want> onLineWith(List<Want> wants) {
        return !pin.isShared() || now.isEmpty() || isHeld()
                ? Optional.empty()
                : wants.stream()
                        .filter(want ->
                                want.pin.isShared() && want.isAt(now.get().to()))
                        .min(Comparator.comparing(want -> !want.isHeld()))
                        .filter(want -> !want.equals(this));
    }

    private boolean isAt(Endpoint target) {
        return now.filter(wire -> wire.to().equals(target)).isPresent();
    }

    /** The pin that the builder holds an input on; several inputs may be held on one. */
    Optional<Endpoint> heldInput() {
        boolean maySeveral = use() == PinUse.INPUT || use() == PinUse.BIAS || pin.isShared() || isByChoice;
        return maySeveral && isHeld() ? now.map(Wire::to) : Optional.empty();
    }

    /**
     * What a node asks for: all that its parts need, what the builder already wired, and the ends of wires to other
     * boards. Ties stay as they are.
     */
    static List<Want> of(NodeCircuit node, List<LinkEnd> ends) {
        List<Want> wants = new ArrayList<>(node.parts().stream()
                .filter(placed -> !placed.part().isBoard())
                .flatMap(placed -> placed.cls().signals().flatMap(pin -> of(node, placed, pin)))
                .toList());
        ends.stream().map(end -> of(node, end)).forEach(wants::add);
        return wants;
    }

    private static Stream<Want> of(NodeCircuit node, Placed placed, Pin pin) {
        Optional<Wire> now = node.wire(placed.endpoint(pin));
        boolean isTied = now.filter(node::isTie).isPresent();
        boolean isLeftAlone = now.isEmpty() && !node.isMissed(placed, pin);
        if (isTied || isLeftAlone) {
            return Stream.empty();
        }
        boolean isByChoice = now.flatMap(wire -> node.pin(wire.to()))
                .filter(Pin::servesByChoice)
                .isPresent();
        return Stream.of(new Want(placed, pin, now, Ties.of(node, placed, pin), isByChoice, Optional.empty()));
    }

    /** The far end stands for the part: it listens where this board sends, and sends where this board listens. */
    private static Want of(NodeCircuit node, LinkEnd end) {
        Pin far = Pin.plain(end.there().toString(), "", 0, end.use(), "");
        Placed board = node.board();
        Wire now = Wire.placed(board.endpoint(far), end.pin());
        return new Want(board, far, Optional.of(now), Optional.empty(), false, Optional.of(end));
    }

    // Written out, since a want is looked up often and the generated ones go through all that is known of its class.
    @Override
    public boolean equals(Object other) {
        return other instanceof Want that
                && pin.label().equals(that.pin.label())
                && placed.id().equals(that.placed.id())
                && now.equals(that.now)
                && tie.equals(that.tie)
                && link.equals(that.link);
    }

    @Override
    public int hashCode() {
        return 31 * placed.id().hashCode() + pin.label().hashCode();
    }
}
