package inkel.core.pins.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.PullUp.Soldered;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.I2cPullup;
import inkel.core.pins.NodePins;
import inkel.core.pins.OnlyLow;
import inkel.core.pins.PinReport;
import inkel.core.pins.rules.PullsOff.Pulled;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reports a wire, not one of a bus with a rule of its own, whose pull-ups together are so strong that a part which only pulls low
 * sinks more than it is made for: R ≥ (V − V_OL) / I, as of a bus.
 */
public final class PullStrongRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.pull_strong", Severity.LOOK, Stage.LEVELS);

    /** @param sinks what the weakest of those that pull it low is made for, at what low */
    private record Line(
            NodeCircuit node,
            Endpoint at,
            Endpoint weakest,
            Current sinks,
            Voltage low,
            Voltage high,
            List<Pulled> pulls) {
        Resistance least() {
            return I2cPullup.smallest(high, low, sinks);
        }
    }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(PullStrongRule::lines)
                .filter(line -> PullsOff.isStrong(line.pulls(), line.least()))
                .map(PullStrongRule::describe)
                .toList();
    }

    private static Stream<Line> lines(NodePins pins) {
        return pins.node().nets().entrySet().stream().flatMap(net -> line(pins, net).stream());
    }

    private static Optional<Line> line(NodePins pins, Map.Entry<Endpoint, List<Wire>> net) {
        NodeCircuit node = pins.node();
        List<Endpoint> talkers = net.getValue().stream()
                .map(Wire::from)
                .filter(signal -> pins.useOf(signal).sharedLine().isEmpty() && OnlyLow.pulls(node, signal))
                .filter(signal ->
                        sinks(node, signal).isPresent() && low(node, signal).isPresent())
                .toList();
        if (talkers.isEmpty()) {
            return Optional.empty();
        }
        // What hangs on a rail that nothing feeds pulls at nothing.
        List<Soldered> fed = PullUp.on(node, net.getKey())
                .filter(pull -> PullUp.of(node, pull.placed(), pull.pull()).isPresent())
                .toList();
        Endpoint weakest = talkers.stream()
                .min(Comparator.comparing(signal -> sinks(node, signal).orElseThrow()))
                .orElseThrow();
        return PullUp.together(fed.stream()
                        .flatMap(pull -> PullUp.of(node, pull.placed(), pull.pull()).stream())
                        .toList())
                .map(Range::highest)
                .map(high -> new Line(
                        node,
                        net.getKey(),
                        weakest,
                        sinks(node, weakest).orElseThrow(),
                        low(node, weakest).orElseThrow().at(high),
                        high,
                        fed.stream()
                                .map(pull -> new Pulled(
                                        node, pull.placed(), pull.pull().resistance()))
                                .toList()));
    }

    private static Optional<IoFamily> family(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part())
                .flatMap(placed -> placed.cls().pin(signal.pin()).flatMap(placed.cls()::io));
    }

    private static Optional<Current> sinks(NodeCircuit node, Endpoint signal) {
        return family(node, signal).flatMap(IoFamily::pinCurrent);
    }

    private static Optional<Threshold> low(NodeCircuit node, Endpoint signal) {
        return family(node, signal).flatMap(IoFamily::vol);
    }

    private static List<Endpoint> signals(Line line) {
        return line.node().nets().get(line.at()).stream().map(Wire::from).toList();
    }

    private static Finding describe(Line line) {
        return Finding.of(INFO, line.node().place(line.weakest()))
                .with("pin", PinNames.of(line.node(), line.at()))
                .with("signal", PinNames.of(line.node(), line.weakest()))
                .with("count", line.pulls().size())
                .number("pull", PullsOff.together(line.pulls()), Source.COMPUTED)
                .number("sinks", line.sinks(), Source.CLASS)
                .number("pull_least", line.least(), Source.COMPUTED)
                .fix(() -> PullsOff.fix(line.pulls(), line.least()))
                .fix(() -> PullsOff.beside(line.node(), signals(line), line.pulls(), line.least()))
                .build();
    }
}
