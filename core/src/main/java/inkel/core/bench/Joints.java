package inkel.core.bench;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What is one point inside each part of a build: pins of one label, its grounds, and the ends of wires that are on them. */
final class Joints {
    private final Map<Place, List<Joint>> joints = new HashMap<>();

    /** Two names of one point. */
    private record Joint(String one, String other) {}

    Joints(Circuit circuit) {
        for (NodeCircuit node : circuit.nodes()) {
            node.parts().forEach(placed -> joints.put(node.place(placed), of(node, placed)));
        }
    }

    private static List<Joint> of(NodeCircuit node, Placed placed) {
        List<Joint> found = new ArrayList<>();
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            Pin pin = pins.get(i);
            String own = Ends.pin(node, placed.endpoint(pin));
            String inside = own;
            if (pin.use() == PinUse.GROUND) {
                inside = Ends.ground(node, placed.id());
                found.add(new Joint(inside, own));
            }
            String end = node.node().id() + " " + Terminal.OnPin.of(placed, i).id();
            found.add(new Joint(inside, end));
        }
        return found;
    }

    void solder(Place part, BenchModel.Builder model) {
        joints.get(part).forEach(joint -> model.solder(joint.one(), joint.other()));
    }
}
