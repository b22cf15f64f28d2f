package inkel.core.bench.net;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * Points joined by elements. It changes no more once made.
 *
 * @param names of the points, for people who look into it; a point that several were joined to has the first one's
 */
public record Network(List<String> names, List<Element> elements) {
    public Network {
        names = List.copyOf(names);
        elements = List.copyOf(elements);
    }

    public int size() {
        return names.size();
    }

    /** The same with another element in the place of one. */
    public Network with(int element, Element other) {
        List<Element> changed = new ArrayList<>(elements);
        changed.set(element, other);
        return new Network(names, changed);
    }

    /** The same with one more element. */
    public Network plus(Element more) {
        List<Element> changed = new ArrayList<>(elements);
        changed.add(more);
        return new Network(names, changed);
    }

    /** Gives points their numbers: those that are soldered together share one. */
    public static final class Points {
        private final Map<String, Integer> known = new HashMap<>();
        private final List<String> names = new ArrayList<>();
        private final List<Integer> joinedTo = new ArrayList<>();

        public Points() {}

        /** The same points, to which more may be added. */
        public Points(Points other) {
            known.putAll(other.known);
            names.addAll(other.names);
            joinedTo.addAll(other.joinedTo);
        }

        /** The point of that name, made when it is first asked for. */
        public int at(String name) {
            Integer number = known.get(name);
            if (number == null) {
                number = names.size();
                known.put(name, number);
                names.add(name);
                joinedTo.add(number);
            }
            return root(number);
        }

        /** Makes two points one. To be done before numbers are used, since one of them changes. */
        public void solder(String one, String other) {
            int first = at(one);
            int second = at(other);
            joinedTo.set(Math.max(first, second), Math.min(first, second));
        }

        private int root(int number) {
            int at = number;
            while (joinedTo.get(at) != at) {
                at = joinedTo.get(at);
            }
            return at;
        }

        /** Whether a point of that name was asked for. */
        public OptionalInt known(String name) {
            Integer number = known.get(name);
            return number == null ? OptionalInt.empty() : OptionalInt.of(root(number));
        }

        /** All names by number; a name that was soldered to another one keeps its place, with nothing on it. */
        public List<String> names() {
            return List.copyOf(names);
        }
    }
}
