package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Random tables on every board of the catalogue, judged by rules that know nothing of the planner. */
class PlacementPropertyTest {
    private static final int SEEDS = 5;

    static Stream<Arguments> tables() {
        return Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD)
                .flatMap(board -> IntStream.range(0, SEEDS).mapToObj(seed -> Arguments.of(board.id(), seed)));
    }

    private static Builds table(String board, int seed) {
        Random random = new Random(31L * board.hashCode() + seed);
        List<PartClass> modules = Builds.CATALOG.all().stream()
                .filter(cls ->
                        cls.kind() == Kind.MODULE && cls.signals().findAny().isPresent())
                .toList();
        long room = Builds.CATALOG.get(board).offers().count();
        Builds build = Builds.on(board);
        int count = 1 + random.nextInt((int) Math.max(2, room / 3));
        for (int i = 0; i < count; i++) {
            build.part("part-" + i, modules.get(random.nextInt(modules.size())).id());
        }
        NodeCircuit node = build.circuit();
        List<Endpoint> signals = new ArrayList<>(node.signals().toList());
        Set<Endpoint> held = new HashSet<>();
        for (int i = 0; i < 2 && !signals.isEmpty(); i++) {
            Endpoint signal = signals.remove(random.nextInt(signals.size()));
            List<Endpoint> legal = PinFit.legal(node, signal)
                    .filter(target -> target.part().equals("board"))
                    .toList();
            if (!legal.isEmpty() && held.add(legal.get(legal.size() / 2))) {
                build.hold(signal.toString(), legal.get(legal.size() / 2).toString());
            }
        }
        return build;
    }

    @ParameterizedTest(name = "{0}, table {1}")
    @MethodSource("tables")
    void everyPlacementKeepsTheRulesAndEveryClashIsSmallest(String board, int seed) throws Exception {
        Builds table = table(board, seed);
        Build before = table.build();
        Plan plan = new Planner(before, Builds.CATALOG).plan(Builds.NODE);
        if (!plan.placed()) {
            clashIsSmallest(table.circuit(), plan);
            return;
        }
        Build after = plan.edit().orElseThrow().apply(before);
        assertEquals(List.of(), PlacementJudge.faults(after, Builds.CATALOG));
        for (Wire wire : before.nodes().get(0).wires()) {
            assertEquals(
                    wire, after.nodes().get(0).wire(wire.from()).orElseThrow(), "what is held stays, with its reason");
        }
    }

    private static void clashIsSmallest(NodeCircuit node, Plan plan) {
        List<Want> clash = Want.of(node, List.of()).stream()
                .filter(want -> plan.clash().contains(want.signal()))
                .toList();
        assertFalse(clash.isEmpty(), "a refusal names what clashes");
        assertEquals(PinModel.Possible.NO, PinModel.isPossible(new PinDomain(node), clash));
        for (Want want : clash) {
            List<Want> without = new ArrayList<>(clash);
            without.remove(want);
            assertEquals(
                    PinModel.Possible.YES,
                    PinModel.isPossible(new PinDomain(node), without),
                    "without " + want.signal() + " the others find their pins");
        }
    }
}
