package inkel.core.remedy;

import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** What a supply pin takes when what its part passes on is counted too: a relay bears 30 V, the strip behind it 13 V. */
final class Behind {
    private final NodeCircuit node;
    private final Set<Endpoint> seen = new HashSet<>();

    private Behind(NodeCircuit node) {
        this.node = node;
    }

    /** The same pin with the volts that it and everything behind it bears; a single voltage where these exclude each other. */
    static Supply of(NodeCircuit node, Placed placed, Supply supply) {
        Range<Voltage> narrowed = new Behind(node).narrowed(placed, supply);
        return narrowed.equals(supply.range().range())
                ? supply
                : new Supply(
                        supply.pin(),
                        new Figure<>(narrowed, supply.range().source()),
                        supply.absoluteMax(),
                        supply.dropout(),
                        supply.with(),
                        supply.isForCell(),
                        supply.isMeasured());
    }

    private Range<Voltage> narrowed(Placed placed, Supply supply) {
        Range<Voltage> all = supply.range().range();
        if (!seen.add(new Endpoint(placed.id(), supply.pin()))) {
            return all;
        }
        for (Output output : placed.cls().outputs()) {
            boolean isPassed = output.way() == Output.Way.PASS
                    && output.from().filter(supply.pin()::equals).isPresent();
            Optional<Rail> rail = node.rail(new Endpoint(placed.id(), output.pin()));
            for (Rail.Load load : isPassed && rail.isPresent() ? rail.get().loads() : Set.<Rail.Load>of()) {
                Optional<Placed> taker = node.part(load.pin().part());
                Optional<Supply> pin =
                        taker.flatMap(found -> found.cls().supply(load.pin().pin()));
                if (pin.isPresent()) {
                    all = both(all, narrowed(taker.get(), pin.get()));
                }
            }
        }
        return all;
    }

    private static Range<Voltage> both(Range<Voltage> one, Range<Voltage> other) {
        Voltage least = one.lowest().isBelow(other.lowest()) ? other.lowest() : one.lowest();
        Voltage most = one.highest().isAbove(other.highest()) ? other.highest() : one.highest();
        if (least.isAbove(most)) {
            return Range.exactly(least);
        }
        Voltage usual = other.expected();
        return new Range<>(least, usual.isBelow(least) ? least : usual.isAbove(most) ? most : usual, most);
    }
}
