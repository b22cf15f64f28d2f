package inkel.core.pins.rules;

import inkel.core.circuit.Circuit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reports two parts on one serial port: what both say at once is heard by nobody. A line to another board takes a port as a
 * part does; two of them may have the halves of one.
 */
public final class PortTakenRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("uart.port_taken", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> taken(report.circuit(), pins).stream())
                .toList();
    }

    private static List<Finding> taken(Circuit circuit, NodePins pins) {
        Map<Integer, SerialLine> first = new LinkedHashMap<>();
        List<Finding> findings = new ArrayList<>();
        for (SerialLine line : pins.serialLines()) {
            line.unit().ifPresent(unit -> {
                SerialLine other = first.putIfAbsent(unit, line);
                if (other != null) {
                    findings.add(describe(pins, line, other.placed().part().name()));
                }
            });
        }
        List<BoardLine> lines = pins.boardLines();
        for (int i = 0; i < lines.size(); i++) {
            BoardLine line = lines.get(i);
            Optional<SerialLine> part = line.units().stream()
                    .flatMap(unit -> Optional.ofNullable(first.get(unit)).stream())
                    .findFirst();
            Optional<BoardLine> other = lines.subList(0, i).stream()
                    .filter(before -> before.units().stream().anyMatch(line.units()::contains))
                    .filter(before -> !before.mayShare(line))
                    .findFirst();
            part.map(taker -> withPart(circuit, pins, line, taker))
                    .or(() -> other.map(before -> withBoard(circuit, pins, line, before)))
                    .ifPresent(findings::add);
        }
        return findings;
    }

    private static Finding describe(NodePins pins, SerialLine line, String other) {
        return Finding.of(INFO, pins.node().place(line.placed()))
                .with("part", line.placed().part().name())
                .with("other", other)
                .with("unit", line.unit().orElseThrow())
                .fixes(() -> PortFixes.elsewhere(pins, line))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, line.placed())))
                .build();
    }

    private static Finding withPart(Circuit circuit, NodePins pins, BoardLine line, SerialLine part) {
        return Finding.of(INFO, pins.node().place(part.placed()))
                .with("part", part.placed().part().name())
                .with("other", name(circuit, line))
                .with("unit", part.unit().orElseThrow())
                .fixes(() -> PortFixes.elsewhere(pins, part))
                .fixes(() -> elsewhere(circuit, pins, line))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, part.placed())))
                .build();
    }

    private static Finding withBoard(Circuit circuit, NodePins pins, BoardLine line, BoardLine other) {
        return Finding.of(INFO, line.ends().stream().map(LinkEnd::here).toList())
                .with("part", name(circuit, line))
                .with("other", name(circuit, other))
                .with("unit", line.units().iterator().next())
                .fixes(() -> elsewhere(circuit, pins, line))
                .build();
    }

    private static String name(Circuit circuit, BoardLine line) {
        return circuit.node(line.far()).orElseThrow().node().name();
    }

    private static List<Fix> elsewhere(Circuit circuit, NodePins pins, BoardLine line) {
        return Stream.of(
                        BoardLineFixes.toPort(circuit, pins.node(), line.ends()),
                        BoardLineFixes.toPlainPins(circuit, line))
                .flatMap(Optional::stream)
                .toList();
    }
}
