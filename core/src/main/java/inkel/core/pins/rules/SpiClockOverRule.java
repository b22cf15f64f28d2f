package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SpiBus;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.List;

/** Reports an SPI bus that is clocked faster than a member, or the program that drives it, can go. */
public final class SpiClockOverRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.clock_over", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins ->
                        pins.spiBuses().stream().filter(SpiBus::isClockOver).map(bus -> describe(pins, bus)))
                .toList();
    }

    private static Finding describe(NodePins pins, SpiBus bus) {
        Frequency limit = bus.limit();
        Finding.Builder finding = Finding.of(INFO, pins.node().place(bus.clock()))
                .with("pin", bus.clock().pin())
                .with("part", bus.slowest().map(placed -> placed.part().name()).orElse(""));
        if (bus.isSoftwareTheSlowest()) {
            finding.variant("software");
        }
        return finding.number("clock", bus.chosen().orElseThrow(), Source.YOURS)
                .number("clock_limit", limit, Source.CLASS)
                .fix(() -> bus.fastest(limit)
                        .map(clock -> new Fix(
                                "slower",
                                Fact.of("fix.slower").with("clock", clock),
                                Fact.of("fix.i2c_clock.cost"),
                                List.of(new SetSetting(
                                        pins.node().node().id(),
                                        pins.node().board().id(),
                                        Settings.SPI_CLOCK,
                                        Engineering.print(clock))))))
                .build();
    }
}
