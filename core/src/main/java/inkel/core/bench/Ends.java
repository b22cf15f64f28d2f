package inkel.core.bench;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.wiring.NetList;
import inkel.core.wiring.Terminal;

/** The names of points. Pins of one label, and all grounds of a part, are one point inside the part. */
final class Ends {
    private Ends() {}

    /** Where wires to a pin of a part come together inside it. */
    static String pin(NodeCircuit node, Endpoint pin) {
        return node.node().id() + " in " + pin;
    }

    static String pin(NodeCircuit node, Placed placed, String label) {
        return pin(node, new Endpoint(placed.id(), label));
    }

    static String ground(NodeCircuit node, String part) {
        return node.node().id() + " in " + part + " ground";
    }

    /** A place inside a part that has no pin of its own. */
    static String inside(NodeCircuit node, Endpoint pin, String what) {
        return pin(node, pin) + " " + what;
    }

    /** The end of a wire, the same whichever board's list tells of it; see {@link NetList#key}. */
    static String wire(Circuit circuit, NodeCircuit table, Terminal terminal) {
        return NetList.key(circuit, table, terminal);
    }
}
