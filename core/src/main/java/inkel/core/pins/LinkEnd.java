package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Carries;
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
 * @param isFirst whether the wire is written from here
 * @param isSending whether the board talks on it: it does where the wire is written from, unless its pins say otherwise
 * @param use what the far end is to this board: an input where this one sends, an output where it listens, a port's pin, or a
 *     line of a bus that both boards are on
 * @param isCrossed whether the other line of the bus is at the far end of it
 * @param answering the addresses that parts of other tables answer to on that bus, and the boards themselves
 */
public record LinkEnd(
        NodeWire link, boolean isFirst, boolean isSending, PinUse use, boolean isCrossed, Set<Integer> answering) {
    public LinkEnd {
        answering = Set.copyOf(answering);
    }

    private static LinkEnd plain(NodeWire link, boolean isFirst, boolean isSending, boolean isSerial) {
        PinUse serial = isSending ? PinUse.UART_RX : PinUse.UART_TX;
        PinUse plain = isSending ? PinUse.INPUT : PinUse.OUTPUT;
        return new LinkEnd(link, isFirst, isSending, isSerial ? serial : plain, false, Set.of());
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
                    new LinkEnd(link, true, true, use, isCrossed, answering(circuit, link.from())),
                    new LinkEnd(link, false, false, use, isCrossed, answering(circuit, link.to())));
        }
        // Joined the wrong way it is meant as one all the same, and crossed when it is shared out.
        boolean isTurned = BoardPorts.isTurned(circuit, link);
        boolean isSerial = isTurned
                || BoardPorts.isSerial(circuit, link)
                || BoardPorts.alike(circuit, link).isPresent();
        return Stream.of(plain(link, true, !isTurned, isSerial), plain(link, false, isTurned, isSerial));
    }

    /** This board's own address is among them: its parts keep off that as well. */
    private static Set<Integer> answering(Circuit circuit, Place here) {
        Set<Place> lines = BoardBuses.pinsOn(circuit, here);
        Stream<Placed> parts =
                lines.stream().filter(at -> !at.node().equals(here.node())).flatMap(at -> members(circuit, at));
        Stream<Placed> boards =
                lines.stream().flatMap(at -> circuit.node(at.node()).stream()).map(NodeCircuit::board);
        return Stream.concat(parts, boards)
                .flatMap(placed -> placed.addresses().stream())
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
        return isFirst ? link.from() : link.to();
    }

    public Place there() {
        return isFirst ? link.to() : link.from();
    }

    /** The board pin it is on. */
    public Endpoint pin() {
        return here().endpoint();
    }

    /** The wire with this end on another pin; what is a serial line by its pins is one by word from then on,
     * told from where it talks. */
    public NodeWire movedTo(Endpoint pin) {
        Place place = Place.of(here().node(), pin);
        NodeWire moved = isFirst ? link.withEnds(place, link.to()) : link.withEnds(link.from(), place);
        boolean isTurned = isFirst != isSending;
        NodeWire told = isTurned ? moved.withEnds(moved.to(), moved.from()) : moved;
        return isSerial() ? told.withCarries(link.carries().with(Carries.Kind.SERIAL)) : told;
    }
}
