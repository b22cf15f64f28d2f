package inkel.core.levels;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Tie;
import inkel.core.document.Between;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.formula.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Every wire of every node, each direction by itself.
 *
 * @param links in document order
 * @param unknown wires that cannot be judged, because a part on them has no figures for its levels
 * @param boards wires between boards
 */
public record LevelReport(
        Circuit circuit,
        List<Link> links,
        List<Unknown> unknown,
        List<ShifterSpeed> shifters,
        List<AnalogLevel> analog,
        List<BiasLevel> bias,
        List<InLineSpeed> inLine,
        List<OptoStage> optos,
        List<BoardLink> boards,
        List<Tie> ties) {
    public LevelReport {
        links = List.copyOf(links);
        unknown = List.copyOf(unknown);
        shifters = List.copyOf(shifters);
        analog = List.copyOf(analog);
        bias = List.copyOf(bias);
        inLine = List.copyOf(inLine);
        optos = List.copyOf(optos);
        boards = List.copyOf(boards);
        ties = List.copyOf(ties);
    }

    /** A wire that cannot be judged, and the pin whose figures are missing. */
    public record Unknown(NodeCircuit node, Place signal, Place missing) {}

    public static LevelReport of(Circuit circuit) {
        List<Link> links = new ArrayList<>();
        List<Unknown> unknown = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            NodeLevels levels = NodeLevels.of(circuit, node);
            links.addAll(levels.links());
            unknown.addAll(levels.unknown());
        }
        List<ShifterSpeed> shifters = circuit.nodes().stream()
                .flatMap(node -> ShifterSpeed.of(node).stream())
                .toList();
        List<AnalogLevel> analog = circuit.nodes().stream()
                .flatMap(node -> AnalogLevel.of(node).stream())
                .toList();
        List<BiasLevel> bias = circuit.nodes().stream()
                .flatMap(node -> BiasLevel.of(node).stream())
                .toList();
        List<InLineSpeed> inLine = circuit.nodes().stream()
                .flatMap(node -> InLineSpeed.of(node).stream())
                .toList();
        List<BoardLink> boards = BoardLink.of(circuit);
        circuit.links().forEach(link -> lostWay(circuit, link, boards).ifPresent(unknown::add));
        List<OptoStage> optos = new ArrayList<>(OptoStage.of(boards));
        circuit.nodes().forEach(node -> optos.addAll(OptoStage.of(node)));
        List<Tie> ties =
                circuit.nodes().stream().flatMap(node -> Tie.all(node).stream()).toList();
        return new LevelReport(circuit, links, unknown, shifters, analog, bias, inLine, optos, boards, ties);
    }

    /** A wire between two boards that are fed, through a shifter that has no such way or is not fed itself. */
    private static Optional<Unknown> lostWay(Circuit circuit, NodeWire link, List<BoardLink> boards) {
        boolean isFed = circuit.ioVolts(link.from()).isPresent()
                && circuit.ioVolts(link.to()).isPresent();
        boolean isJudged = boards.stream().anyMatch(board -> board.link().equals(link));
        return isFed && !isJudged
                ? link.converter()
                        .flatMap(place -> circuit.node(place.node()).map(node -> new Unknown(node, link.from(), place)))
                : Optional.empty();
    }

    /** Both directions of a signal's wire, worst first. */
    public List<Link> of(Place signal) {
        return links.stream()
                .filter(link -> link.signal().equals(signal))
                .sorted(Comparator.comparing(Link::verdict))
                .toList();
    }

    /** The hop that ends at who listens: the link itself, or what comes out where it goes into a converter. */
    public Link arriving(Link link) {
        return link.isInto() ? otherHop(link).orElse(link) : link;
    }

    /** The hop that begins at who talks: the link itself, or what goes in where it comes out of a converter. */
    public Link sending(Link link) {
        return link.node().pin(link.from()).filter(pin -> pin.use().isWay()).isPresent()
                ? otherHop(link).orElse(link)
                : link;
    }

    /** Both hops of one direction go through the same way, one into it and one out. */
    private Optional<Link> otherHop(Link link) {
        return of(link.signal()).stream()
                .filter(other -> other.isInto() != link.isInto())
                .filter(other -> !other.from().equals(link.to()) && !other.to().equals(link.from()))
                .findFirst();
    }

    /** The hops of a wire between boards, worst first. */
    public List<BoardLink> of(NodeWire link) {
        return boards.stream()
                .filter(board -> board.link().equals(link))
                .sorted(Comparator.comparing(BoardLink::verdict))
                .toList();
    }

    /** Wires left with little to spare by choice, on which no high was measured yet. */
    public List<Link> toMeasure() {
        return links.stream()
                .filter(link ->
                        link.between().filter(Between.Nothing.class::isInstance).isPresent())
                .filter(link ->
                        link.node().reading(link.signal().endpoint()).high().isEmpty())
                .toList();
    }

    /** The worst verdict on a signal's wire; empty when it has none or cannot be judged. */
    public Optional<Verdict> verdict(Place signal) {
        return of(signal).stream().map(Link::verdict).findFirst();
    }
}
