package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.Helpers;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Parts that answer to one address which nothing changes: on buses of their own, on the ways of a multiplexer that is there, or of
 * one that comes.
 */
final class BusApart {
    private final Circuit circuit;
    private final NodePins pins;
    private final NodeCircuit node;
    private final List<Placed> all;

    private BusApart(Circuit circuit, NodePins pins, List<Placed> all) {
        this.circuit = circuit;
        this.pins = pins;
        node = pins.node();
        this.all = all;
    }

    /** @param all those that answer, the one that stays first; nothing is moved when a board is among them */
    static List<Fix> of(Circuit circuit, NodePins pins, List<Placed> all) {
        if (all.stream().anyMatch(one -> one.part().isBoard())) {
            return List.of();
        }
        BusApart apart = new BusApart(circuit, pins, all);
        List<Fix> fixes = new ArrayList<>();
        // What is on the bus before a multiplexer is heard behind it too: all of them go there.
        apart.moved(all.subList(1, all.size()), "own-bus", pin -> pin.part().equals(boardOf(pins)))
                .ifPresent(fixes::add);
        apart.moved(all, "behind", pin -> !pin.part().equals(boardOf(pins))).ifPresent(fixes::add);
        if (fixes.isEmpty()) {
            fixes.addAll(apart.bought());
        }
        return fixes.stream().filter(apart::isMended).toList();
    }

    private static String boardOf(NodePins pins) {
        return pins.node().board().id();
    }

    /** The two lines of a bus. */
    private record Lines(Endpoint data, Endpoint clock) {}

    private Optional<Fix> moved(List<Placed> leaving, String how, Predicate<Endpoint> isAllowed) {
        List<Edit> edits = new ArrayList<>();
        List<String> at = new ArrayList<>();
        Set<Endpoint> taken = new HashSet<>();
        for (Placed part : leaving) {
            Optional<Endpoint> data = signal(part, PinUse.I2C_SDA);
            Optional<Endpoint> clock = signal(part, PinUse.I2C_SCL);
            Optional<Lines> lines = data.isEmpty() || clock.isEmpty()
                    ? Optional.empty()
                    : free(data.get(), clock.get(), isAllowed, taken);
            if (lines.isEmpty()) {
                return Optional.empty();
            }
            taken.add(lines.get().data());
            taken.add(lines.get().clock());
            at.add(lines.get().data().pin());
            at.add(lines.get().clock().pin());
            edits.add(new SetWire(
                    node.node().id(), Wire.placed(data.get(), lines.get().data())));
            edits.add(new SetWire(
                    node.node().id(), Wire.placed(clock.get(), lines.get().clock())));
        }
        return Optional.of(new Fix(
                how,
                Fact.of("fix.bus_apart")
                        .with(
                                "parts",
                                leaving.stream().map(one -> one.part().name()).toList())
                        .with("pins", at),
                Fact.of("fix.bus_apart.cost").with("count", edits.size()),
                edits));
    }

    private static Optional<Endpoint> signal(Placed part, PinUse use) {
        return part.cls().signals().filter(pin -> pin.use() == use).findFirst().map(part::endpoint);
    }

    /** A data and a clock pin of one bus that nobody has yet, best first. */
    private Optional<Lines> free(Endpoint data, Endpoint clock, Predicate<Endpoint> isAllowed, Set<Endpoint> taken) {
        List<Endpoint> clocks = pins.freeFor(clock);
        return pins.freeFor(data).stream()
                .filter(pin -> isAllowed.test(pin) && !taken.contains(pin))
                .flatMap(sda -> clocks.stream()
                        .filter(scl -> !scl.equals(sda) && scl.part().equals(sda.part()) && !taken.contains(scl))
                        .filter(scl -> isOneBus(sda, scl))
                        .map(scl -> new Lines(sda, scl)))
                .filter(lines -> !isOfUsedBus(lines, taken))
                .findFirst();
    }

    private boolean isOneBus(Endpoint sda, Endpoint scl) {
        Set<Integer> units = units(sda, "sda");
        units.retainAll(units(scl, "scl"));
        return !units.isEmpty();
    }

    /**
     * Whether every block that could drive it drives another bus already, each of which has two pins at a time. Pins that any
     * block reaches are told by how many there are.
     */
    private boolean isOfUsedBus(Lines lines, Set<Endpoint> taken) {
        Set<Integer> units = units(lines.data(), "sda");
        List<Set<Integer>> used = Stream.concat(pins.i2cBuses().keySet().stream(), taken.stream())
                .filter(pin -> pin.part().equals(lines.data().part()))
                .map(pin -> units(pin, "sda"))
                .filter(of -> !of.isEmpty())
                .toList();
        return units.size() > 1 ? used.size() >= units.size() : used.stream().anyMatch(of -> of.containsAll(units));
    }

    private Set<Integer> units(Endpoint end, String line) {
        Set<Integer> units = new HashSet<>();
        node.pin(end).map(Pin::can).orElse(List.of()).stream()
                .filter(can -> can.kind() == Ability.Kind.I2C && can.line().equals(line))
                .forEach(can -> units.add(can.unit()));
        return units;
    }

    /** A multiplexer for all of them. */
    private List<Fix> bought() {
        List<Endpoint> signals = all.stream()
                .flatMap(part ->
                        List.of(PinUse.I2C_SDA, PinUse.I2C_SCL).stream().flatMap(use -> signal(part, use).stream()))
                .toList();
        return Helpers.carrying(circuit.catalog(), node, signals).stream()
                .limit(1)
                .toList();
    }

    private boolean isMended(Fix fix) {
        return Tried.after(fix, circuit)
                .flatMap(after -> PinReport.of(after).node(node.node().id()))
                .filter(after -> all.stream().allMatch(one -> all.stream()
                        .noneMatch(other -> !one.id().equals(other.id())
                                && after.lineOf(one.id())
                                        .filter(line -> after.hearing(line).stream()
                                                .anyMatch(heard -> heard.id().equals(other.id())))
                                        .isPresent())))
                .isPresent();
    }
}
