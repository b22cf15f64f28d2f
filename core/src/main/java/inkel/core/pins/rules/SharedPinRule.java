package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Reports inputs of several parts that one pin drives, and contacts that it reads as one: both are taken over from two wirings
 * more often than they are meant. Who means them holds them there. Resets and enables, which a part does without, may follow
 * one pin unsaid.
 */
public final class SharedPinRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.shared_pin", Severity.LOOK, Stage.PINS);

    /** All wires between some pins and the same parts, told together. */
    private record Group(boolean isRead, Set<String> parts) {}

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(SharedPinRule::of).toList();
    }

    private static Stream<Finding> of(NodePins pins) {
        Map<Group, List<Wire>> groups = new LinkedHashMap<>();
        pins.node().nets().values().forEach(net -> {
            shared(pins, net, true).forEach((group, wires) -> add(groups, group, wires));
            shared(pins, net, false).forEach((group, wires) -> add(groups, group, wires));
        });
        return groups.entrySet().stream()
                .map(group -> describe(pins, group.getKey().isRead(), group.getValue()));
    }

    private static void add(Map<Group, List<Wire>> groups, Group group, List<Wire> wires) {
        groups.computeIfAbsent(group, key -> new ArrayList<>()).addAll(wires);
    }

    private static Map<Group, List<Wire>> shared(NodePins pins, List<Wire> net, boolean isRead) {
        List<Wire> wires = net.stream()
                .filter(wire -> isRead ? pins.isContact(wire) : isFollowing(pins, wire))
                .toList();
        Set<String> parts = new HashSet<>();
        wires.forEach(wire -> parts.add(wire.from().part()));
        return parts.size() < 2 || wires.stream().allMatch(Wire::held)
                ? Map.of()
                : Map.of(new Group(isRead, parts), wires);
    }

    private static boolean isFollowing(NodePins pins, Wire wire) {
        return pins.node()
                .pin(wire.from())
                .filter(pin -> pin.use() == PinUse.INPUT && isDriven(pin))
                .isPresent();
    }

    private static boolean isDriven(Pin pin) {
        return switch (pin.need()) {
            case MUST, MAY -> true;
            case HELD, TIE_HIGH, TIE_LOW, FIXED_HIGH, FIXED_LOW -> false;
        };
    }

    private static Finding describe(NodePins pins, boolean isRead, List<Wire> net) {
        Map<String, Integer> free = new HashMap<>();
        net.forEach(wire -> free.merge(
                wire.from().part(), wire.held() ? -1 : pins.freeFor(wire.from()).size(), Math::min));
        // The part with most other places to go is the one to move, and is named first.
        List<Wire> wires = net.stream()
                .sorted(Comparator.comparing((Wire wire) -> free.get(wire.from().part()))
                        .reversed())
                .toList();
        List<Endpoint> signals = wires.stream().map(Wire::from).toList();
        List<String> at = net.stream().map(wire -> wire.to().pin()).distinct().toList();
        List<String> parts = signals.stream().map(Endpoint::part).distinct().toList();
        Finding.Builder finding =
                Finding.of(INFO, signals.stream().map(pins.node()::place).toList());
        if (isRead) {
            finding.variant("read");
        } else if (at.size() > 1) {
            finding.variant("several");
        }
        return finding.with("pins", at)
                .with("parts", names(pins, parts))
                .with(
                        "signals",
                        signals.stream()
                                .map(signal -> PinNames.of(pins.node(), signal))
                                .toList())
                .fixes(() -> ways(pins, wires, parts))
                .build();
    }

    private static List<String> names(NodePins pins, List<String> parts) {
        return parts.stream()
                .map(part -> pins.node().part(part).orElseThrow().part().name())
                .toList();
    }

    private static List<Fix> ways(NodePins pins, List<Wire> wires, List<String> parts) {
        List<Fix> ways = new ArrayList<>();
        if (wires.size() == 2) {
            ways.addAll(PinFixes.move(pins, wires.get(0).from()));
        } else {
            apart(pins, wires, movers(wires, parts)).ifPresent(ways::add);
        }
        ways.add(new Fix(
                "together",
                Fact.of("fix.share_pin"),
                Fact.of("fix.share_pin.cost"),
                List.of(new Hold(
                        pins.node().node().id(), wires.stream().map(Wire::from).toList(), true, ""))));
        return ways;
    }

    /** Those of which nothing is held; one of them stays where all might go. */
    private static List<String> movers(List<Wire> wires, List<String> parts) {
        Set<String> held = wires.stream()
                .filter(Wire::held)
                .map(wire -> wire.from().part())
                .collect(Collectors.toSet());
        List<String> free = parts.stream().filter(part -> !held.contains(part)).toList();
        return held.isEmpty() ? free.subList(0, free.size() - 1) : free;
    }

    /** Every signal of some parts on a pin of its own; empty where there are not as many. */
    private static Optional<Fix> apart(NodePins pins, List<Wire> wires, List<String> parts) {
        Set<Endpoint> given = new HashSet<>();
        List<Edit> edits = new ArrayList<>();
        for (Wire wire : wires) {
            if (parts.contains(wire.from().part())) {
                Optional<Endpoint> free = pins.freeFor(wire.from()).stream()
                        .filter(pin -> !given.contains(pin))
                        .findFirst();
                if (free.isEmpty()) {
                    return Optional.empty();
                }
                given.add(free.get());
                edits.add(new SetWire(pins.node().node().id(), Wire.placed(wire.from(), free.get())));
            }
        }
        return Optional.of(new Fix(
                "apart",
                Fact.of("fix.own_pins").with("parts", names(pins, parts)).with("count", edits.size()),
                Fact.of("fix.own_pins.cost").with("count", edits.size()),
                edits));
    }
}
