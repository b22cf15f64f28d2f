package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.FarLoad;
import inkel.core.circuit.Islands;
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
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Turns a node's plan into wires. A breadboard row joins more than two ends. */
final class WireSteps {
    /** Supplies from here up are marked red, lower ones orange. */
    private static final Voltage RED_FROM = Voltage.ofVolts(4.5);

    private final NodeCircuit node;
    private final Pieces pieces;
    private final List<Away> away;
    private final boolean isGroundJoined;
    private final List<WireStep> steps = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private final Set<String> riding = new HashSet<>();
    private final Set<Endpoint> wireEnds = new HashSet<>();
    private int plainSignals;

    /**
     * A wire to another board.
     *
     * @param board what the builder calls the other board's node
     */
    record Away(NodeWire link, String board) {
        /** The other board's ground. */
        Terminal.OnOtherBoard ground() {
            return new Terminal.OnOtherBoard(Place.ofNode(link.to().node()), board);
        }
    }

    /** @param isGroundJoined whether another board's ground is joined to this node's row, in that board's list */
    WireSteps(NodeCircuit node, List<Away> away, boolean isGroundJoined) {
        this.node = node;
        pieces = new Pieces(node);
        this.away = away;
        this.isGroundJoined = isGroundJoined;
        for (Placed placed : node.parts()) {
            if (ridesOnAnother(placed)) {
                riding.add(placed.id());
            }
        }
        node.node().wires().forEach(wire -> wireEnds.add(wire.to()));
        node.node().between().forEach(piece -> pieces.supply(piece).ifPresent(wireEnds::add));
        for (Placed placed : node.parts()) {
            for (Fitting fitting : around(placed)) {
                Optional.ofNullable(placed.part().feeds().get(fitting.to())).ifPresent(wireEnds::add);
            }
        }
    }

    /** What must be put around a part; a ready module brings it. */
    private static List<Fitting> around(Placed placed) {
        return placed.isChip() ? placed.cls().handling().make().around() : List.of();
    }

    List<WireStep> list() {
        grounds();
        islands();
        node.rails().forEach(this::supply);
        node.node().wires().stream().filter(node::isTie).forEach(this::tie);
        fittings();
        legs();
        signals();
        away.forEach(this::toOtherBoard);
        return steps;
    }

    /** A ground pin that is wired, and whose part it is. */
    private record Ground(Placed placed, Terminal pin) {}

    /** Two pins are joined by one wire; as soon as there is a third end all go to a row. */
    private void grounds() {
        List<Ground> joined = node.parts().stream()
                .filter(placed -> !placed.part().groundApart())
                .flatMap(placed -> grounds(placed).stream())
                .toList();
        Set<Terminal.OnOtherBoard> others = new LinkedHashSet<>();
        away.stream()
                .filter(wire -> wire.link().groundJoined())
                .map(Away::ground)
                .forEach(others::add);
        node.farLoads().stream()
                .map(FarLoad::rail)
                .map(rail -> new Terminal.OnOtherBoard(rail.minus(), rail.end()))
                .forEach(others::add);
        if (joined.size() == 2 && others.isEmpty() && !isRowWanted()) {
            add(
                    WireStep.Kind.GROUND,
                    joined.get(0).pin(),
                    joined.get(1).pin(),
                    WireColour.BLACK,
                    joined.get(1).placed());
            return;
        }
        if (joined.size() < 2 && others.isEmpty() && !isRowWanted()) {
            return;
        }
        Terminal row = new Terminal.OnGroundRow();
        for (Ground ground : joined) {
            boolean isBoards = ground.placed().part().isBoard();
            Terminal from = isBoards ? ground.pin() : row;
            add(WireStep.Kind.GROUND, from, isBoards ? row : ground.pin(), WireColour.BLACK, ground.placed());
        }
        others.forEach(other -> add(WireStep.Kind.GROUND, row, other, WireColour.BLACK, node.board()));
    }

    /** Parts that keep apart and feed each other have a ground of their own, from the first one's pin to the others'. */
    private void islands() {
        for (Set<String> island : Islands.of(node)) {
            List<Ground> grounds = island.stream()
                    .map(id -> node.part(id).orElseThrow())
                    .flatMap(placed -> grounds(placed).stream())
                    .toList();
            for (int i = 1; i < grounds.size(); i++) {
                add(
                        WireStep.Kind.GROUND,
                        grounds.get(0).pin(),
                        grounds.get(i).pin(),
                        WireColour.BLACK,
                        grounds.get(i).placed());
            }
        }
    }

    /** Whether something besides ground pins is joined to ground: another board, a tied signal, a part in a wire. */
    private boolean isRowWanted() {
        return isGroundJoined
                || node.node().wires().stream().anyMatch(wire -> node.isTie(wire) && isGround(wire.to()))
                || node.parts().stream().anyMatch(this::isFittedToGround)
                || node.node().between().stream().anyMatch(pieces::wantsGround);
    }

    private boolean isGround(Endpoint pin) {
        return node.pin(pin).filter(found -> found.use() == PinUse.GROUND).isPresent();
    }

    private boolean isFittedToGround(Placed placed) {
        return around(placed).stream().anyMatch(fitting -> farEnd(placed, fitting) instanceof Terminal.OnGroundRow);
    }

    /** A part that hangs on another part's sockets, or only on plugs, brings its ground with it. */
    private List<Ground> grounds(Placed placed) {
        if (riding.contains(placed.id()) || isIdleSource(placed) || placed.isForLater()) {
            return List.of();
        }
        List<Ground> grounds = new ArrayList<>();
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).use() == PinUse.GROUND && pins.get(i).isWanted()) {
                grounds.add(new Ground(placed, new Terminal.OnPin(placed.endpoint(pins.get(i)), i)));
            }
        }
        return grounds;
    }

    /** A source of which no wire is wanted: it feeds nothing, or all that it feeds has a socket for its plug. */
    private boolean isIdleSource(Placed placed) {
        boolean isSource = false;
        for (Output output : placed.cls().outputs()) {
            Endpoint rail = new Endpoint(placed.id(), output.pin());
            if (wireEnds.contains(rail) || !wired(rail).isEmpty()) {
                return false;
            }
            isSource |= output.way() == Output.Way.SOURCE;
        }
        return isSource;
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

    /** What a rail feeds by wires: not what goes into a socket, and not what rides on another part. */
    private List<Rail.Load> wired(Endpoint rail) {
        List<Rail.Load> wired = new ArrayList<>();
        for (Rail.Load load : node.rail(rail).map(Rail::loads).orElse(List.of())) {
            boolean isByPlug = riding.contains(load.pin().part())
                    || node.pin(load.pin()).map(Pin::isSocket).orElse(true);
            if (!isByPlug) {
                wired.add(load);
            }
        }
        return wired;
    }

    private void supply(Rail rail) {
        Placed owner = node.part(rail.id().part()).orElseThrow();
        List<Rail.Load> loads = wired(rail.id());
        boolean hasTies = wireEnds.contains(rail.id());
        if (owner.cls().pin(rail.id().pin()).isEmpty() || loads.isEmpty() && !hasTies) {
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
        Terminal from = rail.isPresent()
                ? new Terminal.OnRow(wire.to())
                : isGround(wire.to()) ? new Terminal.OnGroundRow() : onPin(wire.to());
        // A strap to the part's own bus wire has the colour of that wire.
        WireColour plain = isGround(wire.to())
                ? WireColour.BLACK
                : WireColour.of(node.pin(wire.to()).orElseThrow().use(), 0);
        WireColour colour = rail.map(WireSteps::colour).orElse(plain);
        // A resistor is all that makes sense in a tie.
        Optional<Between> resistor = node.between(wire.from()).filter(Between.Series.class::isInstance);
        add(WireStep.Kind.TIE, from, onPin(wire.from()), colour, wire.from(), resistor);
    }

    private void fittings() {
        for (Placed placed : node.parts()) {
            for (Fitting fitting : around(placed)) {
                Terminal from = onPin(new Endpoint(placed.id(), fitting.from()));
                Terminal to = farEnd(placed, fitting);
                String id = from.id() + " > " + to.id();
                add(new WireStep(
                        id,
                        steps.size() + 1,
                        WireStep.Kind.FITTING,
                        from,
                        to,
                        to instanceof Terminal.OnGroundRow ? WireColour.BLACK : WireColour.GREY,
                        node.place(new Endpoint(placed.id(), "")),
                        Optional.empty(),
                        Optional.of(fitting),
                        node.node().plugged().contains(id)));
            }
        }
    }

    /** A ground pin stands for the ground row, a fed supply pin for the row of its rail. */
    private Terminal farEnd(Placed placed, Fitting fitting) {
        Endpoint to = new Endpoint(placed.id(), fitting.to());
        Endpoint rail = placed.part().feeds().get(fitting.to());
        boolean isGround =
                node.pin(to).filter(pin -> pin.use() == PinUse.GROUND).isPresent()
                        && !placed.part().groundApart();
        return isGround ? new Terminal.OnGroundRow() : rail != null ? new Terminal.OnRow(rail) : onPin(to);
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
        if (inLine.isPresent() && inLine.get() instanceof Between.Opto) {
            boolean isToPart = node.listener(wire).equals(wire.from());
            Terminal toPin = Pieces.leg(wire, isToPart ? Terminal.Leg.ANODE : Terminal.Leg.COLLECTOR);
            Terminal toPart = Pieces.leg(wire, isToPart ? Terminal.Leg.COLLECTOR : Terminal.Leg.ANODE);
            add(kind, onPin(wire.to()), toPin, colour, wire.from(), isToPart ? inLine : Optional.empty());
            add(kind, toPart, onPin(wire.from()), colour, wire.from(), isToPart ? Optional.empty() : inLine);
        } else {
            add(kind, onPin(wire.to()), onPin(wire.from()), colour, wire.from(), inLine);
        }
    }

    /** What goes from pieces in wires to ground and to supplies, before the wires themselves. */
    private void legs() {
        for (List<Wire> wires : node.nets().values()) {
            for (Wire wire : wires) {
                node.between(wire.from())
                        .ifPresent(piece -> pieces.legs(wire, piece).forEach(leg -> leg(leg, wire.from())));
            }
        }
    }

    private void leg(Pieces.Leg leg, Endpoint signal) {
        boolean isGround = leg.from() instanceof Terminal.OnGroundRow || leg.to() instanceof Terminal.OnGroundRow;
        // Several may stand side by side between the same ends.
        String by = leg.fitting()
                .map(fitting -> " by " + fitting.sort().name().toLowerCase(Locale.ROOT) + " of " + signal)
                .orElse("");
        String id = leg.from().id() + " > " + leg.to().id() + by;
        add(new WireStep(
                id,
                steps.size() + 1,
                leg.fitting().isPresent() ? WireStep.Kind.FITTING : WireStep.Kind.TIE,
                leg.from(),
                leg.to(),
                isGround || leg.fitting().isEmpty() ? WireColour.BLACK : WireColour.GREY,
                node.place(signal),
                Optional.empty(),
                leg.fitting(),
                node.node().plugged().contains(id)));
    }

    private void toOtherBoard(Away wire) {
        Endpoint here = wire.link().from().endpoint();
        WireColour colour = WireColour.of(PinUse.OUTPUT, plainSignals++);
        Terminal there = new Terminal.OnOtherBoard(wire.link().to(), wire.board());
        add(WireStep.Kind.SIGNAL, onPin(here), there, colour, here, Optional.empty());
    }

    private PinUse useOf(Wire wire) {
        return node.pin(wire.from()).orElseThrow().use();
    }

    private Terminal onPin(Endpoint pin) {
        return onPin(node, pin);
    }

    /** A part's own first ground pin. */
    static Optional<Terminal> ownGround(NodeCircuit node, String part) {
        return node.part(part).orElseThrow().cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .findFirst()
                .map(pin -> onPin(node, new Endpoint(part, pin.label())));
    }

    static Terminal onPin(NodeCircuit node, Endpoint pin) {
        Optional<FarLoad> far = node.farLoad(pin.part());
        if (far.isPresent()) {
            return new Terminal.OnOtherBoard(
                    far.get().rail().plus(), far.get().rail().end());
        }
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
        add(new WireStep(
                id,
                steps.size() + 1,
                kind,
                from,
                to,
                colour,
                node.place(subject),
                inLine,
                Optional.empty(),
                node.node().plugged().contains(id)));
    }

    private void add(WireStep step) {
        if (ids.add(step.id())) {
            steps.add(step);
        }
    }
}
