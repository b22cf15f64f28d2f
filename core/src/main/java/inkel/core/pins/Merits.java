package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What there is to say for a placement, counted from its wires alone.
 *
 * @param moved wires that go elsewhere than before; new ones are not counted
 * @param replugged those of them that were plugged already
 * @param crossings pairs of wires of one part, next to each other there, that cross
 * @param gaps pairs of them that do not lie side by side on the board
 * @param freePins pins of the board that are left for anything, the console's not among them
 * @param freePulses those of them that a timer can drive
 * @param freeAnalog those of them that a converter can read
 */
public record Merits(int moved, int replugged, int crossings, int gaps, int freePins, int freePulses, int freeAnalog) {
    /** Those of a node as it is: nothing has moved. */
    public static Merits of(NodeCircuit node) {
        return of(node, node);
    }

    static Merits of(NodeCircuit before, NodeCircuit after) {
        int moved = 0;
        int replugged = 0;
        for (Wire wire : before.node().wires()) {
            boolean isMoved = after.wire(wire.from())
                    .filter(now -> now.to().equals(wire.to()))
                    .isEmpty();
            moved += isMoved ? 1 : 0;
            replugged += isMoved && before.isPlugged(wire.from()) ? 1 : 0;
        }
        int crossings = 0;
        int gaps = 0;
        for (Placed placed : after.parts()) {
            List<Integer> steps = steps(after, placed);
            long rising = steps.stream().filter(step -> step > 0).count();
            boolean isRising = 2 * rising >= steps.size();
            crossings += (int) steps.stream()
                    .filter(step -> isRising ? step < 0 : step > 0)
                    .count();
            gaps += (int) steps.stream().filter(step -> Math.abs(step) != 1).count();
        }
        return new Merits(
                moved,
                replugged,
                crossings,
                gaps,
                free(after, pin -> true),
                free(after, pin -> pin.can(Ability.Kind.PWM)),
                free(after, pin -> pin.can(Ability.Kind.ADC)));
    }

    /** From each plain signal of a part to the next one: how far on along the board's header. */
    private static List<Integer> steps(NodeCircuit node, Placed placed) {
        List<Integer> places = new ArrayList<>();
        placed.cls()
                .signals()
                .filter(pin -> pin.use().sharedLine().isEmpty())
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .filter(wire -> wire.to().part().equals(node.board().id()) && !node.isTie(wire))
                .map(wire ->
                        HeaderLine.place(node.board().cls(), node.pin(wire.to()).orElseThrow()))
                .forEach(places::add);
        List<Integer> steps = new ArrayList<>();
        for (int i = 1; i < places.size(); i++) {
            steps.add(places.get(i) - places.get(i - 1));
        }
        return steps;
    }

    private static int free(NodeCircuit node, Predicate<Pin> test) {
        Placed board = node.board();
        return (int) board.cls()
                .offers()
                .filter(pin -> !pin.can(Ability.Kind.CONSOLE))
                .filter(test)
                .filter(pin -> Optional.ofNullable(node.nets().get(board.endpoint(pin)))
                        .isEmpty())
                .count();
    }
}
