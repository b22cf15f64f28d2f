package inkel.core.pins.rules;

import inkel.core.document.Wire;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;

/** Reports serial wires that join talker to talker and listener to listener. */
public final class NotCrossedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.not_crossed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.serialLines().stream())
                .filter(line -> !line.uncrossed().isEmpty())
                .map(NotCrossedRule::describe)
                .toList();
    }

    private static Finding describe(SerialLine line) {
        Wire wire = line.uncrossed().get(0);
        return Finding.of(INFO, line.node().place(wire.from()))
                .with("part", line.placed().part().name())
                .with("signal", wire.from().pin())
                .with("pin", wire.to().pin())
                .fix(() -> Optional.of(cross(line).orElseGet(() -> takeOff(line, wire))))
                .build();
    }

    /** What is shared out anew then, where both wires cannot change places. */
    private static Fix takeOff(SerialLine line, Wire wire) {
        return new Fix(
                "take-off",
                Fact.of("fix.pin_gone").with("at", wire.from()),
                Fact.of("fix.pin_gone.cost"),
                List.of(new RemoveWire(line.node().node().id(), wire.from())));
    }

    /** Swaps the two wires where neither then joins like to like. */
    private static Optional<Fix> cross(SerialLine line) {
        List<Wire> wires = line.wires();
        if (wires.size() != 2
                || line.isUncrossed(wires.get(0), wires.get(1).to())
                || line.isUncrossed(wires.get(1), wires.get(0).to())) {
            return Optional.empty();
        }
        String node = line.node().node().id();
        Wire first = wires.get(0);
        Wire second = wires.get(1);
        return Optional.of(new Fix(
                "cross",
                Fact.of("fix.cross")
                        .with("signal", first.from().pin())
                        .with("other", second.from().pin()),
                Fact.of("fix.cross.cost"),
                List.of(
                        new SetWire(node, Wire.placed(first.from(), second.to())),
                        new SetWire(node, Wire.placed(second.from(), first.to())))));
    }
}
