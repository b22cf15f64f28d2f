package inkel.core.tune.stand;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.LogLine;
import java.util.List;
import java.util.Optional;

/**
 * What has a bench, and what was kept there.
 *
 * @param stands in the order of the tables and their parts
 */
public record TuneReport(List<Stand> stands) {
    public TuneReport {
        stands = List.copyOf(stands);
    }

    /**
     * A part at a bench.
     *
     * @param kept what holds of it
     * @param stale what was found of another piece, or of one that was fed or driven otherwise
     */
    public record Stand(
            NodeCircuit node,
            Placed part,
            BenchKind bench,
            Optional<LogLine.Tuned> kept,
            Optional<LogLine.Tuned> stale) {}

    public static TuneReport of(Circuit circuit) {
        return new TuneReport(circuit.nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(placed -> !placed.isForLater())
                        .flatMap(placed -> placed.cls().handling().benches().stream()
                                .filter(bench -> Benches.isThere(placed, bench))
                                .map(bench -> stand(node, placed, bench))))
                .toList());
    }

    private static Stand stand(NodeCircuit node, Placed placed, BenchKind bench) {
        return new Stand(
                node,
                placed,
                bench,
                node.tunings().of(node.place(placed), bench),
                node.tunings().stale(node.place(placed), bench));
    }

    /** The benches of one table. */
    public List<Stand> of(String node) {
        return stands.stream()
                .filter(stand -> stand.node().node().id().equals(node))
                .toList();
    }
}
