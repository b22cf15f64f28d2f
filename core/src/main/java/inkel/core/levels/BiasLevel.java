package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A steady voltage that one part gives another: a knob at the contrast of a display.
 *
 * @param signal the pin that takes it
 * @param from the pin that gives it
 * @param highest the most that arrives
 * @param source where {@code highest} comes from
 * @param tolerated the most that the pin bears at that time
 */
public record BiasLevel(
        NodeCircuit node, Endpoint signal, Endpoint from, Voltage highest, Source source, Voltage tolerated) {
    static List<BiasLevel> of(NodeCircuit node) {
        return node.nets().values().stream()
                .flatMap(List::stream)
                .filter(wire -> node.pin(wire.from())
                        .filter(pin -> pin.use() == PinUse.BIAS)
                        .isPresent())
                .flatMap(wire -> of(node, wire).stream())
                .toList();
    }

    private static Optional<BiasLevel> of(NodeCircuit node, Wire wire) {
        Optional<IoFamily> says = node.io(wire.to());
        Optional<IoFamily> takes = node.io(wire.from());
        Optional<Range<Voltage>> saysAt = node.ioVolts(wire.to());
        Optional<Range<Voltage>> takesAt = node.ioVolts(wire.from());
        if (says.isEmpty() || takes.isEmpty() || saysAt.isEmpty() || takesAt.isEmpty()) {
            return Optional.empty();
        }
        Voltage top = saysAt.get().highest();
        Optional<Voltage> measured = node.reading(wire.from()).high();
        // One rail has one voltage at a time.
        Voltage own =
                node.isOneRail(wire.from(), wire.to()) ? top : takesAt.get().lowest();
        return Optional.of(new BiasLevel(
                node,
                wire.from(),
                wire.to(),
                measured.orElse(says.get().voh().map(most -> most.at(top)).orElse(top)),
                measured.isPresent() ? Source.MEASURED : says.get().source(),
                takes.get().absoluteMax().at(own)));
    }

    public boolean harms() {
        return highest.isAbove(tolerated);
    }
}
