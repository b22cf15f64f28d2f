package inkel.core.pins.rules;

import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SpiBus;
import java.util.List;

/** Notes a select on a shared SPI bus that nothing holds off while the board starts. */
public final class SelectFloatsRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.select_floats", Severity.NOTE, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.spiBuses().stream()
                        .filter(SpiBus::isShared)
                        .filter(bus -> !bus.floating().isEmpty())
                        .map(bus -> describe(pins, bus)))
                .toList();
    }

    private static Finding describe(NodePins pins, SpiBus bus) {
        List<Placed> floating = bus.floating();
        return Finding.of(INFO, pins.node().place(bus.clock()))
                .with("pin", bus.clock().pin())
                .with(
                        "parts",
                        floating.stream().map(member -> member.part().name()).toList())
                .fix(PullUpFix.ofSelects(pins, floating))
                .build();
    }
}
