package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.pins.PinFit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.RailLeads;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The wires of a list, joined end to end, make exactly the nets of the plan: nothing is missing, nothing is too much. */
class WireNetsTest {
    private static final int BUILDS = Integer.getInteger("inkel.wire.builds", 60);

    static Stream<Build> examples() {
        return Stream.of("otterbeck-locks", "otterbeck-first-sketch", "moth-lamp")
                .map(name -> Builds.example(name + ".inkel.json"));
    }

    @ParameterizedTest
    @MethodSource("examples")
    void theListOfAnExample(Build build) {
        check(build);
    }

    static Stream<PartClass> boards() {
        return Builds.CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    /** Every module and source alone on every board, fed and shared out as the program does it. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("boards")
    void theListOfEveryPartOnABoard(PartClass board) throws Exception {
        for (PartClass cls : Builds.CATALOG.all()) {
            if (cls.kind() != Kind.BOARD) {
                Build alone = Builds.powered(board).build();
                NodeCircuit node = Circuit.of(alone, Builds.CATALOG).nodes().get(0);
                check(planned(Edit.applyAll(alone, AddParts.of(node, cls, 1))));
            }
        }
    }

    static IntStream seeds() {
        return IntStream.range(0, BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theListOfARandomBuild(int seed) throws Exception {
        check(random(seed));
    }

    /** A board on a port, some modules fed as the program would, ways out taken by chance, shared out, linked to a twin. */
    private static Build random(int seed) throws Exception {
        Random random = new Random(seed);
        List<PartClass> boards = boards().toList();
        List<PartClass> others = Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() != Kind.BOARD)
                .toList();
        PartClass board = boards.get(random.nextInt(boards.size()));
        Build build = Builds.powered(board).build();
        int count = 1 + random.nextInt(7);
        for (int i = 0; i < count; i++) {
            PartClass cls = others.get(random.nextInt(others.size()));
            NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
            build = Edit.applyAll(build, AddParts.of(node, cls, 1));
        }
        build = planned(build);
        for (int i = 0; i < 4; i++) {
            build = oneWayOut(build, random);
        }
        build = planned(oneGiven(onePiece(onePiece(build, random), random), random));
        if (random.nextInt(3) == 0) {
            List<Part> parts = build.nodes().get(0).parts();
            Part part = parts.get(random.nextInt(parts.size()));
            build = part.isBoard() ? build : new SetGround(Builds.NODE, part.id(), true).apply(build);
        }
        return random.nextInt(3) == 0 ? fedFromTheOther(linked(build, random), random) : build;
    }

    /** A rail of one of the two boards brought to the other, for a part there. */
    private static Build fedFromTheOther(Build build, Random random) throws Exception {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        if (circuit.nodes().size() < 2) {
            return build;
        }
        NodeCircuit taker = circuit.nodes().get(random.nextInt(2));
        List<Fix> offers = RailLeads.offers(circuit, taker);
        List<Part> fed = taker.node().parts().stream()
                .filter(part -> !part.isBoard() && !part.feeds().isEmpty())
                .toList();
        if (offers.isEmpty() || fed.isEmpty()) {
            return build;
        }
        Part part = fed.get(random.nextInt(fed.size()));
        String pin = part.feeds().keySet().iterator().next();
        return new Feed(taker.node().id(), part.id(), pin, Builds.end("lead.+"))
                .apply(offers.get(random.nextInt(offers.size())).apply(build));
    }

    private static Build planned(Build build) throws Exception {
        Plan plan = new Planner(build, Builds.CATALOG).plan(Builds.NODE);
        return plan.placed() ? plan.edit().orElseThrow().apply(build) : build;
    }

    private static Build oneWayOut(Build build, Random random) throws Exception {
        List<Finding> findings = Assessment.assess(build, Builds.CATALOG).findings();
        if (findings.isEmpty()) {
            return build;
        }
        List<Fix> fixes = findings.get(random.nextInt(findings.size())).fixes();
        return fixes.isEmpty() ? build : fixes.get(random.nextInt(fixes.size())).apply(build);
    }

    /** Something by chance in the wire of a signal that goes one way. */
    private static Build onePiece(Build build, Random random) throws Exception {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        List<Endpoint> signals = node.nets().values().stream()
                .flatMap(List::stream)
                .map(Wire::from)
                .filter(signal -> node.between(signal).isEmpty())
                .filter(signal -> !node.pin(signal).orElseThrow().use().isTwoWay())
                .toList();
        if (signals.isEmpty()) {
            return build;
        }
        Endpoint signal = signals.get(random.nextInt(signals.size()));
        return new Insert(Builds.NODE, piece(signal, random)).apply(build);
    }

    private static Between piece(Endpoint signal, Random random) {
        Resistance one = Resistance.ofOhms(1000 + random.nextInt(9000));
        Resistance other = Resistance.ofOhms(1000 + random.nextInt(9000));
        Optional<Capacitance> across =
                random.nextBoolean() ? Optional.of(Capacitance.ofFarads(1e-9)) : Optional.empty();
        return switch (random.nextInt(4)) {
            case 0 -> new Between.Divider(signal, one, other, across, Extras.NONE);
            case 1 -> new Between.Series(signal, one, across, Extras.NONE);
            case 2 -> new Between.Diode(signal, one, Extras.NONE);
            default -> new Between.Opto(signal, one, other, Extras.NONE);
        };
    }

    /** A signal given by hand to the signal of another part, where one of the table can take it. */
    private static Build oneGiven(Build build, Random random) throws Exception {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        List<Wire> given = new ArrayList<>();
        node.signals().forEach(signal -> PinFit.legal(node, signal)
                .filter(target -> node.pin(target).orElseThrow().servesByChoice())
                .forEach(target -> given.add(Wire.placed(signal, target))));
        return given.isEmpty() ? build : new SetWire(Builds.NODE, given.get(random.nextInt(given.size()))).apply(build);
    }

    /** The same node once more, and a free plain pin of each board joined. */
    private static Build linked(Build build, Random random) throws Exception {
        Build two = new CopyNode(Builds.NODE, "twin", "Twin").apply(build);
        NodeCircuit node = Circuit.of(two, Builds.CATALOG).nodes().get(0);
        Optional<String> free = node.board()
                .cls()
                .offers()
                .map(node.board()::endpoint)
                .filter(pin -> node.nets().get(pin) == null)
                .map(pin -> pin.pin())
                .findFirst();
        return free.isEmpty()
                ? two
                : new AddNodeWire(new NodeWire(
                                Builds.place("board." + free.get()),
                                Place.of("twin", Builds.end("board." + free.get())),
                                random.nextBoolean(),
                                random.nextInt(3) == 0
                                        ? Optional.empty()
                                        : Optional.of(piece(Builds.end("board." + free.get()), random)),
                                Extras.NONE))
                        .apply(two);
    }

    private static void check(Build build) {
        List<WireList> lists = WireList.of(Circuit.of(build, Builds.CATALOG));
        WantedNets plan = new WantedNets(build);
        assumeTrue(plan.isClear(), "a shifter between equal supplies, or beside a part that is not fed");
        Set<Set<String>> wanted = plan.wanted().ofPins();
        Set<Set<String>> listed = plan.listed(lists).ofPins();
        assertEquals(text(minus(wanted, listed)), text(minus(listed, wanted)), "wanted, and listed instead");
        assertEquals(plan.pieces(), plan.listedPieces(lists));
        for (WireList list : lists) {
            groundsComeFirst(build, plan, list);
        }
    }

    private static Set<Set<String>> minus(Set<Set<String>> from, Set<Set<String>> what) {
        Set<Set<String>> left = new HashSet<>(from);
        left.removeAll(what);
        return left;
    }

    private static Set<String> text(Set<Set<String>> nets) {
        Set<String> text = new TreeSet<>();
        nets.forEach(net -> text.add(net.toString()));
        return text;
    }

    /** Before the first wire that is no ground every ground that is not kept apart is on one net. */
    private static void groundsComeFirst(Build build, WantedNets plan, WireList list) {
        Node node = list.node().node();
        List<WireStep> grounds = list.steps().stream()
                .takeWhile(step -> step.kind() == WireStep.Kind.GROUND)
                .toList();
        assertTrue(
                list.steps().stream().skip(grounds.size()).noneMatch(step -> step.kind() == WireStep.Kind.GROUND),
                node.id());
        List<String> ends = new ArrayList<>();
        Nets nets = new Nets();
        for (WireStep step : grounds) {
            nets.join(plan.end(node.id(), step.from()), plan.end(node.id(), step.to()));
            boolean isApart = step.from() instanceof Terminal.OnPin pin
                    && node.part(pin.pin().part()).orElseThrow().groundApart();
            if (!isApart) {
                ends.add(plan.end(node.id(), step.from()));
                ends.add(plan.end(node.id(), step.to()));
            }
        }
        ends.forEach(end -> assertTrue(nets.areJoined(ends.get(0), end), end));
    }

    /** As many converters on one bus as they have addresses: straps to ground, supply, data and clock. */
    @Test
    void strapsOfEveryKind() throws Exception {
        Builds builds = Builds.classic();
        for (int i = 0; i < 4; i++) {
            builds.part("adc-" + i, "adc-16", "VDD=board.5V");
        }
        Build build = planned(builds.build());
        check(build);
        assertEquals(
                3,
                build.nodes().get(0).wires().stream()
                        .filter(wire -> wire.from().pin().equals("ADDR"))
                        .count(),
                "one is left to the module");
    }

    @Test
    void aMissingWireIsSeen() {
        Build build = Builds.locks();
        WireList whole = WireList.of(Circuit.of(build, Builds.CATALOG)).get(0);
        WantedNets plan = new WantedNets(build);
        List<WireList> rest =
                WireList.of(Circuit.of(build, Builds.CATALOG)).stream().skip(1).toList();
        for (WireStep left : whole.steps()) {
            List<WireStep> steps =
                    whole.steps().stream().filter(step -> step != left).toList();
            List<WireList> without = new ArrayList<>(List.of(new WireList(whole.node(), steps, List.of(), List.of())));
            without.addAll(rest);
            boolean isSame = plan.wanted().ofPins().equals(plan.listed(without).ofPins())
                    && plan.pieces().equals(plan.listedPieces(without));
            assertTrue(!isSame, "without " + left.id());
        }
    }
}
