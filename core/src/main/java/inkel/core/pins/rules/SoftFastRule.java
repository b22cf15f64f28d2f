package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.List;

/** Reports a serial port of plain pins that is asked for a faster rate than the program can be trusted with. */
public final class SoftFastRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.soft_fast", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.serialLines().stream()
                        .filter(SoftFastRule::isTooFast)
                        .map(line -> describe(pins, line)))
                .toList();
    }

    private static boolean isTooFast(SerialLine line) {
        boolean isBySoftware = !line.wires().isEmpty()
                && line.uncrossed().isEmpty()
                && line.unit().isEmpty();
        return isBySoftware && Quantity.exceeds(line.placed().baud().orElseThrow(), most(line));
    }

    private static Frequency most(SerialLine line) {
        return line.node().board().cls().controller().orElseThrow().softwareUartMax();
    }

    private static Finding describe(NodePins pins, SerialLine line) {
        Frequency baud = line.placed().baud().orElseThrow();
        Source source = line.placed().sourceOf(Settings.BAUD, Source.CLASS);
        return Finding.of(INFO, pins.node().place(line.placed()))
                .with("part", line.placed().part().name())
                .with("baud", Math.round(baud.hertz()))
                .with("most", Math.round(most(line).hertz()))
                .number("wanted_rate", baud, source)
                .number("software_most", most(line), Source.CLASS)
                .fixes(() -> PortFixes.hardware(pins, line))
                .fixes(() -> PortFixes.slower(line, most(line)))
                .build();
    }
}
