package inkel.core.wake;

import inkel.core.bench.Benches;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
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
        return new WakePlan(
                lists.stream().map(list -> of(circuit, lists, list, meter)).toList());
    }

    /** The checks of one node alone. */
    public static NodeWake of(Circuit circuit, List<WireList> lists, WireList list, Meter meter) {
        return new NodeWake(list.node(), new CheckMaker(new Benches(circuit, lists), list, meter).all());
    }

    public Optional<NodeWake> node(String id) {
        return nodes.stream().filter(wake -> wake.node().node().id().equals(id)).findFirst();
    }
}
