package inkel.core.seats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetHabit;
import inkel.core.document.edit.SetSetting;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.pins.Planner;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SeatPlannerTest {
    private static SeatPlan plan(Build build) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        return SeatPlanner.of(circuit.nodes().get(0), WireList.of(circuit));
    }

    private static Build table(Build build, String kind) throws Exception {
        return new SetSetting(build.nodes().get(0).id(), "board", Settings.TABLE, kind).apply(build);
    }

    /** A board that lies beside, and two sensors of one row each. */
    private static Build two() throws Exception {
        return RandomBuilds.planned(Builds.classic()
                .part("climate", "climate-i2c", "VIN=board.5V")
                .part("level", "water-level", "+=board.5V")
                .build());
    }

    @Test
    void theSameTableAlwaysGivesTheSameSeats() {
        assertEquals(plan(Builds.locks()).seats(), plan(Builds.locks()).seats());
        assertEquals(plan(Builds.locks()).runs(), plan(Builds.locks()).runs());
    }

    @Test
    void whatIsKeptStaysAndTheOthersMakeWay() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        SeatPlan.Seat reader = first.seat("reader").orElseThrow();
        SeatChoice place = new SeatChoice(1, Side.LEFT, 40, true);
        assertEquals(Optional.empty(), SeatMoves.refusal(first, reader, place));
        SeatPlan then = plan(SeatMoves.move(first, reader, place).apply(build));
        assertEquals(place, then.seat("reader").orElseThrow().at());
        assertTrue(then.seat("reader").orElseThrow().isHeld());
        assertFalse(then.seat("shifter").orElseThrow().isHeld());
        HolesTest.check(SeatMoves.move(first, reader, place).apply(build));
    }

    @Test
    void whatIsPluggedStaysWhenPartsComeAndGo() throws Exception {
        Build build = Builds.locks()
                .withNodes(Builds.locks().nodes().stream()
                        .map(node -> node.withPlugged(Set.of()))
                        .toList());
        SeatPlan first = plan(build);
        String wire = first.list().steps().stream()
                .filter(step -> step.id().contains("> reader.") && step.kind() == WireStep.Kind.SHARED)
                .map(WireStep::id)
                .findFirst()
                .orElseThrow();
        Build plugged = SeatMoves.plug(first, Set.of(wire)).apply(build);
        SeatPlan after = plan(new RemovePart(build.nodes().get(0).id(), "level").apply(plugged));
        assertEquals(
                first.seat("reader").orElseThrow().at(),
                after.seat("reader").orElseThrow().at());
        assertTrue(plugged.nodes().get(0).seats().containsKey("reader"));
        assertFalse(plugged.nodes().get(0).seats().containsKey("level"), "nothing is plugged there");
        SeatPlan anew = plan(SeatMoves.anew(plan(plugged)).apply(plugged));
        assertTrue(anew.node().node().seats().containsKey("reader"), "what is plugged stays even then");
    }

    @Test
    void whatMovesIsPluggedAnew() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        SeatPlan.Seat reader = first.seat("reader").orElseThrow();
        Set<String> there = Set.copyOf(first.list().steps().stream()
                .filter(step -> step.id().contains("reader.") && step.fitting().isEmpty())
                .map(WireStep::id)
                .toList());
        Build all = SeatMoves.plug(first, there).apply(build);
        Build moved = SeatMoves.move(plan(all), reader, new SeatChoice(1, Side.LEFT, 40, false))
                .apply(all);
        assertTrue(all.nodes().get(0).plugged().containsAll(there));
        there.forEach(id -> assertFalse(moved.nodes().get(0).plugged().contains(id), id));
    }

    /** A change of what is plugged is no change of seats, and need not be worked out again. */
    @Test
    void ticksAreQuick() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        Build more = SeatMoves.plug(
                        first,
                        Set.copyOf(
                                first.list().steps().stream().map(WireStep::id).toList()))
                .apply(build);
        Circuit circuit = Circuit.of(more, Builds.CATALOG);
        SeatPlan quick = SeatPlanner.of(circuit.nodes().get(0), WireList.of(circuit), Optional.of(first));
        assertEquals(
                first.memory().orElseThrow().seating(),
                quick.memory().orElseThrow().seating());
        assertEquals(first.runs(), quick.runs());
        assertTrue(quick.list().steps().stream().allMatch(WireStep::plugged));
    }

    @Test
    void offTheBreadboardItIsWiredWhereItLies() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        SeatPlan then =
                plan(SeatMoves.off(first, first.seat("reader").orElseThrow()).apply(build));
        assertTrue(then.seat("reader").isEmpty());
        assertTrue(then.beside().contains("reader"));
        HolesTest.check(SeatMoves.off(first, first.seat("reader").orElseThrow()).apply(build));
    }

    @ParameterizedTest
    @ValueSource(strings = {"strip", "shield", "leads"})
    void withoutBreadboardNobodyHasASeat(String kind) throws Exception {
        SeatPlan plan = plan(table(Builds.locks(), kind));
        assertEquals(0, plan.boards());
        assertEquals(List.of(), plan.seats());
        assertEquals(plan.node().node().parts().size(), plan.beside().size());
    }

    /** Fourteen shift registers of eight rows: 112 rows; two long boards have 126, short ones 30 each with three on one. */
    @ParameterizedTest
    @CsvSource({"long, 2", "whole, 2", "short, 5"})
    void asManyAsAreNeeded(String kind, int boards) throws Exception {
        Builds builds = Builds.classic();
        for (int i = 0; i < 14; i++) {
            builds.part("shift-" + i, "shift-out", "VCC=board.5V");
        }
        SeatPlan plan = plan(table(builds.build(), kind));
        assertEquals(boards, plan.boards());
        assertEquals(
                14,
                plan.seats().stream().filter(seat -> seat.part().isPresent()).count());
    }

    /** Split rails are bridged where both stretches are used; whole ones never. */
    @Test
    void splitRailsAreBridgedInTheList() throws Exception {
        Builds builds = Builds.classic();
        for (int i = 0; i < 7; i++) {
            builds.part("shift-" + i, "shift-out", "VCC=board.5V");
        }
        SeatPlan split = plan(table(RandomBuilds.planned(builds.build()), "long"));
        Map<String, List<SeatPlan.RailUse>> used = new java.util.TreeMap<>();
        split.rails().forEach(rail -> used.computeIfAbsent(rail.carries().id(), key -> new ArrayList<>())
                .add(rail));
        used.forEach((rail, stretches) -> assertEquals(
                stretches.size() - 1,
                split.list().steps().stream()
                        .filter(step -> step.from() instanceof Terminal.OnStretch stretch
                                && stretch.carries().id().equals(rail))
                        .count(),
                rail));
        assertTrue(used.values().stream().anyMatch(stretches -> stretches.size() > 1));
        SeatPlan whole = plan(table(RandomBuilds.planned(builds.build()), "whole"));
        assertTrue(whole.rails().stream().allMatch(rail -> rail.stretch().segment() == 0));
    }

    /** A small board straddles the gap at row 1, its marked end outwards; a large one lies beside. */
    @Test
    void boardsStraddleOrLieBeside() {
        SeatPlan small = plan(Builds.powered(Builds.CATALOG.get("board-small-5v"))
                .part("climate", "climate-i2c", "VIN=board.5V")
                .build());
        assertEquals(
                new SeatChoice(1, Side.ACROSS, 1, false),
                small.seat("board").orElseThrow().at());
        assertTrue(plan(Builds.locks()).beside().contains("board"));
    }

    @Test
    void aSeatThatCannotBeSaysWhy() {
        SeatPlan plan = plan(Builds.locks());
        SeatPlan.Seat reader = plan.seat("reader").orElseThrow();
        SeatPlan.Seat shifter = plan.seat("shifter").orElseThrow();
        assertEquals("seats.refused.needs_half", why(plan, reader, new SeatChoice(1, Side.ACROSS, 5, false)));
        assertEquals("seats.refused.needs_gap", why(plan, shifter, new SeatChoice(1, Side.LEFT, 5, false)));
        assertEquals("seats.refused.no_board", why(plan, reader, new SeatChoice(2, Side.LEFT, 5, false)));
        assertEquals("", why(plan, reader, new SeatChoice(1, Side.LEFT, 56, false)), "eight pins from row 56 to 63");
        assertEquals("seats.refused.rows", why(plan, reader, new SeatChoice(1, Side.LEFT, 57, false)));
    }

    private static String why(SeatPlan plan, SeatPlan.Seat who, SeatChoice to) {
        return SeatMoves.refusal(plan, who, to).map(fact -> fact.key()).orElse("");
    }

    @Test
    void whatIsKeptIsNotPushedAway() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        SeatChoice place = new SeatChoice(1, Side.LEFT, 40, false);
        Build kept =
                SeatMoves.move(first, first.seat("level").orElseThrow(), place).apply(build);
        SeatPlan then = plan(kept);
        assertEquals(
                "seats.refused.taken",
                why(then, then.seat("handset").orElseThrow(), new SeatChoice(1, Side.LEFT, 42, false)));
        assertEquals("", why(then, then.seat("handset").orElseThrow(), new SeatChoice(1, Side.LEFT, 43, false)));
    }

    /** Two kept at the same rows, by a file that somebody wrote: the later one is seated elsewhere, and that is said. */
    @Test
    void twoKeptAtOnePlace() throws Exception {
        Build build = Builds.locks();
        SeatChoice place = new SeatChoice(1, Side.LEFT, 40, false);
        Build both = build.withNode(
                build.nodes().get(0).id(), node -> node.withSeats(Map.of("level", place, "handset", place)));
        SeatPlan plan = plan(both);
        assertEquals(1, plan.refused().size());
        HolesTest.check(both);
    }

    @Test
    void whatGoesTakesItsSeatAlong() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        Build kept = SeatMoves.move(first, first.seat("level").orElseThrow(), new SeatChoice(1, Side.LEFT, 40, false))
                .apply(build);
        assertEquals(
                Map.of(),
                new RemovePart(build.nodes().get(0).id(), "level")
                        .apply(kept)
                        .nodes()
                        .get(0)
                        .seats());
    }

    /** Every pair of seats of two sensors on a short breadboard, wired by the same router: none is shorter by much. */
    @Test
    void noOtherSeatsAreMuchShorter() throws Exception {
        Build build = table(two(), "short");
        SeatPlan found = plan(build);
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        WireList list = WireList.of(circuit).get(0);
        TableNets nets = TableNets.of(list, List.of(), 2);
        Breadboard kind = Breadboard.of(circuit.nodes().get(0).table());
        List<List<SeatChoice>> options =
                nets.shapes().stream().map(shape -> Rows.all(kind, 1, shape)).toList();
        assertEquals(2, options.size());
        int[][] plus = found.memory().orElseThrow().seating().plus();
        double best = Double.MAX_VALUE;
        for (SeatChoice one : options.get(0)) {
            for (SeatChoice other : options.get(1)) {
                Rows rows = new Rows(kind, 1);
                rows.take(nets.shapes().get(0), one);
                if (rows.isFree(nets.shapes().get(1), other)) {
                    best = Math.min(best, metres(nets, new Seating(kind, List.of(one, other), plus)));
                }
            }
        }
        // The search reckons with rows, the router with single holes, and a part turned about is liked less.
        assertTrue(found.total().metres() <= best * 1.06, found.total() + " where " + best + " can be had");
        assertTrue(found.boundMetres() <= best + 1e-9, found.boundMetres() + " is no bound of " + best);
        assertTrue(found.boundMetres() > best * 0.6, found.boundMetres() + " says little of " + best);
    }

    @Test
    void wiresOfOtherBoardsHaveAHoleOfTheirOwn() throws Exception {
        int count = 0;
        for (int seed = 1; seed <= 40; seed++) {
            Circuit circuit = Circuit.of(RandomBuilds.of(seed), Builds.CATALOG);
            for (SeatPlan plan : SeatPlanner.of(circuit, WireList.of(circuit))) {
                List<Hole> taken = new ArrayList<>();
                plan.runs().values().stream()
                        .flatMap(List::stream)
                        .flatMap(run -> Stream.of(run.from(), run.to()))
                        .flatMap(landing -> landing.hole().stream())
                        .forEach(taken::add);
                plan.seats().forEach(seat -> seat.legs().forEach(leg -> taken.add(leg.hole())));
                for (Landing landing : plan.arriving().values()) {
                    Hole hole = landing.hole().orElseThrow();
                    assertFalse(taken.contains(hole), seed + ": " + hole + " has two");
                    taken.add(hole);
                    count++;
                    if (landing.at() instanceof Terminal.OnPin) {
                        assertTrue(
                                plan.seats().stream()
                                        .flatMap(seat -> seat.legs().stream())
                                        .anyMatch(leg -> leg.hole().halfRow().equals(hole.halfRow())
                                                && leg.end()
                                                        .filter(landing.at()::equals)
                                                        .isPresent()),
                                seed + ": " + landing + " is not in its row");
                    }
                }
            }
        }
        assertTrue(count > 5, "only " + count + " wires arrived in a hole");
    }

    @Test
    void byTheShortestWayTheHandGoesFromHoleToHole() throws Exception {
        SeatPlan safe = plan(Builds.locks());
        String node = Builds.locks().nodes().get(0).id();
        SeatPlan way = plan(new SetHabit<>(node, Habit.WIRE_ORDER, Habit.WireOrder.WAY).apply(Builds.locks()));
        assertEquals(ids(safe), ids(way), "the same wires");
        assertEquals(safe.runs(), way.runs(), "in the same holes");
        assertTrue(walked(way) < 0.7 * walked(safe), walked(way) + " where the safe order walks " + walked(safe));
        for (int i = 0; i < way.list().steps().size(); i++) {
            assertEquals(i + 1, way.list().steps().get(i).number());
        }
    }

    private static Set<String> ids(SeatPlan plan) {
        return plan.list().steps().stream().map(WireStep::id).collect(java.util.stream.Collectors.toSet());
    }

    private static double walked(SeatPlan plan) {
        double sum = 0;
        for (int i = 1; i < plan.list().steps().size(); i++) {
            sum += WayOrder.way(
                    plan.list().steps().get(i - 1), plan.list().steps().get(i), plan.runs());
        }
        return sum;
    }

    private static double metres(TableNets nets, Seating seating) {
        Router.Routes routes = Router.of(nets, seating);
        double sum = 0;
        for (List<Run> runs : routes.runs().values()) {
            for (Run run : runs) {
                sum += run.length().metres();
            }
        }
        for (Router.Added added : routes.added()) {
            sum += added.run().length().metres();
        }
        return sum;
    }

    /** By two ways that share nothing: what is found is never under the bound. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void theBoundIsOne(int seed) throws Exception {
        for (SeatPlan plan : plans(RandomBuilds.of(2000 + seed))) {
            assertTrue(
                    plan.boundMetres() <= plan.total().metres() + 1e-9, plan.boundMetres() + " over " + plan.total());
        }
    }

    private static List<SeatPlan> plans(Build build) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        return SeatPlanner.of(circuit, WireList.of(circuit));
    }

    /** What plugging keeps is written and read. */
    @Test
    void seatsAreSaved() throws Exception {
        Build build = Builds.locks();
        SeatPlan first = plan(build);
        Build kept = Edit.applyAll(
                build,
                List.of(SeatMoves.move(
                        first, first.seat("level").orElseThrow(), new SeatChoice(1, Side.LEFT, 40, true))));
        Build again = BuildReader.parse(Path.of("x"), BuildWriter.print(kept), Builds.CATALOG);
        assertEquals(kept.nodes().get(0).seats(), again.nodes().get(0).seats());
    }

    /** The radio lies beside the breadboard: its capacitors go where its leads are plugged, each straight across two rails. */
    @Test
    void capacitorsOfWhatLiesBesideItGoStraightAcrossTheRails() {
        SeatPlan plan = plan(Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("tilt", "accelerometer-digital", "VCC=board.3V3")
                .build());
        List<Run> across = plan.runs().entrySet().stream()
                .filter(run -> run.getKey().endsWith(" of radio.VCC"))
                .flatMap(run -> run.getValue().stream())
                .toList();
        assertEquals(2, across.size());
        across.forEach(run -> {
            Hole plus = run.from().hole().orElseThrow();
            Hole minus = run.to().hole().orElseThrow();
            assertTrue(plus.column().isPlus() && !minus.column().isPlus(), run.toString());
            assertEquals(plus.row(), minus.row());
        });
        List<Run> between = plan.runs().entrySet().stream()
                .filter(run -> run.getKey().endsWith(" of tilt.VCC"))
                .flatMap(run -> run.getValue().stream())
                .toList();
        between.forEach(run -> assertEquals(
                1,
                run.from().hole().orElseThrow().stepsTo(run.to().hole().orElseThrow()),
                1e-9,
                "from leg to leg, side by side"));
        assertEquals(2, between.size());
    }

    /** All chips are on one supply, yet each capacitor belongs at the leg of its own. */
    @Test
    void eachChipHasItsCapacitorAtItsOwnLeg() throws Exception {
        Builds chips = Builds.classic();
        for (String id : List.of("one", "two", "three")) {
            chips.part(id, "shift-out", "VCC=board.5V");
        }
        Build planned =
                new Planner(chips.build(), Builds.CATALOG).plan(Builds.NODE).takenBy(chips.build());
        SeatPlan plan = plan(planned);
        Set<String> rows = new HashSet<>();
        for (String id : List.of("one", "two", "three")) {
            SeatPlan.Seat seat = plan.seat(id).orElseThrow();
            Hole hole = plan.runs().entrySet().stream()
                    .filter(run -> run.getKey().endsWith(" of " + id + ".VCC"))
                    .flatMap(run -> run.getValue().stream())
                    .filter(Run::isPiece)
                    .map(run -> run.from().hole().orElseThrow())
                    .findFirst()
                    .orElseThrow();
            // VCC is leg 16 of 16, at one of the two ends of its rows.
            assertTrue(hole.row() == seat.from() || hole.row() == seat.to(), id + " at " + hole);
            assertTrue(rows.add(hole.board() + " " + hole.row()));
        }
    }
}
