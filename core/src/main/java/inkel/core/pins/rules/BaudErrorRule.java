package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.BaudRate;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Reports a serial rate that the board's clock cannot be divided down to within 2 %, and one that it can while the clock
 * itself may be further off than that leaves.
 */
public final class BaudErrorRule implements Rule<PinReport> {
    private static final String CODE = "uart.baud_error";
    private static final RuleInfo INFO = new RuleInfo(CODE, Severity.STOP, Stage.PINS);
    private static final RuleInfo VAGUE = new RuleInfo(CODE, Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.serialLines().stream())
                .filter(line -> !line.wires().isEmpty())
                .flatMap(line -> {
                    // A port of plain pins counts its bits and divides nothing.
                    boolean isCounted =
                            line.unit().isEmpty() && line.uncrossed().isEmpty();
                    boolean isDivided = isCounted
                            || rate(line, line.placed().baud().orElseThrow()).isWithinLimit();
                    return !isDivided
                            ? Stream.of(describe(line))
                            : isVague(line) ? Stream.of(vague(line)) : Stream.empty();
                })
                .toList();
    }

    /** Whether the clock may be so far off that the rate is, though it can be divided down to. */
    private static boolean isVague(SerialLine line) {
        boolean isCounted = line.unit().isEmpty() && line.uncrossed().isEmpty();
        return SteadyClock.isLacking(line.node(), line.placed().baud().filter(rate -> !isCounted));
    }

    private static Finding vague(SerialLine line) {
        NodeCircuit node = line.node();
        Controller controller = node.board().cls().controller().orElseThrow();
        BaudRate rate = rate(line, line.placed().baud().orElseThrow());
        return Finding.of(VAGUE, node.place(line.placed()))
                .variant("clock")
                .with("part", line.placed().part().name())
                .with("board", node.board().part().name())
                .number("clock", controller.clock(), node.board().sourceOf(Settings.CLOCK, Source.CLASS))
                .number("clock_tolerance", controller.tolerance(), Source.CLASS)
                .number("baud_error", rate.error(), Source.COMPUTED)
                .number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> SteadyClock.of(line.node(), line.placed().baud()))
                .build();
    }

    private static BaudRate rate(SerialLine line, Frequency baud) {
        return line.node().board().cls().controller().orElseThrow().bestBaud(baud);
    }

    private static Finding describe(SerialLine line) {
        Controller controller = line.node().board().cls().controller().orElseThrow();
        Frequency wanted = line.placed().baud().orElseThrow();
        BaudRate rate = rate(line, wanted);
        Finding.Builder finding = Finding.of(INFO, line.node().place(line.placed()));
        if (rate.isWithinBoth()) {
            finding.onlyToLookAt();
        }
        return finding.with("part", line.placed().part().name())
                .with("baud", Math.round(wanted.hertz()))
                .number("clock", controller.clock(), line.node().board().sourceOf(Settings.CLOCK, Source.CLASS))
                .number("wanted_rate", wanted, line.placed().sourceOf(Settings.BAUD, Source.CLASS))
                .number("actual_rate", rate.actual(), Source.COMPUTED)
                .number("baud_error", rate.error(), Source.COMPUTED)
                .number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> slower(line, line.placed()))
                .fixes(() -> SteadyClock.of(line.node(), line.placed().baud()))
                .build();
    }

    /** Rates that the part offers and the board can make, the fastest first. */
    private static List<Fix> slower(SerialLine line, Placed placed) {
        return placed.cls().uart().orElseThrow().rates().stream()
                .filter(baud -> rate(line, baud).isWithinLimit())
                .sorted(Comparator.comparing(Frequency::hertz).reversed())
                .limit(2)
                .map(baud -> BaudFix.of(line, baud))
                .toList();
    }
}
