package inkel.core.circuit;

import inkel.core.catalog.BusLine;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * I2C buses that go on from board to board. A wire from data to data beside one from clock to clock is one, where people look
 * for these lines on both boards; either of them alone may mean anything.
 */
public final class BoardBuses {
    private static final List<BusLine> LINES = List.of(BusLine.SDA, BusLine.SCL);

    private BoardBuses() {}

    /**
     * Which line of such a bus a wire between boards is, by the end it begins at; empty for any other wire. Two that change
     * places on the way are meant as one as well.
     */
    public static Optional<BusLine> line(Circuit circuit, NodeWire link) {
        return LINES.stream()
                .filter(line -> isOf(circuit, link, line, line) || isOf(circuit, link, line, beside(line)))
                .findFirst();
    }

    /** Whether data goes to clock, and clock to data beside it. */
    public static boolean isCrossed(Circuit circuit, NodeWire link) {
        return LINES.stream()
                .anyMatch(line -> !isOf(circuit, link, line, line) && isOf(circuit, link, line, beside(line)));
    }

    /** Whether a wire leads from one line to another, and a second one beside it from each other's. */
    private static boolean isOf(Circuit circuit, NodeWire link, BusLine from, BusLine to) {
        return joins(circuit, link, from, to)
                && circuit.links().stream()
                        .filter(other -> other.isBesides(link))
                        .anyMatch(
                                other -> other.from().node().equals(link.from().node())
                                        ? joins(circuit, other, beside(from), beside(to))
                                        : joins(circuit, other, beside(to), beside(from)));
    }

    private static BusLine beside(BusLine line) {
        return line == BusLine.SDA ? BusLine.SCL : BusLine.SDA;
    }

    private static boolean joins(Circuit circuit, NodeWire link, BusLine from, BusLine to) {
        return !link.isLine()
                && link.carries().kind().isEmpty()
                && isUsual(circuit, link.from(), from)
                && isUsual(circuit, link.to(), to);
    }

    private static boolean isUsual(Circuit circuit, Place at, BusLine line) {
        return circuit.node(at.node())
                .filter(node -> at.endpoint().part().equals(node.board().id()))
                .filter(node -> node.pin(at.endpoint())
                        .filter(pin -> node.board().cls().isUsual(pin, line))
                        .isPresent())
                .isPresent();
    }

    /**
     * All pull-ups that are joined to a board's pin: those of its own table, and of others that a bus leads to without a
     * shifter.
     */
    public static List<PullUp> pulls(Circuit circuit, Place pin) {
        return pinsBeside(circuit, pin).stream()
                .flatMap(at -> circuit.node(at.node()).stream().flatMap(node -> PullUp.on(node, at.endpoint())
                        .flatMap(pull -> PullUp.of(node, pull.placed(), pull.pull()).stream())))
                .toList();
    }

    /** The pins of boards that one bus leads to from a pin without a shifter, this one first: all are one wire. */
    public static Set<Place> pinsBeside(Circuit circuit, Place pin) {
        return reached(circuit, pin, link -> link.converter().isEmpty());
    }

    /** The pins of boards that one bus leads to from a pin, this one first; what is said on it is heard through shifters too. */
    public static Set<Place> pinsOn(Circuit circuit, Place pin) {
        return reached(circuit, pin, link -> true);
    }

    /** Every bus that several boards are on, by the pins of its data line, through shifters too; each once. */
    public static List<List<Place>> all(Circuit circuit) {
        List<List<Place>> buses = new ArrayList<>();
        Set<Place> done = new HashSet<>();
        for (NodeWire link : circuit.links()) {
            boolean isData = line(circuit, link).filter(BusLine.SDA::equals).isPresent();
            if (isData && !done.contains(link.from())) {
                List<Place> pins = List.copyOf(pinsOn(circuit, link.from()));
                done.addAll(pins);
                buses.add(pins);
            }
        }
        return buses;
    }

    private static Set<Place> reached(Circuit circuit, Place pin, Predicate<NodeWire> leads) {
        Set<Place> seen = new LinkedHashSet<>(List.of(pin));
        Deque<Place> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            Place at = open.poll();
            circuit.links().stream()
                    .filter(link -> (link.from().equals(at) || link.to().equals(at)) && leads.test(link))
                    .filter(link -> line(circuit, link).isPresent())
                    .map(link -> link.from().equals(at) ? link.to() : link.from())
                    .filter(seen::add)
                    .forEach(open::add);
        }
        return seen;
    }
}
