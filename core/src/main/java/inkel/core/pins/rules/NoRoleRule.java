package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.HeaderPlaces;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinFit;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Reports a signal on a pin that cannot do what the signal needs. */
public final class NoRoleRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.no_role", Severity.STOP, Stage.PINS);

    private static final Set<PinUse> HAVE_OWN_RULE = Set.of(PinUse.PWM, PinUse.ANALOG);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(NoRoleRule::of).toList();
    }

    private static Stream<Finding> of(NodePins pins) {
        List<Wire> wires = pins.misplaced().stream()
                .filter(wire -> !HAVE_OWN_RULE.contains(pins.useOf(wire.from())))
                .toList();
        Optional<Fix> places = wires.size() > 1 ? HeaderPlaces.fix(pins.node()) : Optional.empty();
        return places.isPresent()
                ? Stream.of(ofPlaces(pins, wires, places.get()))
                : wires.stream().map(wire -> describe(pins, wire));
    }

    /** One cause, told once. */
    private static Finding ofPlaces(NodePins pins, List<Wire> wires, Fix places) {
        return Finding.of(
                        INFO,
                        wires.stream()
                                .map(wire -> pins.node().place(wire.from()))
                                .toList())
                .variant("places")
                .with(
                        "pins",
                        wires.stream().map(wire -> wire.to().pin()).distinct().toList())
                .with(
                        "signals",
                        wires.stream()
                                .map(wire -> PinNames.of(pins.node(), wire.from()))
                                .toList())
                .fix(places)
                .build();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        return Finding.of(INFO, pins.node().place(wire.from()))
                .with(
                        "part",
                        pins.node()
                                .part(wire.from().part())
                                .orElseThrow()
                                .part()
                                .name())
                .with("signal", wire.from().pin())
                .with("pin", wire.to().pin())
                .with(
                        "reason",
                        PinFit.whyNot(pins.node(), wire.from(), wire.to()).orElseThrow())
                .fixes(() -> PinFixes.move(pins, wire.from()))
                .fix(() -> bySoftware(pins, wire))
                .build();
    }

    /** A bus line on a plain pin can be driven by the program, with all of its part's bus. */
    private static Optional<Fix> bySoftware(NodePins pins, Wire wire) {
        Placed placed = WireFinding.part(pins, wire);
        boolean mayBe = pins.useOf(wire.from())
                .sharedLine()
                .filter(line -> pins.servesBySoftware(line, wire.to()))
                .isPresent();
        return mayBe && !PinFit.isOnSoftwareBus(placed)
                ? Optional.of(new Fix(
                        "software-bus-" + placed.id(),
                        Fact.of("fix.software_bus").with("part", placed.part().name()),
                        Fact.of("fix.software_bus.cost"),
                        List.of(new SetSetting(pins.node().node().id(), placed.id(), Settings.BUS, "software"))))
                : Optional.empty();
    }
}
