package inkel.core.levels;

import inkel.core.build.Place;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Every wire of every node, each direction by itself.
 *
 * @param links in document order
 * @param unknown wires that cannot be judged, because a part on them has no figures for its levels
 */
public record LevelReport(
        Circuit circuit,
        List<Link> links,
        List<Unknown> unknown,
        List<ShifterSpeed> shifters,
        List<AnalogLevel> analog) {
    public LevelReport {
        links = List.copyOf(links);
        unknown = List.copyOf(unknown);
        shifters = List.copyOf(shifters);
        analog = List.copyOf(analog);
    }

    /** A wire that cannot be judged, and the pin whose figures are missing. */
    public record Unknown(NodeCircuit node, Place signal, Place missing) {}

    public static LevelReport of(Circuit circuit) {
        List<Link> links = new ArrayList<>();
        List<Unknown> unknown = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            NodeLevels levels = NodeLevels.of(node);
            links.addAll(levels.links());
            unknown.addAll(levels.unknown());
        }
        List<ShifterSpeed> shifters = circuit.nodes().stream()
                .flatMap(node -> ShifterSpeed.of(node).stream())
                .toList();
        List<AnalogLevel> analog = circuit.nodes().stream()
                .flatMap(node -> AnalogLevel.of(node).stream())
                .toList();
        return new LevelReport(circuit, links, unknown, shifters, analog);
    }

    /** Both directions of a signal's wire, worst first. */
    public List<Link> of(Place signal) {
        return links.stream()
                .filter(link -> link.signal().equals(signal))
                .sorted(Comparator.comparing(Link::verdict))
                .toList();
    }

    /** The worst verdict on a signal's wire; empty when it has none or cannot be judged. */
    public Optional<Verdict> verdict(Place signal) {
        return of(signal).stream().map(Link::verdict).findFirst();
    }
}
