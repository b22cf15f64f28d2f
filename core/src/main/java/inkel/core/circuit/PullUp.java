package inkel.core.circuit;

import inkel.core.catalog.Pull;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A pull-up on a wire.
 *
 * @param node the table that it is on
 * @param at the pin it is soldered to
 * @param volts where it reaches
 * @param rail the rail it hangs on; empty where the part makes its own
 */
public record PullUp(
        NodeCircuit node, Endpoint at, Range<Voltage> volts, Resistance resistance, Optional<Endpoint> rail) {
    /** A pull-up of a part as it is in a build; empty while what it hangs on is not fed. */
    public static Optional<PullUp> of(NodeCircuit node, Placed placed, Pull pull) {
        Endpoint pin = new Endpoint(placed.id(), pull.pin());
        Optional<Rail> rail =
                node.railOf(placed, pull.supply()).or(() -> node.rail(new Endpoint(placed.id(), pull.supply())));
        return rail.flatMap(fed -> fed.volts()
                .map(volts -> pull.volts().isPresent()
                        ? new PullUp(node, pin, Range.exactly(pull.volts().get()), pull.resistance(), Optional.empty())
                        : new PullUp(node, pin, volts, pull.resistance(), Optional.of(fed.id()))));
    }

    /** Whether it hangs on the rail that a pin of a table has its levels from: one rail has one voltage at a time. */
    public boolean isOfRailOf(NodeCircuit other, Endpoint pin) {
        return node == other
                && rail.isPresent()
                && other.ioRail(pin).map(Rail::id).equals(rail);
    }

    /** The same where its supply is nowhere near its ends. */
    public PullUp usual() {
        return new PullUp(node, at, volts.usual(), resistance, rail);
    }

    /** The pull-ups that are joined to a pin that wires go to: behind a shifter only those of the shifter itself. */
    public static Stream<Soldered> on(NodeCircuit node, Endpoint target) {
        List<Wire> wires = node.nets().getOrDefault(target, List.of());
        Stream<Soldered> soldered = Stream.concat(
                        Stream.of(target), wires.stream().flatMap(wire -> joined(node, wire).stream()))
                .flatMap(end -> node.part(end.part()).stream().flatMap(placed -> placed.cls().pulls().stream()
                        .filter(pull -> pull.pin().equals(end.pin()))
                        .map(pull -> new Soldered(placed, pull))));
        return Stream.concat(soldered, wires.stream().flatMap(wire -> beside(node, wire).stream()));
    }

    /** The resistor that the builder put beside a wire, at the pin it goes to. */
    public static Optional<Soldered> beside(NodeCircuit node, Wire wire) {
        if (!(node.between(wire.from()).orElse(null) instanceof Between.PulledUp up)) {
            return Optional.empty();
        }
        return node.part(wire.to().part()).flatMap(placed -> placed.cls()
                .pin(wire.to().pin())
                .flatMap(pin -> placed.cls().io(pin))
                .map(io ->
                        new Soldered(placed, new Pull(wire.to().pin(), io.supply(), up.pullUp(), Optional.empty()))));
    }

    /** Where a wire's own end, or that of a shifter in it, is joined to the pin it goes to. */
    public static Optional<Endpoint> joined(NodeCircuit node, Wire wire) {
        return node.between(wire.from()).orElse(null) instanceof Between.ShifterWay way
                ? ShifterSides.facing(node, way, wire).map(ShifterSides.Facing::target)
                : Optional.of(wire.from());
    }

    /** A pull-up of a class, and the part that brings it; of one beside a wire, the part at the pin of which it is. */
    public record Soldered(Placed placed, Pull pull) {}

    /** The one that reaches highest. */
    public static Optional<PullUp> highest(List<PullUp> pulls) {
        PullUp highest = null;
        for (PullUp pull : pulls) {
            if (highest == null
                    || pull.volts().highest().isAbove(highest.volts().highest())) {
                highest = pull;
            }
        }
        return Optional.ofNullable(highest);
    }

    /**
     * What pull-ups to one or several supplies make of a wire that nobody pulls low: V = Σ(Vᵢ/Rᵢ) / Σ(1/Rᵢ), by the
     * theorem of Millman. Empty when there is none.
     */
    public static Optional<Range<Voltage>> together(List<PullUp> pulls) {
        double siemens = 0;
        double lowest = 0;
        double expected = 0;
        double highest = 0;
        for (PullUp pull : pulls) {
            double through = 1 / pull.resistance().ohms();
            siemens += through;
            lowest += through * pull.volts().lowest().volts();
            expected += through * pull.volts().expected().volts();
            highest += through * pull.volts().highest().volts();
        }
        return pulls.isEmpty()
                ? Optional.empty()
                : Optional.of(new Range<>(
                        Voltage.ofVolts(lowest / siemens),
                        Voltage.ofVolts(expected / siemens),
                        Voltage.ofVolts(highest / siemens)));
    }
}
