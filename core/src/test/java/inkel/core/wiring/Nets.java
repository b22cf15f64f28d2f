package inkel.core.wiring;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** What hangs together, by union and find over names of ends. */
final class Nets {
    private final Map<String, String> above = new HashMap<>();

    private String root(String end) {
        String at = end;
        while (!above.getOrDefault(at, at).equals(at)) {
            at = above.get(at);
        }
        return at;
    }

    void join(String one, String other) {
        above.putIfAbsent(one, one);
        above.putIfAbsent(other, other);
        above.put(root(one), root(other));
    }

    boolean areJoined(String one, String other) {
        return root(one).equals(root(other));
    }

    /** The sets of pins that hang together; rows of a breadboard and nets of one pin are left out. */
    Set<Set<String>> ofPins() {
        Map<String, Set<String>> nets = new TreeMap<>();
        for (String end : above.keySet()) {
            if (!end.contains("row ")) {
                nets.computeIfAbsent(root(end), key -> new TreeSet<>()).add(end);
            }
        }
        Set<Set<String>> sets = new java.util.HashSet<>(nets.values());
        sets.removeIf(net -> net.size() < 2);
        return sets;
    }
}
