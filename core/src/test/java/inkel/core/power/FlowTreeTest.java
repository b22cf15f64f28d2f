package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowTreeTest {
    private static double tap(FlowTree tree, String pin) {
        return tree.taps().stream()
                .filter(one -> one.pin().equals(end(pin)))
                .findFirst()
                .orElseThrow()
                .taken()
                .amperes();
    }

    @Test
    void aPartThatPassesOnEndsOnlyWithWhatItTakesItself() {
        // Board 60 mA; through its 5 V a radio's regulator: 14 mA and its own 5 mA at most.
        Builds build = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("radio", "packet-radio", "VCC=reg.OUT");
        NodeCircuit node = build.circuit();
        List<FlowTree> trees = FlowTree.of(node);
        assertEquals(1, trees.size());
        FlowTree port = trees.get(0);
        assertEquals(0.060, tap(port, "board.USB"), 1e-9, "what the board takes itself");
        FlowTree five = port.branches().get(0).tree();
        assertEquals(end("board.5V"), five.rail().id());
        FlowTree three = five.branches().get(0).tree();
        assertEquals(end("reg.OUT"), three.rail().id());
        assertEquals(0.014, tap(three, "radio.VCC"), 1e-9);
        assertEquals(List.of(), five.taps(), "a regulator's own current goes with what it makes");
    }

    @Test
    void aPinThatGoesWithAnotherEndsNoFlowOfItsOwn() {
        // The chip's 18 mA are told of VCC alone; AVCC is on the same rail.
        NodeCircuit node = Builds.on("chip-28pin").boardOnly("VCC", "usb.5V").circuit();
        assertEquals(
                List.of(end("board.VCC")),
                FlowTree.of(node).get(0).taps().stream().map(FlowTree.Tap::pin).toList());
        assertEquals(2, node.rail(end("usb.5V")).orElseThrow().loads().size(), "it is wired all the same");
    }

    static Stream<NodeCircuit> nodes() {
        return Stream.of(Builds.locks(), Builds.firstSketch(), Builds.example("moth-lamp.inkel.json"))
                .flatMap(build -> Circuit.of(build, CATALOG).nodes().stream());
    }

    /** Nothing is lost and nothing counted twice: what flows out of a rail at its worst is its peak. */
    @ParameterizedTest
    @MethodSource("nodes")
    void whatFlowsOutOfARailIsItsPeak(NodeCircuit node) {
        List<Endpoint> seen = new ArrayList<>();
        FlowTree.of(node).forEach(tree -> check(tree, seen));
        long used = node.rails().stream()
                .filter(rail ->
                        rail.output().contact().isEmpty() || rail.volts().isPresent())
                .count();
        assertEquals(used, seen.size(), "every rail once");
        assertEquals(seen.size(), seen.stream().distinct().count());
    }

    private static void check(FlowTree tree, List<Endpoint> seen) {
        seen.add(tree.rail().id());
        double out =
                tree.taps().stream().mapToDouble(tap -> tap.taken().amperes()).sum()
                        + tree.branches().stream()
                                .mapToDouble(branch -> branch.taken().amperes())
                                .sum();
        assertEquals(tree.rail().peak().amperes(), out, 1e-6, tree.rail().id().toString());
        tree.branches().forEach(branch -> check(branch.tree(), seen));
    }

    /** Nobody wants to see the contacts of a relay that switches nothing of the plan. */
    @Test
    void contactsAreSeenOnceSomethingComesToThem() {
        Builds idle = Builds.classic().part("relay", "relay-one", "VCC=board.5V");
        Builds fed = Builds.classic().part("relay", "relay-one", "VCC=board.5V", "COM=board.5V");
        assertEquals(0, contacts(idle));
        assertEquals(2, contacts(fed));
        assertEquals(
                1,
                contacts(Builds.classic()
                        .part("relay", "relay-one", "VCC=board.5V")
                        .part("pump", "pump-transistor", "V+=relay.NO")),
                "what hangs on one that is not fed is to be seen");
    }

    private static long contacts(Builds build) {
        return FlowTree.of(build.circuit()).stream()
                .flatMap(FlowTreeTest::all)
                .filter(tree -> tree.rail().id().part().equals("relay"))
                .count();
    }

    @Test
    void railsThatFeedEachOtherStandForThemselves() {
        NodeCircuit circle = Builds.classic()
                .part("one", "regulator-linear-3v3", "IN=two.OUT")
                .part("two", "regulator-linear-3v3", "IN=one.OUT")
                .circuit();
        long rails = FlowTree.of(circle).stream()
                .flatMap(FlowTreeTest::all)
                .map(tree -> tree.rail().id())
                .filter(id -> id.pin().equals("OUT"))
                .distinct()
                .count();
        assertEquals(2, rails);
    }

    private static Stream<FlowTree> all(FlowTree tree) {
        return Stream.concat(Stream.of(tree), tree.branches().stream().flatMap(branch -> all(branch.tree())));
    }
}
