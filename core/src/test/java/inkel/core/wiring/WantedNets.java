package inkel.core.wiring;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Need;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What a build's plan says must hang together, worked out from the document and the classes; the circuit is asked only for
 * the volts at a shifter. It knows nothing of how wires are listed. Pins are named {@code node/part.label@n}, n counted over
 * the pins of that label from 1.
 */
final class WantedNets {
    private final Build build;
    private final Circuit circuit;

    private final Nets wanted = new Nets();
    private final List<String> pieces = new ArrayList<>();
    private boolean isClear = true;

    WantedNets(Build build) {
        this.build = build;
        circuit = Circuit.of(build, Builds.CATALOG);
        for (Node node : build.nodes()) {
            node(node);
        }
        build.links().forEach(this::link);
    }

    /** Whether each shifter is fed the right way round and stands between two supplies that are there and differ; else either way round is right. */
    boolean isClear() {
        return isClear;
    }

    Nets wanted() {
        return wanted;
    }

    /** The list's own wires, on top of what is joined without them. */
    Nets listed(List<WireList> lists) {
        Nets nets = new Nets();
        for (Node node : build.nodes()) {
            joinGiven(node, nets);
        }
        for (WireList list : lists) {
            String node = list.node().node().id();
            list.steps().stream()
                    .filter(step -> step.fitting().isEmpty())
                    .forEach(step -> nets.join(end(node, step.from()), end(node, step.to())));
        }
        return nets;
    }

    /** Resistors and capacitors beside wires: what, how much, from the pin that listens to where. */
    List<String> pieces() {
        return pieces;
    }

    /** The same as the lists have them; what bare chips want around them left out. */
    List<String> listedPieces(List<WireList> lists) {
        List<String> listed = new ArrayList<>();
        for (WireList list : lists) {
            String node = list.node().node().id();
            for (WireStep step : list.steps()) {
                boolean isPiece = step.fitting().isPresent()
                        && (step.subject().isPin() || step.id().contains(" by capacitor "));
                if (isPiece) {
                    String value = step.fitting().get().sort() + " "
                            + step.fitting().get().value().si();
                    List<String> ends = new ArrayList<>(List.of(end(node, step.from()), end(node, step.to())));
                    ends.sort(null);
                    listed.add(value + " " + ends);
                }
            }
        }
        listed.sort(null);
        return listed;
    }

    private void beside(String what, double value, String one, String other) {
        List<String> ends = new ArrayList<>(List.of(one, other));
        ends.sort(null);
        pieces.add(what + " " + value + " " + ends);
        pieces.sort(null);
    }

    String end(String node, Terminal terminal) {
        if (terminal instanceof Terminal.OnPin pin) {
            return node + "/" + pin.id();
        }
        if (terminal instanceof Terminal.OnOtherBoard other) {
            String far = other.pin().node();
            return other.isGround()
                    ? far + " row ground"
                    : far + "/" + named(far, other.pin().endpoint());
        }
        return node + " " + terminal.id();
    }

    private PartClass cls(Part part) {
        return Builds.CATALOG.get(part.classId());
    }

    private Part part(String node, String id) {
        return build.node(node).orElseThrow().part(id).orElseThrow();
    }

    private String named(String node, Endpoint pin) {
        List<Pin> pins = cls(part(node, pin.part())).pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).label().equals(pin.pin())) {
                return pin + "@1";
            }
        }
        throw new AssertionError("no pin " + pin);
    }

    private String at(Node node, Endpoint pin) {
        return node.id() + "/" + named(node.id(), pin);
    }

    private List<String> grounds(Node node, Part part, boolean areAll) {
        List<Pin> pins = cls(part).pins();
        return java.util.stream.IntStream.range(0, pins.size())
                // The other leg of a contact may be on a supply.
                .filter(i -> !part.feeds().containsKey(pins.get(i).label()))
                .filter(i -> pins.get(i).use() == PinUse.GROUND
                        && (areAll || pins.get(i).need() == Need.MUST))
                .mapToObj(i -> node.id() + "/" + part.id() + "." + pins.get(i).label() + "@" + nth(pins, i))
                .toList();
    }

    private static long nth(List<Pin> pins, int index) {
        return 1
                + pins.subList(0, index).stream()
                        .filter(pin -> pin.label().equals(pins.get(index).label()))
                        .count();
    }

    private boolean rides(Node node, Part part) {
        return !part.isBoard()
                && part.feeds().values().stream()
                        .anyMatch(feed -> !feed.part().equals(Part.BOARD)
                                && passesOn(node, feed)
                                && node.wires().stream()
                                        .filter(wire -> wire.from().part().equals(part.id()))
                                        .allMatch(wire -> wire.to().part().equals(feed.part())));
    }

    /** Sockets for plugs of three, each with a signal, the supply and ground. */
    private boolean passesOn(Node node, Endpoint rail) {
        return node.part(rail.part())
                .flatMap(owner -> cls(owner).pin(rail.pin()))
                .filter(pin -> pin.row().equals("sockets"))
                .isPresent();
    }

    private boolean isSocket(Part part, String pin) {
        return cls(part).pin(pin).orElseThrow().row().equals("socket");
    }

    /** Plugs: a cable in a socket, a part on another part's sockets, grounds that a part joins itself. */
    private void joinGiven(Node node, Nets nets) {
        for (Part part : node.parts()) {
            List<String> all = grounds(node, part, true);
            for (int i = 1; i < all.size(); i++) {
                if (!grounds(node, part, false).contains(all.get(i))) {
                    nets.join(all.get(0), all.get(i));
                }
            }
            part.feeds().forEach((pin, rail) -> {
                Part owner = part(node.id(), rail.part());
                if (cls(owner).pin(rail.pin()).isPresent()
                        && (isSocket(part, pin) || rides(node, part) && passesOn(node, rail))) {
                    nets.join(at(node, new Endpoint(part.id(), pin)), at(node, rail));
                    List<String> mine = grounds(node, part, true);
                    List<String> theirs = grounds(node, owner, true);
                    if (!mine.isEmpty() && !theirs.isEmpty()) {
                        nets.join(mine.get(0), theirs.get(0));
                    }
                }
            });
        }
    }

    private void node(Node node) {
        joinGiven(node, wanted);
        NodeCircuit volts = circuit.node(node.id()).orElseThrow();
        String ground = node.id() + " row ground";
        Map<String, Boolean> used = new TreeMap<>();
        for (Part part : node.parts()) {
            part.feeds().values().forEach(rail -> used.put(rail.part(), true));
        }
        node.wires().forEach(wire -> used.put(wire.to().part(), true));
        Set<String> brought = brought(node);
        brought.forEach(part -> used.put(part, true));
        for (Part part : node.parts()) {
            boolean isIdle = cls(part).outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE)
                    && !used.containsKey(part.id());
            boolean isByPlug = !brought.contains(part.id())
                    && cls(part).outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE)
                    && node.wires().stream().noneMatch(wire -> wire.to().part().equals(part.id()))
                    && node.parts().stream()
                            .flatMap(taker -> taker.feeds().entrySet().stream()
                                    .filter(feed -> feed.getValue().part().equals(part.id()))
                                    .map(feed -> isSocket(taker, feed.getKey()) || rides(node, taker)))
                            .allMatch(Boolean::booleanValue);
            if (!part.groundApart()
                    && !part.settings().containsKey("later")
                    && !isIdle
                    && !isByPlug
                    && !rides(node, part)) {
                grounds(node, part, false).forEach(pin -> wanted.join(ground, pin));
            }
            lead(node, part, used);
            following(part).forEach((pin, rail) -> {
                if (!isSocket(part, pin) && !rides(node, part)) {
                    wanted.join(at(node, rail), at(node, new Endpoint(part.id(), pin)));
                }
            });
        }
        for (Part part : node.parts()) {
            for (Endpoint rail : part.feeds().values()) {
                Part source = part(node.id(), rail.part());
                if (part.groundApart() && source.groundApart()) {
                    List<String> own = new ArrayList<>(grounds(node, source, false));
                    own.addAll(grounds(node, part, false));
                    own.forEach(pin -> wanted.join(own.get(0), pin));
                }
            }
            // A plug brings one ground; any other that the part has must be joined to it.
            if (part.groundApart() || rides(node, part)) {
                List<String> own = grounds(node, part, false);
                own.forEach(pin -> wanted.join(own.get(0), pin));
            }
        }
        node.wires().forEach(wire -> wire(node, volts, wire, ground));
        node.parts().forEach(part -> addedPullUps(node, part, ground));
        node.parts().stream()
                .filter(part -> !part.settings().containsKey("later") && !rides(node, part))
                .forEach(part -> capacitors(node, part));
    }

    /** One that the builder puts across a supply, and those that the class wants unless they are said to be there or to come later. */
    private void capacitors(Node node, Part part) {
        windings(node, part);
        PartClass cls = cls(part);
        Optional.ofNullable(part.settings().get("capacitor"))
                .flatMap(value -> Engineering.parse(value, Unit.FARAD))
                .ifPresent(farads -> capacitor(
                        node,
                        part,
                        leg(
                                cls,
                                cls.supply(cls.bursts().get(0).supply())
                                        .orElseThrow()
                                        .pin()),
                        farads));
        boolean areComing = build.habits().is(Habit.DECOUPLING, Habit.Decoupling.LATER);
        if (!part.settings().containsKey("decoupling") && !areComing) {
            cls.decoupling().stream()
                    .distinct()
                    .forEach(wanted ->
                            capacitor(node, part, wanted.pin(), wanted.value().farads()));
        }
    }

    /** A winding that goes to ground through another board has a diode across it. */
    private void windings(Node node, Part part) {
        PartClass cls = cls(part);
        for (Wire wire : node.wires()) {
            boolean isSunk = wire.from().part().equals(part.id())
                    && cls(node.part(wire.to().part()).orElseThrow())
                            .pin(wire.to().pin())
                            .orElseThrow()
                            .can(Ability.Kind.SINK);
            cls.demands().pinLoads().stream()
                    .filter(load -> isSunk && load.sort() == PinLoad.Sort.COIL)
                    .filter(load -> load.pin().equals(wire.from().pin()))
                    .forEach(load -> beside(
                            "DIODE",
                            load.current().range().highest().amperes(),
                            node.id() + "/" + part.id() + "." + load.pin() + "@1",
                            node.id() + "/" + part.id() + "."
                                    + cls.supplies().get(0).pin() + "@1"));
        }
    }

    /** What comes in at a socket is to be had at the pin that passes it on. */
    private String leg(PartClass cls, String pin) {
        return cls.outputs().stream()
                .filter(output -> cls.pin(pin).orElseThrow().row().equals("socket"))
                .filter(output -> output.way() == Output.Way.PASS
                        && output.from().orElse("").equals(pin))
                .map(Output::pin)
                .findFirst()
                .orElse(pin);
    }

    private String nearestGround(Node node, Part part, String pin) {
        PartClass cls = cls(part);
        Outline outline = cls.handling().outline();
        String nearest = "";
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin ground = cls.pins().get(i);
            if (ground.use() == PinUse.GROUND) {
                Optional<Outline.Spot> from = outline.spot(cls.pin(pin).orElseThrow());
                Optional<Outline.Spot> to = outline.spot(ground);
                double away = from.isEmpty() || to.isEmpty()
                        ? 1e9
                        : Math.hypot(
                                from.get().x() - to.get().x(),
                                from.get().y() - to.get().y());
                if (away < least) {
                    least = away;
                    nearest = node.id() + "/" + part.id() + "." + ground.label() + "@" + nth(cls.pins(), i);
                }
            }
        }
        return nearest;
    }

    /** From pin to pin of the part. */
    private void capacitor(Node node, Part part, String pin, double farads) {
        boolean isSupply = cls(part).supply(pin).isPresent();
        boolean isGiven =
                cls(part).outputs().stream().anyMatch(output -> output.pin().equals(pin));
        boolean isWired = following(part).containsKey(pin) && !isSocket(part, pin);
        if (!grounds(node, part, true).isEmpty() && (!isSupply || isGiven || isWired)) {
            beside("CAPACITOR", farads, at(node, new Endpoint(part.id(), pin)), nearestGround(node, part, pin));
        }
    }

    /** Resistors that the builder puts to the lines of a bus, to open drains of a part on none, and to a select. */
    private void addedPullUps(Node node, Part part, String ground) {
        PartClass cls = cls(part);
        if (cls.supplies().isEmpty() || part.settings().containsKey("later")) {
            return;
        }
        Endpoint supply = new Endpoint(part.id(), cls.supplies().get(0).pin());
        Endpoint rail = following(part).get(supply.pin());
        String high = rail == null ? at(node, supply) : node.id() + " row " + rail;
        boolean isSelectedHigh = cls.spi().filter(need -> need.isSelectedHigh()).isPresent();
        for (Pin pin : cls.pins()) {
            boolean isBus = pin.use() == PinUse.I2C_SDA || pin.use() == PinUse.I2C_SCL;
            boolean isOpen = pin.use() == PinUse.DATA
                    || (pin.use() == PinUse.OUTPUT || pin.use() == PinUse.INTERRUPT)
                            && cls.io(pin).filter(family -> family.openDrain()).isPresent();
            String key = isBus || isOpen && cls.i2c().isEmpty()
                    ? "add_pull_ups"
                    : pin.use() == PinUse.SPI_CS ? "select_pull_up" : "";
            String ohms = part.settings().getOrDefault(key, "");
            if (!ohms.isEmpty()) {
                boolean isLow = isSelectedHigh && pin.use() == PinUse.SPI_CS;
                String own = grounds(node, part, true).stream().findFirst().orElse("");
                beside(
                        "RESISTOR",
                        Engineering.parse(ohms, Unit.OHM).orElseThrow(),
                        at(node, new Endpoint(part.id(), pin.label())),
                        !isLow ? high : part.groundApart() ? own : ground);
            }
        }
    }

    /** A lead that something hangs on joins its two ends to the rail and to the ground of the board that gives. */
    private void lead(Node node, Part part, Map<String, Boolean> used) {
        String brings = part.settings().get("rail");
        Optional<Node> giver = brings == null ? Optional.empty() : build.node(brings.substring(0, brings.indexOf('/')));
        if (giver.isEmpty() || !used.containsKey(part.id())) {
            return;
        }
        Endpoint rail =
                Endpoint.parse(brings.substring(brings.indexOf('/') + 1)).orElseThrow();
        wanted.join(at(giver.get(), rail), at(node, new Endpoint(part.id(), "+")));
        wanted.join(giver.get().id() + " row ground", at(node, new Endpoint(part.id(), "-")));
    }

    /** The parts of a node whose rails a lead brings to another board. */
    private Set<String> brought(Node node) {
        Set<String> brought = new HashSet<>();
        for (Node other : build.nodes()) {
            for (Part lead : other.parts()) {
                String brings = lead.settings().getOrDefault("rail", "");
                boolean isUsed = other.parts().stream()
                        .flatMap(part -> part.feeds().values().stream())
                        .anyMatch(feed -> feed.part().equals(lead.id()));
                if (isUsed && brings.startsWith(node.id() + "/")) {
                    brought.add(brings.substring(node.id().length() + 1, brings.indexOf('.')));
                }
            }
        }
        return brought;
    }

    /** The feeds of a part, with those of pins that go with another one. */
    private Map<String, Endpoint> following(Part part) {
        Map<String, Endpoint> feeds = new TreeMap<>(part.feeds());
        cls(part).supplies().forEach(supply -> supply.with()
                .map(part.feeds()::get)
                .ifPresent(rail -> feeds.putIfAbsent(supply.pin(), rail)));
        return feeds;
    }

    private void wire(Node node, NodeCircuit volts, Wire wire, String ground) {
        Pin to = cls(part(node.id(), wire.to().part())).pin(wire.to().pin()).orElseThrow();
        if (to.use() == PinUse.GROUND) {
            wanted.join(at(node, wire.from()), ground);
            return;
        }
        Optional<Between.ShifterWay> way = node.between().stream()
                .filter(entry -> entry.signal().equals(wire.from()))
                .filter(Between.ShifterWay.class::isInstance)
                .map(Between.ShifterWay.class::cast)
                .findFirst();
        boolean isTie = volts.rail(wire.to()).isPresent()
                || wire.to().part().equals(wire.from().part());
        if (isTie) {
            wanted.join(at(node, wire.from()), at(node, wire.to()));
            return;
        }
        if (way.isEmpty()) {
            Optional<Between> piece = node.between().stream()
                    .filter(entry -> entry.signal().equals(wire.from()))
                    .findFirst();
            piece(node, volts, wire, piece.orElse(null), ground);
            return;
        }
        String shifter = way.get().shifter();
        int number = way.get().way();
        boolean isBuffer = cls(part(node.id(), shifter)).pin("A1").isPresent();
        Pin from =
                cls(part(node.id(), wire.from().part())).pin(wire.from().pin()).orElseThrow();
        if (isBuffer
                && (volts.ioVolts(wire.from()).isEmpty()
                        || volts.ioVolts(wire.to()).isEmpty()
                        || volts.ioVolts(new Endpoint(shifter, "A" + number)).isEmpty())) {
            isClear = false;
            return;
        }
        String near;
        String far;
        if (isBuffer) {
            near = from.use().drives() ? "A" + number : "Y" + number;
            far = from.use().drives() ? "Y" + number : "A" + number;
        } else {
            if (volts.ioVolts(wire.from()).isEmpty() || volts.ioVolts(wire.to()).isEmpty()) {
                isClear = false;
                return;
            }
            Voltage one = volts.ioVolts(wire.from()).orElseThrow().expected();
            Voltage other = volts.ioVolts(wire.to()).orElseThrow().expected();
            boolean isRightWayRound = volts.ioVolts(new Endpoint(shifter, "HV" + number))
                    .flatMap(high -> volts.ioVolts(new Endpoint(shifter, "LV" + number))
                            .map(low -> high.expected().isAbove(low.expected())))
                    .orElse(false);
            isClear &= isRightWayRound && (one.isAbove(other) || other.isAbove(one));
            near = (one.isAbove(other) ? "HV" : "LV") + number;
            far = (one.isAbove(other) ? "LV" : "HV") + number;
        }
        wanted.join(at(node, wire.from()), at(node, new Endpoint(shifter, near)));
        wanted.join(at(node, wire.to()), at(node, new Endpoint(shifter, far)));
    }

    /** An optocoupler parts the wire in two; a transistor has its emitter on ground. */
    private void piece(Node node, NodeCircuit volts, Wire wire, Between piece, String ground) {
        String leg = node.id() + " leg " + wire.from() + " ";
        besides(node, volts, wire, piece, ground);
        if (!(piece instanceof Between.Opto)) {
            wanted.join(at(node, wire.from()), at(node, wire.to()));
            if (piece instanceof Between.CoilDriver) {
                wanted.join(leg + "emitter", groundOf(node, wire.to(), ground));
            }
            return;
        }
        Endpoint talks = doesPartTalk(node, wire) ? wire.from() : wire.to();
        Endpoint listens = doesPartTalk(node, wire) ? wire.to() : wire.from();
        wanted.join(at(node, listens), leg + "collector");
        wanted.join(groundOf(node, listens, ground), leg + "emitter");
        if (((Between.Opto) piece).lit() == Between.Opto.Lit.BY_HIGH) {
            wanted.join(at(node, talks), leg + "anode");
            wanted.join(groundOf(node, talks, ground), leg + "cathode");
            return;
        }
        wanted.join(at(node, talks), leg + "cathode");
        volts.ioRail(talks).ifPresent(rail -> wanted.join(at(node, rail.id()), leg + "anode"));
    }

    private boolean doesPartTalk(Node node, Wire wire) {
        PinUse use = cls(part(node.id(), wire.from().part()))
                .pin(wire.from().pin())
                .orElseThrow()
                .use();
        return switch (use) {
            case OUTPUT, INTERRUPT, ANALOG, UART_TX, SPI_MISO -> true;
            default -> false;
        };
    }

    /** What goes from the pin that listens to ground or to its supply. */
    private void besides(Node node, NodeCircuit volts, Wire wire, Between piece, String ground) {
        Endpoint listens = doesPartTalk(node, wire) ? wire.to() : wire.from();
        String pin = at(node, listens);
        String low = groundOf(node, listens, ground);
        Optional<String> supply = volts.ioRail(listens).map(rail -> node.id() + " row " + rail.id());
        if (piece instanceof Between.PulledUp up) {
            volts.ioRail(wire.to())
                    .ifPresent(rail -> beside(
                            "RESISTOR", up.pullUp().ohms(), at(node, wire.to()), node.id() + " row " + rail.id()));
        } else if (piece instanceof Between.PulledDown down) {
            beside("RESISTOR", down.toGround().ohms(), at(node, wire.to()), groundOf(node, wire.to(), ground));
        } else if (piece instanceof Between.Divider divider) {
            beside("RESISTOR", divider.toGround().ohms(), pin, low);
            divider.capacitor().ifPresent(value -> beside("CAPACITOR", value.farads(), pin, low));
        } else if (piece instanceof Between.Series series) {
            series.capacitor().ifPresent(value -> beside("CAPACITOR", value.farads(), pin, low));
        } else if (piece instanceof Between.Diode diode) {
            supply.ifPresent(rail -> beside("RESISTOR", diode.pullUp().ohms(), pin, rail));
        } else if (piece instanceof Between.Opto opto) {
            supply.ifPresent(rail -> beside("RESISTOR", opto.pullUp().ohms(), pin, rail));
        }
    }

    private String groundOf(Node node, Endpoint pin, String ground) {
        Part owner = part(node.id(), pin.part());
        List<String> own = grounds(node, owner, true);
        return owner.groundApart() && !own.isEmpty() ? own.get(0) : ground;
    }

    /** What stands in it lies with the board that talks; the far board has its own ground and supply. */
    private void link(NodeWire link) {
        Node from = build.node(link.from().node()).orElseThrow();
        Node to = build.node(link.to().node()).orElseThrow();
        String talks = at(from, link.from().endpoint());
        String listens = at(to, link.to().endpoint());
        String low = from.id() + " row ground";
        String farLow = to.id() + " row ground";
        String leg = from.id() + " leg " + link.from().endpoint() + " to " + link.to() + " ";
        Between piece = link.between().orElse(null);
        if (piece instanceof Between.Opto opto) {
            boolean isLitByLow = opto.lit() == Between.Opto.Lit.BY_LOW;
            wanted.join(talks, leg + (isLitByLow ? "cathode" : "anode"));
            if (!isLitByLow) {
                wanted.join(leg + "cathode", low);
            }
            circuit.node(from.id())
                    .filter(node -> isLitByLow)
                    .flatMap(node -> node.ioRail(link.from().endpoint()))
                    .ifPresent(rail -> wanted.join(leg + "anode", at(from, rail.id())));
            wanted.join(leg + "collector", listens);
            wanted.join(leg + "emitter", farLow);
        } else {
            wanted.join(talks, listens);
        }
        String supply = circuit.node(to.id())
                .flatMap(node -> node.ioRail(link.to().endpoint()))
                .map(rail -> at(to, rail.id()))
                .orElse("");
        if (piece instanceof Between.Divider divider) {
            beside("RESISTOR", divider.toGround().ohms(), listens, low);
            divider.capacitor().ifPresent(value -> beside("CAPACITOR", value.farads(), listens, low));
        } else if (piece instanceof Between.Series series) {
            series.capacitor().ifPresent(value -> beside("CAPACITOR", value.farads(), listens, low));
        } else if (piece instanceof Between.Diode diode && !supply.isEmpty()) {
            beside("RESISTOR", diode.pullUp().ohms(), supply, listens);
        } else if (piece instanceof Between.Opto opto && !supply.isEmpty()) {
            beside("RESISTOR", opto.pullUp().ohms(), supply, listens);
        }
        if (link.groundJoined()) {
            wanted.join(low, farLow);
        }
    }
}
