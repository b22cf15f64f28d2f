package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
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

/** Reports a serial rate that the board's clock cannot be divided down to within 2 %. */
public final class BaudErrorRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.baud_error", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.serialLines().stream())
                .filter(line -> !line.wires().isEmpty())
                .filter(line -> !rate(line, line.placed().baud().orElseThrow()).isWithinLimit())
                .map(BaudErrorRule::describe)
                .toList();
    }

    private static BaudRate rate(SerialLine line, Frequency baud) {
        return line.node().board().cls().controller().orElseThrow().bestBaud(baud);
    }

    private static Finding describe(SerialLine line) {
        Controller controller = line.node().board().cls().controller().orElseThrow();
        Frequency wanted = line.placed().baud().orElseThrow();
        BaudRate rate = rate(line, wanted);
        return Finding.of(INFO, line.node().place(line.placed()))
                .with("part", line.placed().part().name())
                .with("baud", Math.round(wanted.hertz()))
                .number("clock", controller.clock(), Source.CLASS)
                .number("wanted_rate", wanted, line.placed().sourceOf(Settings.BAUD, Source.CLASS))
                .number("actual_rate", rate.actual(), Source.COMPUTED)
                .number("baud_error", rate.error(), Source.COMPUTED)
                .number("error_limit", BaudRate.LIMIT, Source.RULE)
                .fixes(() -> slower(line, line.placed()))
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
