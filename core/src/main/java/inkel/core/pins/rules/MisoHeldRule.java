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

/** Reports a part that does not let go of the shared MISO wire while it is not selected. */
public final class MisoHeldRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.miso_held", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.spiBuses().stream()
                        .filter(SpiBus::isShared)
                        .flatMap(bus -> bus.holding().stream().map(member -> describe(pins, bus, member))))
                .toList();
    }

    private static Finding describe(NodePins pins, SpiBus bus, Placed member) {
        return Finding.of(INFO, pins.node().place(member))
                .with("part", member.part().name())
                .with(
                        "others",
                        bus.members().stream()
                                .filter(other -> !other.equals(member))
                                .map(other -> other.part().name())
                                .toList())
                .fix(() -> OwnBusFix.of(pins, member))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, member)))
                .build();
    }
}
