package inkel.core.pins.rules;

import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Reports a part on the pins through which the board is programmed: it must be unplugged each time. */
public final class ConsoleSharedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.console_shared", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().nets().entrySet().stream()
                        .filter(net -> pins.isReserved(net.getKey()))
                        .flatMap(net -> net.getValue().stream())
                        .collect(Collectors.groupingBy(
                                wire -> wire.from().part(), LinkedHashMap::new, Collectors.toList()))
                        .values()
                        .stream()
                        .map(wires -> describe(pins, wires)))
                .toList();
    }

    private static Finding describe(NodePins pins, List<Wire> wires) {
        Wire wire = wires.get(0);
        Optional<SerialLine> line = pins.serialLines().stream()
                .filter(found -> found.placed().id().equals(wire.from().part()))
                .filter(SerialLine::isOnConsole)
                .findFirst();
        return WireFinding.of(INFO, pins, wire)
                .fixes(() -> line.map(found -> PortFixes.elsewhere(pins, found))
                        .orElseGet(() -> PinFixes.move(pins, wire.from())))
                .build();
    }
}
