package inkel.core.bench;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.wiring.NetList;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;

/**
 * The names of points and elements of a {@link BenchModel}. Pins of one label, and all grounds of a part, are one point
 * inside the part.
 */
public final class Ends {
    private Ends() {}

    /** Where wires to a pin of a part come together inside it. */
    public static String pin(NodeCircuit node, Endpoint pin) {
        return node.node().id() + " in " + pin;
    }

    static String pin(NodeCircuit node, Placed placed, String label) {
        return pin(node, new Endpoint(placed.id(), label));
    }

    public static String ground(NodeCircuit node, String part) {
        return node.node().id() + " in " + part + " ground";
    }

    /** A place inside a part that has no pin of its own. */
    static String inside(NodeCircuit node, Endpoint pin, String what) {
        return pin(node, pin) + " " + what;
    }

    /** The end of a wire, the same whichever board's list tells of it; see {@link NetList#key}. */
    public static String wire(Circuit circuit, NodeCircuit table, Terminal terminal) {
        return NetList.key(circuit, table, terminal);
    }

    /** The element that a wire is, and the figure of its ohms. */
    public static String wire(NodeCircuit table, WireStep step) {
        return table.node().id() + " wire " + step.id();
    }

    /** The element, or the figure, that is something of a pin. */
    public static String of(NodeCircuit node, Endpoint pin, String what) {
        return node.node().id() + " " + pin + " " + what;
    }

    /** What a part takes for itself at a supply pin. */
    public static String takes(NodeCircuit node, Endpoint supplyPin) {
        return of(node, supplyPin, "takes");
    }

    /** What a source gives. */
    public static String gives(NodeCircuit node, Endpoint rail) {
        return of(node, rail, "gives");
    }

    /** What the element of a diode that stands in a wire is called. */
    public static String diode(String wire) {
        return wire + " diode";
    }
}
