package inkel.core.seats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Follows the metal inside breadboards, hole by hole, apart from the seat planner: what the wires of a seated list join is what
 * the plan's list joins, no more and no less, and nothing is plugged where something is.
 */
class HolesTest {
    private static final int BUILDS = Integer.getInteger("inkel.seat.builds", 60);

    static Stream<Build> examples() {
        return Stream.of("otterbeck-locks", "otterbeck-first-sketch", "moth-lamp")
                .map(name -> Builds.example(name + ".inkel.json"));
    }

    @ParameterizedTest
    @MethodSource("examples")
    void anExample(Build build) {
        check(build);
    }

    static IntStream seeds() {
        return IntStream.range(1000, 1000 + BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aRandomBuild(int seed) throws Exception {
        check(RandomBuilds.of(seed));
    }

    static void check(Build build) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        List<WireList> lists = WireList.of(circuit);
        List<SeatPlan> plans = SeatPlanner.of(circuit, lists);
        for (int i = 0; i < lists.size(); i++) {
            nothingTwice(plans.get(i));
            joinsTheNets(lists.get(i), plans.get(i));
        }
    }

    private static void nothingTwice(SeatPlan plan) {
        Set<Hole> taken = new HashSet<>();
        Map<String, Integer> loose = new HashMap<>();
        for (SeatPlan.Seat seat : plan.seats()) {
            for (SeatPlan.Leg leg : seat.legs()) {
                assertTrue(taken.add(leg.hole()), "two legs in " + leg.hole());
                assertTrue(leg.hole().row() >= 1
                        && leg.hole().row() <= plan.kind().orElseThrow().rows());
            }
        }
        for (WireStep step : plan.list().steps()) {
            for (Run run : plan.runs(step)) {
                for (Landing end : List.of(run.from(), run.to())) {
                    end.hole().ifPresent(hole -> assertTrue(taken.add(hole), "two ends in " + hole + ", " + step.id()));
                    if (end.hole().isEmpty() && !(end.at() instanceof Terminal.OnOtherBoard)) {
                        assertFalse(run.isPiece(), "a leg in the air: " + step.id());
                        loose.merge(end.at().id(), 1, Integer::sum);
                    }
                }
            }
        }
        if (plan.kind().isPresent()) {
            loose.forEach((end, count) -> assertEquals(1, count, "jumpers on " + end));
        }
    }

    /** What is one piece of metal. */
    private static final class Metal {
        private final Map<String, String> parent = new LinkedHashMap<>();

        void join(String one, String other) {
            parent.put(root(one), root(other));
        }

        String root(String of) {
            String at = of;
            parent.putIfAbsent(at, at);
            while (!parent.get(at).equals(at)) {
                at = parent.get(at);
            }
            return at;
        }
    }

    /** The clip of a breadboard that a hole is over: rows of five, rails whole or in two halves. */
    private static String clip(SeatPlan plan, Hole hole) {
        int across = hole.column().across();
        if (across >= 0 && across <= 4 || across >= 7 && across <= 11) {
            return hole.board() + (across <= 4 ? "L" : "R") + hole.row();
        }
        boolean isSplit = plan.kind().orElseThrow().segments() == 2;
        return hole.board() + "rail" + across + (isSplit && hole.row() > 31 ? "low" : "high");
    }

    private static void joinsTheNets(WireList list, SeatPlan plan) {
        if (plan.kind().isEmpty()) {
            assertEquals(ids(list), ids(plan.list()));
            return;
        }
        Metal planned = new Metal();
        Set<String> terminals = new HashSet<>();
        for (WireStep step : list.steps()) {
            terminals.add(step.from().id());
            terminals.add(step.to().id());
            planned.root(step.from().id());
            planned.root(step.to().id());
            boolean isThrough = step.inLine()
                    .filter(piece -> !(piece instanceof Between.Nothing))
                    .isPresent();
            if (step.fitting().isEmpty() && !isThrough) {
                planned.join(step.from().id(), step.to().id());
            }
        }
        Metal made = new Metal();
        Map<String, String> at = new HashMap<>();
        for (SeatPlan.Seat seat : plan.seats()) {
            for (SeatPlan.Leg leg : seat.legs()) {
                leg.end().ifPresent(end -> at.put(end.id(), clip(plan, leg.hole())));
                made.root(clip(plan, leg.hole()));
            }
        }
        List<String[]> pieces = new ArrayList<>();
        for (WireStep step : plan.list().steps()) {
            for (Run run : plan.runs(step)) {
                String from = place(plan, run.from());
                String to = place(plan, run.to());
                if (run.isPiece()) {
                    pieces.add(new String[] {step.id(), from, to});
                } else {
                    made.join(from, to);
                }
            }
        }
        for (SeatPlan.RailUse rail : plan.rails()) {
            Hole any = new Hole(
                    rail.stretch().board(),
                    rail.stretch().isLeft()
                            ? rail.stretch().isPlus() ? Column.LEFT_PLUS : Column.LEFT_MINUS
                            : rail.stretch().isPlus() ? Column.RIGHT_PLUS : Column.RIGHT_MINUS,
                    rail.stretch().segment() == 0 ? 10 : 50);
            String clip = clip(plan, any);
            if (at.containsKey(rail.carries().id())) {
                assertEquals(made.root(at.get(rail.carries().id())), made.root(clip), "stretches of " + rail.carries());
            }
            at.put(rail.carries().id(), clip);
        }
        Map<String, String> of = new HashMap<>();
        for (String terminal : terminals) {
            boolean isRow = terminal.startsWith("row ");
            if (isRow && !at.containsKey(terminal)) {
                continue; // a supply without a rail of its own, told by what hangs on it
            }
            String place = made.root(at.getOrDefault(terminal, terminal));
            String net = planned.root(terminal);
            String known = of.putIfAbsent(net, place);
            assertTrue(known == null || known.equals(place), terminal + " is not joined to its net");
        }
        Set<String> apart = new HashSet<>();
        of.forEach((net, place) -> assertTrue(apart.add(place), "two nets joined at " + place + ": " + net));
        throughPieces(list, planned, made, of, pieces);
    }

    /** A small part stands between the nets that its step goes between, with a wire of a net of its own where that is needed. */
    private static void throughPieces(
            WireList list, Metal planned, Metal made, Map<String, String> of, List<String[]> pieces) {
        for (WireStep step : list.steps()) {
            boolean isThrough = step.inLine()
                    .filter(piece -> !(piece instanceof Between.Nothing) && !(piece instanceof Between.CoilDriver))
                    .isPresent();
            if (!isThrough && step.fitting().isEmpty()) {
                continue;
            }
            List<String[]> own =
                    pieces.stream().filter(piece -> piece[0].equals(step.id())).toList();
            boolean isBeside = step.isAcrossSupply()
                    && !Jumper.isInABreadboard(
                            list.node(), list.node().part(step.subject().part()).orElseThrow());
            if (isBeside && own.isEmpty()) {
                // It goes to pins that are in no hole.
                continue;
            }
            assertEquals(1, own.size(), "small parts of " + step.id());
            Set<String> ends = Set.of(made.root(own.get(0)[1]), made.root(own.get(0)[2]));
            for (Terminal end : List.of(step.from(), step.to())) {
                Optional<String> net = Optional.ofNullable(of.get(planned.root(end.id())));
                net.ifPresent(place -> assertTrue(ends.contains(place), end.id() + " of " + step.id()));
            }
        }
    }

    private static String place(SeatPlan plan, Landing landing) {
        return landing.hole().map(hole -> clip(plan, hole)).orElse(landing.at().id());
    }

    private static List<String> ids(WireList list) {
        return list.steps().stream().map(WireStep::id).toList();
    }
}
