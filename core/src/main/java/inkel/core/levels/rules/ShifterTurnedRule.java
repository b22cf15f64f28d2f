package inkel.core.levels.rules;

import inkel.core.catalog.Ways;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reports wires that were found on the wrong side of a shifter: a part of 3.3 V on the side that is pulled up to 5 V, or a pin
 * that drives at the end of a buffer that drives as well.
 */
public final class ShifterTurnedRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.shifter_turned", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : levels.circuit().nodes()) {
            Map<String, List<Turned>> turned = new LinkedHashMap<>();
            node.node().between().stream()
                    .flatMap(piece -> Turned.of(node, piece).stream())
                    .forEach(one -> turned.computeIfAbsent(one.way().shifter(), shifter -> new ArrayList<>())
                            .add(one));
            turned.forEach((shifter, wires) -> findings.add(describe(node, shifter, wires)));
        }
        return findings;
    }

    /**
     * A wire on the wrong side of its way.
     *
     * @param faces where the signal was found
     * @param belongs where it should be
     */
    private record Turned(Between.ShifterWay way, Endpoint faces, Endpoint belongs) {
        static Optional<Turned> of(NodeCircuit node, Between piece) {
            if (!(piece instanceof Between.ShifterWay way) || way.faces().isEmpty() || !tells(node, way)) {
                return Optional.empty();
            }
            Endpoint faces = new Endpoint(way.shifter(), way.faces().get());
            return node.wire(way.signal())
                    .flatMap(wire -> ShifterSides.facing(node, way, wire))
                    .filter(sides -> sides.target().equals(faces))
                    .map(sides -> new Turned(way, faces, sides.signal()));
        }

        /** Between ends of one level neither side of a two-way shifter is the right one. */
        private static boolean tells(NodeCircuit node, Between.ShifterWay way) {
            boolean isOneWay = node.part(way.shifter())
                    .filter(part -> Ways.of(part.cls()).isOneWay())
                    .isPresent();
            return isOneWay
                    || node.wire(way.signal())
                            .flatMap(wire -> node.ioVolts(wire.from()).flatMap(here -> node.ioVolts(wire.to())
                                    .map(there -> here.expected().volts()
                                            != there.expected().volts())))
                            .orElse(false);
        }
    }

    private static Finding describe(NodeCircuit node, String shifter, List<Turned> wires) {
        String id = node.node().id();
        List<Place> places =
                wires.stream().map(wire -> Place.of(id, wire.way().signal())).toList();
        Finding.Builder finding = Finding.of(INFO, places);
        if (wires.size() > 1) {
            finding.variant("several");
        }
        return finding.with(
                        "signals",
                        wires.stream().map(wire -> wire.way().signal()).toList())
                .with("shifter", shifter)
                .with(
                        "faces",
                        wires.stream()
                                .map(wire -> wire.faces().pin())
                                .distinct()
                                .toList())
                .with(
                        "belongs",
                        wires.stream()
                                .map(wire -> wire.belongs().pin())
                                .distinct()
                                .toList())
                .fix(new Fix(
                        "turn",
                        Fact.of("fix.shifter_turned").with("count", wires.size()),
                        Fact.of("fix.shifter_turned.cost"),
                        wires.stream()
                                .<Edit>map(wire -> new Insert(id, wire.way().asItShould()))
                                .toList()))
                .build();
    }
}
