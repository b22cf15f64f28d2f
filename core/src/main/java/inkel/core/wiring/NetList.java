package inkel.core.wiring;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the wires of all boards join: every net with its ends, as the wire lists make it. */
public record NetList(List<Net> nets) {
    public NetList {
        nets = List.copyOf(nets);
    }

    /**
     * Ends that are joined.
     *
     * @param kind of the first of its wires in the safe order, so that a ground is a ground
     * @param ends in the order in which they are wired
     */
    public record Net(WireStep.Kind kind, List<End> ends) {
        public Net {
            ends = List.copyOf(ends);
        }
    }

    /** An end on the table of a node. */
    public record End(WireList table, Terminal terminal) {}

    public static NetList of(Circuit circuit) {
        return of(circuit, WireList.of(circuit));
    }

    /** @param lists of all nodes of the circuit */
    public static NetList of(Circuit circuit, List<WireList> lists) {
        Joining joining = new Joining();
        for (WireList list : lists) {
            for (WireStep step : list.steps()) {
                if (step.fitting().isEmpty()) {
                    joining.join(step.kind(), key(circuit, list, step.from()), key(circuit, list, step.to()));
                }
            }
        }
        for (WireList list : lists) {
            for (WireStep step : list.steps()) {
                if (step.fitting().isEmpty()) {
                    joining.name(key(circuit, list, step.from()), new End(list, step.from()));
                    joining.name(key(circuit, list, step.to()), new End(list, step.to()));
                }
            }
        }
        return new NetList(joining.nets());
    }

    private static String key(Circuit circuit, WireList list, Terminal terminal) {
        return key(circuit, list.node(), terminal);
    }

    /** The same text for the same end, whichever board's list tells of it. */
    public static String key(Circuit circuit, NodeCircuit table, Terminal terminal) {
        if (terminal instanceof Terminal.OnOtherBoard other) {
            String far = other.pin().node();
            return other.isGround()
                    ? far + " " + new Terminal.OnGroundRow().id()
                    : circuit.node(far)
                            .map(node -> far + " "
                                    + WireSteps.onPin(node, other.pin().endpoint())
                                            .id())
                            .orElse(far + " " + other.id());
        }
        return table.node().id() + " " + terminal.id();
    }

    /** Which ends hang together. */
    private static final class Joining {
        private final Map<String, String> parent = new LinkedHashMap<>();
        private final Map<String, WireStep.Kind> kinds = new LinkedHashMap<>();
        private final Map<String, End> named = new LinkedHashMap<>();

        void join(WireStep.Kind kind, String one, String other) {
            String first = root(one);
            String second = root(other);
            WireStep.Kind known = earlier(kinds.get(first), kinds.get(second))
                    .map(found -> earlier(found, kind).orElse(kind))
                    .orElse(kind);
            parent.put(second, first);
            kinds.put(first, known);
        }

        private static Optional<WireStep.Kind> earlier(WireStep.Kind one, WireStep.Kind other) {
            return one == null
                    ? Optional.ofNullable(other)
                    : Optional.of(other == null || one.compareTo(other) <= 0 ? one : other);
        }

        /** An end is named by the table it lies on, and once. */
        void name(String key, End end) {
            boolean isFar = end.terminal() instanceof Terminal.OnOtherBoard;
            if (!named.containsKey(key) || !isFar && named.get(key).terminal() instanceof Terminal.OnOtherBoard) {
                named.put(key, end);
            }
        }

        private String root(String end) {
            String at = end;
            parent.putIfAbsent(at, at);
            while (!parent.get(at).equals(at)) {
                at = parent.get(at);
            }
            return at;
        }

        List<Net> nets() {
            Map<String, List<End>> ends = new LinkedHashMap<>();
            named.forEach((key, end) ->
                    ends.computeIfAbsent(root(key), net -> new ArrayList<>()).add(end));
            return ends.entrySet().stream()
                    .map(net -> new Net(kinds.get(net.getKey()), net.getValue()))
                    .toList();
        }
    }
}
