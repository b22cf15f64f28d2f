package inkel.core.seats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Laid;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** A table that was begun lies at the next start as it lay, whoever asks: the window, a sheet, the command line. */
class LaidTest {
    private static SeatPlan plan(Build build) {
        return plan(build, Optional.empty());
    }

    private static SeatPlan plan(Build build, Optional<SeatPlan> before) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        return SeatPlanner.of(circuit.nodes().get(0), WireList.of(circuit), before);
    }

    private static Build unplugged(Build build) {
        return build.withNodes(
                build.nodes().stream().map(node -> node.withPlugged(Set.of())).toList());
    }

    private static Build read(Build build) throws Exception {
        return BuildReader.parse(Path.of("x.inkel.json"), BuildWriter.print(build), Builds.CATALOG);
    }

    private static Build plugged(SeatPlan plan, Build build, int from, int to) throws Exception {
        return SeatMoves.plug(
                        plan,
                        plan.list().steps().subList(from, to).stream()
                                .map(WireStep::id)
                                .collect(Collectors.toSet()))
                .apply(build);
    }

    private static Map<String, SeatChoice> seats(SeatPlan plan) {
        Map<String, SeatChoice> seats = new TreeMap<>();
        plan.seats().forEach(seat -> seats.put(seat.id(), seat.at()));
        return seats;
    }

    /** What a builder goes by: numbers, wires, and the hole of each end. */
    private static List<String> lines(SeatPlan plan) {
        return plan.list().steps().stream()
                .map(step -> step.number() + " " + step.id() + " " + plan.runs(step))
                .toList();
    }

    @Test
    void halfWiredItLiesAtTheNextStartAsItLay() throws Exception {
        int tried = 0;
        for (int seed = 0; seed < 60; seed++) {
            Build build = unplugged(seed == 0 ? Builds.locks() : RandomBuilds.of(seed));
            SeatPlan printed = plan(build);
            int wires = printed.list().steps().size();
            if (printed.seats().isEmpty() || wires < 3) {
                continue;
            }
            tried++;
            Build first = plugged(printed, build, 0, wires / 3);
            SeatPlan shown = plan(first, Optional.of(printed));
            assertEquals(lines(printed), lines(shown), "seed " + seed);
            assertEquals(lines(printed), lines(plan(read(first))), "seed " + seed);
            Build second = plugged(plan(read(first)), read(first), wires / 3, wires / 2);
            assertEquals(lines(printed), lines(plan(read(second))), "seed " + seed);
        }
        assertTrue(tried > 40, tried + " tables");
    }

    /** One thing that a builder may do at a table. */
    private static Build step(SeatPlan plan, Build build, Random random) throws Exception {
        List<SeatPlan.Seat> seats = plan.seats();
        List<WireStep> steps = plan.list().steps();
        Node node = build.nodes().get(0);
        SeatPlan.Seat seat = seats.isEmpty() ? null : seats.get(random.nextInt(seats.size()));
        switch (seat == null ? 9 : random.nextInt(10)) {
            case 0, 1, 2:
                int at = random.nextInt(Math.max(1, steps.size()));
                return steps.isEmpty() ? build : plugged(plan, build, at, Math.min(steps.size(), at + 3));
            case 3, 4:
                SeatChoice to = new SeatChoice(
                        1 + random.nextInt(plan.boards()),
                        seat.at().side() == Side.ACROSS ? Side.ACROSS : Side.values()[random.nextInt(2)],
                        1 + random.nextInt(50),
                        random.nextBoolean());
                return SeatMoves.refusal(plan, seat, to).isPresent()
                        ? build
                        : SeatMoves.move(plan, seat, to).apply(build);
            case 5:
                return SeatMoves.move(plan, seat, seat.at()).apply(build);
            case 6:
                return SeatMoves.release(plan, seat.id()).apply(build);
            case 7:
                return SeatMoves.anew(plan).apply(build);
            case 8:
                return seat.part().isPresent() ? SeatMoves.off(plan, seat).apply(build) : build;
            default:
                Optional<Part> last = node.parts().stream().skip(4).reduce((one, other) -> other);
                return last.isPresent() && random.nextBoolean()
                        ? new RemovePart(node.id(), last.get().id()).apply(build)
                        : new AddPart(node.id(), Part.of(node.freeId("lamp"), "led", "Lamp", "")).apply(build);
        }
    }

    @Test
    void whateverIsDoneTheWindowAndTheFileAgree() throws Exception {
        for (int seed = 100; seed < 112; seed++) {
            Random random = new Random(seed);
            Build build = unplugged(seed == 100 ? Builds.locks() : RandomBuilds.of(seed));
            List<Build> past = new ArrayList<>();
            SeatPlan shown = plan(build);
            for (int i = 0; i < 14; i++) {
                past.add(build);
                build = random.nextInt(6) == 0 ? past.get(random.nextInt(past.size())) : step(shown, build, random);
                shown = plan(build, Optional.of(shown));
                assertEquals(lines(plan(read(build))), lines(shown), "seed " + seed + ", step " + i);
                HolesTest.check(build);
            }
        }
    }

    @Test
    void whatIsNewFindsRoomAndTheOthersStay() throws Exception {
        Build build = unplugged(Builds.locks());
        SeatPlan first = plan(build);
        Build begun = plugged(first, build, 0, 1);
        String node = build.nodes().get(0).id();
        Build more = new AddPart(
                        node, Part.of("clock", "clock-memory", "Clock", "").withFeed("VCC", Builds.end("board.5V")))
                .apply(begun);
        SeatPlan then = plan(more);
        assertTrue(then.seat("clock").isPresent());
        seats(first).forEach((id, seat) -> assertEquals(seat, seats(then).get(id), id));
        assertEquals(seats(then), seats(plan(read(more))));
        Build less = new RemovePart(node, "clock").apply(more);
        assertEquals(lines(first), lines(plan(less)), "and back");
    }

    @Test
    void whereAPartIsPutNothingElseMoves() throws Exception {
        Build build = unplugged(Builds.locks());
        SeatPlan first = plan(build);
        SeatChoice free = new SeatChoice(1, Side.LEFT, 55, true);
        SeatPlan then = plan(
                SeatMoves.move(first, first.seat("reader").orElseThrow(), free).apply(build));
        Map<String, SeatChoice> wanted = seats(first);
        wanted.put("reader", free);
        assertEquals(wanted, seats(then));
    }

    @Test
    void whatIsInItsWayMakesWay() throws Exception {
        Build build = unplugged(Builds.locks());
        SeatPlan first = plan(build);
        SeatPlan.Seat reader = first.seat("reader").orElseThrow();
        SeatPlan.Seat level = first.seat("level").orElseThrow();
        assertEquals(Optional.empty(), SeatMoves.refusal(first, reader, level.at()));
        Build moved = SeatMoves.move(first, reader, level.at()).apply(build);
        SeatPlan then = plan(moved);
        assertEquals(level.at(), then.seat("reader").orElseThrow().at());
        assertNotEquals(level.at(), then.seat("level").orElseThrow().at());
        assertEquals(seats(first).get("reg"), seats(then).get("reg"), "far away");
        HolesTest.check(moved);
    }

    @Test
    void whatIsLetGoAndATableLaidAnewAreThePlannersAgain() throws Exception {
        Build build = unplugged(Builds.locks());
        SeatPlan first = plan(build);
        SeatPlan.Seat reader = first.seat("reader").orElseThrow();
        Build moved = SeatMoves.move(first, reader, new SeatChoice(1, Side.LEFT, 40, true))
                .apply(build);
        Build free = SeatMoves.release(plan(moved), "reader").apply(moved);
        assertFalse(plan(free).seat("reader").orElseThrow().isHeld());
        assertFalse(free.nodes().get(0).laid().seats().containsKey("reader"));
        Build anew = SeatMoves.anew(plan(moved)).apply(moved);
        assertTrue(anew.nodes().get(0).laid().isNone());
        assertEquals(lines(first), lines(plan(anew)));
    }

    // Both plus rails carry 5 V; the new supply gets one of them, and the other goes on.
    @Test
    void aNewSupplyTakesNoRailFromAnother() throws Exception {
        Build build = Builds.classic()
                .part("climate", "climate-i2c", "VIN=board.5V")
                .part("level", "water-level", "+=board.5V")
                .part("light", "light-sensor", "VCC=board.3V3")
                .part("flow", "water-level", "+=board.3V3")
                .build();
        Laid first = plan(build).laid();
        assertEquals(
                Set.of("row board.5V", "row board.3V3"),
                Set.copyOf(first.rails().values()));
        Laid both = new Laid(first.seats(), Map.of("1 left", "row board.5V", "1 right", "row board.5V"));
        Laid none = new Laid(first.seats(), Map.of("1 right", "row board.3V3"));
        Laid swapped = new Laid(first.seats(), Map.of("1 left", "row board.3V3", "1 right", "row board.5V"));
        Map<Laid, Map<String, String>> wanted = Map.of(
                both, Map.of("1 left", "row board.5V", "1 right", "row board.3V3"),
                none, Map.of("1 left", "row board.5V", "1 right", "row board.3V3"),
                swapped, swapped.rails());
        for (Map.Entry<Laid, Map<String, String>> one : wanted.entrySet()) {
            Build laid = build.withNode(Builds.NODE, node -> node.withLaid(one.getKey()));
            assertEquals(one.getValue(), plan(laid).laid().rails());
            HolesTest.check(laid);
        }
    }

    // Five shift registers of eight rows: three have room on one of 30 rows, all of them on one of 63.
    @Test
    void onBreadboardsOfAnotherKindAllIsLaidAnew() throws Exception {
        Builds builds = Builds.classic();
        for (int i = 0; i < 5; i++) {
            builds.part("shift-" + i, "shift-out", "VCC=board.5V");
        }
        String node = Builds.NODE;
        Build small = new SetSetting(node, "board", Settings.TABLE, "short").apply(builds.build());
        SeatPlan first = plan(small);
        assertEquals(2, first.boards());
        Build begun = plugged(first, small, 0, 1);
        assertEquals(2, plan(begun).boards());
        Build large = new SetSetting(node, "board", Settings.TABLE, "long").apply(begun);
        assertEquals(1, plan(large).boards());
    }

    @Test
    void anEqualBoardHasATableOfItsOwn() throws Exception {
        Build build = unplugged(Builds.locks());
        Build begun = plugged(plan(build), build, 0, 2);
        Node node = begun.nodes().get(0);
        assertFalse(node.laid().isNone());
        Build two = new CopyNode(node.id(), "twin", "Twin").apply(begun);
        assertEquals(Laid.NONE, two.node("twin").orElseThrow().laid());
    }

    // As a careless hand leaves it: breadboards by the dozen, a rail of the ground, one of nothing, two at one place.
    @Test
    void whatCannotBeIsLaidAsIfNothingWereSaid() throws Exception {
        Build build = unplugged(Builds.locks());
        SeatPlan first = plan(build);
        SeatChoice taken = seats(first).get("board");
        for (Laid wrong : List.of(
                new Laid(Map.of("reader", new SeatChoice(99, Side.LEFT, 1, false)), Map.of()),
                new Laid(Map.of(), Map.of("1 left", "row ground", "1 right", "")),
                new Laid(Map.of(), Map.of("nonsense", "row board.5V")),
                new Laid(Map.of("nobody", new SeatChoice(1, Side.LEFT, 1, false)), Map.of()))) {
            Build with = build.withNode(build.nodes().get(0).id(), node -> node.withLaid(wrong));
            assertEquals(lines(first), lines(plan(with)), wrong.toString());
        }
        if (taken != null) {
            Laid two = new Laid(Map.of("reader", new SeatChoice(1, Side.LEFT, taken.row(), false)), Map.of());
            HolesTest.check(build.withNode(build.nodes().get(0).id(), node -> node.withLaid(two)));
        }
    }
}
