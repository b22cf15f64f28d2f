package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
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
import java.util.List;

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
        return report.nodes().stream()
                .flatMap(pins -> pins.wiresOf(PinUse.I2C_SDA).stream()
                        .map(Wire::to)
                        .distinct()
                        .map(target -> pins.node().nets().get(target))
                        .filter(net -> isUnpulled(pins, net))
                        .map(net -> describe(pins, net.get(0))))
                .toList();
    }

    private static boolean isUnpulled(NodePins pins, List<Wire> net) {
        return PullUp.on(pins.node(), net.get(0).to()).findAny().isEmpty();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        Placed placed = pins.node().part(wire.from().part()).orElseThrow();
        return Finding.of(INFO, pins.node().place(wire.from()))
                .with("pin", wire.to().pin())
                .with("part", placed.part().name())
                .fixes(() -> placed.bringsNoPulls().isEmpty()
                        ? List.of(addedPair(pins, placed))
                        : List.of(addedPair(pins, placed), readyModule(pins, placed)))
                .build();
    }

    /** The usual pair, from the bus to the part's own supply. */
    private static Fix addedPair(NodePins pins, Placed placed) {
        return new Fix(
                "add-pull-ups",
                Fact.of("fix.add_pull_ups")
                        .with("value", USUAL)
                        .with("part", placed.part().name()),
                Fact.of("fix.add_pull_ups.cost"),
                List.of(new SetSetting(pins.node().node().id(), placed.id(), Settings.ADD_PULL_UPS, USUAL)));
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
