package inkel.core.circuit;

import inkel.core.catalog.PartClass;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import java.util.ArrayList;
import java.util.List;

/**
 * Servos that hang on a rail of the board. Both schools are right somewhere: the board's rail does while all that its
 * servos take at their worst stays inside half of what the others leave of it.
 *
 * @param rail the board's rail
 * @param servos the servos fed from it, directly or through a driver
 * @param taken what they take at the most
 * @param spare what the other loads leave of the rail's rating
 */
public record ServoFeed(NodeCircuit node, Rail rail, List<Placed> servos, Current taken, Current spare) {
    private static final String SERVO = "servo";
    private static final double HALF = 0.5;

    public ServoFeed {
        servos = List.copyOf(servos);
    }

    /** Every rail of the board that servos hang on. */
    public static List<ServoFeed> of(NodeCircuit node) {
        List<ServoFeed> feeds = new ArrayList<>();
        for (Rail rail : node.rails()) {
            if (node.board().id().equals(rail.id().part())) {
                List<Placed> servos = node.parts().stream()
                        .filter(placed -> isServo(placed.cls()))
                        .filter(servo -> hangsOn(node, servo, rail.id()))
                        .toList();
                if (!servos.isEmpty()) {
                    feeds.add(of(node, rail, servos));
                }
            }
        }
        return feeds;
    }

    /** Moves by pulses and takes its motor's current from its own supply pin; a driver does neither. */
    public static boolean isServo(PartClass cls) {
        return cls.kinds().contains(SERVO) && cls.outputs().isEmpty();
    }

    private static boolean hangsOn(NodeCircuit node, Placed servo, Endpoint rail) {
        return servo.part().feeds().values().stream()
                .anyMatch(feed -> node.upToSource(feed).contains(rail));
    }

    private static ServoFeed of(NodeCircuit node, Rail rail, List<Placed> servos) {
        List<String> ids = servos.stream().map(Placed::id).toList();
        Current without = node.currents((placed, supply) ->
                        ids.contains(placed.id()) ? Current.ZERO : node.loads().during(placed, supply, rail.worst()))
                .get(rail.id());
        return new ServoFeed(
                node, rail, servos, rail.peak().minus(without), rail.rating().minus(without));
    }

    /** The most the servos may take here. */
    public Current limit() {
        return spare.isBelow(Current.ZERO) ? Current.ZERO : spare.times(HALF);
    }

    public boolean isTooMuch() {
        return taken.isAbove(limit());
    }
}
