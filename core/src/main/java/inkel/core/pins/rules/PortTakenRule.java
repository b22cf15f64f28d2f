package inkel.core.pins.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Reports two parts on one serial port: what both say at once is heard by nobody. */
public final class PortTakenRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.port_taken", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(pins -> taken(pins)).toList();
    }

    private static Stream<Finding> taken(NodePins pins) {
        Map<Integer, SerialLine> first = new LinkedHashMap<>();
        List<Finding> findings = new ArrayList<>();
        for (SerialLine line : pins.serialLines()) {
            line.unit().ifPresent(unit -> {
                SerialLine other = first.putIfAbsent(unit, line);
                if (other != null) {
                    findings.add(describe(pins, line, other));
                }
            });
        }
        return findings.stream();
    }

    private static Finding describe(NodePins pins, SerialLine line, SerialLine other) {
        return Finding.of(INFO, pins.node().place(line.placed()))
                .with("part", line.placed().part().name())
                .with("other", other.placed().part().name())
                .with("unit", line.unit().orElseThrow())
                .fixes(() -> PortFixes.elsewhere(pins, line))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, line.placed())))
                .build();
    }
}
