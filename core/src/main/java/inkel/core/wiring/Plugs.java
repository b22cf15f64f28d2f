package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** What of a node goes by plugs and what by wires: sockets, parts that ride on others, sources that nothing is wired to. */
final class Plugs {
    private final NodeCircuit node;
    private final Set<String> riding = new HashSet<>();
    private final Set<Endpoint> wireEnds = new HashSet<>();

    /** @param away wires to other boards, of which a leg may go to a rail here */
    Plugs(NodeCircuit node, Pieces pieces, List<Away> away) {
        this.node = node;
        for (Placed placed : node.parts()) {
            if (node.carrier(placed).isPresent()) {
                riding.add(placed.id());
            }
        }
        node.node().wires().forEach(wire -> wireEnds.add(wire.to()));
        node.node().between().forEach(piece -> pieces.supplies(piece).forEach(wireEnds::add));
        away.forEach(wire -> wire.supplies().forEach(wireEnds::add));
        for (Placed placed : node.parts()) {
            for (Fitting fitting : around(placed)) {
                Optional.ofNullable(placed.part().feeds().get(fitting.to())).ifPresent(wireEnds::add);
            }
        }
    }

    /** What must be put around a part: what a ready module would bring, and what the builder adds. */
    static List<Fitting> around(Placed placed) {
        if (placed.isForLater()) {
            return List.of();
        }
        List<Fitting> around = new ArrayList<>(brought(placed));
        placed.addedPullUps()
                .forEach(pull ->
                        around.add(new Fitting(Fitting.Sort.RESISTOR, pull.resistance(), pull.pin(), pull.supply())));
        placed.selectHeldLow().ifPresent(around::add);
        return around;
    }

    /** The capacitors across its supplies, the large one first; none where a plug brings the supply. */
    List<Fitting> capacitors(Placed placed) {
        if (placed.isForLater() || riding.contains(placed.id())) {
            return List.of();
        }
        boolean areWanted = node.habits().is(Habit.DECOUPLING, Habit.Decoupling.WANTED)
                && placed.own(Settings.DECOUPLING).isEmpty();
        return Stream.concat(
                        placed.acrossSupply().stream(),
                        placed.decouplers().stream().filter(small -> areWanted || node.isFitted(placed, small)))
                .filter(capacitor -> isWired(placed, capacitor.from()))
                .distinct()
                .toList();
    }

    /** The ground pin nearest to a pin of the same part. */
    static Terminal nearestGround(Placed placed, String pin) {
        List<Pin> pins = placed.cls().pins();
        return IntStream.range(0, pins.size())
                .filter(i -> pins.get(i).use() == PinUse.GROUND)
                .boxed()
                .min(Comparator.comparingDouble(i -> distance(placed, pin, pins.get(i))))
                .map(i -> Terminal.OnPin.of(placed, i))
                .orElseThrow();
    }

    private static double distance(Placed placed, String pin, Pin to) {
        Outline outline = placed.cls().handling().outline();
        Optional<Outline.Spot> here = placed.cls().pin(pin).flatMap(outline::spot);
        Optional<Outline.Spot> there = outline.spot(to);
        return here.isEmpty() || there.isEmpty()
                ? Double.MAX_VALUE
                : Math.hypot(
                        here.get().x() - there.get().x(),
                        here.get().y() - there.get().y());
    }

    /** Whether a wire leads to a supply pin; what the part itself gives there is there in any case. */
    private boolean isWired(Placed placed, String pin) {
        return placed.cls().supply(pin).isEmpty()
                || placed.cls().outputs().stream()
                        .anyMatch(output -> output.pin().equals(pin))
                || node.railOf(placed, pin).isPresent()
                        && placed.cls().pin(pin).filter(Pin::isSocket).isEmpty();
    }

    /** What a ready module would bring. */
    static List<Fitting> brought(Placed placed) {
        return placed.isChip() ? placed.cls().handling().make().around() : List.of();
    }

    /** Whether a wire of a signal, or a small part, ends at a rail. */
    boolean isWireEnd(Endpoint rail) {
        return wireEnds.contains(rail);
    }

    /** Whether a part brings its ground with it by a plug, or has none to be wired yet. */
    boolean isWithoutGround(Placed placed) {
        return riding.contains(placed.id()) || isIdleSource(placed) || placed.isForLater();
    }

    /** Whether a plug brings the first ground of a part; any other one it has is still to be wired. */
    boolean isGroundBrought(Placed placed) {
        return riding.contains(placed.id());
    }

    /** Whether the ground that a plug brings to a part is kept apart, for that of the part it hangs on is. */
    boolean isBroughtApart(Placed placed) {
        return placed.part().feeds().values().stream()
                .flatMap(rail -> node.part(rail.part()).stream())
                .anyMatch(owner -> owner.part().groundApart());
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

    /** What a rail feeds by wires: not what goes into a socket, and not what rides on another part. */
    List<Rail.Load> wired(Endpoint rail) {
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

    /** A ground pin stands for the ground row, a fed supply pin for the row of its rail. */
    Terminal farEnd(Placed placed, Fitting fitting) {
        Endpoint to = new Endpoint(placed.id(), fitting.to());
        Endpoint rail = placed.part().feeds().get(fitting.to());
        boolean isGround =
                node.pin(to).filter(pin -> pin.use() == PinUse.GROUND).isPresent()
                        && !placed.part().groundApart();
        return isGround
                ? new Terminal.OnGroundRow()
                : rail != null ? new Terminal.OnRow(rail) : WireSteps.onPin(node, to);
    }
}
