package inkel.core.wiring;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.UartNeed;
import inkel.core.circuit.Chain;
import inkel.core.circuit.FarLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.WireId;
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
    private final Plugs plugs;
    private final List<Away> away;
    private final List<Away> arriving;
    private final boolean isGroundJoined;
    private final List<WireStep> steps = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private int plainSignals;

    /**
     * @param arriving wires of other boards that go through a shifter of this node
     * @param isGroundJoined whether another board's ground is joined to this node's row, in that board's list
     */
    WireSteps(NodeCircuit node, List<Away> away, List<Away> arriving, boolean isGroundJoined) {
        this.node = node;
        pieces = new Pieces(node);
        this.away = away;
        this.arriving = arriving;
        this.isGroundJoined = isGroundJoined;
        plugs = new Plugs(node, pieces, away);
    }

    List<WireStep> list() {
        boolean isRowWanted = isGroundJoined || away.stream().anyMatch(Away::wantsGround);
        new GroundSteps(node, pieces, plugs, isRowWanted)
                .list(groundsElsewhere())
                .forEach(wire -> add(WireStep.Kind.GROUND, wire.from(), wire.to(), WireColour.BLACK, wire.subject()));
        node.rails().forEach(this::supply);
        node.node().wires().stream().filter(node::isTie).forEach(this::tie);
        fittings();
        legs();
        signals();
        away.forEach(this::toOtherBoard);
        arriving.forEach(this::fromOtherBoard);
        return steps;
    }

    /** Grounds of other boards that a wire of this list ends at. */
    private Set<Terminal> groundsElsewhere() {
        Set<Terminal> others = new LinkedHashSet<>();
        away.stream()
                .filter(wire -> wire.link().groundJoined())
                .map(Away::ground)
                .forEach(others::add);
        node.farLoads().stream()
                .map(FarLoad::rail)
                .map(rail -> new Terminal.OnOtherBoard(rail.minus(), rail.end(), ""))
                .forEach(others::add);
        return others;
    }

    private void supply(Rail rail) {
        Placed owner = node.part(rail.id().part()).orElseThrow();
        List<Rail.Load> loads = plugs.wired(rail.id());
        boolean hasTies = plugs.isWireEnd(rail.id());
        if (owner.cls().pin(rail.id().pin()).isEmpty() || loads.isEmpty() && !hasTies) {
            return;
        }
        WireColour colour = colour(rail);
        Terminal from = onPin(rail.id());
        if (loads.size() == 1 && !hasTies) {
            feed(from, loads.get(0), colour);
            return;
        }
        Terminal row = new Terminal.OnRow(rail.id());
        add(WireStep.Kind.SUPPLY, from, row, colour, owner);
        loads.forEach(load -> feed(row, load, colour));
    }

    private void feed(Terminal from, Rail.Load load, WireColour colour) {
        Placed taker = node.part(load.pin().part()).orElseThrow();
        boolean hasDiode = taker.hasDiode(load.pin().pin());
        Optional<Between> diode =
                hasDiode ? Optional.of(new Between.FeedDiode(load.pin(), Extras.NONE)) : Optional.empty();
        Endpoint subject = new Endpoint(taker.id(), hasDiode ? load.pin().pin() : "");
        add(WireStep.Kind.SUPPLY, from, onPin(load.pin()), colour, subject, diode);
    }

    private static WireColour colour(Rail rail) {
        return rail.volts().filter(volts -> volts.expected().isBelow(RED_FROM)).isPresent()
                ? WireColour.ORANGE
                : WireColour.RED;
    }

    private boolean isGround(Endpoint pin) {
        return node.pin(pin).filter(found -> found.use() == PinUse.GROUND).isPresent();
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
            for (Fitting diode : acrossWindings(placed)) {
                Terminal plus = onPin(new Endpoint(placed.id(), diode.to()));
                fitting(onPin(new Endpoint(placed.id(), diode.from())), plus, "", diode.from(), placed, diode);
            }
            for (Fitting terminator : acrossLine(placed)) {
                Terminal plus = onPin(new Endpoint(placed.id(), terminator.from()));
                Terminal minus = onPin(new Endpoint(placed.id(), terminator.to()));
                fitting(plus, minus, "", terminator.from(), placed, terminator);
            }
            List<Fitting> brought = Plugs.brought(placed);
            for (Fitting fitting : Plugs.around(placed)) {
                Terminal from = onPin(new Endpoint(placed.id(), fitting.from()));
                Terminal to = plugs.farEnd(placed, fitting);
                fitting(from, to, "", brought.contains(fitting) ? "" : fitting.from(), placed, fitting);
            }
            for (Fitting capacitor : plugs.capacitors(placed)) {
                fitting(
                        onPin(new Endpoint(placed.id(), capacitor.from())),
                        Plugs.nearestGround(placed, capacitor.from()),
                        NodeCircuit.by(placed, capacitor),
                        "",
                        placed,
                        capacitor);
            }
        }
    }

    /** What takes the kick of windings that a board switches: a transistor that the builder puts in a wire comes with its own. */
    private List<Fitting> acrossWindings(Placed placed) {
        return placed.cls().demands().pinLoads().stream()
                .filter(load -> load.sort() == PinLoad.Sort.COIL && !placed.isForLater())
                .filter(load -> node.wire(new Endpoint(placed.id(), load.pin()))
                        .flatMap(wire -> node.pin(wire.to()))
                        .filter(to -> to.can(Ability.Kind.SINK))
                        .isPresent())
                .flatMap(load -> placed.cls().hangsOn(load).stream()
                        .map(plus -> new Fitting(
                                Fitting.Sort.DIODE, load.current().range().highest(), load.pin(), plus)))
                .toList();
    }

    /** What ends a long line at a transceiver that brings nothing for it. */
    private static List<Fitting> acrossLine(Placed placed) {
        return placed.cls().uart().flatMap(UartNeed::line).stream()
                .filter(pair -> pair.brought().isEmpty() && !placed.isForLater())
                .flatMap(pair -> pair.across(placed.own(Settings.TERMINATOR)).stream()
                        .map(ohms -> new Fitting(Fitting.Sort.RESISTOR, ohms, pair.plus(), pair.minus())))
                .toList();
    }

    private void fitting(Terminal from, Terminal to, String by, String pin, Placed placed, Fitting fitting) {
        String id = new WireId(from.id(), to.id(), by).toString();
        add(new WireStep(
                id,
                steps.size() + 1,
                WireStep.Kind.FITTING,
                from,
                to,
                to instanceof Terminal.OnGroundRow ? WireColour.BLACK : WireColour.GREY,
                node.place(new Endpoint(placed.id(), pin)),
                Optional.empty(),
                Optional.of(fitting),
                node.node().plugged().contains(id)));
    }

    private void signals() {
        List<Wire> plain = new ArrayList<>();
        Map<Endpoint, List<Wire>> nets = node.nets();
        for (List<Wire> wires : nets.values()) {
            boolean isBus = useOf(wires.get(0)).sharedLine().isPresent();
            for (Wire wire : wires) {
                // What only goes on to the next of a chain nobody else is on.
                if (isBus && !Chain.isLink(node, wire)) {
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
        Optional<Between> inLine = between.filter(entry ->
                !entry.isBeside() && !(entry instanceof Between.ShifterWay) && !(entry instanceof Between.Nothing));
        if (inLine.isPresent() && inLine.get() instanceof Between.Opto opto) {
            boolean isToPart = node.listener(wire).equals(wire.from());
            Terminal.Leg lamp = Pieces.lampInWire(opto);
            Terminal toPin = Pieces.leg(wire, isToPart ? lamp : Terminal.Leg.COLLECTOR);
            Terminal toPart = Pieces.leg(wire, isToPart ? Terminal.Leg.COLLECTOR : lamp);
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
        away.forEach(
                wire -> wire.legs().forEach(leg -> leg(leg, wire.link().from().endpoint())));
    }

    private void leg(Pieces.Leg leg, Endpoint signal) {
        boolean isGround = leg.from() instanceof Terminal.OnGroundRow || leg.to() instanceof Terminal.OnGroundRow;
        // Several may stand side by side between the same ends.
        String by = leg.fitting()
                .map(fitting -> fitting.sort().name().toLowerCase(Locale.ROOT) + " of " + signal)
                .orElse("");
        String id = new WireId(leg.from().id(), leg.to().id(), by).toString();
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
        Optional<Between> inLine = wire.link()
                .between()
                .filter(piece -> !(piece instanceof Between.Nothing) && !(piece instanceof Between.ShifterWay));
        if (inLine.isPresent() && inLine.get() instanceof Between.Opto opto) {
            add(WireStep.Kind.SIGNAL, onPin(here), wire.leg(Pieces.lampInWire(opto)), colour, here, inLine);
            add(
                    WireStep.Kind.SIGNAL,
                    wire.leg(Terminal.Leg.COLLECTOR),
                    wire.listener(),
                    colour,
                    here,
                    Optional.empty());
        } else if (wire.sides().isPresent() && !wire.isShiftedThere()) {
            ShifterSides sides = wire.sides().get();
            add(WireStep.Kind.SIGNAL, onPin(here), onPin(sides.towardsDriver()), colour, here, Optional.empty());
            add(WireStep.Kind.SIGNAL, onPin(sides.towardsReceiver()), wire.listener(), colour, here, Optional.empty());
        } else {
            add(WireStep.Kind.SIGNAL, onPin(here), wire.arrival(), colour, here, inLine);
        }
    }

    /** The second half of a wire from another board, out of a shifter of this table. */
    private void fromOtherBoard(Away wire) {
        WireColour colour = WireColour.of(PinUse.OUTPUT, plainSignals++);
        Endpoint here = wire.link().to().endpoint();
        wire.sides()
                .ifPresent(sides -> add(
                        WireStep.Kind.SIGNAL,
                        onPin(sides.towardsReceiver()),
                        onPin(here),
                        colour,
                        here,
                        Optional.empty()));
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
                    far.get().rail().plus(), far.get().rail().end(), "");
        }
        Placed placed = node.part(pin.part()).orElseThrow();
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).label().equals(pin.pin())) {
                return Terminal.OnPin.of(placed, i);
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
        String id = new WireId(from.id(), to.id()).toString();
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
            String how = node.node().made().get(step.id());
            steps.add(how == null ? step : step.in(WireColour.of(how)));
        }
    }
}
