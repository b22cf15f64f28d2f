package inkel.core.circuit;

import inkel.core.catalog.IoFamily;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A signal that a rail holds high.
 *
 * @param reaches the most the rail gives
 * @param tolerated the most the signal's pin bears at that time
 * @param isOnlyAtTheEnds whether what it is too much by takes both supplies at their ends, and is no more than a clamp bears
 * @param isRead whether the rail's least is a high for the pin; true where the class does not tell
 */
public record Tie(
        NodeCircuit node,
        Endpoint signal,
        Rail rail,
        Voltage reaches,
        Voltage tolerated,
        boolean isRead,
        boolean isOnlyAtTheEnds) {
    /** Empty for a tie to ground, and where a figure is missing. */
    public static Optional<Tie> of(NodeCircuit node, Endpoint signal, Endpoint to) {
        Optional<IoFamily> family = node.io(signal);
        Optional<Range<Voltage>> own = node.ioVolts(signal);
        Optional<Rail> rail = node.rail(to).filter(found -> found.volts().isPresent());
        if (family.isEmpty() || own.isEmpty() || rail.isEmpty()) {
            return Optional.empty();
        }
        Range<Voltage> given = rail.get().volts().orElseThrow();
        boolean isOwnRail =
                node.ioRail(signal).filter(fed -> fed.id().equals(to)).isPresent();
        Voltage ownAtTop = isOwnRail ? given.highest() : own.get().lowest();
        Voltage ownAtLeast = isOwnRail ? given.lowest() : own.get().highest();
        boolean isRead = family.get()
                .vih()
                .map(vih -> !given.lowest().isBelow(vih.at(ownAtLeast)))
                .orElse(true);
        Voltage tolerated = family.get().absoluteMax().at(ownAtTop);
        Voltage usuallyBears = family.get()
                .absoluteMax()
                .at(isOwnRail ? given.expected() : own.get().expected());
        boolean isOnlyAtTheEnds =
                !given.expected().isAbove(usuallyBears) && !given.highest().isAbove(tolerated.plus(LevelCheck.CLAMPED));
        return Optional.of(new Tie(node, signal, rail.get(), given.highest(), tolerated, isRead, isOnlyAtTheEnds));
    }

    /** Those of a node, in the order of its wires. */
    public static List<Tie> all(NodeCircuit node) {
        return node.node().wires().stream()
                .filter(node::isTie)
                .flatMap((Wire wire) -> of(node, wire.from(), wire.to()).stream())
                .toList();
    }

    public boolean harms() {
        return reaches.isAbove(tolerated);
    }
}
