package inkel.core.circuit;

import inkel.core.build.Endpoint;
import inkel.core.catalog.Output;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A rail of a node: what it gives, and what is taken from it.
 *
 * @param volts empty when nothing feeds what the rail is made from
 * @param average what all loads take over time
 * @param peak what all loads take when their worst moments coincide
 * @param loads in the order of the node's parts
 */
public record Rail(
        Endpoint id,
        Output output,
        Optional<Range<Voltage>> volts,
        Current rating,
        Current average,
        Current peak,
        List<Load> loads) {
    public Rail {
        loads = List.copyOf(loads);
    }

    /** What a supply pin takes, its own modes and what it passes on together. */
    public record Load(Endpoint pin, Current average, Current peak) {}

    /** Whether the rail comes from outside the build. */
    public boolean isSource() {
        return output.way() == Output.Way.SOURCE;
    }

    /** What is left for more loads before the peak reaches the rating; negative when overloaded. */
    public Current room() {
        return rating.minus(peak);
    }
}
