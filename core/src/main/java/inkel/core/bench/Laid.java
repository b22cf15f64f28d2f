package inkel.core.bench;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A wire of a table, and what of it is the same in every state of the bench.
 *
 * @param name of its element
 * @param from the name of the point where its first end is
 * @param jumper empty where it has none, as the legs of a capacitor
 * @param pins at its ends, of its own board or another
 * @param parts that must be joined for it to be there: those at its ends, and the one that what stands in it belongs to
 */
record Laid(
        NodeCircuit table,
        WireStep step,
        String name,
        String from,
        String to,
        Optional<Jumper> jumper,
        List<Place> pins,
        Set<Place> parts) {

    static List<Laid> of(Circuit circuit, WireList list) {
        NodeCircuit table = list.node();
        return list.steps().stream()
                .map(step -> new Laid(
                        table,
                        step,
                        Ends.wire(table, step),
                        Ends.wire(circuit, table, step.from()),
                        Ends.wire(circuit, table, step.to()),
                        step.jumper(table),
                        pins(table, step),
                        parts(table, step)))
                .toList();
    }

    boolean isIn(Scene scene) {
        return scene.areJoined(parts);
    }

    private static List<Place> pins(NodeCircuit table, WireStep step) {
        List<Place> pins = new ArrayList<>();
        for (Terminal end : List.of(step.from(), step.to())) {
            if (end instanceof Terminal.OnPin pin) {
                pins.add(Place.of(table.node().id(), pin.pin()));
            } else if (end instanceof Terminal.OnOtherBoard other && !other.isGround()) {
                pins.add(other.pin());
            }
        }
        return pins;
    }

    private static Set<Place> parts(NodeCircuit table, WireStep step) {
        Set<Place> parts = new HashSet<>();
        pins(table, step).forEach(pin -> parts.add(Place.ofPart(pin.node(), pin.part())));
        boolean isLeg = step.from() instanceof Terminal.OnLeg || step.to() instanceof Terminal.OnLeg;
        if (isLeg && !step.subject().part().isEmpty()) {
            parts.add(Place.ofPart(step.subject().node(), step.subject().part()));
        }
        return parts;
    }
}
