package inkel.core.parts.rules;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import java.util.List;

/** The parts that are stations of a group. */
final class Radios {
    private Radios() {}

    static List<Place> places(RadioGroup group) {
        return group.stations().stream()
                .flatMap(station -> station.radio().stream())
                .toList();
    }

    /** A build keeps no station of a part that is on no table. */
    static Placed of(Circuit circuit, Place radio) {
        return circuit.node(radio.node())
                .flatMap(node -> node.part(radio.part()))
                .orElseThrow();
    }
}
