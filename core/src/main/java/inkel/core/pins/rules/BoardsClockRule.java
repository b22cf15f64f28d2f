package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.BaudRate;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/**
 * Reports a board that talks to another one over a serial line while its clock may be further off than one end of such a
 * line may be; one finding for a board.
 */
public final class BoardsClockRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.boards_clock", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .filter(pins -> SteadyClock.isLacking(pins.node()))
                .filter(pins -> !lines(pins).isEmpty())
                .map(pins -> describe(report, pins.node(), lines(pins)))
                .toList();
    }

    private static List<LinkEnd> lines(NodePins pins) {
        return pins.linkEnds().stream().filter(LinkEnd::isSerial).toList();
    }

    private static Finding describe(PinReport report, NodeCircuit node, List<LinkEnd> lines) {
        Controller controller = node.board().cls().controller().orElseThrow();
        return Finding.of(INFO, lines.stream().map(LinkEnd::here).toList())
                .with("board", node.board().part().name())
                .with("other", BoardPairs.name(report.circuit(), lines.get(0).there()))
                .number("clock", controller.clock(), node.board().sourceOf(Settings.CLOCK, Source.CLASS))
                .number("clock_tolerance", controller.tolerance(), Source.CLASS)
                .number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> SteadyClock.of(node, Optional.empty()))
                .build();
    }
}
