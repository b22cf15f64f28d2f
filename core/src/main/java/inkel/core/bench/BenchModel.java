package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Network;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * A build in one state of the bench, as a network whose figures are not all known.
 *
 * @param unknowns the figures, by number
 * @param slots the elements, in the order of the network's
 */
public record BenchModel(Network.Points points, List<Unknown> unknowns, List<Slot> slots) {
    public BenchModel {
        unknowns = List.copyOf(unknowns);
        slots = List.copyOf(slots);
    }

    /** Makes an element of figures, in SI base units by the number of the unknown. */
    @FunctionalInterface
    public interface Maker {
        Element make(double[] figures);
    }

    /**
     * An element and the figures that it is made of.
     *
     * @param name what it is in the build: {@code lower-lock wire board.GND@1 > row ground}
     */
    public record Slot(String name, List<Integer> figures, Maker maker) {
        public Slot {
            figures = List.copyOf(figures);
        }
    }

    /** What is expected of all figures. */
    public double[] expected() {
        return unknowns.stream().mapToDouble(Unknown::expected).toArray();
    }

    /** The network for certain figures. */
    public Network network(double[] figures) {
        return new Network(
                points.names(),
                slots.stream().map(slot -> slot.maker().make(figures)).toList());
    }

    /** The number of an element by its name; empty when the build has none of that name in this state. */
    public OptionalInt slot(String name) {
        for (int i = 0; i < slots.size(); i++) {
            if (slots.get(i).name().equals(name)) {
                return OptionalInt.of(i);
            }
        }
        return OptionalInt.empty();
    }

    /** Puts a model together: first what is soldered, then the elements. */
    static final class Builder {
        private final Network.Points points;
        private final List<Unknown> unknowns = new ArrayList<>();
        private final Map<String, Integer> numbers = new HashMap<>();
        private final List<Slot> slots = new ArrayList<>();
        private final Learnt learnt;
        private final Twist twist;

        Builder(Learnt learnt, Twist twist) {
            this.learnt = learnt;
            this.twist = twist;
            points = new Network.Points();
        }

        /** Goes on with a model that is as planned. */
        Builder(BenchModel from) {
            learnt = new Learnt();
            twist = Twist.NONE;
            points = new Network.Points(from.points());
            slots.addAll(from.slots());
            for (Unknown unknown : from.unknowns()) {
                numbers.put(unknown.key(), unknowns.size());
                unknowns.add(unknown);
            }
        }

        /** In what this bench differs from the plan. */
        Twist twist() {
            return twist;
        }

        void solder(String one, String other) {
            points.solder(one, other);
        }

        int point(String name) {
            return points.at(name);
        }

        boolean isThere(String name) {
            return points.known(name).isPresent();
        }

        boolean has(String slot) {
            return slots.stream().anyMatch(made -> made.name().equals(slot));
        }

        /** The number of a figure; one that is there already stays as it is. */
        int figure(Unknown unknown) {
            return numbers.computeIfAbsent(unknown.key(), key -> {
                unknowns.add(twist.known(learnt.known(unknown)));
                return unknowns.size() - 1;
            });
        }

        void add(String name, Maker maker, int... figures) {
            if (!twist.isGone(name)) {
                Integer[] numbers = new Integer[figures.length];
                Arrays.setAll(numbers, i -> figures[i]);
                slots.add(new Slot(name, List.of(numbers), maker));
            }
        }

        /** A resistance between two points. */
        void resistor(String name, String one, String other, Unknown ohms) {
            int from = point(one);
            int to = point(other);
            int figure = figure(ohms);
            if (from != to) {
                add(name, figures -> new Element.Resistor(from, to, figures[figure]), figure);
            }
        }

        /** A diode between two points. */
        void diode(String name, String anode, String cathode, Unknown knee, double ohms) {
            int from = point(twist.isTurned(name) ? cathode : anode);
            int to = point(twist.isTurned(name) ? anode : cathode);
            int figure = figure(knee);
            if (from != to) {
                add(name, figures -> new Element.Diode(from, to, figures[figure], ohms), figure);
            }
        }

        BenchModel build() {
            return new BenchModel(points, unknowns, slots);
        }
    }
}
