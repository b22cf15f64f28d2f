package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Whether a signal may be put on a pin by hand, and what that does to who is there.
 *
 * @param why why it may not, or who is in the way
 * @param holders wires that are on the pin now, the signal's own left out
 */
public record Reach(Endpoint target, Kind kind, Optional<Fact> why, List<Wire> holders) {
    public Reach {
        holders = List.copyOf(holders);
    }

    /** What dropping the signal there does. */
    public enum Kind {
        /** Nothing: it is there. */
        HERE,
        /** Puts it on a pin that nobody has. */
        FREE,
        /** Puts it beside others on the same line of a bus. */
        JOIN,
        /** Changes places with the one that is there. */
        SWAP,
        /** Nothing: who is there cannot go where this one is. */
        TAKEN,
        /** Nothing: the pin cannot do it. */
        NO;

        /** Whether a drop changes anything. */
        public boolean isOpen() {
            return this == FREE || this == JOIN || this == SWAP;
        }
    }

    /** For every pin of the node that can be wired to, in physical order. */
    public static Map<Endpoint, Reach> of(NodePins pins, Endpoint signal) {
        Map<Endpoint, Reach> all = new LinkedHashMap<>();
        for (Placed owner : pins.node().parts()) {
            owner.cls().offers().map(owner::endpoint).forEach(target -> all.put(target, of(pins, signal, target)));
        }
        return all;
    }

    /** As {@link #of(NodePins, Endpoint)}, for one pin. */
    public static Reach of(NodePins pins, Endpoint signal, Endpoint target) {
        NodeCircuit node = pins.node();
        Optional<Wire> mine = node.wire(signal);
        List<Wire> holders = node.nets().getOrDefault(target, List.of()).stream()
                .filter(wire -> !wire.from().equals(signal))
                .toList();
        if (mine.filter(wire -> wire.to().equals(target)).isPresent()) {
            return new Reach(target, Kind.HERE, Optional.empty(), holders);
        }
        Optional<Fact> why = PinFit.whyNot(node, signal, target);
        if (why.isPresent()) {
            return new Reach(target, Kind.NO, why, holders);
        }
        boolean isOpen = node.board().own(Settings.CONSOLE).isPresent()
                || pins.useOf(signal).isSerial();
        if (pins.isReserved(target) && !isOpen) {
            boolean isComputer = node.board()
                    .cls()
                    .controller()
                    .filter(Controller::isComputer)
                    .isPresent();
            Fact console =
                    Fact.of(isComputer ? "why_not.login" : "why_not.console").with("pin", target.pin());
            return new Reach(target, Kind.NO, Optional.of(console), holders);
        }
        // On a bus from board to board there is room for another.
        Optional<BusLine> shared = pins.useOf(signal).sharedLine();
        Optional<LinkEnd> link = pins.linkEnds().stream()
                .filter(end -> end.pin().equals(target))
                .filter(end -> shared.isEmpty() || !end.line().equals(shared))
                .findFirst();
        if (link.isPresent()) {
            Fact taken = Fact.of("why_not.link").with("pin", target.pin());
            return new Reach(target, Kind.TAKEN, Optional.of(taken), holders);
        }
        if (holders.isEmpty()) {
            return new Reach(target, Kind.FREE, Optional.empty(), holders);
        }
        if (isOneLine(pins, signal, holders)) {
            return new Reach(target, Kind.JOIN, Optional.empty(), holders);
        }
        Fact taken = Fact.of("why_not.taken")
                .with("pin", target.pin())
                .with("other", PinNames.of(node, holders.get(0).from()));
        boolean canSwap = holders.size() == 1
                && mine.filter(wire -> canTake(pins, holders.get(0), wire)).isPresent();
        return new Reach(target, canSwap ? Kind.SWAP : Kind.TAKEN, Optional.of(taken), holders);
    }

    private static boolean isOneLine(NodePins pins, Endpoint signal, List<Wire> holders) {
        Optional<BusLine> line = pins.useOf(signal).sharedLine();
        return line.isPresent()
                && holders.stream()
                        .allMatch(wire -> pins.useOf(wire.from()).sharedLine().equals(line));
    }

    /** Whether the other may go where this wire goes, and nobody else is there. */
    private static boolean canTake(NodePins pins, Wire other, Wire mine) {
        NodeCircuit node = pins.node();
        return !node.isTie(mine)
                && node.nets().getOrDefault(mine.to(), List.of()).size() == 1
                && PinFit.whyNot(node, other.from(), mine.to()).isEmpty();
    }

    /** What dropping the signal there changes; nothing where it is not open. */
    public List<Edit> edits(NodePins pins, Endpoint signal) {
        String node = pins.node().node().id();
        Edit move = new SetWire(node, moved(pins, signal, target));
        if (kind == Kind.SWAP) {
            Wire other = holders.get(0);
            Endpoint mine = pins.node().wire(signal).orElseThrow().to();
            return List.of(move, new SetWire(node, moved(pins, other.from(), mine)));
        }
        return kind.isOpen() ? List.of(move) : List.of();
    }

    /** What the builder held stays held where they put it. */
    private static Wire moved(NodePins pins, Endpoint signal, Endpoint to) {
        return pins.node()
                .wire(signal)
                .map(wire -> new Wire(signal, to, wire.held(), wire.reason(), wire.extras()))
                .orElse(new Wire(signal, to, false, "", Extras.NONE));
    }
}
