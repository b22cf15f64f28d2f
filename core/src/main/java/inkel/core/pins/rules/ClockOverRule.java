package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import java.util.List;

/** Reports a bus that is clocked faster than its slowest member takes. */
public final class ClockOverRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.clock_over", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.i2cBuses().stream()
                .filter(I2cBus::isClockOver)
                .map(ClockOverRule::describe)
                .toList();
    }

    private static Finding describe(I2cBus bus) {
        Placed slowest = bus.slowest().orElseThrow();
        String clock = Engineering.print(I2cBus.limit(slowest));
        return Finding.of(INFO, bus.node().place(bus.line()))
                .with("pin", bus.line().pin())
                .with("part", slowest.part().name())
                .number("clock", bus.clock(), bus.clockSource())
                .number("clock_limit", I2cBus.limit(slowest), Source.CLASS)
                .fix(new Fix(
                        "clock",
                        Fact.of("fix.i2c_clock").with("clock", clock),
                        Fact.of("fix.i2c_clock.cost"),
                        List.of(new SetSetting(
                                bus.node().node().id(), bus.node().board().id(), Settings.I2C_CLOCK, clock))))
                .build();
    }
}
