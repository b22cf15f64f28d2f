package inkel.core.pins.rules;

import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
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
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Reports a part on the pins of the board's console: what programs it, so that the part must be unplugged each time, or a
 * computer's login.
 */
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
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        Optional<Fix> off = PortFixes.loginOff(pins.node());
        if (off.isPresent()) {
            finding.variant("login");
        }
        return finding.fixes(() -> {
                    List<Fix> fixes = new ArrayList<>(off.stream().toList());
                    fixes.addAll(line.map(found -> PortFixes.elsewhere(pins, found))
                            .orElseGet(() -> PinFixes.move(pins, wire.from())));
                    return fixes;
                })
                .build();
    }
}
