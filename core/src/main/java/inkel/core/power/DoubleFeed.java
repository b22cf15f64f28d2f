package inkel.core.power;

import inkel.core.catalog.Intake;
import inkel.core.catalog.Output;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import java.util.ArrayList;
import java.util.List;

/**
 * Two sources that meet on one rail without anything between them: the stronger one drives current into the other.
 *
 * @param pins the fed pins that lead straight to the rail, the usual one first
 */
public record DoubleFeed(NodeCircuit node, Placed placed, Output output, List<String> pins) {
    public DoubleFeed {
        pins = List.copyOf(pins);
    }

    static List<DoubleFeed> of(NodeCircuit node) {
        List<DoubleFeed> doubles = new ArrayList<>();
        for (Placed placed : node.parts()) {
            for (Output output : placed.cls().outputs()) {
                List<String> pins = straight(output).stream()
                        .filter(pin -> placed.part().feeds().containsKey(pin))
                        .filter(pin -> !placed.hasDiode(pin))
                        .distinct()
                        .toList();
                if (pins.size() > 1) {
                    doubles.add(new DoubleFeed(node, placed, output, pins));
                }
            }
        }
        return doubles;
    }

    /** Supply pins that lead to the rail with nothing between; a regulator lets nothing back to speak of. */
    private static List<String> straight(Output output) {
        List<String> pins = new ArrayList<>();
        if (output.way() == Output.Way.PASS) {
            output.from().ifPresent(pins::add);
        }
        output.orFrom().stream()
                .filter(intake -> intake.way() == Output.Way.PASS)
                .map(Intake::pin)
                .forEach(pins::add);
        return pins;
    }
}
