package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class NetListTest {
    private static Set<Set<String>> pins(NetList list) {
        return list.nets().stream()
                .map(net -> net.ends().stream()
                        .filter(end -> end.terminal() instanceof Terminal.OnPin)
                        .map(end -> end.table().node().node().id() + "/"
                                + end.terminal().id())
                        .collect(Collectors.toCollection(TreeSet::new)))
                .filter(net -> net.size() > 1)
                .collect(Collectors.toSet());
    }

    // By union and find over the same wires, written for the test of the lists.
    @Test
    void endsThatWiresJoinAreOneNet() {
        Circuit circuit = Circuit.of(Builds.locks(), Builds.CATALOG);
        Nets nets = new Nets();
        for (WireList list : WireList.of(circuit)) {
            String node = list.node().node().id();
            list.steps().stream()
                    .filter(step -> step.fitting().isEmpty())
                    .forEach(step -> nets.join(end(node, step.from()), end(node, step.to())));
        }
        assertEquals(nets.ofPins(), pins(NetList.of(circuit)));
    }

    private static String end(String node, Terminal terminal) {
        return terminal instanceof Terminal.OnPin ? node + "/" + terminal.id() : node + " " + terminal.id();
    }

    @Test
    void aNetIsCalledByTheFirstOfItsWires() {
        Circuit circuit = Builds.classic()
                .part("eye", "infrared-receiver", "VS=board.5V")
                .wire("eye.OUT", "board.D4")
                .assess()
                .reports()
                .circuit();
        List<WireStep.Kind> kinds =
                NetList.of(circuit).nets().stream().map(NetList.Net::kind).toList();
        assertEquals(List.of(WireStep.Kind.GROUND, WireStep.Kind.SUPPLY, WireStep.Kind.SIGNAL), kinds);
    }

    // The far end is told by its own board, once.
    @Test
    void aWireToAnotherBoardIsOneNetOfBoth() throws Exception {
        Build one = Builds.classic()
                .part("eye", "infrared-receiver", "VS=board.5V")
                .wire("eye.OUT", "board.D4")
                .build();
        Build two = new AddNodeWire(new NodeWire(
                        Builds.place("board.D7"), Place.of("twin", Builds.end("board.D4")), true, Extras.NONE))
                .apply(new CopyNode(Builds.NODE, "twin", "Twin").apply(one));
        NetList list = NetList.of(Circuit.of(two, Builds.CATALOG));
        List<NetList.Net> with = list.nets().stream()
                .filter(net ->
                        net.ends().stream().anyMatch(end -> end.terminal().id().equals("board.D7@1")))
                .toList();
        assertEquals(1, with.size());
        assertEquals(3, with.get(0).ends().size(), "D7 here, D4 there, and the receiver that hangs on it there");
        List<NetList.Net> grounds = list.nets().stream()
                .filter(net -> net.kind() == WireStep.Kind.GROUND)
                .toList();
        assertEquals(1, grounds.size(), "both grounds are joined");
        assertTrue(grounds.get(0).ends().stream()
                        .map(end -> end.table().node().node().id())
                        .distinct()
                        .count()
                > 1);
    }
}
