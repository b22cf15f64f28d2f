package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
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
                .fix(() -> cross(line))
                .build();
    }

    /** Swaps the two wires when each then lands on the right line of the same port. */
    private static Optional<Fix> cross(SerialLine line) {
        List<Wire> wires = line.wires();
        if (wires.size() != 2 || !isRight(line, wires.get(0), wires.get(1).to())) {
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

    private static boolean isRight(SerialLine line, Wire wire, Endpoint target) {
        boolean isTalking = line.node().pin(wire.from()).orElseThrow().use() == PinUse.UART_TX;
        return line.node().pin(target).orElseThrow().can(Ability.Kind.UART, isTalking ? "rx" : "tx");
    }
}
