package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.BaudRate;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Frequency;
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
                .flatMap(pins -> describe(report, pins.boardLines()).stream())
                .toList();
    }

    /** A line whose rate the clock cannot be divided down to is a finding of its own. */
    private static boolean isVague(BoardLine line) {
        return line.rates().stream().allMatch(rate -> BoardLineFixes.keeps(line, rate))
                && SteadyClock.isLacking(line.node(), divided(line));
    }

    /** A program that counts its bits divides nothing. */
    private static Optional<Frequency> divided(BoardLine line) {
        return line.rates().stream().filter(rate -> line.isByPort()).findFirst();
    }

    private static Optional<Finding> describe(PinReport report, List<BoardLine> all) {
        List<BoardLine> lines = all.stream().filter(BoardsClockRule::isVague).toList();
        if (lines.isEmpty()) {
            return Optional.empty();
        }
        BoardLine first = lines.get(0);
        NodeCircuit node = first.node();
        Controller controller = node.board().cls().controller().orElseThrow();
        List<Place> ends = lines.stream()
                .flatMap(line -> line.ends().stream())
                .map(LinkEnd::here)
                .toList();
        Finding.Builder finding = Finding.of(INFO, ends)
                .with("board", node.board().part().name())
                .with(
                        "other",
                        BoardPairs.name(report.circuit(), first.ends().get(0).there()))
                .number("clock", controller.clock(), node.board().sourceOf(Settings.CLOCK, Source.CLASS))
                .number("clock_tolerance", controller.tolerance(), Source.CLASS);
        divided(first).ifPresent(rate -> finding.variant("rate")
                .number("baud_error", controller.bestBaud(rate).error(), Source.COMPUTED));
        return Optional.of(finding.number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> SteadyClock.of(node, divided(first)))
                .build());
    }
}
