package inkel.core.pins.rules;

import inkel.core.circuit.Circuit;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** Wires between boards by the two boards that they join: what is wrong with several of them is one thing to say. */
final class BoardPairs {
    private BoardPairs() {}

    /** Those of a kind, in the order of the document. */
    static List<List<NodeWire>> of(Circuit circuit, Predicate<NodeWire> isMeant) {
        Map<Set<String>, List<NodeWire>> pairs = new LinkedHashMap<>();
        circuit.links().stream().filter(isMeant).forEach(link -> pairs.computeIfAbsent(
                        Set.of(link.from().node(), link.to().node()), pair -> new ArrayList<>())
                .add(link));
        return List.copyOf(pairs.values());
    }

    static String name(Circuit circuit, Place at) {
        return circuit.node(at.node()).orElseThrow().node().name();
    }
}
