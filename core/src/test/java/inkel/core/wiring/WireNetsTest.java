package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.remedy.AddParts;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
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
                check(RandomBuilds.planned(Edit.applyAll(alone, AddParts.of(node, cls, 1))));
            }
        }
    }

    /** What only leads a supply on has wires as any other: a charger, a current monitor, the contacts of a relay. */
    static Stream<Build> ledOn() {
        return Stream.of(
                Builds.dualCore()
                        .part("cell", "battery-lithium")
                        .part("charger", "charger-lithium", "B+=cell.+")
                        .part("up", "regulator-up", "IN+=charger.OUT+")
                        .part("light", "light-sensor", "VCC=up.OUT+")
                        .build(),
                Builds.classic()
                        .part("twelve", "wall-supply-12v")
                        .part("monitor", "current-monitor", "VCC=board.5V", "VIN+=twelve.+")
                        .part("relay", "relay-one", "VCC=board.5V", "COM=monitor.VIN-")
                        .part("lock", "solenoid", "V+=relay.NO")
                        .part("fan", "motor-small", "V+=relay.NC")
                        .build(),
                Builds.classic()
                        .part("six", "wall-supply-6v")
                        .part("driver", "servo-driver-16", "VCC=board.5V", "V+=six.+")
                        .part("gate", "servo-micro", "V+=driver.V+OUT")
                        .part("sluice", "servo-micro", "V+=driver.V+OUT")
                        .wire("gate.SIG", "driver.CH0")
                        .wire("sluice.SIG", "board.D9")
                        .build());
    }

    @ParameterizedTest
    @MethodSource("ledOn")
    void theListOfWhatIsLedOn(Build build) throws Exception {
        check(build);
        check(RandomBuilds.planned(build));
    }

    static IntStream seeds() {
        return IntStream.range(0, BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theListOfARandomBuild(int seed) throws Exception {
        check(RandomBuilds.of(seed));
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
        Build build = RandomBuilds.planned(builds.build());
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
            List<WireList> without =
                    new ArrayList<>(List.of(new WireList(whole.node(), steps, List.of(), List.of(), steps)));
            without.addAll(rest);
            boolean isSame = plan.wanted().ofPins().equals(plan.listed(without).ofPins())
                    && plan.pieces().equals(plan.listedPieces(without));
            assertTrue(!isSame, "without " + left.id());
        }
    }
}
