package inkel.core.wiring;

import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Turns a node's plan into wires. A breadboard row joins more than two ends. */
final class WireSteps {
    /** Supplies from here up are marked red, lower ones orange. */
    private static final Voltage RED_FROM = Voltage.ofVolts(4.5);

    private final NodeCircuit node;
    private final List<Away> away;
    private final List<WireStep> steps = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private final Set<String> pluggedIn = new HashSet<>();
    private final Set<Endpoint> wireEnds = new HashSet<>();
    private int plainSignals;

    /**
     * A wire to another board.
     *
     * @param board what the builder calls the other board's node
     */
    record Away(NodeWire link, String board) {}

    WireSteps(NodeCircuit node, List<Away> away) {
        this.node = node;
        this.away = away;
        for (Placed placed : node.parts()) {
            if (feedsByCable(placed) || ridesOnAnother(placed)) {
                pluggedIn.add(placed.id());
            }
        }
        node.node().wires().forEach(wire -> wireEnds.add(wire.to()));
    }

    List<WireStep> list() {
        grounds();
        node.rails().forEach(this::supply);
        node.node().wires().stream().filter(node::isTie).forEach(this::tie);
        signals();
        away.forEach(this::toOtherBoard);
        return steps;
    }

    private void grounds() {
        List<Placed> joined = node.parts().stream()
                .filter(placed -> !placed.part().groundApart())
                .filter(placed -> groundIndex(placed) >= 0)
                .filter(placed -> !isPluggedIn(placed))
                .toList();
        if (joined.size() == 2) {
            add(WireStep.Kind.GROUND, ground(joined.get(0)), ground(joined.get(1)), WireColour.BLACK, joined.get(1));
            return;
        }
        joined.forEach(placed -> add(
                WireStep.Kind.GROUND,
                placed.part().isBoard() ? ground(placed) : new Terminal.OnGroundRow(),
                placed.part().isBoard() ? new Terminal.OnGroundRow() : ground(placed),
                WireColour.BLACK,
                placed));
    }

    /** A part that hangs on another part's own sockets, or a port's cable, brings its ground and supply with it. */
    private boolean isPluggedIn(Placed placed) {
        return pluggedIn.contains(placed.id());
    }

    private static boolean feedsByCable(Placed placed) {
        return placed.cls().pins().isEmpty()
                && placed.cls().outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE);
    }

    private boolean ridesOnAnother(Placed placed) {
        if (placed.part().isBoard()) {
            return false;
        }
        for (Endpoint feed : placed.part().feeds().values()) {
            Optional<Rail> rail = node.rail(feed);
            if (rail.isPresent()
                    && rail.get().output().way() == Output.Way.PASS
                    && !feed.part().equals(Part.BOARD)) {
                return true;
            }
        }
        return false;
    }

    private void supply(Rail rail) {
        Placed owner = node.part(rail.id().part()).orElseThrow();
        if (isPluggedIn(owner) && rail.isSource()) {
            return;
        }
        List<Rail.Load> loads = rail.loads().stream()
                .filter(load -> !pluggedIn.contains(load.pin().part()))
                .toList();
        boolean hasTies = wireEnds.contains(rail.id());
        if (loads.isEmpty() && !hasTies) {
            return;
        }
        WireColour colour = colour(rail);
        Terminal from = onPin(rail.id());
        if (loads.size() == 1 && !hasTies) {
            Placed taker = node.part(loads.get(0).pin().part()).orElseThrow();
            add(WireStep.Kind.SUPPLY, from, onPin(loads.get(0).pin()), colour, taker);
            return;
        }
        Terminal row = new Terminal.OnRow(rail.id());
        add(WireStep.Kind.SUPPLY, from, row, colour, owner);
        loads.forEach(load -> add(
                WireStep.Kind.SUPPLY,
                row,
                onPin(load.pin()),
                colour,
                node.part(load.pin().part()).orElseThrow()));
    }

    private static WireColour colour(Rail rail) {
        return rail.volts().filter(volts -> volts.expected().isBelow(RED_FROM)).isPresent()
                ? WireColour.ORANGE
                : WireColour.RED;
    }

    private void tie(Wire wire) {
        Optional<Rail> rail = node.rail(wire.to());
        Terminal from = rail.isPresent() ? new Terminal.OnRow(wire.to()) : new Terminal.OnGroundRow();
        WireColour colour = rail.map(WireSteps::colour).orElse(WireColour.BLACK);
        add(WireStep.Kind.TIE, from, onPin(wire.from()), colour, wire.from(), Optional.empty());
    }

    private void signals() {
        List<Wire> plain = new ArrayList<>();
        Map<Endpoint, List<Wire>> nets = node.nets();
        for (List<Wire> wires : nets.values()) {
            boolean isBus = useOf(wires.get(0)).sharedLine().isPresent();
            for (Wire wire : wires) {
                if (isBus) {
                    signal(wire, WireStep.Kind.SHARED);
                } else {
                    plain.add(wire);
                }
            }
        }
        for (Wire wire : plain) {
            signal(wire, WireStep.Kind.SIGNAL);
        }
    }

    private void signal(Wire wire, WireStep.Kind kind) {
        PinUse use = useOf(wire);
        WireColour colour = WireColour.of(use, use.sharedLine().isPresent() ? 0 : plainSignals++);
        Optional<Between> between = node.between(wire.from());
        if (between.isPresent() && between.get() instanceof Between.ShifterWay way) {
            Optional<ShifterSides.Facing> sides = ShifterSides.facing(node, way, wire);
            if (sides.isPresent()) {
                // Ends shared with another part's wire on the same way are plugged once.
                add(kind, onPin(wire.to()), onPin(sides.get().target()), colour, wire.from(), Optional.empty());
                add(kind, onPin(sides.get().signal()), onPin(wire.from()), colour, wire.from(), Optional.empty());
                return;
            }
        }
        Optional<Between> inLine =
                between.filter(entry -> !(entry instanceof Between.ShifterWay) && !(entry instanceof Between.Nothing));
        add(kind, onPin(wire.to()), onPin(wire.from()), colour, wire.from(), inLine);
    }

    /** Grounds are joined before anything talks. */
    private void toOtherBoard(Away wire) {
        Endpoint here = wire.link().from().endpoint();
        if (wire.link().groundJoined()) {
            Terminal ground =
                    new Terminal.OnOtherBoard(Place.ofNode(wire.link().to().node()), wire.board());
            add(WireStep.Kind.GROUND, new Terminal.OnGroundRow(), ground, WireColour.BLACK, here, Optional.empty());
        }
        WireColour colour = WireColour.of(PinUse.OUTPUT, plainSignals++);
        Terminal there = new Terminal.OnOtherBoard(wire.link().to(), wire.board());
        add(WireStep.Kind.SIGNAL, onPin(here), there, colour, here, Optional.empty());
    }

    private PinUse useOf(Wire wire) {
        return node.pin(wire.from()).orElseThrow().use();
    }

    private int groundIndex(Placed placed) {
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).use() == PinUse.GROUND) {
                return i;
            }
        }
        return -1;
    }

    private Terminal ground(Placed placed) {
        int index = groundIndex(placed);
        return new Terminal.OnPin(placed.endpoint(placed.cls().pins().get(index)), index);
    }

    private Terminal onPin(Endpoint pin) {
        Placed placed = node.part(pin.part()).orElseThrow();
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).label().equals(pin.pin())) {
                return new Terminal.OnPin(pin, i);
            }
        }
        throw new IllegalStateException("no pin " + pin);
    }

    private void add(WireStep.Kind kind, Terminal from, Terminal to, WireColour colour, Placed subject) {
        add(kind, from, to, colour, new Endpoint(subject.id(), ""), Optional.empty());
    }

    private void add(
            WireStep.Kind kind,
            Terminal from,
            Terminal to,
            WireColour colour,
            Endpoint subject,
            Optional<Between> inLine) {
        String id = from.id() + " > " + to.id();
        if (!ids.add(id)) {
            return;
        }
        steps.add(new WireStep(
                id,
                steps.size() + 1,
                kind,
                from,
                to,
                colour,
                node.place(subject),
                inLine,
                node.node().plugged().contains(id)));
    }
}
