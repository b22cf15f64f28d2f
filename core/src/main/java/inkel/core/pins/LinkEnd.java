package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One end of a wire between two boards, seen from the board it is on.
 *
 * @param isSending whether the board talks on it
 * @param use what the far end is to this board: an input where this one sends, an output where it listens, a port's pin, or a
 *     line of a bus that both boards are on
 * @param isCrossed whether the other line of the bus is at the far end of it
 * @param answering the addresses that parts of other tables answer to on that bus
 */
public record LinkEnd(NodeWire link, boolean isSending, PinUse use, boolean isCrossed, Set<Integer> answering) {
    public LinkEnd {
        answering = Set.copyOf(answering);
    }

    /** The ends on one node's board, in document order. */
    static List<LinkEnd> of(Circuit circuit, String node) {
        return circuit.links().stream()
                .filter(link -> link.touches(node) && !link.isLine())
                .flatMap(link ->
                        of(circuit, link).filter(end -> end.here().node().equals(node)))
                .toList();
    }

    private static Stream<LinkEnd> of(Circuit circuit, NodeWire link) {
        Optional<BusLine> line = BoardBuses.line(circuit, link);
        if (line.isPresent()) {
            PinUse use = line.get() == BusLine.SDA ? PinUse.I2C_SDA : PinUse.I2C_SCL;
            boolean isCrossed = BoardBuses.isCrossed(circuit, link);
            return Stream.of(
                    new LinkEnd(link, true, use, isCrossed, answering(circuit, link.from())),
                    new LinkEnd(link, false, use, isCrossed, answering(circuit, link.to())));
        }
        // Joined the wrong way it is meant as one all the same, and crossed when it is shared out.
        boolean isSerial = BoardPorts.isSerial(circuit, link)
                || BoardPorts.alike(circuit, link).isPresent();
        return Stream.of(
                new LinkEnd(link, true, isSerial ? PinUse.UART_RX : PinUse.INPUT, false, Set.of()),
                new LinkEnd(link, false, isSerial ? PinUse.UART_TX : PinUse.OUTPUT, false, Set.of()));
    }

    private static Set<Integer> answering(Circuit circuit, Place here) {
        return BoardBuses.pinsOn(circuit, here).stream()
                .filter(at -> !at.node().equals(here.node()))
                .flatMap(at -> members(circuit, at))
                .flatMap(placed -> NodePins.addresses(placed).stream())
                .collect(Collectors.toSet());
    }

    /** The parts on a board's data line. */
    static Stream<Placed> members(Circuit circuit, Place line) {
        return circuit.node(line.node()).stream()
                .flatMap(node -> node.nets().getOrDefault(line.endpoint(), List.of()).stream()
                        .filter(wire -> node.pin(wire.from())
                                .filter(pin -> pin.use() == PinUse.I2C_SDA)
                                .isPresent())
                        .flatMap(wire -> node.part(wire.from().part()).stream()))
                .filter(placed -> placed.cls().i2c().isPresent());
    }

    /** Whether it is meant to join two serial ports. */
    public boolean isSerial() {
        return use.isSerial();
    }

    /** Which line of a bus from board to board it is. */
    public Optional<BusLine> line() {
        return use.sharedLine();
    }

    public Place here() {
        return isSending ? link.from() : link.to();
    }

    public Place there() {
        return isSending ? link.to() : link.from();
    }

    /** The board pin it is on. */
    public Endpoint pin() {
        return here().endpoint();
    }

    /** The wire with this end on another pin. */
    public NodeWire movedTo(Endpoint pin) {
        Place place = Place.of(here().node(), pin);
        return isSending ? link.withEnds(place, link.to()) : link.withEnds(link.from(), place);
    }
}
