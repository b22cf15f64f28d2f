package inkel.core.power;

import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Islands;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ServoFeed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.quantity.Current;
import inkel.core.quantity.Share;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * The rails of every node with their limits.
 *
 * @param budgets in document order
 */
public record PowerReport(
        Circuit circuit,
        List<RailBudget> budgets,
        List<RegulatorReport> regulators,
        List<FeedLine> lines,
        List<BurstReport> bursts,
        List<PinLoadReport> pinLoads,
        List<WindingLoad> windings,
        List<BatteryReport> batteries,
        List<ServoFeed> servos,
        List<DoubleFeed> doubles) {
    /** Whether a rail's peak is inside its rating, but above the share that it should not give for long. */
    public static boolean isNear(Rail rail) {
        return !rail.isOver() && rail.peak().isAbove(rail.averageLimit());
    }

    public PowerReport {
        budgets = List.copyOf(budgets);
        regulators = List.copyOf(regulators);
        lines = List.copyOf(lines);
        bursts = List.copyOf(bursts);
        pinLoads = List.copyOf(pinLoads);
        windings = List.copyOf(windings);
        batteries = List.copyOf(batteries);
        servos = List.copyOf(servos);
        doubles = List.copyOf(doubles);
    }

    /** One rail of one node. */
    public record RailBudget(NodeCircuit node, Rail rail) {
        /** The most the rail should give on average. */
        public Current averageLimit() {
            return rail.averageLimit();
        }

        public boolean isAverageOver() {
            return rail.isAverageOver();
        }

        public boolean isPeakOver() {
            return rail.isOver();
        }

        public Share peakShare() {
            return rail.peakShare();
        }
    }

    public static PowerReport of(Circuit circuit) {
        return new PowerReport(
                circuit,
                each(circuit, node -> node.rails().stream()
                        .map(rail -> new RailBudget(node, rail))
                        .toList()),
                each(circuit, RegulatorReport::of),
                each(circuit, FeedLine::of),
                each(circuit, BurstReport::of),
                each(circuit, PinLoadReport::of),
                each(circuit, WindingLoad::of),
                each(circuit, BatteryReport::of),
                each(circuit, ServoFeed::of),
                each(circuit, DoubleFeed::of));
    }

    private static <T> List<T> each(Circuit circuit, Function<NodeCircuit, List<T>> of) {
        List<T> all = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            all.addAll(of.apply(node));
        }
        return all;
    }

    public Catalog catalog() {
        return circuit.catalog();
    }

    /** Rails of a node that something is fed from. */
    public List<RailBudget> inUse(String node) {
        return budgets.stream()
                .filter(budget -> budget.node().node().id().equals(node))
                .filter(budget -> !budget.rail().all().isEmpty())
                .toList();
    }

    /** Parts whose ground is kept apart although they share a rail or a signal with others. */
    public List<ApartGround> apartGrounds() {
        return circuit.nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(placed -> placed.part().groundApart())
                        .flatMap(placed -> joined(node, placed).limit(1)))
                .toList();
    }

    /** Wires between boards whose grounds no wire joins; one for each two boards. */
    public List<NodeWire> apartNodes() {
        List<NodeWire> apart = new ArrayList<>();
        // What a plain signal means hangs on the ground more than what a long line says.
        List<NodeWire> links = circuit.links().stream()
                .sorted(Comparator.comparing(NodeWire::isLine))
                .toList();
        for (NodeWire link : links) {
            boolean isJoined =
                    circuit.links().stream().anyMatch(other -> other.isBesides(link) && other.groundJoined());
            boolean isBrought =
                    circuit.isGroundBrought(link.from().node(), link.to().node());
            if (!isJoined && !isBrought && !link.isByLight() && apart.stream().noneMatch(link::isBesides)) {
                apart.add(link);
            }
        }
        return apart;
    }

    private static boolean isOneIsland(NodeCircuit node, String one, String other) {
        return Islands.of(node).stream().anyMatch(island -> island.contains(one) && island.contains(other));
    }

    /** A part with its own ground, and another that current or a signal has to return to it from. */
    public record ApartGround(NodeCircuit node, Placed part, Placed other) {}

    private static Stream<ApartGround> joined(NodeCircuit node, Placed part) {
        Stream<Endpoint> byFeed = Stream.concat(
                part.part().feeds().values().stream(),
                node.rails().stream()
                        .filter(rail -> rail.id().part().equals(part.id()))
                        .flatMap(rail -> rail.loads().stream().map(Rail.Load::pin)));
        // An optocoupler hands a signal on without a common ground.
        Stream<Endpoint> byWire = node.node().wires().stream()
                .filter(wire -> node.between(wire.from())
                        .filter(Between.Opto.class::isInstance)
                        .isEmpty())
                .flatMap(wire -> wire.from().part().equals(part.id())
                        ? Stream.of(wire.to())
                        : wire.to().part().equals(part.id()) ? Stream.of(wire.from()) : Stream.empty());
        return Stream.concat(byFeed, byWire)
                .map(Endpoint::part)
                .filter(id -> !id.equals(part.id()) && !isOneIsland(node, id, part.id()))
                .distinct()
                .flatMap(id -> node.part(id).stream())
                .map(other -> new ApartGround(node, part, other));
    }
}
