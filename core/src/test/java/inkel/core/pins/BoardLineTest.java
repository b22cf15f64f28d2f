package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.kit.TwoBoards;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * What a wire between boards is said to carry, its rate, and who else is on the port. The classic board makes of 16 MHz, by its
 * divider of eight: 9,600 baud 0.2 % off, 57,600 0.8 %, 115,200 2.1 %, 230,400 3.5 %.
 */
class BoardLineTest {
    private static final String RATE = "uart.boards_rate";
    private static final String TAKEN = "uart.port_taken";
    private static final String CROSSED = "uart.boards_not_crossed";
    private static final String BIG = "board-big-5v";

    private static List<Finding> findings(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    private static Build classics(String... wires) throws Exception {
        return TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, wires);
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void aRateThatNeitherClockMakesIsToldAtBoth() throws Exception {
        Build fast = classics("one.D1 > two.D0 : 230400", "two.D1 > one.D0 : 230400");
        List<Finding> told = findings(fast, RATE);
        assertEquals(
                List.of("one", "two"),
                told.stream().map(finding -> finding.place().node()).toList());
        assertEquals(
                List.of(Severity.STOP, Severity.STOP),
                told.stream().map(Finding::severity).toList());
        assertEquals(-0.0355, RuleKit.si(told.get(0), "baud_error"), 0.0001);
        // 115,200 is more than 2 % off too, so the two that are nearest and good are these.
        assertEquals(List.of("boards-rate-57600", "boards-rate-38400"), ids(told.get(0)));
        RuleKit.everyWayOut(fast, told.get(0));
        Build slower = told.get(0).fixes().get(0).apply(fast);
        assertEquals(
                List.of(57_600.0, 57_600.0),
                slower.links().stream()
                        .map(link -> link.carries().baud().orElseThrow().hertz())
                        .toList());
        assertEquals(List.of(), findings(slower, RATE));
    }

    @Test
    void betweenTwoAndThreePercentIsALook() throws Exception {
        List<Finding> told = findings(classics("one.D1 > two.D0 : 115200"), RATE);
        assertEquals(
                List.of(Severity.LOOK, Severity.LOOK),
                told.stream().map(Finding::severity).toList());
    }

    @Test
    void onlyTheBoardThatCannotIsTold() throws Exception {
        Build mixed = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D1 > two.D16 : 230400");
        assertEquals(
                List.of("one"),
                findings(mixed, RATE).stream()
                        .map(finding -> finding.place().node())
                        .toList());
    }

    @Test
    void aRateThatBothMakeAndOneThatNobodySaidAreQuiet() throws Exception {
        assertEquals(List.of(), findings(classics("one.D1 > two.D0 : 57600", "two.D1 > one.D0 : 57600"), RATE));
        assertEquals(List.of(), findings(classics("one.D1 > two.D0", "two.D1 > one.D0"), RATE));
        // A rate of what is no serial line says nothing.
        assertEquals(List.of(), findings(classics("one.D5 > two.D5 : 230400"), RATE));
    }

    @Test
    void aProgramOnPlainPinsIsGoodUpToTheLimitOfItsBoard() throws Exception {
        double most = CATALOG.get(TwoBoards.CLASSIC)
                .controller()
                .orElseThrow()
                .softwareUartMax()
                .hertz();
        assertEquals(List.of(), findings(classics("one.D7 > two.D8 : serial " + most), RATE));
        Build over = classics("one.D7 > two.D8 : serial " + (most + 1));
        List<Finding> told = findings(over, RATE);
        assertEquals(2, told.size());
        assertEquals("uart.boards_rate.software", told.get(0).sentence().key());
        RuleKit.everyWayOut(over, told.get(0));
    }

    @Test
    void aPortThatIsFreeIsAWayOutOfPlainPins() throws Exception {
        Build over = TwoBoards.joined(BIG, BIG, "one.D7 > two.D19 : serial 250000");
        Finding told = findings(over, RATE).get(0);
        assertEquals("other-port", ids(told).get(0));
        Build moved = told.fixes().get(0).apply(over);
        assertEquals(List.of("one.D14 > two.D19"), TwoBoards.links(moved));
        RuleKit.everyWayOut(over, told);
    }

    @Test
    void twoRatesOfOneLineAreToldOnce() throws Exception {
        Build two = classics("one.D1 > two.D0 : 9600", "two.D1 > one.D0 : 57600");
        List<Finding> told = findings(two, RATE);
        assertEquals(1, told.size());
        assertEquals("uart.boards_rate.differ", told.get(0).sentence().key());
        assertEquals(List.of("boards-rate-9600", "boards-rate-19200"), ids(told.get(0)));
        RuleKit.everyWayOut(two, told.get(0));
    }

    @Test
    void whatTheDividerIsOffAddsToTheClock() throws Exception {
        // A crystal alone is near enough; a chip with its inner clock is not, and says what its divider adds.
        String[] wires = {"one.PD1 > two.D0 : 9600", "two.D1 > one.PD0 : 9600"};
        Build inner = TwoBoards.joined(
                Builds.powered(CATALOG.get("chip-28pin")).setting("board", "clock", "inner 8 MHz"),
                Builds.powered(CATALOG.get(TwoBoards.CLASSIC)),
                wires);
        Finding told = findings(inner, "uart.boards_clock").get(0);
        assertEquals("uart.boards_clock.rate", told.sentence().key());
        // 8 MHz ÷ (8 × 104) = 9,615 baud.
        assertEquals(0.0016, RuleKit.si(told, "baud_error"), 0.0001);
        Build crystal = TwoBoards.joined(
                Builds.powered(CATALOG.get("chip-28pin")).setting("board", "clock", "crystal 8 MHz"),
                Builds.powered(CATALOG.get(TwoBoards.CLASSIC)),
                wires);
        assertEquals(List.of(), findings(crystal, "uart.boards_clock"));
    }

    @Test
    void aPartOnThePortOfALineIsTold() throws Exception {
        Build both = TwoBoards.joined(
                Builds.powered(CATALOG.get(BIG))
                        .part("gps", "positioning-receiver", "VCC=board.5V")
                        .wire("gps.TX", "board.D19"),
                Builds.powered(CATALOG.get(BIG)),
                "one.D18 > two.D19");
        List<Finding> told = findings(both, TAKEN);
        assertEquals(
                List.of("one/gps"),
                told.stream().map(finding -> finding.place().toString()).toList());
        assertTrue(
                ids(told.get(0)).containsAll(List.of("port-D15", "other-port", "plain-pins", "leave-out-gps")),
                () -> "" + ids(told.get(0)));
        RuleKit.everyWayOut(both, told.get(0));
        Build apart = TwoBoards.joined(
                Builds.powered(CATALOG.get(BIG))
                        .part("gps", "positioning-receiver", "VCC=board.5V")
                        .wire("gps.TX", "board.D17"),
                Builds.powered(CATALOG.get(BIG)),
                "one.D18 > two.D19");
        assertEquals(List.of(), findings(apart, TAKEN));
    }

    private static Build three(String... wires) throws Exception {
        Build two = TwoBoards.joined(BIG, BIG, wires);
        Build three = new CopyNode("two", "three", "Three").apply(two);
        return three.withLinks(two.links());
    }

    @Test
    void theHalvesOfAPortMayServeTwoBoardsAtOneRate() throws Exception {
        Build chain = three("one.D18 > two.D19", "three.D18 > one.D19");
        assertEquals(List.of(), findings(chain, TAKEN));
        // What one says two may hear, one of which answers.
        assertEquals(
                List.of(), findings(three("one.D18 > two.D19", "two.D18 > one.D19", "one.D18 > three.D19"), TAKEN));
        Build rates = three("one.D18 > two.D19 : 9600", "three.D18 > one.D19 : 57600");
        List<Finding> told = findings(rates, TAKEN);
        assertEquals(1, told.size());
        assertEquals(List.of("other-port", "plain-pins"), ids(told.get(0)));
        RuleKit.everyWayOut(rates, told.get(0));
        assertEquals(List.of(), findings(three("one.D18 > two.D19 : 9600", "three.D18 > one.D19 : 9600"), TAKEN));
    }

    @Test
    void aLineWithoutAPortStaysOneByWordAndTheFarPortIsKept() throws Exception {
        Build two = classics("one.D1 > two.D0", "two.D1 > one.D0");
        Build three = new CopyNode("two", "three", "Three").apply(two);
        List<NodeWire> wires = new ArrayList<>(two.links());
        wires.add(classics("two.D1 > one.D0")
                .links()
                .get(0)
                .withEnds(
                        inkel.core.document.Place.of("three", new Endpoint("board", "D1")),
                        two.links().get(1).to()));
        Build busy = three.withLinks(wires);
        Plan plan = new Planner(busy, CATALOG).plan("one");
        Build planned = TwoBoards.planned(busy);
        NodeWire third = planned.links().get(2);
        assertEquals("three/board.D1", third.from().toString());
        assertFalse(List.of("D0", "D1").contains(third.to().pin()));
        assertTrue(third.carries().isSaid(Carries.Kind.SERIAL));
        PlanNotes notes = PlanNotes.of(
                PinReport.of(Circuit.of(planned, CATALOG)).node("one").orElseThrow(), plan);
        assertEquals(
                List.of("three/board.D1"),
                notes.boards().stream().map(end -> end.there().toString()).toList());
        // A program cannot follow 115,200 baud, so that there is no place for the third.
        List<NodeWire> fast = wires.stream()
                .map(wire -> wire.withCarries(Carries.UNSAID.with(Optional.of(Frequency.ofHertz(115_200)))))
                .toList();
        assertFalse(new Planner(busy.withLinks(fast), CATALOG).plan("one").placed());
    }

    /** One to two to three to one, each by a wire from TX to RX. */
    private static Build ring(String rate) throws Exception {
        Build two = classics("one.D1 > two.D0" + rate);
        Build three = new CopyNode("two", "three", "Three").apply(two);
        NodeWire first = two.links().get(0);
        return three.withLinks(List.of(
                first,
                first.withEnds(at("two", "D1"), at("three", "D0")),
                new NodeWire(at("three", "D1"), at("one", "D0"), true, Extras.NONE)
                        .withCarries(Carries.UNSAID.with(Optional.of(Frequency.ofHertz(9_600))))));
    }

    private static Place at(String node, String pin) {
        return Place.of(node, new Endpoint("board", pin));
    }

    @Test
    void aRingStaysOnThePortOfEachBoard() throws Exception {
        assertEquals(
                List.of("one.D1 > two.D0", "two.D1 > three.D0", "three.D1 > one.D0"),
                TwoBoards.links(TwoBoards.planned(ring(" : 9600"))));
        // At two rates one port cannot serve both.
        List<String> apart = TwoBoards.links(TwoBoards.planned(ring(" : 19200")));
        assertFalse(apart.contains("one.D1 > two.D0") && apart.contains("three.D1 > one.D0"), () -> "" + apart);
    }

    @Test
    void aPlainSignalByWordIsNoSerialLineAndNoBus() throws Exception {
        Build plain = TwoBoards.planned(classics("one.D1 > two.D0 : plain"));
        assertFalse(TwoBoards.links(plain).get(0).startsWith("one.D1 "), () -> "" + TwoBoards.links(plain));
        assertEquals(List.of(), findings(classics("one.D1 > two.D1 : plain"), CROSSED));
        assertEquals(
                1,
                findings(classics("one.A4 > two.A5", "one.A5 > two.A4"), "i2c.boards_crossed")
                        .size());
        assertEquals(
                List.of(),
                findings(classics("one.A4 > two.A5 : plain", "one.A5 > two.A4 : plain"), "i2c.boards_crossed"));
    }

    @Test
    void aLineByWordThatEndsWhereAPortTalksIsCrossed() throws Exception {
        Build wrong = classics("one.D7 > two.D1 : serial");
        Finding told = findings(wrong, CROSSED).get(0);
        assertEquals("uart.boards_not_crossed.talk", told.sentence().key());
        assertEquals(
                List.of("one.D7 > two.D0"), TwoBoards.links(told.fixes().get(0).apply(wrong)));
        assertEquals(List.of(), findings(classics("one.D7 > two.D0 : serial"), CROSSED));
        assertEquals(List.of(), findings(classics("one.D7 > two.D1"), CROSSED));
    }

    @Test
    void twoBoardsMayHaveTwoLinesAtTwoRates() throws Exception {
        String[] two = {
            "one.D18 > two.D19 : 9600",
            "one.D16 > two.D17 : 57600",
            "two.D16 > one.D17 : 57600",
            "two.D18 > one.D19 : 9600"
        };
        Build joined = TwoBoards.joined(BIG, BIG, two);
        assertEquals(List.of(), findings(joined, RATE));
        assertEquals(List.of(), findings(joined, TAKEN));
        assertEquals(
                List.of("D18 D19", "D16 D17"),
                PinReport.of(Circuit.of(joined, CATALOG)).node("one").orElseThrow().boardLines().stream()
                        .map(line -> line.ends().get(0).pin().pin() + " "
                                + line.ends().get(1).pin().pin())
                        .toList());
        assertEquals(
                List.of(two).stream().map(wire -> wire.split(" : ")[0]).toList(),
                TwoBoards.links(TwoBoards.planned(joined)));
    }

    @Test
    void oneThatIsJoinedLikeToLikeIsToldForThatAlone() throws Exception {
        Build wrong = classics("one.D1 > two.D1 : 230400");
        assertEquals(1, findings(wrong, CROSSED).size());
        assertEquals(List.of(), findings(wrong, RATE));
    }

    @Test
    void aLineToldFromWhereItListensIsTurned() throws Exception {
        Build turned = classics("one.D0 > two.D1");
        Finding told = findings(turned, CROSSED).get(0);
        assertEquals(Severity.LOOK, told.severity());
        assertEquals("uart.boards_not_crossed.turned", told.sentence().key());
        RuleKit.everyWayOut(turned, told);
        Build right = told.fixes().get(0).apply(turned);
        assertEquals(List.of("two.D1 > one.D0"), TwoBoards.links(right));
        assertEquals(List.of(), findings(right, CROSSED));
        // Sharing out leaves it on its ports.
        assertEquals(List.of("one.D0 > two.D1"), TwoBoards.links(TwoBoards.planned(turned)));
        assertEquals(Fact.of("fix.turn_boards"), told.fixes().get(0).title());
    }

    @Test
    void oneThatMovesIsToldFromWhereItTalks() throws Exception {
        // The wireless board has a port beside its console, which is better: D16 listens.
        Build turned = TwoBoards.joined(TwoBoards.WIRELESS, TwoBoards.CLASSIC, "one.RX0 > two.D1");
        assertEquals(List.of("two.D1 > one.D16"), TwoBoards.links(TwoBoards.planned(turned)));
    }
}
