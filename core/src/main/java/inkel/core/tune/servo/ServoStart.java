package inkel.core.tune.servo;

import inkel.core.catalog.Mode;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetMoment;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Servos of one board that move one after another: each has a moment of its own, and Power adds up no two of them. */
public final class ServoStart {
    private ServoStart() {}

    /**
     * A servo that moves.
     *
     * @param seconds how long its move takes
     */
    public record Mover(Placed servo, double seconds) {}

    /**
     * Puts the moments of servos one after another, the first at the start of the round. A moment that raises just one of
     * them is moved; for a servo that has none, one is made.
     *
     * @param name what a new moment is called
     */
    public static List<Edit> inTurn(NodeCircuit node, List<Mover> movers, Function<Placed, String> name) {
        List<Edit> edits = new ArrayList<>();
        double at = 0;
        for (Mover mover : movers) {
            Optional<Moment> moment = own(node, mover.servo())
                    .or(() -> busiest(mover.servo()).map(mode -> made(node, mover.servo(), mode, name)));
            if (moment.isPresent()) {
                Moment there = moment.get();
                edits.add(new SetMoment(
                        node.node().id(),
                        new Moment(
                                there.id(),
                                there.name(),
                                there.raises(),
                                TimeSpan.ofSeconds(mover.seconds()),
                                there.repeat(),
                                Optional.of(TimeSpan.ofSeconds(at)),
                                there.never(),
                                there.extras())));
                at += mover.seconds();
            }
        }
        return edits;
    }

    private static Optional<Moment> own(NodeCircuit node, Placed servo) {
        return node.node().moments().stream()
                .filter(moment -> moment.raises().size() == 1
                        && moment.raises().get(0).part().equals(servo.id()))
                .findFirst();
    }

    private static Optional<Mode> busiest(Placed servo) {
        return servo.cls().modes().stream()
                .max(Comparator.comparingDouble(
                        mode -> mode.current().range().highest().amperes()));
    }

    private static Moment made(NodeCircuit node, Placed servo, Mode mode, Function<Placed, String> name) {
        String id = "move-" + servo.id();
        for (int number = 2; node.node().moment(id).isPresent(); number++) {
            id = "move-" + servo.id() + "-" + number;
        }
        return new Moment(
                id,
                name.apply(servo),
                List.of(new Moment.Raise(servo.id(), mode.name())),
                TimeSpan.ofSeconds(1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
    }
}
