package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.DriverTaken;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Reports a signal on a pin that a driver of the board's operating system takes for a select. */
public final class DriverPinRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.driver_pin", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> DriverTaken.wires(pins).stream().map(wire -> describe(pins, wire)))
                .toList();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        return WireFinding.of(INFO, pins, wire).fixes(() -> fixes(pins, wire)).build();
    }

    private static List<Fix> fixes(NodePins pins, Wire wire) {
        List<Fix> fixes = new ArrayList<>();
        String board = pins.node().board().id();
        DriverTaken.enough(pins, wire.to())
                .ifPresent(count -> fixes.add(new Fix(
                        "fewer-selects",
                        Fact.of("fix.fewer_selects").with("count", count),
                        Fact.of("fix.fewer_selects.cost"),
                        List.of(new SetSetting(
                                pins.node().node().id(), board, Settings.SELECTS, String.valueOf(count))))));
        fixes.addAll(PinFixes.move(pins, wire.from(), pin -> pins.node().board().cls().controller().stream()
                .flatMap(of -> of.drivers().stream())
                .noneMatch(driver -> driver.pins().contains(pin.label()))));
        return fixes;
    }
}
