package inkel.core.bench;

import inkel.core.catalog.Mode;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Makes the network of a build in a state of its bench: all parts and wires of all boards that are joined then. */
public final class Benches {
    private final Circuit circuit;
    private final Joints joints;
    private final List<Laid> wires = new ArrayList<>();
    private final List<Plug> plugs = new ArrayList<>();

    /** A supply pin that a plug brings its rail to. */
    private record Plug(NodeCircuit node, Endpoint pin, Rail rail) {}

    /** @param lists of all nodes of the circuit */
    public Benches(Circuit circuit, List<WireList> lists) {
        this.circuit = circuit;
        joints = new Joints(circuit);
        lists.forEach(list -> wires.addAll(Laid.of(circuit, list)));
        for (NodeCircuit node : circuit.nodes()) {
            WireList.byPlug(node).forEach(pin -> node.part(pin.part())
                    .flatMap(placed -> node.railOf(placed, pin.pin()))
                    .ifPresent(rail -> plugs.add(new Plug(node, pin, rail))));
        }
    }

    public Circuit circuit() {
        return circuit;
    }

    public Optional<NodeCircuit> node(String id) {
        return circuit.node(id);
    }

    /** All parts of all boards. */
    public Set<Place> all() {
        Set<Place> all = new LinkedHashSet<>();
        circuit.nodes().forEach(node -> node.parts().forEach(placed -> all.add(node.place(placed))));
        return all;
    }

    /** The name of the point where wires to a pin come together inside its part. */
    public String pin(NodeCircuit node, Endpoint pin) {
        return Ends.pin(node, pin);
    }

    /** The name of the point where the grounds of a part come together; of the board for a part without any. */
    public String ground(NodeCircuit node, String part) {
        return Ends.ground(
                node, hasGround(node, part) ? part : above(node, part).orElse(Part.BOARD));
    }

    private static boolean hasGround(NodeCircuit node, String part) {
        return node.part(part).stream()
                .flatMap(placed -> placed.cls().pins().stream())
                .anyMatch(pin -> pin.use() == PinUse.GROUND);
    }

    /** What stands in a supply line is there before the board is: it is measured against the ground of what feeds it. */
    private static Optional<String> above(NodeCircuit node, String part) {
        return node.part(part).filter(placed -> placed.cls().standsInLine()).stream()
                .flatMap(placed -> placed.part().feeds().values().stream())
                .flatMap(rail -> node.upToSource(rail).stream())
                .map(Endpoint::part)
                .filter(id -> hasGround(node, id))
                .findFirst();
    }

    /** The name of the point where an end of a wire is. */
    public String point(NodeCircuit table, Terminal end) {
        return Ends.wire(circuit, table, end);
    }

    /** Volts at a pin, against the ground of its own part. */
    public Probe volts(NodeCircuit node, Endpoint pin) {
        return new Probe.Volts(Ends.pin(node, pin), ground(node, pin.part()));
    }

    /** What a part takes at a supply pin for itself. */
    public Probe takes(NodeCircuit node, Endpoint supplyPin) {
        return new Probe.Amperes(Ends.takes(node, supplyPin));
    }

    /** What a source gives in all. */
    public Probe gives(NodeCircuit node, Endpoint rail) {
        return new Probe.Amperes(Ends.gives(node, rail));
    }

    /** In which of its modes a part rests. */
    public Optional<Mode> restingMode(Placed placed, Supply supply) {
        return Resting.mode(placed, supply, Optional.empty());
    }

    /** Whether a pin of a part that is joined does what no class tells. */
    public boolean drivesSomething(NodeCircuit node, Endpoint pin, Set<Place> joined) {
        return joined.contains(Place.ofPart(node.node().id(), pin.part()))
                && node.part(pin.part())
                        .flatMap(placed -> placed.cls().pin(pin.pin()).map(found -> Drives.atRest(placed, found)))
                        .filter(Drives.SOMETHING::equals)
                        .isPresent();
    }

    public BenchModel model(Scene scene) {
        return model(scene, new Learnt());
    }

    /** @param learnt what readings said of its figures so far */
    public BenchModel model(Scene scene, Learnt learnt) {
        return model(scene, learnt, Twist.NONE);
    }

    /** @param twist in what the bench differs from the plan */
    public BenchModel model(Scene asked, Learnt learnt, Twist twist) {
        Scene scene = Codes.heard(circuit, wires, asked, twist);
        BenchModel.Builder model = new BenchModel.Builder(learnt, twist);
        for (NodeCircuit node : circuit.nodes()) {
            node.parts().stream()
                    .filter(placed -> scene.isJoined(node.node().id(), placed.id()))
                    .forEach(placed -> joints.solder(node.place(placed), model));
        }
        Set<Place> wired = new HashSet<>(twist.wired());
        // What a converter gives is measured at its pin, whether a wire is at it or not.
        wired.addAll(scene.codes().keySet());
        for (Laid wire : wires) {
            if (scene.has(wire.table().node().id()) && wire.isIn(scene)) {
                new WireElements(circuit, wire, model).add();
                wired.addAll(wire.pins());
            }
        }
        plugs.stream()
                .filter(plug -> scene.isJoined(
                                plug.node().node().id(), plug.pin().part())
                        && scene.isJoined(
                                plug.node().node().id(), plug.rail().id().part()))
                .forEach(plug -> plug(plug, model));
        for (NodeCircuit node : circuit.nodes()) {
            node.parts().stream()
                    .filter(placed -> scene.isJoined(node.node().id(), placed.id()))
                    .forEach(placed -> new PartElements(node, placed, scene, model).add(labels(node, placed, wired)));
        }
        twist.bridges().stream()
                .filter(bridge -> model.isThere(bridge.one()) && model.isThere(bridge.other()))
                .forEach(bridge -> model.resistor("bridge", bridge.one(), bridge.other(), bridge.ohms()));
        return model.build();
    }

    /** A bench as planned, with what is on pins that wires come to besides. */
    BenchModel wired(BenchModel plan, Scene scene, Set<Place> besides) {
        Set<Place> more = new HashSet<>(besides);
        more.removeAll(scene.codes().keySet());
        wires.stream().filter(wire -> wire.isIn(scene)).forEach(wire -> wire.pins()
                .forEach(more::remove));
        BenchModel.Builder model = new BenchModel.Builder(plan);
        for (NodeCircuit node : circuit.nodes()) {
            node.parts().stream()
                    .filter(placed -> scene.isJoined(node.node().id(), placed.id()))
                    .forEach(placed ->
                            new PartElements(node, placed, scene, model).addWired(labels(node, placed, more)));
        }
        return model.build();
    }

    private static Set<String> labels(NodeCircuit node, Placed placed, Set<Place> wired) {
        Set<String> labels = new HashSet<>();
        for (Pin pin : placed.cls().pins()) {
            if (wired.contains(Place.of(node.node().id(), placed.endpoint(pin)))) {
                labels.add(pin.label());
            }
        }
        return labels;
    }

    Reach reach(Scene scene, Twist twist) {
        return new Reach(circuit, wires, scene, twist);
    }

    /** A plug brings the rail, and the ground beside it. */
    private static void plug(Plug plug, BenchModel.Builder model) {
        NodeCircuit node = plug.node();
        Endpoint rail = plug.rail().id();
        String name = node.node().id() + " plug " + rail + " > " + plug.pin();
        model.resistor(name, Ends.pin(node, rail), Ends.pin(node, plug.pin()), Assumed.plug(name));
        model.resistor(
                name + " ground",
                Ends.ground(node, rail.part()),
                Ends.ground(node, plug.pin().part()),
                Assumed.plug(name + " ground"));
    }
}
