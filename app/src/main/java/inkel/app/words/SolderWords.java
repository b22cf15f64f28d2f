package inkel.app.words;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.drawer.Preparation;
import inkel.core.quantity.Fact;

/** What is soldered before the first wire, in words. */
public final class SolderWords {
    private SolderWords() {}

    public static String say(NodeCircuit node, Preparation.Solder each) {
        if (each instanceof Preparation.Solder.Chip chip) {
            return Words.say(Fact.of("table.solder.chip")
                    .with("part", name(node, chip.part()))
                    .with("legs", chip.legs())
                    .with("pitch", Numbers.print(chip.pitch())));
        }
        if (each instanceof Preparation.Solder.Header header) {
            return Words.say(Fact.of("table.solder.header")
                    .with("part", name(node, header.part()))
                    .with("pins", header.pins()));
        }
        Preparation.Solder.Wires wires = (Preparation.Solder.Wires) each;
        return Words.say(Fact.of("table.solder.wires")
                .with("part", name(node, wires.part()))
                .with("count", wires.count()));
    }

    private static String name(NodeCircuit node, String part) {
        return node.part(part).map(Placed::part).orElseThrow().name();
    }
}
