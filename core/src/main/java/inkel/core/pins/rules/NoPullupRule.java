package inkel.core.pins.rules;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports an I2C bus on which nothing pulls the wires up: they never go high. */
public final class NoPullupRule implements Rule<PinReport> {
    private static final String USUAL = "4.7 kΩ";

    private static final RuleInfo INFO = new RuleInfo("i2c.no_pullup", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        Circuit circuit = report.circuit();
        Stream<Finding> ofParts = report.nodes().stream().flatMap(pins -> pins.wiresOf(PinUse.I2C_SDA).stream()
                .map(Wire::to)
                .distinct()
                .filter(target -> isUnpulled(circuit, pins, target))
                .map(target -> pins.node().nets().get(target))
                .map(net -> describe(pins, net.get(0))));
        Stream<Finding> ofBoards = circuit.links().stream()
                .filter(link -> BoardBuses.line(circuit, link)
                        .filter(BusLine.SDA::equals)
                        .isPresent())
                .filter(link -> isUnpulled(circuit, link))
                .map(link -> describe(circuit, link));
        return Stream.concat(ofParts, ofBoards).toList();
    }

    /** A pull-up on another board's table does as well where a bus goes on to there. */
    private static boolean isUnpulled(Circuit circuit, NodePins pins, Endpoint target) {
        return PullUp.on(pins.node(), target).findAny().isEmpty()
                && BoardBuses.pulls(circuit, pins.node().place(target)).isEmpty();
    }

    /** Where no part of either table is on the bus: that one tells it otherwise. */
    private static boolean isUnpulled(Circuit circuit, NodeWire link) {
        return link.converter().isEmpty()
                && Stream.of(link.from(), link.to())
                        .allMatch(end -> BoardBuses.pulls(circuit, end).isEmpty()
                                && circuit.node(end.node())
                                        .filter(node -> node.nets().containsKey(end.endpoint()))
                                        .isEmpty());
    }

    private static Finding describe(Circuit circuit, NodeWire link) {
        return Finding.of(INFO, link.from())
                .variant("boards")
                .onlyToLookAt()
                .with("node", BoardPairs.name(circuit, link.from()))
                .with("other", BoardPairs.name(circuit, link.to()))
                .fixes(() -> Stream.of(link.from(), link.to())
                        .sorted(Comparator.comparing(
                                end -> circuit.ioVolts(end).map(Range::expected).orElse(Voltage.ZERO)))
                        .flatMap(end -> atBoard(circuit, end).stream())
                        .limit(1)
                        .toList())
                .build();
    }

    /** Both boards bear what the lower of their two voltages pulls to. */
    private static Optional<Fix> atBoard(Circuit circuit, Place end) {
        NodeCircuit node = circuit.node(end.node()).orElseThrow();
        boolean isThere = node.board().cls().busPins().stream()
                .anyMatch(pin -> pin.label().equals(end.pin()));
        return isThere ? Optional.of(addedPair(node, node.board())) : Optional.empty();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        Placed placed = pins.node().part(wire.from().part()).orElseThrow();
        return Finding.of(INFO, pins.node().place(wire.from()))
                .with("pin", wire.to().pin())
                .with("part", placed.part().name())
                .fixes(() -> placed.bringsNoPulls().isEmpty()
                        ? List.of(addedPair(pins.node(), placed))
                        : List.of(addedPair(pins.node(), placed), readyModule(pins, placed)))
                .build();
    }

    /** The usual pair, from the bus to the part's own supply. */
    private static Fix addedPair(NodeCircuit node, Placed placed) {
        return new Fix(
                "add-pull-ups",
                Fact.of("fix.add_pull_ups")
                        .with("value", USUAL)
                        .with("part", placed.part().name()),
                Fact.of("fix.add_pull_ups.cost"),
                List.of(new SetSetting(node.node().id(), placed.id(), Settings.ADD_PULL_UPS, USUAL)));
    }

    /** A bare chip came without the pull-ups that a module of its class has on it. */
    private static Fix readyModule(NodePins pins, Placed placed) {
        return new Fix(
                "ready",
                Fact.of("fix.ready").with("part", placed.part().name()),
                Fact.of("fix.ready.cost"),
                List.of(new SetSetting(pins.node().node().id(), placed.id(), Settings.FORM, "ready")));
    }
}
