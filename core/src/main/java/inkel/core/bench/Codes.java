package inkel.core.bench;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Codes that the program sends to converters, and what becomes of them on a bench that is not as planned. */
final class Codes {
    /** What a converter gives that no code has come to. */
    private static final double UNTOLD = 0;

    private static final Set<PinUse> SENDS =
            EnumSet.of(PinUse.I2C_SDA, PinUse.I2C_SCL, PinUse.SPI_SCK, PinUse.SPI_MOSI, PinUse.SPI_CS);

    private Codes() {}

    /** The same state with the codes that come to their converters. */
    static Scene heard(Circuit circuit, List<Laid> wires, Scene scene, Twist twist) {
        if (scene.codes().isEmpty() || twist.equals(Twist.NONE)) {
            return scene;
        }
        Reach reach = new Reach(circuit, wires, scene, twist);
        Reach planned = new Reach(circuit, wires, scene, Twist.NONE);
        Map<Place, Double> codes = new LinkedHashMap<>();
        scene.codes().forEach((pin, share) -> {
            NodeCircuit node = circuit.node(pin.node()).orElseThrow();
            Placed placed = node.part(pin.part()).orElseThrow();
            boolean isHeard = understands(node, placed, twist)
                    && placed.cls()
                            .signals()
                            .filter(signal -> SENDS.contains(signal.use()))
                            .map(placed::endpoint)
                            .allMatch(end -> reach.isThrough(node, end) || !planned.isThrough(node, end));
            codes.put(pin, isHeard ? share : UNTOLD);
        });
        return scene.giving(codes);
    }

    private static boolean understands(NodeCircuit node, Placed placed, Twist twist) {
        Place part = node.place(placed);
        return !twist.isSilent(part)
                && !twist.isGarbled(part)
                && twist.address(part).isEmpty()
                && !twist.shows(new Question.Look(Question.Sort.PROGRAM, node.place(node.board())));
    }
}
