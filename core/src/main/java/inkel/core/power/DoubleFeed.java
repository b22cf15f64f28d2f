package inkel.core.power;

import inkel.core.catalog.Output;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Two sources that meet on a rail of a part, so that one drives current into the other.
 *
 * @param output the rail where they meet
 * @param pins the supply pins that lead straight there, the usual one first; the one that is driven last where only that
 *     one is
 * @param isCharging whether what is driven is a battery behind nothing, and the other one comes through a diode
 */
public record DoubleFeed(NodeCircuit node, Placed placed, Output output, List<String> pins, boolean isCharging) {
    public DoubleFeed {
        pins = List.copyOf(pins);
    }

    /** A way to a rail with no regulator in it; a regulator lets nothing back to speak of. */
    private record Straight(String pin, boolean hasDiode) {}

    static List<DoubleFeed> of(NodeCircuit node) {
        List<DoubleFeed> doubles = new ArrayList<>();
        for (Placed placed : node.parts()) {
            for (Output output : placed.cls().outputs()) {
                List<Straight> fed = straight(placed, output).stream()
                        .filter(way -> placed.part().feeds().containsKey(way.pin()))
                        .toList();
                List<String> open = fed.stream()
                        .filter(way -> !way.hasDiode())
                        .map(Straight::pin)
                        .distinct()
                        .toList();
                if (open.size() > 1) {
                    doubles.add(new DoubleFeed(node, placed, output, open, false));
                } else if (open.size() == 1 && isBattery(node, placed, open.get(0))) {
                    fed.stream()
                            .filter(way -> way.hasDiode() && isHigher(node, placed, way.pin(), open.get(0)))
                            .findFirst()
                            .ifPresent(way -> doubles.add(
                                    new DoubleFeed(node, placed, output, List.of(way.pin(), open.get(0)), true)));
                }
            }
        }
        return doubles;
    }

    private static List<Straight> straight(Placed placed, Output output) {
        List<Straight> ways = new ArrayList<>();
        if (output.way() == Output.Way.PASS) {
            output.from()
                    .map(pin -> new Straight(pin, output.drop().isPresent() || placed.hasDiode(pin)))
                    .ifPresent(ways::add);
        }
        output.orFrom().stream()
                .filter(intake -> intake.way() == Output.Way.PASS)
                .map(intake -> new Straight(intake.pin(), intake.drop().isPresent() || placed.hasDiode(intake.pin())))
                .forEach(ways::add);
        return ways;
    }

    private static boolean isBattery(NodeCircuit node, Placed placed, String pin) {
        return node.railOf(placed, pin)
                .filter(rail -> rail.output().battery().isPresent())
                .isPresent();
    }

    /** Whether the one supply, a diode below, can be above the other. */
    private static boolean isHigher(NodeCircuit node, Placed placed, String one, String other) {
        Optional<Voltage> high = node.railOf(placed, one).flatMap(Rail::volts).map(volts -> volts.highest());
        Optional<Voltage> low = node.railOf(placed, other).flatMap(Rail::volts).map(volts -> volts.lowest());
        return high.isPresent()
                && low.isPresent()
                && high.get().minus(Placed.DIODE).isAbove(low.get());
    }
}
