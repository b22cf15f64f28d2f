package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Reading;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Works out the links of one node. */
final class NodeLevels {
    private final Circuit circuit;
    private final NodeCircuit node;
    private final List<Link> links = new ArrayList<>();
    private final List<LevelReport.Unknown> unknown = new ArrayList<>();
    private final Map<Endpoint, List<PullUp>> atPins;
    private final Map<Endpoint, List<PullUp>> ofNets = new HashMap<>();

    private NodeLevels(Circuit circuit, NodeCircuit node) {
        this.circuit = circuit;
        this.node = node;
        atPins = pulls(node);
    }

    static NodeLevels of(Circuit circuit, NodeCircuit node) {
        NodeLevels levels = new NodeLevels(circuit, node);
        for (List<Wire> wires : node.nets().values()) {
            for (Wire wire : wires) {
                levels.judge(wire, wires);
            }
        }
        return levels;
    }

    List<Link> links() {
        return links;
    }

    List<LevelReport.Unknown> unknown() {
        return unknown;
    }

    private void judge(Wire wire, List<Wire> net) {
        PinUse use = node.pin(wire.from()).orElseThrow().use();
        if (use == PinUse.ANALOG || use == PinUse.BIAS) {
            return;
        }
        if (use.drives()) {
            judge(wire, wire.from(), wire.to(), net);
        }
        if (use.listens()) {
            judge(wire, wire.to(), wire.from(), net);
        }
    }

    private void judge(Wire wire, Endpoint driver, Endpoint receiver, List<Wire> net) {
        Optional<Between> between = node.between(wire.from()).filter(piece -> !piece.isBeside());
        Place signal = node.place(wire.from());
        if (between.isPresent() && between.get() instanceof Between.ShifterWay way) {
            Optional<ShifterSides> sides = ShifterSides.of(node, way, driver, receiver);
            if (sides.isPresent()) {
                through(signal, driver, receiver, sides.get(), between, net);
            } else {
                unknown.add(new LevelReport.Unknown(
                        node, signal, Place.ofPart(node.node().id(), way.shifter())));
            }
            return;
        }
        link(signal, driver, receiver, between, pullsOf(net), true);
    }

    /** Two hops, each judged by itself; the one that arrives comes first. */
    private void through(
            Place signal,
            Endpoint driver,
            Endpoint receiver,
            ShifterSides sides,
            Optional<Between> between,
            List<Wire> net) {
        link(signal, sides.towardsReceiver(), receiver, between, List.of(), true);
        List<PullUp> pulls = new ArrayList<>(pullsAt(sides.towardsDriver()));
        pulls.addAll(driver.equals(signal.endpoint()) ? pullsAt(driver) : pullsOf(net));
        link(signal, driver, sides.towardsDriver(), between, pulls, false);
        PinUse use = node.pin(signal.endpoint()).orElseThrow().use();
        if (!use.isTwoWay()) {
            liftedDriver(signal, driver, sides.towardsDriver(), between);
        }
    }

    /** A pin that only drives hears nothing, but a pull-up may lift it above what it survives. */
    private void liftedDriver(Place signal, Endpoint driver, Endpoint pulledAt, Optional<Between> between) {
        Optional<PullUp> pull = PullUp.highest(pullsAt(pulledAt));
        Optional<IoFamily> family = node.io(driver);
        Optional<Range<Voltage>> at = node.ioVolts(driver);
        if (pull.isEmpty()
                || family.isEmpty()
                || at.isEmpty()
                || family.get().vol().isEmpty()) {
            return;
        }
        Drive.pulled(family.get(), at.get(), List.of(pull.get()), 1)
                .map(drive -> drive.against(family.get(), at.get(), hangsOn(pull, driver)))
                .filter(check -> check.verdict() == Verdict.HARMS)
                .ifPresent(check ->
                        links.add(new Link(node, signal, pulledAt, driver, between, pull, check, Mildness.NONE)));
    }

    private boolean hangOn(List<PullUp> pulls, Endpoint end) {
        for (PullUp pull : pulls) {
            if (!hangsOn(Optional.of(pull), end)) {
                return false;
            }
        }
        return !pulls.isEmpty();
    }

    private boolean hangsOn(Optional<PullUp> pull, Endpoint end) {
        return pull.isPresent() && pull.get().isOfRailOf(node, end);
    }

    /** On a wire that both ends talk on the same is missing both ways. */
    private void addUnknown(Place signal, Endpoint missing) {
        LevelReport.Unknown found = new LevelReport.Unknown(node, signal, node.place(missing));
        if (!unknown.contains(found)) {
            unknown.add(found);
        }
    }

    /** Whether a class with a supply says nothing of the levels of a pin, and the pin is no lamp and no winding. */
    private boolean isUntold(Endpoint end) {
        Optional<Placed> placed = node.part(end.part());
        return node.io(end).isEmpty()
                && placed.filter(part -> !part.cls().supplies().isEmpty()
                                && part.cls().demands().pinLoads().stream()
                                        .noneMatch(load -> load.pin().equals(end.pin())))
                        .isPresent()
                && node.pin(end).filter(pin -> pin.use().isSignal()).isPresent();
    }

    /**
     * @param pulls those on the driver's side of what stands between
     * @param arrives whether what was measured on the wire is what the receiver hears
     */
    private void link(
            Place signal,
            Endpoint driver,
            Endpoint receiver,
            Optional<Between> between,
            List<PullUp> pulls,
            boolean arrives) {
        Optional<Endpoint> untold =
                Stream.of(receiver, driver).filter(this::isUntold).findFirst();
        if (untold.isPresent()) {
            addUnknown(signal, untold.get());
            return;
        }
        Optional<IoFamily> says = node.io(driver);
        Optional<IoFamily> hears = node.io(receiver);
        Optional<Range<Voltage>> hearsAt = node.ioVolts(receiver);
        Optional<Range<Voltage>> saysAt = node.ioVolts(driver);
        if (saysAt.isEmpty() || hearsAt.isEmpty()) {
            return; // an unfed part is a finding of its own
        }
        boolean isHeard = hears.isPresent() && hears.get().vih().isPresent();
        if (!isHeard || says.isEmpty() || says.get().vol().isEmpty()) {
            Endpoint missing = isHeard ? driver : receiver;
            addUnknown(signal, missing);
            return;
        }
        boolean isFromShifter = node.pin(driver).orElseThrow().use().isWay();
        boolean isPulled = !isFromShifter
                && (says.get().openDrain()
                        || node.pin(signal.endpoint()).orElseThrow().use().isTwoWay());
        Optional<PullUp> decides = isPulled ? PullUp.highest(pulls) : Optional.empty();
        boolean isSameRail =
                Hop.isOfListener(between) || (isPulled ? hangOn(pulls, receiver) : node.isOneRail(driver, receiver));
        Reading reading = arrives ? node.reading(signal.endpoint()) : Reading.NONE;
        new Hop(says.get(), hears.get(), between, isPulled, isSameRail, reading)
                .outcome(saysAt.get(), hearsAt.get(), pulls)
                // Where nothing makes a high, that is a finding of its own.
                .ifPresent(outcome -> links.add(new Link(
                        node, signal, driver, receiver, between, decides, outcome.check(), outcome.mildness())));
    }

    /**
     * The pull-ups that are joined to the pin the wires go to: behind a shifter only those of the shifter itself; those of other
     * tables too where a bus goes on to them.
     */
    private List<PullUp> pullsOf(List<Wire> net) {
        Endpoint target = net.get(0).to();
        List<PullUp> known = ofNets.get(target);
        if (known == null) {
            known = new ArrayList<>(pullsAt(target));
            for (Wire wire : net) {
                Optional<Endpoint> end = PullUp.joined(node, wire);
                if (end.isPresent()) {
                    known.addAll(pullsAt(end.get()));
                }
            }
            if (!circuit.links().isEmpty()) {
                BoardBuses.pulls(circuit, node.place(target)).stream()
                        .filter(pull -> pull.node() != node)
                        .forEach(known::add);
            }
            ofNets.put(target, known);
        }
        return known;
    }

    private List<PullUp> pullsAt(Endpoint pin) {
        return atPins.getOrDefault(pin, List.of());
    }

    private static Map<Endpoint, List<PullUp>> pulls(NodeCircuit node) {
        Map<Endpoint, List<PullUp>> all = new HashMap<>();
        for (Placed placed : node.parts()) {
            for (Pull pull : placed.cls().pulls()) {
                Endpoint pin = new Endpoint(placed.id(), pull.pin());
                PullUp.of(node, placed, pull).ifPresent(found -> all.computeIfAbsent(pin, at -> new ArrayList<>())
                        .add(found));
            }
        }
        for (Wire wire : node.node().wires()) {
            PullUp.beside(node, wire)
                    .flatMap(pull -> PullUp.of(node, pull.placed(), pull.pull()))
                    .ifPresent(found -> all.computeIfAbsent(wire.to(), at -> new ArrayList<>())
                            .add(found));
        }
        return all;
    }
}
