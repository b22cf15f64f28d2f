package inkel.core.wake;

import inkel.core.catalog.Kind;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** In which order the parts of a node are woken: the quietest first, and those that others need before those. */
final class WakeOrder {
    private final NodeCircuit node;

    WakeOrder(NodeCircuit node) {
        this.node = node;
    }

    /** Sources, regulators that are parts of their own, switches and fuses in a line; each after what feeds it. */
    List<Placed> supplies() {
        return inOrder(node.parts().stream().filter(this::isSupply).toList());
    }

    /** All others but the board, and what the board drives although it feeds others as well; not those that are for later. */
    List<Placed> parts() {
        return inOrder(node.parts().stream()
                .filter(placed ->
                        !placed.part().isBoard() && (!isSupply(placed) || isDriven(placed)) && !placed.isForLater())
                .toList());
    }

    /** A motor driver or a speed controller that makes a rail besides. */
    private static boolean isDriven(Placed placed) {
        return placed.cls().signals().anyMatch(Pin::isWanted);
    }

    private boolean isSupply(Placed placed) {
        boolean isMade = placed.cls().outputs().stream()
                .anyMatch(output -> output.way() == Output.Way.LINEAR || output.way() == Output.Way.SWITCHING);
        boolean isMore = isMade || placed.cls().isPlainLine();
        return !placed.part().isBoard() && (placed.cls().kind() == Kind.SOURCE || isMore);
    }

    private List<Placed> inOrder(List<Placed> all) {
        List<Placed> left = new ArrayList<>(all);
        left.sort(Comparator.comparingDouble(WakeOrder::peak));
        List<Placed> order = new ArrayList<>();
        while (!left.isEmpty()) {
            // A circle of needs is broken at the quietest.
            Placed next = left.stream()
                    .filter(placed ->
                            left.stream().noneMatch(other -> needs(placed).contains(other.id())))
                    .findFirst()
                    .orElse(left.get(0));
            left.remove(next);
            order.add(next);
        }
        return order;
    }

    private static double peak(Placed placed) {
        return placed.cls().supplies().stream()
                .mapToDouble(supply -> placed.cls().peak(supply.pin()).amperes())
                .sum();
    }

    /** What feeds a part, what its wires go through, the part whose pins they go to, and who holds its bus high. */
    private Set<String> needs(Placed placed) {
        Set<String> needs = new LinkedHashSet<>(upstream(placed.id()));
        for (Wire wire : node.node().wires()) {
            if (wire.from().part().equals(placed.id())) {
                needs.add(wire.to().part());
                node.between(wire.from())
                        .filter(Between.ShifterWay.class::isInstance)
                        .ifPresent(way -> needs.add(((Between.ShifterWay) way).shifter()));
                holding(placed, wire).ifPresent(needs::add);
            }
        }
        needs.remove(placed.id());
        return needs;
    }

    /** The quietest of those without whose pull-up a wire that many talk on would rest nowhere; none where it has one by then. */
    private Optional<String> holding(Placed placed, Wire wire) {
        boolean isShared = placed.cls()
                .pin(wire.from().pin())
                .filter(pin -> pin.use().isTwoWay() || pin.use() == PinUse.I2C_SCL)
                .isPresent();
        List<Placed> pulling = !isShared
                ? List.of()
                : PullUp.on(node, wire.to())
                        .map(PullUp.Soldered::placed)
                        .filter(other -> !other.isForLater())
                        .toList();
        boolean isHeld = pulling.stream()
                .anyMatch(
                        other -> other.id().equals(placed.id()) || other.part().isBoard());
        return isHeld
                ? Optional.empty()
                : pulling.stream()
                        .min(Comparator.comparingDouble(WakeOrder::peak))
                        .map(Placed::id);
    }

    /** The parts that feed one, up to the sources, without itself. */
    Set<String> upstream(String part) {
        Set<String> above = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(List.of(part));
        while (!open.isEmpty()) {
            String id = open.remove(open.size() - 1);
            node.part(id).ifPresent(placed -> {
                for (Endpoint feed : placed.part().feeds().values()) {
                    if (!feed.part().equals(part) && above.add(feed.part())) {
                        open.add(feed.part());
                    }
                }
            });
        }
        return above;
    }
}
