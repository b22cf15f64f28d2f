package inkel.core.circuit;

import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * How far the grounds of a node's parts stand apart while large currents flow back through their wires. All ground wires
 * meet in one row; what hangs on another part's plug has its ground there; a part with a way back of its own
 * ({@link Settings#GROUND}) has it at what feeds it. So the wires make a tree, and by the laws of Kirchhoff and Ohm each
 * wire lifts what is behind it by its resistance times all that comes out of the grounds behind it. What goes into a socket
 * comes and goes by the same cable and lifts nothing. Small currents are left out: they lift by less than a meter shows.
 */
public final class GroundLift {
    /** Less than this through a jumper of 60 mΩ is 6 mV. */
    private static final Current LEAST = Current.ofMilliamperes(100);

    private static final int DEEPEST = 8;

    private final NodeCircuit node;
    private final GroundTree tree;
    private final List<Lifter> lifters = new ArrayList<>();
    private final Map<String, Voltage> known = new ConcurrentHashMap<>();

    /**
     * What one supply pin does to the grounds.
     *
     * @param volts the lift of each part for one ampere that the pin takes
     * @param amperes what it takes at the most in each set of moments that can coincide
     */
    private record Lifter(Placed placed, Map<String, Double> volts, List<Double> amperes) {
        double between(String one, String other) {
            return volts.getOrDefault(one, 0.0) - volts.getOrDefault(other, 0.0);
        }
    }

    private GroundLift(NodeCircuit node) {
        this.node = node;
        tree = GroundTree.of(node);
    }

    static GroundLift of(NodeCircuit node) {
        GroundLift lift = new GroundLift(node);
        List<Lifter> heavy = lift.heavy();
        heavy.forEach(
                lifter -> lift.lifters.add(new Lifter(lifter.placed(), lift.volts(lifter.volts()), lifter.amperes())));
        return lift;
    }

    /** Every pin that takes much, with what one ampere of it brings out of the ground of each part. */
    private List<Lifter> heavy() {
        List<Lifter> heavy = new ArrayList<>();
        for (Placed placed : node.parts()) {
            for (Supply supply : placed.cls().supplies()) {
                Endpoint feed = placed.part().feeds().get(supply.pin());
                if (feed == null || !placed.cls().peak(supply.pin()).isAbove(LEAST)) {
                    continue;
                }
                List<Double> amperes = node.scenarios().stream()
                        .map(on -> node.loads().during(placed, supply, on).amperes())
                        .toList();
                heavy.add(new Lifter(placed, backThrough(placed, supply), amperes));
            }
        }
        return heavy;
    }

    /** The amperes out of each ground for one that a pin takes, up to the source. */
    private Map<String, Double> backThrough(Placed placed, Supply supply) {
        Map<String, Double> out = new HashMap<>();
        Endpoint pin = new Endpoint(placed.id(), supply.pin());
        double amperes = 1;
        for (int step = 0; step < DEEPEST; step++) {
            Placed taker = node.part(pin.part()).orElseThrow();
            Optional<Rail> rail =
                    Optional.ofNullable(taker.part().feeds().get(pin.pin())).flatMap(node::rail);
            if (rail.isEmpty()) {
                return out;
            }
            boolean isByCable = node.pin(pin).filter(Pin::isSocket).isPresent();
            Placed giver = node.part(rail.get().id().part()).orElseThrow();
            boolean isJoined = tree.parts().contains(taker.id()) && tree.parts().contains(giver.id());
            if (!isByCable && isJoined) {
                out.merge(taker.id(), amperes, Double::sum);
                out.merge(giver.id(), -amperes, Double::sum);
            }
            Optional<String> from = rail.get().output().from();
            if (from.isEmpty()) {
                return out;
            }
            Endpoint next = new Endpoint(giver.id(), from.get());
            Endpoint made = rail.get().id();
            amperes *= node.made(next).stream()
                    .filter(one -> one.rail().equals(made))
                    .mapToDouble(Made::ratio)
                    .findFirst()
                    .orElse(1);
            pin = next;
        }
        return out;
    }

    /** The lift of each part above the row, for one ampere. */
    private Map<String, Double> volts(Map<String, Double> out) {
        Map<String, Double> behind = new HashMap<>();
        out.forEach((part, amperes) -> tree.wayToRow(part).forEach(at -> behind.merge(at, amperes, Double::sum)));
        Map<String, Double> volts = new LinkedHashMap<>();
        for (String part : tree.parts()) {
            volts.put(
                    part,
                    tree.wayToRow(part).stream()
                            .mapToDouble(at ->
                                    behind.getOrDefault(at, 0.0) * tree.wire(at).ohms())
                            .sum());
        }
        return volts;
    }

    /**
     * How far the ground of one part stands above that of another at the worst moment, zero where it never does, and where
     * either has a ground of its own.
     */
    public Voltage above(String one, String other) {
        boolean isCompared = !lifters.isEmpty()
                && !one.equals(other)
                && tree.parts().contains(one)
                && tree.parts().contains(other);
        return isCompared ? known.computeIfAbsent(one + " " + other, pair -> most(one, other)) : Voltage.ZERO;
    }

    private Voltage most(String one, String other) {
        double most = 0;
        for (int scenario = 0; scenario < node.scenarios().size(); scenario++) {
            double sum = 0;
            for (Lifter lifter : lifters) {
                sum += Math.max(0, lifter.between(one, other) * lifter.amperes().get(scenario));
            }
            most = Math.max(most, sum);
        }
        return Voltage.ofVolts(most);
    }

    /** Where the ground wires go. */
    public GroundTree tree() {
        return tree;
    }

    /** The part whose current does most of it; empty where nothing does. */
    public Optional<Placed> lifting(String one, String other) {
        Placed most = null;
        double volts = 0;
        for (Lifter lifter : lifters) {
            for (double amperes : lifter.amperes()) {
                double lift = Math.abs(lifter.between(one, other) * amperes);
                if (lift > volts) {
                    volts = lift;
                    most = lifter.placed();
                }
            }
        }
        return Optional.ofNullable(most);
    }
}
