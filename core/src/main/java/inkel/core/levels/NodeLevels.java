package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Reading;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Works out the links of one node. */
final class NodeLevels {
    private final NodeCircuit node;
    private final List<Link> links = new ArrayList<>();
    private final List<LevelReport.Unknown> unknown = new ArrayList<>();
    private final Map<Endpoint, List<PullUp>> atPins;
    private final Map<Endpoint, List<PullUp>> ofNets = new HashMap<>();

    private NodeLevels(NodeCircuit node) {
        this.node = node;
        atPins = pulls(node);
    }

    static NodeLevels of(NodeCircuit node) {
        NodeLevels levels = new NodeLevels(node);
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
        Optional<Between> between = node.between(wire.from());
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
        double share = between.isPresent() && between.get() instanceof Between.Divider divider ? divider.share() : 1;
        link(signal, driver, receiver, between, pullsOf(net), share, true);
    }

    /** Two hops, each judged by itself; the one that arrives comes first. */
    private void through(
            Place signal,
            Endpoint driver,
            Endpoint receiver,
            ShifterSides sides,
            Optional<Between> between,
            List<Wire> net) {
        link(signal, sides.towardsReceiver(), receiver, between, List.of(), 1, true);
        List<PullUp> pulls = new ArrayList<>(pullsAt(sides.towardsDriver()));
        pulls.addAll(driver.equals(signal.endpoint()) ? pullsAt(driver) : pullsOf(net));
        link(signal, driver, sides.towardsDriver(), between, pulls, 1, false);
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
        Optional<Endpoint> rail = pull.isEmpty() ? Optional.empty() : pull.get().rail();
        Optional<Rail> own = node.ioRail(end);
        return rail.isPresent()
                && own.isPresent()
                && rail.get().equals(own.get().id());
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
            double share,
            boolean arrives) {
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
            unknown.add(new LevelReport.Unknown(node, signal, node.place(missing)));
            return;
        }
        boolean isFromShifter = node.pin(driver).orElseThrow().use().isWay();
        boolean isPulled = !isFromShifter
                && (says.get().openDrain()
                        || node.pin(signal.endpoint()).orElseThrow().use().isTwoWay());
        Optional<PullUp> decides = isPulled ? PullUp.highest(pulls) : Optional.empty();
        boolean isSameRail =
                isOfListener(between) || (isPulled ? hangOn(pulls, receiver) : node.isOneRail(driver, receiver));
        Reading reading = arrives ? node.reading(signal.endpoint()) : Reading.NONE;
        Wiring wiring = new Wiring(says.get(), hears.get(), between, isPulled, share, isSameRail, reading);
        Optional<LevelCheck> worst = wiring.at(saysAt.get(), hearsAt.get(), pulls);
        if (worst.isEmpty()) {
            return; // nothing makes a high: a finding of its own
        }
        boolean isWrong = worst.get().verdict() == Verdict.HARMS || worst.get().verdict() == Verdict.NOT_READ;
        Mildness mildness = isWrong
                ? wiring.at(saysAt.get().usual(), hearsAt.get().usual(), usual(pulls))
                        .map(usual -> mildness(worst.get(), usual, isPulled))
                        .orElse(Mildness.NONE)
                : Mildness.NONE;
        links.add(new Link(node, signal, driver, receiver, between, decides, worst.get(), mildness));
    }

    private static Mildness mildness(LevelCheck worst, LevelCheck usual, boolean isPulled) {
        if (worst.isOnlyAtTheEnds(usual)) {
            return Mildness.AT_THE_ENDS;
        }
        boolean isClamped = isPulled
                && worst.verdict() == Verdict.HARMS
                && !usual.headroom().isBelow(LevelCheck.CLAMPED.times(-1));
        return isClamped ? Mildness.WITHIN_A_CLAMP : Mildness.NONE;
    }

    private static List<PullUp> usual(List<PullUp> pulls) {
        return pulls.stream()
                .map(pull -> new PullUp(pull.at(), pull.volts().usual(), pull.resistance(), pull.rail()))
                .toList();
    }

    /** Who says what to whom over what, whatever the supplies are. */
    private record Wiring(
            IoFamily says,
            IoFamily hears,
            Optional<Between> between,
            boolean isPulled,
            double share,
            boolean isSameRail,
            Reading reading) {
        /** Empty when nothing makes a high. */
        Optional<LevelCheck> at(Range<Voltage> saysAt, Range<Voltage> hearsAt, List<PullUp> pulls) {
            return overPiece(between, says, saysAt, hearsAt)
                    .or(() -> isPulled ? Drive.pulled(says, saysAt, pulls, share) : Drive.pushed(says, saysAt, share))
                    .map(drive -> drive.measured(reading).against(hears, hearsAt, isSameRail));
        }
    }

    /** Whether the high is the listener's own supply, which has one voltage at a time. */
    private static boolean isOfListener(Optional<Between> between) {
        return between.filter(piece -> piece instanceof Between.Diode || piece instanceof Between.Opto)
                .isPresent();
    }

    /** What arrives behind a piece that makes the high itself, out of the listener's supply. */
    private static Optional<Drive> overPiece(
            Optional<Between> between, IoFamily says, Range<Voltage> saysAt, Range<Voltage> hearsAt) {
        if (between.isEmpty()) {
            return Optional.empty();
        }
        if (between.get() instanceof Between.Opto) {
            return Optional.of(Drive.switched(hearsAt));
        }
        return between.get() instanceof Between.Diode ? Drive.overDiode(says, saysAt, hearsAt) : Optional.empty();
    }

    /** The pull-ups that are joined to the pin the wires go to: behind a shifter only those of the shifter itself. */
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
        return all;
    }
}
