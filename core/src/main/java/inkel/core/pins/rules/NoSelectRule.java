package inkel.core.pins.rules;

import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SpiBus;
import java.util.List;

/** Reports a member of a shared SPI bus that has no select of its own: it talks into every other one. */
public final class NoSelectRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.no_select", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.spiBuses().stream()
                        .filter(SpiBus::isShared)
                        .flatMap(bus -> bus.members().stream()
                                .filter(member -> bus.wantsSelect(member) && !bus.isSelected(member))
                                .map(member -> describe(pins, bus, member))))
                .toList();
    }

    private static Finding describe(NodePins pins, SpiBus bus, Placed member) {
        Endpoint select = member.endpoint(SpiBus.selectPin(member).orElseThrow());
        return Finding.of(INFO, pins.node().place(select))
                .with("part", member.part().name())
                .with("signal", select.pin())
                .with("count", bus.members().size())
                .fixes(() -> PinFixes.move(pins, select))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, member)))
                .build();
    }
}
