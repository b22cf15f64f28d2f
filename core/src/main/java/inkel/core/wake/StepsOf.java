package inkel.core.wake;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.wiring.TableWire;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which wires of a list a reading needs. */
final class StepsOf {
    private final NodeCircuit node;
    private final WireList list;

    StepsOf(WireList list) {
        this.node = list.node();
        this.list = list;
    }

    /** Those that feed a part, up to the sources, with their grounds. */
    Set<String> feeding(String part) {
        Set<String> steps = new LinkedHashSet<>();
        Set<String> parts = new LinkedHashSet<>(new WakeOrder(node).upstream(part));
        parts.add(part);
        for (String id : parts) {
            node.part(id).ifPresent(placed -> {
                grounds(placed, steps);
                placed.part().feeds().forEach((pin, rail) -> feed(new Endpoint(id, pin), rail, steps));
            });
        }
        return steps;
    }

    /** The electrolytic capacitors across the supplies of a part, the largest first. */
    List<WireStep> electrolytics(Placed placed) {
        return list.steps().stream()
                .filter(step -> step.isAcrossSupply()
                        && step.subject().part().equals(placed.id())
                        && step.fitting().filter(Fitting::isPolarised).isPresent())
                .sorted(Comparator.comparingDouble(
                        step -> -step.fitting().orElseThrow().value().si()))
                .toList();
    }

    private void feed(Endpoint pin, Endpoint rail, Set<String> into) {
        for (WireStep step : list.steps()) {
            boolean isAtPin = isAt(step, pin);
            boolean isToRow = isRow(step.to(), rail) && isAt(step, rail);
            if (step.kind() == WireStep.Kind.SUPPLY && (isAtPin || isToRow)) {
                into.add(step.id());
            }
        }
    }

    /** The ground wires at a part. */
    Set<String> grounds(Placed placed) {
        Set<String> steps = new LinkedHashSet<>();
        grounds(placed, steps);
        return steps;
    }

    /** Those that feed all that hangs on a rail. */
    Set<String> feedingAll(List<Rail.Load> loads) {
        Set<String> steps = new LinkedHashSet<>();
        loads.forEach(load -> steps.addAll(feeding(load.pin().part())));
        return steps;
    }

    Set<String> with(Set<String> some, Set<String> more) {
        Set<String> all = new LinkedHashSet<>(some);
        all.addAll(more);
        return all;
    }

    private void grounds(Placed placed, Set<String> into) {
        for (WireStep step : list.steps()) {
            if (step.kind() == WireStep.Kind.GROUND && touches(step, placed.id())) {
                into.add(step.id());
            }
        }
    }

    /** Those at a signal pin, with what stands in its wire. */
    Set<String> at(Endpoint pin) {
        Set<String> steps = new LinkedHashSet<>();
        for (WireStep step : list.steps()) {
            if (isAt(step, pin)
                    || step.subject().isPin() && step.subject().endpoint().equals(pin)) {
                steps.add(step.id());
            }
        }
        return steps;
    }

    /**
     * Those of this list by which a wire between boards goes.
     *
     * @param all wires between boards; one pin may talk to several, and a step of this one may not be of another
     */
    Set<String> of(NodeWire link, List<NodeWire> all) {
        Place end = link.from().node().equals(node.node().id()) ? link.from() : link.to();
        List<NodeWire> others = all.stream()
                .filter(other -> !other.equals(link) && other.from().equals(link.from()))
                .toList();
        Set<String> steps = new LinkedHashSet<>();
        for (WireStep step : list.steps()) {
            boolean isOfAnother = others.stream().anyMatch(other -> isTo(step.from(), other) || isTo(step.to(), other));
            if (step.subject().equals(end) && !isOfAnother) {
                steps.add(step.id());
            }
        }
        return steps;
    }

    private static boolean isTo(Terminal end, NodeWire link) {
        if (end instanceof Terminal.OnLeg leg) {
            return leg.away().filter(link.to()::equals).isPresent();
        }
        return end instanceof Terminal.OnOtherBoard other
                && (other.pin().equals(link.to())
                        || link.converter()
                                .filter(shifter -> !other.isGround() && shifter.contains(other.pin()))
                                .isPresent());
    }

    /** Those by which the ground of another table is joined, with those of this board. */
    Set<String> groundsTo(String other) {
        Set<String> steps = grounds(node.board());
        for (WireStep step : list.steps()) {
            boolean isBetween = isGroundOf(step.from(), other) || isGroundOf(step.to(), other);
            if (step.kind() == WireStep.Kind.GROUND && isBetween) {
                steps.add(step.id());
            }
        }
        return steps;
    }

    private static boolean isGroundOf(Terminal end, String table) {
        return end instanceof Terminal.OnOtherBoard other
                && other.isGround()
                && other.pin().node().equals(table);
    }

    /** Wires of this list, as another table names them. */
    List<TableWire> named(Set<String> steps) {
        return steps.stream().map(id -> new TableWire(node.node().id(), id)).toList();
    }

    private static boolean isRow(Terminal end, Endpoint rail) {
        return end instanceof Terminal.OnRow row && row.rail().equals(rail);
    }

    private static boolean isAt(WireStep step, Endpoint pin) {
        return isAt(step.from(), pin) || isAt(step.to(), pin);
    }

    private static boolean isAt(Terminal end, Endpoint pin) {
        return end instanceof Terminal.OnPin on && on.pin().equals(pin);
    }

    private static boolean touches(WireStep step, String part) {
        return touches(step.from(), part) || touches(step.to(), part);
    }

    private static boolean touches(Terminal end, String part) {
        return end instanceof Terminal.OnPin on && on.pin().part().equals(part);
    }

    /** Where the black tip goes for volts at a part: its own first ground pin, or the row where it has none. */
    Terminal ground(Placed placed) {
        return placed.cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .findFirst()
                .map(pin -> list.terminal(placed.endpoint(pin)))
                .orElseGet(Terminal.OnGroundRow::new);
    }

    Optional<Terminal> terminal(Endpoint pin) {
        return node.pin(pin).map(found -> list.terminal(pin));
    }
}
