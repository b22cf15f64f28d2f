package inkel.core.levels;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the current of one part does to the wires between two grounds that it moves apart.
 *
 * @param lifter the part whose current does most of it
 * @param lifted the part whose ground is moved against the board's, or against the other end's
 * @param volts how far, at the worst moment
 * @param signals what is then read with less, or not at all
 * @param worst how the worst of them fares then
 */
public record GroundShift(
        NodeCircuit node, Placed lifter, Placed lifted, Voltage volts, List<Place> signals, Verdict worst) {
    /** Less than this is lost in what supplies differ by. */
    static final Voltage LEAST = Voltage.ofMillivolts(20);

    /** An analog signal that is off by more than this share of the converter's range. */
    static final double MOST_OF_RANGE = 0.01;

    public GroundShift {
        signals = List.copyOf(signals);
    }

    /** Those that make a wire fare worse than it does with all grounds at one height, the worst first on each part. */
    public static List<GroundShift> of(LevelReport levels) {
        Map<Place, GroundShift> found = new LinkedHashMap<>();
        for (Link link : levels.links()) {
            shift(link).ifPresent(one -> add(found, one));
        }
        for (AnalogLevel analog : levels.analog()) {
            shift(analog).ifPresent(one -> add(found, one));
        }
        return List.copyOf(found.values());
    }

    private static void add(Map<Place, GroundShift> found, GroundShift one) {
        found.merge(one.node().place(one.lifted()), one, GroundShift::with);
    }

    private GroundShift with(GroundShift other) {
        List<Place> all = new ArrayList<>(signals);
        other.signals.stream().filter(signal -> !all.contains(signal)).forEach(all::add);
        boolean isMore = other.volts.isAbove(volts);
        Verdict more = worst.compareTo(other.worst) <= 0 ? worst : other.worst;
        return new GroundShift(
                node, isMore ? other.lifter : lifter, lifted, Quantity.larger(volts, other.volts), all, more);
    }

    private static Optional<GroundShift> shift(Link link) {
        String says = link.from().part();
        String hears = link.to().part();
        Voltage above = link.node().grounds().above(says, hears);
        Voltage below = link.node().grounds().above(hears, says);
        Voltage most = Quantity.larger(above, below);
        if (most.isBelow(LEAST)) {
            return Optional.empty();
        }
        Verdict then = link.check().lifted(above, below).verdict();
        boolean isWorse = then.compareTo(link.check().verdict()) < 0;
        return isWorse ? shift(link.node(), link.from(), link.to(), most, link.signal(), then) : Optional.empty();
    }

    private static Optional<GroundShift> shift(AnalogLevel analog) {
        String says = analog.signal().part();
        String hears = analog.to().part();
        Voltage most = Quantity.larger(
                analog.node().grounds().above(says, hears),
                analog.node().grounds().above(hears, says));
        boolean isOff = most.times(analog.share()).isAbove(analog.fullScale().times(MOST_OF_RANGE));
        return isOff && !most.isBelow(LEAST)
                ? shift(analog.node(), analog.signal().endpoint(), analog.to(), most, analog.signal(), Verdict.THIN)
                : Optional.empty();
    }

    private static Optional<GroundShift> shift(
            NodeCircuit node, Endpoint from, Endpoint to, Voltage volts, Place signal, Verdict then) {
        Placed first = node.part(from.part()).orElseThrow();
        Placed second = node.part(to.part()).orElseThrow();
        return node.grounds()
                .lifting(first.id(), second.id())
                .map(lifter -> new GroundShift(
                        node, lifter, first.part().isBoard() ? second : first, volts, List.of(signal), then));
    }
}
