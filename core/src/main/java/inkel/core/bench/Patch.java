package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Network;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * A bench that differs from another in its wires, in what lies between points, and in figures: made of the other one's model
 * and network, since all else is the same.
 *
 * @param network for what is expected of all figures
 */
record Patch(BenchModel model, Network network) {
    /**
     * @param plan of the same state, with all pins that wires come to
     * @param network of the plan, or of the first of its elements
     * @param names of all its wires at the least, and what stands in them
     * @return empty where more than that is otherwise, or the end of a wire is where the other model has no point
     */
    static Optional<Patch> of(BenchModel plan, Network network, Set<String> names, Twist twist) {
        return twist.isOfWires() && names.containsAll(twist.moved())
                ? new Maker(plan, network, names, twist).made()
                : Optional.empty();
    }

    private static final class Maker {
        private final BenchModel plan;
        private final Network network;
        private final Set<String> names;
        private final Twist twist;
        private final List<Unknown> unknowns;
        private final List<BenchModel.Slot> slots = new ArrayList<>();
        private final List<Element> elements = new ArrayList<>();
        private double[] expected;

        Maker(BenchModel plan, Network network, Set<String> names, Twist twist) {
            this.plan = plan;
            this.network = network;
            this.names = names;
            this.twist = twist;
            unknowns = new ArrayList<>(plan.unknowns());
        }

        Optional<Patch> made() {
            if (twist.hasFigures()) {
                unknowns.replaceAll(twist::known);
            }
            for (Twist.Bridge bridge : twist.bridges()) {
                unknowns.add(bridge.ohms());
            }
            expected = unknowns.stream().mapToDouble(Unknown::expected).toArray();
            Set<String> moved = twist.moved();
            for (int i = 0; i < plan.slots().size(); i++) {
                BenchModel.Slot slot = plan.slots().get(i);
                if (moved.contains(slot.name()) && !twist.isGone(slot.name())) {
                    if (!isMoved(slot)) {
                        return Optional.empty();
                    }
                } else if (!twist.isGone(slot.name())) {
                    slots.add(slot);
                    elements.add(isAsPlanned(i) ? network.elements().get(i) : element(slot));
                }
            }
            for (int i = 0; i < twist.bridges().size(); i++) {
                bridge(twist.bridges().get(i), plan.unknowns().size() + i);
            }
            return Optional.of(new Patch(
                    new BenchModel(plan.points(), unknowns, slots),
                    new Network(plan.points().names(), elements)));
        }

        private boolean isAsPlanned(int number) {
            if (number >= network.elements().size()) {
                return false;
            }
            for (int figure : twist.hasFigures() ? plan.slots().get(number).figures() : List.<Integer>of()) {
                if (unknowns.get(figure) != plan.unknowns().get(figure)) {
                    return false;
                }
            }
            return true;
        }

        private Element element(BenchModel.Slot slot) {
            return slot.maker().make(expected);
        }

        /**
         * Puts a wire where it is; false where there is no such point, or it is more than one element: a transistor in it hangs
         * on one of its ends alone.
         */
        private boolean isMoved(BenchModel.Slot wire) {
            boolean isPlain =
                    !names.contains(WireElements.transistor(wire.name())) && !names.contains(Ends.diode(wire.name()));
            if (!isPlain || !(element(wire) instanceof Element.Resistor planned)) {
                return false;
            }
            OptionalInt from = end(wire, true, planned.one());
            OptionalInt to = end(wire, false, planned.other());
            if (from.isEmpty() || to.isEmpty()) {
                return false;
            }
            between(wire.name(), from.getAsInt(), to.getAsInt(), wire.figures().get(0));
            return true;
        }

        private OptionalInt end(BenchModel.Slot wire, boolean isFirst, int planned) {
            String moved = twist.end(wire.name(), isFirst, "");
            return moved.isEmpty() ? OptionalInt.of(planned) : plan.points().known(moved);
        }

        private void bridge(Twist.Bridge bridge, int figure) {
            OptionalInt one = plan.points().known(bridge.one());
            OptionalInt other = plan.points().known(bridge.other());
            if (one.isPresent() && other.isPresent()) {
                between("bridge", one.getAsInt(), other.getAsInt(), figure);
            }
        }

        /** Nothing between a point and itself. */
        private void between(String name, int from, int to, int figure) {
            if (from != to) {
                BenchModel.Slot slot = new BenchModel.Slot(
                        name, List.of(figure), figures -> new Element.Resistor(from, to, figures[figure]));
                slots.add(slot);
                elements.add(element(slot));
            }
        }
    }
}
