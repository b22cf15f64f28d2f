package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.NodeWire;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/** A wire between two boards: what the one that talks says against what the other hears. */
public record BoardLink(NodeCircuit from, NodeCircuit to, NodeWire link, LevelCheck check, boolean isOnlyAtTheEnds) {
    static List<BoardLink> of(Circuit circuit) {
        return circuit.links().stream()
                .flatMap(link -> of(circuit, link).stream())
                .toList();
    }

    /** Empty where a board is gone, is not fed, or has no figures for its levels. */
    public static Optional<BoardLink> of(Circuit circuit, NodeWire link) {
        Optional<NodeCircuit> from = circuit.node(link.from().node());
        Optional<NodeCircuit> to = circuit.node(link.to().node());
        if (from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        Optional<IoFamily> says = from.get().io(link.from().endpoint());
        Optional<IoFamily> hears = to.get().io(link.to().endpoint());
        Optional<Range<Voltage>> saysAt = from.get().ioVolts(link.from().endpoint());
        Optional<Range<Voltage>> hearsAt = to.get().ioVolts(link.to().endpoint());
        if (says.isEmpty() || hears.isEmpty() || saysAt.isEmpty() || hearsAt.isEmpty()) {
            return Optional.empty();
        }
        return Drive.check(says.get(), saysAt.get(), hears.get(), hearsAt.get(), false)
                .map(check -> new BoardLink(
                        from.get(),
                        to.get(),
                        link,
                        check,
                        Drive.check(
                                        says.get(),
                                        saysAt.get().usual(),
                                        hears.get(),
                                        hearsAt.get().usual(),
                                        false)
                                .filter(check::isOnlyAtTheEnds)
                                .isPresent()));
    }

    /** How it fares; what is wrong only at the ends of both supplies is thin. */
    public Verdict verdict() {
        return isOnlyAtTheEnds ? Verdict.THIN : check.verdict();
    }
}
