package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.pins.rules.PullsOff.Pulled;
import inkel.core.quantity.Source;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Reports a bus whose pull-ups together are so strong that a member cannot pull it low. */
public final class PullupStrongRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.pullup_strong", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return I2cBus.once(report.i2cBuses().stream().filter(I2cBus::isPullStrong)).stream()
                .map(PullupStrongRule::describe)
                .toList();
    }

    private static Finding describe(I2cBus bus) {
        return Finding.of(INFO, bus.node().place(bus.line()))
                .with("pin", bus.line().pin())
                .with("count", bus.pullCount())
                .number("pull", bus.pull().orElseThrow(), Source.COMPUTED)
                .number("bus_volts", bus.volts().orElseThrow(), Source.COMPUTED)
                .number("sinks", bus.mode().sink(), Source.RULE)
                .number("pull_least", bus.strongest().orElseThrow(), Source.COMPUTED)
                .fix(() -> PullsOff.fix(pulls(bus), bus.strongest().orElseThrow()))
                .fix(() -> PullsOff.beside(
                        bus.node(),
                        lines(bus.node()),
                        pulls(bus),
                        bus.strongest().orElseThrow()))
                .build();
    }

    /** The lines of the buses of a table, SDA first. */
    private static List<Endpoint> lines(NodeCircuit node) {
        return node.node().wires().stream()
                .map(Wire::from)
                .filter(signal -> node.pin(signal)
                        .flatMap(pin -> pin.use().sharedLine())
                        .filter(line -> line.bus() == Ability.Kind.I2C)
                        .isPresent())
                .sorted(Comparator.comparing(
                        signal -> node.pin(signal).orElseThrow().use() != PinUse.I2C_SDA))
                .toList();
    }

    /** Those on SDA. */
    private static List<Pulled> pulls(I2cBus bus) {
        return Stream.concat(
                        bus.pulls().stream()
                                .map(pull -> new Pulled(
                                        bus.node(), pull.placed(), pull.pull().resistance())),
                        bus.farPulls().stream()
                                .flatMap(pull -> pull.node().part(pull.at().part()).stream()
                                        .map(placed -> new Pulled(pull.node(), placed, pull.resistance()))))
                .toList();
    }
}
