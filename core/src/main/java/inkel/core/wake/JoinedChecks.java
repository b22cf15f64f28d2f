package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Band;
import inkel.core.bench.Benches;
import inkel.core.bench.Drives;
import inkel.core.bench.Foretelling;
import inkel.core.bench.Ohmmeter;
import inkel.core.bench.Probe;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What needs two boards: in the list of the one that listens, once both are woken. Their grounds join; what one puts out arrives
 * at the other; a bus between them rests where its pull-ups hold it.
 */
final class JoinedChecks {
    private final Benches benches;
    private final NodeCircuit node;
    private final StepsOf steps;
    private final List<WireList> lists;
    private final Meter meter;

    /** The volts of this board, which must hold before. */
    private final List<String> needs;

    JoinedChecks(
            Benches benches, NodeCircuit node, StepsOf steps, List<WireList> lists, Meter meter, List<String> needs) {
        this.benches = benches;
        this.node = node;
        this.steps = steps;
        this.lists = lists;
        this.meter = meter;
        this.needs = needs;
    }

    List<Check> all() {
        Map<String, List<NodeWire>> talking = new LinkedHashMap<>();
        benches.circuit().links().stream()
                .filter(link ->
                        !link.isLine() && link.to().node().equals(node.node().id()))
                .forEach(link -> talking.computeIfAbsent(link.from().node(), id -> new ArrayList<>())
                        .add(link));
        List<Check> checks = new ArrayList<>();
        talking.forEach(
                (id, links) -> benches.node(id).ifPresent(other -> checks.addAll(new With(other, links).checks())));
        return checks;
    }

    /** One other board, with all that is on both tables. */
    private final class With {
        private final NodeCircuit other;
        private final List<NodeWire> links;
        private final Group group;
        private final Scene rest;
        private final StepsOf farSteps;
        private final boolean isGroundJoined;

        With(NodeCircuit other, List<NodeWire> links) {
            this.other = other;
            this.links = links;
            group = new Group(Phase.JOINED, other.node().name());
            Set<Place> all = new LinkedHashSet<>();
            for (NodeCircuit table : List.of(node, other)) {
                Scenes scenes = new Scenes(benches, table);
                table.parts().stream()
                        .filter(placed -> !placed.isForLater())
                        .forEach(placed -> all.addAll(scenes.withAllAbove(placed.id())));
            }
            rest = Scene.resting(all);
            farSteps = lists.stream()
                    .filter(list -> list.node() == other)
                    .findFirst()
                    .map(StepsOf::new)
                    .orElseThrow();
            isGroundJoined = links.stream().anyMatch(NodeWire::groundJoined);
        }

        List<Check> checks() {
            List<Check> checks = new ArrayList<>();
            if (isGroundJoined) {
                grounds().ifPresent(checks::add);
            }
            List<String> first =
                    checks.isEmpty() ? needs : with(needs, checks.get(0).id());
            Foretelling calm = new Foretelling(benches.model(rest));
            for (NodeWire link : links) {
                (BoardBuses.line(benches.circuit(), link).isPresent()
                                ? resting(calm, link, first)
                                : driven(link, first))
                        .ifPresent(checks::add);
            }
            return checks;
        }

        private String otherId() {
            return other.node().id();
        }

        private Optional<Check> grounds() {
            Scene off = rest.off();
            String here = benches.ground(node, Part.BOARD);
            String there = benches.ground(other, Part.BOARD);
            return new Ohmmeter(benches.model(off))
                    .band(here, there)
                    .map(band -> new Check(
                            "ohms ground of " + otherId(),
                            group,
                            Check.Kind.OHMS,
                            Place.ofNode(node.node().id()),
                            Optional.of(steps.ground(node.board())),
                            Optional.of(new Terminal.OnOtherBoard(
                                    Place.ofNode(otherId()), other.node().name(), "")),
                            "",
                            OhmChecks.joined(band.high()),
                            Optional.of(band),
                            List.of(),
                            List.copyOf(steps.groundsTo(otherId())),
                            farSteps.named(farSteps.groundsTo(node.node().id())),
                            new Asked(off, new Question.Ohms(here, List.of(there)))));
        }

        /** What arrives while the other board puts its pin high; nothing where that lights a lamp, or too little to be told. */
        private Optional<Check> driven(NodeWire link, List<String> first) {
            Scene driving = rest.driving(Map.of(link.from(), Drives.HIGH));
            Probe probe = benches.volts(node, link.to().endpoint());
            return new Foretelling(benches.model(driving))
                    .band(probe)
                    .filter(band -> band.low() > CheckMaker.LEAST_HIGH)
                    .map(band -> check("high " + link.from(), Check.Kind.LEVEL, link, band, first, driving, probe));
        }

        private Optional<Check> resting(Foretelling calm, NodeWire link, List<String> first) {
            Probe probe = benches.volts(node, link.to().endpoint());
            return calm.band(probe)
                    .map(band -> check("rests " + link.from(), Check.Kind.VOLTS, link, band, first, rest, probe));
        }

        /** One pin may go to several of this board. */
        private String own(String id, NodeWire link) {
            boolean isFirst = links.stream()
                    .filter(other -> other.from().equals(link.from()))
                    .findFirst()
                    .filter(link::equals)
                    .isPresent();
            return isFirst ? id : id + " at " + link.to().endpoint();
        }

        private Check check(
                String id, Check.Kind kind, NodeWire link, Band band, List<String> first, Scene scene, Probe probe) {
            Endpoint pin = link.to().endpoint();
            List<NodeWire> all = benches.circuit().links();
            Set<String> wires = steps.with(steps.feeding(pin.part()), steps.of(link, all));
            Set<String> elsewhere = farSteps.of(link, all);
            if (isGroundJoined) {
                wires.addAll(steps.groundsTo(otherId()));
                elsewhere.addAll(farSteps.groundsTo(node.node().id()));
            }
            return new Check(
                    own(id, link),
                    group,
                    kind,
                    link.to(),
                    steps.terminal(pin),
                    node.part(pin.part()).map(steps::ground),
                    "",
                    Expected.Within.volts(band, meter),
                    Optional.of(band),
                    first,
                    List.copyOf(wires),
                    farSteps.named(elsewhere),
                    new Asked(scene, new Question.Measure(probe)));
        }
    }

    private static List<String> with(List<String> some, String more) {
        List<String> all = new ArrayList<>(some);
        all.add(more);
        return all;
    }

    /** The pins by which a board puts something out to others, each once. */
    static List<Endpoint> talking(Benches benches, NodeCircuit node) {
        return benches.circuit().links().stream()
                .filter(link -> link.from().node().equals(node.node().id())
                        && !link.isLine()
                        && BoardBuses.line(benches.circuit(), link).isEmpty())
                .map(link -> link.from().endpoint())
                .filter(pin ->
                        node.part(pin.part()).filter(JoinedChecks::isBoard).isPresent())
                .distinct()
                .toList();
    }

    private static boolean isBoard(Placed placed) {
        return placed.part().isBoard();
    }
}
