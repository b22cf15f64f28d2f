package inkel.core.bench;

import inkel.core.document.Place;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** In what a bench differs from its plan, by the names of a {@link BenchModel}; {@link Ends} has them. */
public final class Twist {
    /** A bench that is as planned. */
    public static final Twist NONE = new Builder().build();

    private final Map<String, String> first;
    private final Map<String, String> second;
    private final Set<String> gone;
    private final Set<String> turned;
    private final Map<String, UnaryOperator<Unknown>> figures;
    private final Map<String, Double> limits;
    private final List<Bridge> bridges;
    private final Set<Place> wired;
    private final Map<Place, Integer> addresses;
    private final Set<Place> silent;
    private final Set<Place> garbled;
    private final Set<Place> cut;
    private final Set<Question.Look> seen;

    private Twist(Builder from) {
        first = Map.copyOf(from.first);
        second = Map.copyOf(from.second);
        gone = Set.copyOf(from.gone);
        turned = Set.copyOf(from.turned);
        figures = Map.copyOf(from.figures);
        limits = Map.copyOf(from.limits);
        bridges = List.copyOf(from.bridges);
        wired = Set.copyOf(from.wired);
        addresses = Map.copyOf(from.addresses);
        silent = Set.copyOf(from.silent);
        garbled = Set.copyOf(from.garbled);
        cut = Set.copyOf(from.cut);
        seen = Set.copyOf(from.seen);
    }

    /** Something between points that ought to have nothing between them. */
    public record Bridge(String one, String other, Unknown ohms) {}

    /** Where an end of a wire is: as planned, or elsewhere. */
    String end(String wire, boolean isFirst, String planned) {
        return (isFirst ? first : second).getOrDefault(wire, planned);
    }

    boolean isGone(String slot) {
        return gone.contains(slot);
    }

    /**
     * Whether anything is otherwise in a state of the bench that has certain elements, figures and points; a state that it
     * does not touch reads as planned.
     */
    boolean touches(Set<String> slots, Set<String> keys, BenchModel plan, Scene scene) {
        return hasAny(first.keySet(), slots)
                || hasAny(second.keySet(), slots)
                || hasAny(gone, slots)
                || hasAny(turned, slots)
                || hasAny(limits.keySet(), slots)
                || hasAny(figures.keySet(), keys)
                || bridges.stream()
                        .anyMatch(bridge -> plan.points().known(bridge.one()).isPresent()
                                && plan.points().known(bridge.other()).isPresent())
                || areIn(addresses.keySet(), scene)
                || areIn(silent, scene)
                || areIn(garbled, scene)
                || areIn(cut, scene)
                || seen.stream()
                        .anyMatch(look -> look.sort() == Question.Sort.PROGRAM
                                || look.sort().needsPower());
    }

    private static boolean hasAny(Set<String> some, Set<String> of) {
        return some.stream().anyMatch(of::contains);
    }

    private static boolean areIn(Set<Place> places, Scene scene) {
        return places.stream().anyMatch(place -> scene.isJoined(place.node(), place.part()));
    }

    /** Whether the same elements stand between the same points as on a bench that is as planned. */
    boolean keepsShape() {
        return first.isEmpty()
                && second.isEmpty()
                && gone.isEmpty()
                && turned.isEmpty()
                && limits.isEmpty()
                && bridges.isEmpty()
                && wired.isEmpty();
    }

    /** Whether, but for pins that wires come to besides, only wires and what lies between points are otherwise, and figures. */
    boolean isOfWires() {
        return turned.isEmpty() && limits.isEmpty();
    }

    boolean hasFigures() {
        return !figures.isEmpty();
    }

    /** The wires that have an end elsewhere. */
    Set<String> moved() {
        Set<String> moved = new HashSet<>(first.keySet());
        moved.addAll(second.keySet());
        return moved;
    }

    boolean isTurned(String slot) {
        return turned.contains(slot);
    }

    Unknown known(Unknown figure) {
        UnaryOperator<Unknown> other = figures.get(figure.key());
        return other == null ? figure : other.apply(figure);
    }

    /** In amperes. */
    double limit(String slot, double planned) {
        return limits.getOrDefault(slot, planned);
    }

    List<Bridge> bridges() {
        return bridges;
    }

    /** Pins that a wire comes to besides those of the plan. */
    Set<Place> wired() {
        return wired;
    }

    Optional<Integer> address(Place part) {
        return Optional.ofNullable(addresses.get(part));
    }

    /** Whether a part does nothing, whatever it is fed with. */
    boolean isSilent(Place part) {
        return silent.contains(part);
    }

    /** Whether a part says what nobody understands. */
    boolean isGarbled(Place part) {
        return garbled.contains(part);
    }

    /** Whether nothing passes between a pin and the program, though its wire is in. */
    boolean isCut(Place pin) {
        return cut.contains(pin);
    }

    /** Whether a look shows that something is wrong. */
    boolean shows(Question.Look look) {
        return seen.contains(look);
    }

    /** Whether a wire sits where it is meant to, as far as the eye tells. */
    boolean isInPlace(String wire) {
        return !gone.contains(wire) && !first.containsKey(wire) && !second.containsKey(wire);
    }

    /** What is told without any volts; empty for what hangs on them. */
    public Optional<Answer> withoutPower(Question question) {
        if (question instanceof Question.Sits sits) {
            return Optional.of(new Answer.Sight(isInPlace(sits.wire())));
        }
        return question instanceof Question.Look look && !look.sort().needsPower()
                ? Optional.of(new Answer.Sight(!shows(look)))
                : Optional.empty();
    }

    /** All that two benches differ in together; where both say something of one thing, the other's holds. */
    public Twist and(Twist other) {
        Builder both = new Builder();
        for (Twist twist : List.of(this, other)) {
            both.first.putAll(twist.first);
            both.second.putAll(twist.second);
            both.gone.addAll(twist.gone);
            both.turned.addAll(twist.turned);
            both.figures.putAll(twist.figures);
            both.limits.putAll(twist.limits);
            both.bridges.addAll(twist.bridges);
            both.wired.addAll(twist.wired);
            both.addresses.putAll(twist.addresses);
            both.silent.addAll(twist.silent);
            both.garbled.addAll(twist.garbled);
            both.cut.addAll(twist.cut);
            both.seen.addAll(twist.seen);
        }
        return both.build();
    }

    /** Puts a twist together. */
    public static final class Builder {
        private final Map<String, String> first = new HashMap<>();
        private final Map<String, String> second = new HashMap<>();
        private final Set<String> gone = new HashSet<>();
        private final Set<String> turned = new HashSet<>();
        private final Map<String, UnaryOperator<Unknown>> figures = new HashMap<>();
        private final Map<String, Double> limits = new HashMap<>();
        private final List<Bridge> bridges = new ArrayList<>();
        private final Set<Place> wired = new HashSet<>();
        private final Map<Place, Integer> addresses = new HashMap<>();
        private final Set<Place> silent = new HashSet<>();
        private final Set<Place> garbled = new HashSet<>();
        private final Set<Place> cut = new HashSet<>();
        private final Set<Question.Look> seen = new HashSet<>();

        /** An end of a wire is at another point. */
        public Builder move(String wire, boolean isFirst, String point) {
            (isFirst ? first : second).put(wire, point);
            return this;
        }

        public Builder without(String slot) {
            gone.add(slot);
            return this;
        }

        /** A diode stands the wrong way round. */
        public Builder turn(String slot) {
            turned.add(slot);
            return this;
        }

        /** A figure lies between two others, in SI base units. */
        public Builder figure(String key, double low, double high) {
            figures.put(key, planned -> new Unknown(key, low, (low + high) / 2, high, Source.RULE));
            return this;
        }

        /** A figure is by so much more than what was planned. */
        public Builder plus(String key, double least, double most) {
            figures.put(
                    key,
                    planned -> new Unknown(
                            key,
                            planned.low() + least,
                            planned.expected() + (least + most) / 2,
                            planned.high() + most,
                            Source.RULE));
            return this;
        }

        /** A figure is so many times what was planned. */
        public Builder times(String key, double least, double most) {
            figures.put(
                    key,
                    planned -> new Unknown(
                            key,
                            planned.low() * least,
                            planned.expected() * (least + most) / 2,
                            planned.high() * most,
                            Source.RULE));
            return this;
        }

        /** @param amperes beyond which a source gives no more */
        public Builder limit(String slot, double amperes) {
            limits.put(slot, amperes);
            return this;
        }

        public Builder bridge(String one, String other, double least, double most) {
            bridges.add(new Bridge(
                    one,
                    other,
                    new Unknown("bridge " + one + " " + other, least, (least + most) / 2, most, Source.RULE)));
            return this;
        }

        public Builder wire(Place pin) {
            wired.add(pin);
            return this;
        }

        public Builder address(Place part, int address) {
            addresses.put(part, address);
            return this;
        }

        public Builder silence(Place part) {
            silent.add(part);
            return this;
        }

        public Builder garble(Place part) {
            garbled.add(part);
            return this;
        }

        public Builder cut(Place pin) {
            cut.add(pin);
            return this;
        }

        public Builder show(Question.Look look) {
            seen.add(look);
            return this;
        }

        public Twist build() {
            return new Twist(this);
        }
    }
}
