package inkel.core.wake;

import inkel.core.bench.Benches;
import inkel.core.bench.Drives;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Place;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/** Who is on the table in a phase of the first power-up, and what everybody does then. */
final class Scenes {
    private final Benches benches;
    private final NodeCircuit node;

    Scenes(Benches benches, NodeCircuit node) {
        this.benches = benches;
        this.node = node;
    }

    /** A part of this table and all that feeds it. */
    Set<Place> withAllAbove(String part) {
        return withAllAbove(node, part);
    }

    /** A part and all that feeds it, also from another board. */
    private Set<Place> withAllAbove(NodeCircuit at, String part) {
        Set<Place> all = new LinkedHashSet<>();
        Set<String> here = new LinkedHashSet<>(new WakeOrder(at).upstream(part));
        here.add(part);
        for (String id : here) {
            all.add(Place.ofPart(at.node().id(), id));
            at.part(id)
                    .flatMap(placed -> placed.own(Settings.RAIL))
                    .flatMap(Place::parsePin)
                    .ifPresent(rail -> benches.node(rail.node())
                            .filter(giver -> giver != at)
                            .ifPresent(giver -> all.addAll(withAllAbove(giver, rail.part()))));
        }
        return all;
    }

    /** What closes the contacts that parts are fed through. */
    Map<Place, Drives> closing(Collection<Placed> parts) {
        Map<Place, Drives> closing = new LinkedHashMap<>();
        for (Placed placed : parts) {
            Switched.of(node, placed)
                    .forEach(by -> closing.put(node.place(by.driver()), by.isHigh() ? Drives.HIGH : Drives.LOW));
        }
        return closing;
    }

    /** Every part in the busiest of its modes: the worst that a builder can make happen. */
    Map<Place, String> busiest() {
        Map<Place, String> modes = new LinkedHashMap<>();
        for (Placed placed : node.parts()) {
            placed.cls().modes().stream()
                    .max(Comparator.comparingDouble(
                            mode -> mode.current().range().highest().amperes()))
                    .map(Mode::name)
                    .ifPresent(mode -> modes.put(node.place(placed), mode));
        }
        return modes;
    }
}
