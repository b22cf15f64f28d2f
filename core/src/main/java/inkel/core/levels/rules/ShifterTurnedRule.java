package inkel.core.levels.rules;

import inkel.core.catalog.Ways;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
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
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

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
        Circuit circuit = levels.circuit();
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            Map<String, List<Turned>> turned = new LinkedHashMap<>();
            Stream.concat(
                            node.node().between().stream().flatMap(piece -> Turned.of(node, piece).stream()),
                            circuit.links().stream().flatMap(link -> Turned.of(circuit, node, link).stream()))
                    .forEach(one -> turned.computeIfAbsent(one.faces().part(), shifter -> new ArrayList<>())
                            .add(one));
            turned.forEach((shifter, wires) -> findings.add(describe(shifter, wires)));
        }
        return findings;
    }

    /**
     * A wire on the wrong side of its way.
     *
     * @param signal the signal that was wired to it, or the board that talks
     * @param faces where that was found
     * @param belongs where it should be
     * @param mended the same wire as it should be
     */
    private record Turned(Place signal, Endpoint faces, Endpoint belongs, Edit mended) {
        static Optional<Turned> of(NodeCircuit node, Between piece) {
            if (!(piece instanceof Between.ShifterWay way) || way.faces().isEmpty()) {
                return Optional.empty();
            }
            Endpoint faces = new Endpoint(way.shifter(), way.faces().get());
            return node.wire(way.signal())
                    .filter(wire -> tells(node, way.shifter(), node.ioVolts(wire.from()), node.ioVolts(wire.to())))
                    .flatMap(wire -> ShifterSides.facing(node, way, wire))
                    .filter(sides -> sides.target().equals(faces))
                    .map(sides -> new Turned(
                            node.place(way.signal()),
                            faces,
                            sides.signal(),
                            new Insert(node.node().id(), way.asItShould())));
        }

        static Optional<Turned> of(Circuit circuit, NodeCircuit node, NodeWire link) {
            if (!(link.between().orElse(null) instanceof Between.ShifterWay way)
                    || way.faces().isEmpty()
                    || link.converter()
                            .filter(at -> at.node().equals(node.node().id()))
                            .isEmpty()) {
                return Optional.empty();
            }
            String shifter = link.converter().orElseThrow().part();
            Endpoint faces = new Endpoint(shifter, way.faces().get());
            return ShifterSides.of(circuit, link)
                    .filter(sides -> sides.towardsReceiver().equals(faces)
                            && tells(node, shifter, circuit.ioVolts(link.from()), circuit.ioVolts(link.to())))
                    .map(sides -> new Turned(
                            link.from(),
                            faces,
                            sides.towardsDriver(),
                            new ChangeNodeWire(link, link.withBetween(Optional.of(way.asItShould())))));
        }

        /** Between ends of one level neither side of a two-way shifter is the right one. */
        private static boolean tells(
                NodeCircuit node, String shifter, Optional<Range<Voltage>> here, Optional<Range<Voltage>> there) {
            boolean isOneWay = node.part(shifter)
                    .filter(part -> Ways.of(part.cls()).isOneWay())
                    .isPresent();
            return isOneWay
                    || here.isPresent()
                            && there.isPresent()
                            && here.get().expected().volts()
                                    != there.get().expected().volts();
        }
    }

    private static Finding describe(String shifter, List<Turned> wires) {
        Finding.Builder finding =
                Finding.of(INFO, wires.stream().map(Turned::signal).toList());
        if (wires.size() > 1) {
            finding.variant("several");
        }
        return finding.with(
                        "signals",
                        wires.stream().map(wire -> wire.signal().endpoint()).toList())
                .with("shifter", shifter)
                .with("faces", pins(wires, Turned::faces))
                .with("belongs", pins(wires, Turned::belongs))
                .fix(new Fix(
                        "turn",
                        Fact.of("fix.shifter_turned").with("count", wires.size()),
                        Fact.of("fix.shifter_turned.cost"),
                        wires.stream().map(Turned::mended).toList()))
                .build();
    }

    private static List<String> pins(List<Turned> wires, Function<Turned, Endpoint> which) {
        return wires.stream().map(wire -> which.apply(wire).pin()).distinct().toList();
    }
}
