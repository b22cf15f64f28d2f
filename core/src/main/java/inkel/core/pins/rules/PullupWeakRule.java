package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.ESeries;
import inkel.core.formula.I2cPullup;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.List;

/** Reports a bus whose pull-ups are too weak for its clock: its wires rise too slowly. */
public final class PullupWeakRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.pullup_weak", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return I2cBus.once(report.i2cBuses().stream().filter(I2cBus::isPullWeak)).stream()
                .map(PullupWeakRule::describe)
                .toList();
    }

    private static Finding describe(I2cBus bus) {
        Resistance pull = bus.pull().orElseThrow();
        return Finding.of(INFO, bus.node().place(bus.line()))
                .with("pin", bus.line().pin())
                .number("pull", pull, Source.COMPUTED)
                .number("bus_weight", bus.capacitance(), Source.RULE)
                .number("rise", I2cPullup.rise(pull, bus.capacitance()), Source.COMPUTED)
                .number("rise_allowed", bus.mode().rise(), Source.RULE)
                .number("pull_most", bus.weakest(), Source.COMPUTED)
                .number("clock", bus.clock(), bus.clockSource())
                .fixes(() -> ways(bus, pull))
                .build();
    }

    private static List<Fix> ways(I2cBus bus, Resistance pull) {
        String node = bus.node().node().id();
        List<Fix> fixes = new ArrayList<>();
        if (!Quantity.exceeds(I2cPullup.rise(pull, bus.capacitance()), I2cPullup.Mode.STANDARD.rise())
                && bus.mode() != I2cPullup.Mode.STANDARD) {
            fixes.add(new Fix(
                    "clock",
                    Fact.of("fix.i2c_clock").with("clock", "100 kHz"),
                    Fact.of("fix.i2c_clock.cost"),
                    List.of(new SetSetting(node, bus.node().board().id(), Settings.I2C_CLOCK, "100 kHz"))));
        }
        double missing = 1 / (1 / bus.weakest().ohms() - 1 / pull.ohms());
        Resistance added = Resistance.ofOhms(ESeries.E12.atMost(missing));
        boolean isEnoughLeft = bus.strongest()
                .filter(least -> !Quantity.exceeds(least, pull.parallelTo(added)))
                .isPresent();
        if (isEnoughLeft) {
            String part = bus.parts().get(0).id();
            fixes.add(new Fix(
                    "add-pull-ups",
                    Fact.of("fix.add_pull_ups")
                            .with("value", added)
                            .with("part", bus.parts().get(0).part().name()),
                    Fact.of("fix.add_pull_ups.cost"),
                    List.of(new SetSetting(node, part, Settings.ADD_PULL_UPS, Engineering.print(added)))));
        }
        return fixes;
    }
}
