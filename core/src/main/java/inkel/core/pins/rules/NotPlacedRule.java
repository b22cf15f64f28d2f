package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Lost;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.ShareOut;
import inkel.core.quantity.Fact;
import inkel.core.remedy.Wishes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reports a signal that the part needs and that goes nowhere. */
public final class NotPlacedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.not_placed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(pins -> check(report, pins)).toList();
    }

    /** A part of which nothing is wired yet is one thing to say, and not one for each signal. */
    private static Stream<Finding> check(PinReport report, NodePins pins) {
        // That no pin is left is a finding of its own, and that the pin is gone.
        Set<Endpoint> without = Set.copyOf(NotEnoughRule.without(pins));
        Set<Endpoint> lost = pins.node().lost().stream().map(Lost::at).collect(Collectors.toSet());
        Set<String> begun = pins.node().nets().values().stream()
                .flatMap(List::stream)
                .map(wire -> wire.from().part())
                .collect(Collectors.toSet());
        if (begun.isEmpty() && pins.loose().size() > 1) {
            return Stream.of(nothingYet(report, pins));
        }
        Map<String, List<Endpoint>> byPart = new LinkedHashMap<>();
        pins.loose().stream()
                .filter(signal -> !without.contains(signal) && !lost.contains(signal))
                .forEach(signal -> byPart.computeIfAbsent(signal.part(), part -> new ArrayList<>())
                        .add(signal));
        return byPart.entrySet().stream()
                .flatMap(part -> begun.contains(part.getKey())
                                || part.getValue().size() == 1
                        ? part.getValue().stream().map(signal -> describe(pins, signal, begun.contains(part.getKey())))
                        : Stream.of(notBegun(report, pins, part.getValue())));
    }

    private static Finding nothingYet(PinReport report, NodePins pins) {
        return Finding.of(INFO, Place.ofNode(pins.node().node().id()))
                .onlyToLookAt()
                .variant("none")
                .with("count", pins.loose().size())
                .with(
                        "parts",
                        pins.loose().stream()
                                .map(Endpoint::part)
                                .distinct()
                                .map(part -> pins.node()
                                        .part(part)
                                        .orElseThrow()
                                        .part()
                                        .name())
                                .toList())
                .fix(sharedOut(report, pins))
                .build();
    }

    private static Finding notBegun(PinReport report, NodePins pins, List<Endpoint> signals) {
        Placed placed = pins.node().part(signals.get(0).part()).orElseThrow();
        return Finding.of(INFO, pins.node().place(placed))
                .onlyToLookAt()
                .variant("part")
                .with("part", placed.part().name())
                .with("count", signals.size())
                .fix(sharedOut(report, pins))
                .build();
    }

    private static Fix sharedOut(PinReport report, NodePins pins) {
        return new Fix(
                "share-out",
                Fact.of("fix.share_out"),
                Fact.of("fix.share_out.cost"),
                List.of(new ShareOut(pins.node().node().id(), report.circuit().catalog())));
    }

    /** @param isBegun whether the part has other wires, so that this one was forgotten */
    private static Finding describe(NodePins pins, Endpoint signal, boolean isBegun) {
        Finding.Builder finding = Finding.of(INFO, pins.node().place(signal));
        if (!isBegun) {
            finding.onlyToLookAt();
        }
        return finding.with(
                        "part",
                        pins.node().part(signal.part()).orElseThrow().part().name())
                .with("pin", signal.pin())
                .fixes(() -> places(pins, signal))
                .fix(() -> Optional.of(without(pins, signal)))
                .build();
    }

    /** Pins that are free for it; for a line of a bus that no block is left for, a bus that the program drives. */
    private static List<Fix> places(NodePins pins, Endpoint signal) {
        List<Fix> places = PinFixes.move(pins, signal);
        boolean isBus = pins.useOf(signal).sharedLine().isPresent();
        return places.isEmpty() && isBus
                ? OwnBusFix.of(pins, pins.node().part(signal.part()).orElseThrow()).stream()
                        .toList()
                : places;
    }

    private static Fix without(NodePins pins, Endpoint signal) {
        Placed placed = pins.node().part(signal.part()).orElseThrow();
        Pin pin = pins.node().pin(signal).orElseThrow();
        return new Fix(
                "without-" + signal,
                Fact.of("fix.without").with("signal", signal.pin()),
                Fact.of("fix.without.cost"),
                Wishes.decline(pins.node(), placed, pin, ""));
    }
}
