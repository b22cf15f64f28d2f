package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/** What findings about one wire have in common: the names of both its ends, and places to go. */
final class WireFinding {
    private WireFinding() {}

    static Finding.Builder of(RuleInfo info, NodePins pins, Wire wire) {
        NodeCircuit node = pins.node();
        return Finding.of(info, node.place(wire.from()))
                .with("part", node.part(wire.from().part()).orElseThrow().part().name())
                .with("signal", wire.from().pin())
                .with("pin", wire.to().pin());
    }

    /** What a look at every wire of every node finds. */
    static List<Finding> each(PinReport report, BiFunction<NodePins, Wire, Optional<Finding>> look) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            for (Wire wire : pins.node().node().wires()) {
                look.apply(pins, wire).ifPresent(findings::add);
            }
        }
        return findings;
    }

    static Placed part(NodePins pins, Wire wire) {
        return pins.node().part(wire.from().part()).orElseThrow();
    }

    static Pin target(NodePins pins, Wire wire) {
        return pins.node().pin(wire.to()).orElseThrow();
    }
}
