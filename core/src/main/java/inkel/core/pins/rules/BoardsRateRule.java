package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.NodeWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.BaudRate;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Reports a serial line between boards whose rate one of them cannot make of its clock within 2 %, or by a program on plain pins;
 * and one whose two wires are said to be at two rates.
 */
public final class BoardsRateRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.boards_rate", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        Set<Set<NodeWire>> told = new HashSet<>();
        for (NodePins pins : report.nodes()) {
            for (BoardLine line : pins.boardLines()) {
                // One that is joined like to like is a finding of its own.
                if (line.ends().stream().anyMatch(end -> BoardPorts.alike(report.circuit(), end.link())
                        .isPresent())) {
                    continue;
                }
                if (line.rates().size() > 1) {
                    // Both boards see the same two wires.
                    if (told.add(wires(line))) {
                        findings.add(differ(report, line));
                    }
                } else if (!line.rates().isEmpty()) {
                    check(report, line, line.rates().get(0)).ifPresent(findings::add);
                }
            }
        }
        return findings;
    }

    private static Optional<Finding> check(PinReport report, BoardLine line, Frequency rate) {
        Frequency most = BoardLineFixes.controller(line.node()).softwareUartMax();
        if (!line.bySoftware().isEmpty() && Quantity.exceeds(rate, most)) {
            return Optional.of(tooFast(report, line, rate, most));
        }
        return BoardLineFixes.keeps(line, rate) ? Optional.empty() : Optional.of(offRate(report, line, rate));
    }

    private static Finding differ(PinReport report, BoardLine line) {
        return finding(report, line)
                .variant("differ")
                .with("board", line.node().node().name())
                .with("baud", Math.round(line.rates().get(0).hertz()))
                .with("other_baud", Math.round(line.rates().get(1).hertz()))
                .fixes(() -> BoardLineFixes.atOtherRate(line, far(report, line)))
                .build();
    }

    private static Finding tooFast(PinReport report, BoardLine line, Frequency rate, Frequency most) {
        return finding(report, line)
                .variant("software")
                .with("board", line.node().node().name())
                .with("baud", Math.round(rate.hertz()))
                .with("most", Math.round(most.hertz()))
                .number("wanted_rate", rate, Source.YOURS)
                .number("software_most", most, Source.CLASS)
                .fix(() -> BoardLineFixes.toPort(report.circuit(), line.node(), line.ends()))
                .fixes(() -> BoardLineFixes.atOtherRate(line, far(report, line)))
                .build();
    }

    private static Finding offRate(PinReport report, BoardLine line, Frequency wanted) {
        NodeCircuit node = line.node();
        Controller controller = BoardLineFixes.controller(node);
        BaudRate rate = controller.bestBaud(wanted);
        Finding.Builder finding = finding(report, line);
        if (rate.isWithinBoth()) {
            finding.onlyToLookAt();
        }
        return finding.with("board", node.node().name())
                .with("baud", Math.round(wanted.hertz()))
                .number("clock", controller.clock(), node.board().sourceOf(Settings.CLOCK, Source.CLASS))
                .number("wanted_rate", wanted, Source.YOURS)
                .number("actual_rate", rate.actual(), Source.COMPUTED)
                .number("baud_error", rate.error(), Source.COMPUTED)
                .number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> BoardLineFixes.atOtherRate(line, far(report, line)))
                .fixes(() -> SteadyClock.of(node, Optional.of(wanted)))
                .build();
    }

    private static Finding.Builder finding(PinReport report, BoardLine line) {
        return Finding.of(INFO, line.ends().stream().map(LinkEnd::here).toList())
                .with(
                        "other",
                        report.circuit().node(line.far()).orElseThrow().node().name());
    }

    private static Set<NodeWire> wires(BoardLine line) {
        return line.ends().stream().map(LinkEnd::link).collect(Collectors.toSet());
    }

    /** The same line, seen from the other board. */
    private static Optional<BoardLine> far(PinReport report, BoardLine line) {
        return report.node(line.far()).stream()
                .flatMap(pins -> pins.boardLines().stream())
                .filter(other -> other.ends().stream().map(LinkEnd::link).anyMatch(wires(line)::contains))
                .findFirst();
    }
}
