package inkel.core.bench;

import inkel.core.catalog.Pin;
import inkel.core.catalog.Ways;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Which pins signals pass between in a state of a bench: along wires, whatever stands in them, and through shifters. */
final class Reach {
    private final Circuit circuit;
    private final Scene scene;
    private final Twist twist;
    private final Map<String, String> parent = new HashMap<>();
    private final Set<String> spoilt = new HashSet<>();

    Reach(Circuit circuit, List<Laid> wires, Scene scene, Twist twist) {
        this.circuit = circuit;
        this.scene = scene;
        this.twist = twist;
        for (Laid wire : wires) {
            WireStep step = wire.step();
            boolean carries = step.kind() == WireStep.Kind.SHARED || step.kind() == WireStep.Kind.SIGNAL;
            if (carries && !twist.isGone(wire.name()) && wire.isIn(scene)) {
                join(
                        twist.end(wire.name(), true, end(wire.table(), step.from())),
                        twist.end(wire.name(), false, end(wire.table(), step.to())));
            }
        }
        circuit.nodes().forEach(node -> node.parts().forEach(placed -> ways(node, placed)));
        twist.bridges().forEach(bridge -> {
            spoilt.add(bridge.one());
            spoilt.add(bridge.other());
        });
    }

    private String end(NodeCircuit table, Terminal terminal) {
        if (terminal instanceof Terminal.OnPin pin) {
            return Ends.pin(table, pin.pin());
        } else if (terminal instanceof Terminal.OnLeg leg) {
            // What stands in a wire is passed whichever of its legs the wires are at.
            return table.node().id() + " piece of " + leg.signal()
                    + leg.away().map(pin -> " to " + pin).orElse("");
        } else if (terminal instanceof Terminal.OnOtherBoard other
                && other.pin().isPin()) {
            return circuit.node(other.pin().node())
                    .map(node -> Ends.pin(node, other.pin().endpoint()))
                    .orElse(other.id());
        }
        return Ends.wire(circuit, table, terminal);
    }

    private void ways(NodeCircuit node, Placed placed) {
        Ways ways = node.ways(placed);
        boolean passes = scene.isJoined(node.node().id(), placed.id()) && !twist.isSilent(node.place(placed));
        for (int way = 1; way <= ways.count() && passes; way++) {
            List<Pin> pins = ways.pins(way);
            join(
                    Ends.pin(node, placed, pins.get(0).label()),
                    Ends.pin(node, placed, pins.get(1).label()));
        }
    }

    private void join(String one, String other) {
        parent.put(root(one), root(other));
    }

    private String root(String point) {
        String at = point;
        while (parent.containsKey(at) && !parent.get(at).equals(at)) {
            at = parent.get(at);
        }
        return at;
    }

    /** Whether what one pin says comes to another, and nothing holds the wire. */
    boolean joins(NodeCircuit node, Endpoint pin, NodeCircuit away, Endpoint other) {
        String one = root(Ends.pin(node, pin));
        return one.equals(root(Ends.pin(away, other)))
                && spoilt.stream().noneMatch(point -> root(point).equals(one))
                && !twist.isCut(node.place(pin))
                && !twist.isCut(away.place(other));
    }

    /** Whether the wire of a signal leads where it is meant to. */
    boolean isThrough(NodeCircuit node, Endpoint signal) {
        return node.wire(signal)
                .map(wire -> joins(node, signal, node, wire.to()))
                .orElse(true);
    }
}
