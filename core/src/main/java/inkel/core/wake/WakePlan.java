package inkel.core.wake;

import inkel.core.bench.Benches;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Optional;

/** The first power-up of all boards of a build. */
public record WakePlan(List<NodeWake> nodes) {
    public WakePlan {
        nodes = List.copyOf(nodes);
    }

    public static WakePlan of(Circuit circuit, Meter meter) {
        List<WireList> lists = WireList.of(circuit);
        List<Link> thin = LevelReport.of(circuit).toMeasure();
        return new WakePlan(lists.stream()
                .map(list -> of(circuit, lists, list, thin, meter))
                .toList());
    }

    /**
     * The checks of one node alone; what was read of a supply narrows what is expected behind it.
     *
     * @param thin wires that were left with little to spare, and are to be measured for it
     */
    public static NodeWake of(Circuit circuit, List<WireList> lists, WireList list, List<Link> thin, Meter meter) {
        String id = list.node().node().id();
        List<Link> here =
                thin.stream().filter(link -> link.signal().node().equals(id)).toList();
        Benches benches = new Benches(circuit, lists);
        return new NodeWake(
                list.node(),
                new CheckMaker(benches, lists, list, here, Kept.of(circuit.build(), id), meter).all(),
                JoinedChecks.talking(benches, list.node()));
    }

    public Optional<NodeWake> node(String id) {
        return nodes.stream().filter(wake -> wake.node().node().id().equals(id)).findFirst();
    }
}
