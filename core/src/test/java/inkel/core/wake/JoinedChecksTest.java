package inkel.core.wake;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.PullWires;
import inkel.core.document.edit.TakeReading;
import inkel.core.kit.Builds;
import inkel.core.kit.TwoBoards;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wiring.TableWire;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What is looked at once two boards that are joined are woken: in the list of the one that listens. */
class JoinedChecksTest {
    private static NodeWake wake(Build build, String node) {
        return WakePlan.of(Circuit.of(build, CATALOG), Meter.USUAL).node(node).orElseThrow();
    }

    private static List<Check> joined(Build build, String node) {
        return wake(build, node).checks().stream()
                .filter(check -> check.group().phase() == Phase.JOINED)
                .toList();
    }

    private static Expected.Within within(Check check) {
        return (Expected.Within) check.expected();
    }

    @Test
    void whatOneBoardPutsOutArrivesAtTheOther() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "two.D25 > one.D6");
        assertEquals(List.of(), joined(build, "two"));
        List<Check> checks = joined(build, "one");
        assertEquals(
                List.of("ohms ground of two", "high two/board.D25"),
                checks.stream().map(Check::id).toList());
        Check ground = checks.get(0);
        assertEquals("two", ground.group().part());
        assertTrue(within(ground).low().isEmpty());
        Check high = checks.get(1);
        assertEquals(Builds.place("board.D6").pin(), high.at().pin());
        assertEquals("one", high.at().node());
        // A board of 3.3 V puts out no more than its regulator gives, 3.17 to 3.43 V, and next to nothing flows.
        assertTrue(within(high).low().orElseThrow().si() > 3.0, () -> "" + high.expected());
        assertTrue(within(high).high().orElseThrow().si() < 3.6, () -> "" + high.expected());
        assertTrue(high.needs().contains("ohms ground of two"));
        assertTrue(high.needs().contains("volts board.5V"));
    }

    @Test
    void whoPutsItOutHasItInItsProgram() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "two.D25 > one.D6", "one.D1 > two.D16");
        assertEquals(
                List.of("board.D25"),
                ReportPlan.of(wake(build, "two")).acts().stream()
                        .map(act -> act.signal().toString())
                        .toList());
        // What talks on the console does so by itself.
        assertEquals(List.of(), ReportPlan.of(wake(build, "one")).acts());
    }

    @Test
    void aDividerIsInIt() throws Exception {
        // 10 kΩ over 18 kΩ, each up to 5 % off: 17.1/27.6 to 18.9/28.4 of what arrives without.
        Build plain = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D5 > two.D25");
        Build divided = plain.withLinks(List.of(plain.links()
                .get(0)
                .withBetween(Optional.of(new Between.Divider(
                        Builds.end("board.D5"),
                        Resistance.ofOhms(10_000),
                        Resistance.ofOhms(18_000),
                        Optional.empty(),
                        Extras.NONE)))));
        Expected.Within all = within(joined(plain, "two").get(1));
        Expected.Within some = within(joined(divided, "two").get(1));
        assertEquals(
                all.high().orElseThrow().si() * 18.9 / 28.4,
                some.high().orElseThrow().si(),
                0.02);
        assertEquals(
                all.low().orElseThrow().si() * 17.1 / 27.6,
                some.low().orElseThrow().si(),
                0.02);
    }

    @Test
    void aBusRestsWhereItsPullUpsHoldIt() throws Exception {
        Builds sensor = Builds.classic()
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "board.A4")
                .wire("air.SCL", "board.A5");
        Build bus = TwoBoards.joined(
                sensor, Builds.powered(CATALOG.get(TwoBoards.CLASSIC)), "one.A4 > two.A4", "one.A5 > two.A5");
        List<Check> checks = joined(bus, "two");
        assertEquals(
                List.of("ohms ground of one", "rests one/board.A4", "rests one/board.A5"),
                checks.stream().map(Check::id).toList());
        // The sensor's own pull-ups go to the 3.3 V it is fed with.
        Expected.Within rests = within(checks.get(1));
        assertTrue(rests.low().orElseThrow().si() > 2.9, () -> "" + rests);
        assertTrue(rests.high().orElseThrow().si() < 3.6, () -> "" + rests);
        // Without any, nobody can say where it rests.
        Build thin = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.A4 > two.A4", "one.A5 > two.A5");
        assertEquals(
                List.of("ohms ground of one"),
                joined(thin, "two").stream().map(Check::id).toList());
    }

    @Test
    void onHealthyBenchesTheyHold() throws Exception {
        Build build = TwoBoards.joined(
                TwoBoards.CLASSIC, TwoBoards.WIRELESS, "two.D25 > one.D6", "two.D26 > one.D7", "one.D1 > two.D16");
        Circuit circuit = Circuit.of(build, CATALOG);
        for (int seed = 0; seed < 20; seed++) {
            PracticeBench bench = new PracticeBench(circuit, WireList.of(circuit), Twist.NONE, Meter.USUAL, seed);
            for (String node : List.of("one", "two")) {
                for (Check check : joined(build, node)) {
                    assertTrue(
                            bench.ask(check.asked())
                                    .filter(answer -> Answers.isWell(check, answer))
                                    .isPresent(),
                            check.id());
                }
            }
        }
    }

    @Test
    void aPinThatGoesToTwoIsReadAtEach() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6", "one.D5 > two.D7");
        assertEquals(
                List.of("ohms ground of one", "high one/board.D5", "high one/board.D5 at board.D7"),
                joined(build, "two").stream().map(Check::id).toList());
    }

    @Test
    void oneBoardAloneHasNone() {
        assertTrue(wake(Builds.classic().build(), Builds.NODE).checks().stream()
                .noneMatch(check -> check.group().phase() == Phase.JOINED));
    }

    @Test
    void theWiresOfTheOtherTableMustBeInToo() throws Exception {
        Build build = TwoBoards.joined(
                TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6", "one.D5 > two.D7", "one.D8 > two.D9");
        List<String> wires = joined(build, "two").get(1).elsewhere().stream()
                .map(wire -> wire.node() + ": " + wire.id())
                .toList();
        assertEquals(
                List.of(
                        "one: board.D5@1 > away two/board.D6",
                        "one: board.GND@1 > row ground",
                        "one: row ground > away two"),
                wires);
    }

    @Test
    void legsOfAnOptocouplerMustBeInAndAreNoGroundOfAnotherWire() throws Exception {
        Build plain = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D5 > two.D25", "one.D6 > two.D26");
        NodeWire first = plain.links().get(0);
        Build light = plain.withLinks(List.of(
                first.withBetween(Optional.of(new Between.Opto(
                        first.from().endpoint(), Resistance.ofOhms(330), Resistance.ofOhms(10_000), Extras.NONE))),
                plain.links().get(1)));
        List<Check> checks = joined(light, "two");
        // Cathode, emitter, the pull-up, anode, collector, and two of ground.
        assertEquals(
                7, checks.get(1).elsewhere().size(), () -> "" + checks.get(1).elsewhere());
        assertEquals(
                List.of("board.D6@1 > away two/board.D26", "board.GND@1 > row ground", "row ground > away two"),
                checks.get(2).elsewhere().stream().map(TableWire::id).toList());
    }

    @Test
    void aReadingAtTheOtherBoardDoesNotOutliveItsWire() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6", "one.D8 > two.D9");
        String high = "high one/board.D5";
        Build read = plugged(build);
        for (Check check : joined(read, "two")) {
            read = read(read, check, WakeState.standing(read, check));
        }
        assertEquals(Status.IN, status(read, high));
        Build pulled = new PullWires("one", Set.of("board.D5@1 > away two/board.D6"), NOW).apply(read);
        assertEquals(Status.STALE, status(pulled, high));
        assertEquals(Status.IN, status(pulled, "high one/board.D8"), "its wire is in");
        assertEquals(
                List.of(new TableWire("one", "board.D5@1 > away two/board.D6")),
                state(pulled, "two").missingElsewhere(check(pulled, high)));
        assertEquals(Status.STALE, status(plugged(pulled), high), "in again is not as it was");
        Build other = new PullWires("two", Set.of("board.GND@1 > row ground"), NOW).apply(read);
        assertEquals(Status.STALE, status(other, high), "of its own table");
        assertEquals(Status.IN, status(new PullWires("one", Set.of("board.5V@1 > row ground"), NOW).apply(read), high));
    }

    @Test
    void aReadingThatKnowsNoOtherTablesStandsOn() throws Exception {
        Build build = plugged(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6"));
        Check high = check(build, "high one/board.D5");
        Standing first = Standing.of(build, high.at()).overWires(List.of("board.GND@1 > row ground"));
        assertEquals(Status.IN, status(read(build, high, first), high.id()));
        Build moved =
                build.withLinks(List.of(build.links().get(0).withEnds(new Place("one", "board", "D7"), high.at())));
        Check other = check(moved, "high one/board.D7");
        assertEquals(Status.STALE, status(read(moved, other, first), other.id()), "the wire is another one");
    }

    private static final Instant NOW = Instant.parse("2026-05-01T18:30:00Z");

    private static Build plugged(Build build) throws Exception {
        Build all = build;
        for (WireList list : WireList.of(Circuit.of(build, CATALOG))) {
            Set<String> ids = list.steps().stream().map(WireStep::id).collect(Collectors.toSet());
            all = new Plug(list.node().node().id(), ids, true).apply(all);
        }
        return all;
    }

    private static Check check(Build build, String id) {
        return wake(build, "two").check(id).orElseThrow();
    }

    private static Build read(Build build, Check check, Standing on) throws Exception {
        Expected.Within within = within(check);
        boolean isVolts = within.unit() == Unit.VOLT;
        Quantity value = isVolts
                ? Voltage.ofVolts((within.low().orElseThrow().si()
                                + within.high().orElseThrow().si())
                        / 2)
                : Resistance.ofOhms(within.high().orElseThrow().si() / 2);
        return new TakeReading(
                        check.at(),
                        isVolts ? LogLine.What.VOLTS : LogLine.What.OHMS,
                        value,
                        "" + value.si(),
                        LogLine.By.TYPED,
                        on,
                        new Foretold(check.id(), within.low(), within.high(), Optional.of(Meter.USUAL)),
                        NOW)
                .apply(build);
    }

    private static WakeState state(Build build, String node) {
        return WakeState.of(build, wake(build, node));
    }

    private static Status status(Build build, String id) {
        return state(build, "two").result(check(build, id)).status();
    }
}
