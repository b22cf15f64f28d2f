package inkel.core.power;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.edit.AddPart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.kit.RuleKit;
import inkel.core.remedy.AddParts;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A board that switches what hangs between its screws. */
class SwitchBoardTest {
    private static final String CODE = "power.coil_drive";

    /** A solenoid of 1 A between the screws of a board, which D8 switches. */
    private static Builds lock() {
        return Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("bolt", "solenoid", "V+=switch.OUT+")
                .wire("bolt.IN", "switch.OUT-")
                .wire("switch.SIG", "board.D8");
    }

    private static List<String> stops(Build build) {
        return Assessment.assess(build, Builds.CATALOG).findings().stream()
                .filter(found -> found.severity() == Severity.STOP)
                .map(Finding::code)
                .toList();
    }

    private static Optional<Fix> way(Builds table, String id) {
        return RuleKit.firesAt(table, CODE, "bolt.IN").fixes().stream()
                .filter(fix -> fix.id().equals(id))
                .findFirst();
    }

    @Test
    void aWindingBetweenTheScrewsIsWell() {
        RuleKit.quiet(lock(), CODE);
        assertEquals(List.of(), stops(lock().build()));
    }

    /** The board's own 2 A stand for what hangs on it; 1 A hangs on it here, and that is counted once, beside 0.1 mA of its own. */
    @Test
    void whatHangsThereIsCountedInThePlaceOfWhatTheBoardUsuallySwitches() {
        assertEquals(1.0001, peak(lock()), 1e-9);
        Builds alone = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .wire("switch.SIG", "board.D8");
        assertEquals(2, peak(alone), 1e-9);
        Builds past = alone.part("bolt", "solenoid", "V+=wall.+").wire("bolt.IN", "switch.OUT-");
        assertEquals(1.0001, peak(past), 1e-9);
    }

    private static double peak(Builds table) {
        return table.circuit().rail(end("wall.+")).orElseThrow().peak().amperes();
    }

    /** Its screws bear 5 A. */
    @Test
    void moreThanItsScrewsBearIsToldAtTheExactLimit() {
        RuleKit.quiet(lock().figure("bolt", "current/V+/active", "5 A"), CODE);
        Builds more = lock().figure("bolt", "current/V+/active", "5.01 A");
        Finding finding = RuleKit.firesAt(more, CODE, "bolt.IN");
        assertEquals(5.01, RuleKit.si(finding, "coil_current"), 1e-9);
        assertEquals(5, RuleKit.si(finding, "pin_limit"), 1e-9);
        assertEquals(Severity.STOP, finding.severity());
    }

    @Test
    void aFreeOneOfTheTableTakesOver() throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor")
                .part("bolt", "solenoid", "V+=wall.+")
                .wire("switch.SIG", "board.D7")
                .wire("bolt.IN", "board.D8");
        Build after = way(table, "switch-by-switch").orElseThrow().apply(table.build());
        Node node = after.nodes().get(0);
        assertEquals(end("switch.OUT-"), node.wire(end("bolt.IN")).orElseThrow().to());
        assertEquals(end("board.D7"), node.wire(end("switch.SIG")).orElseThrow().to(), "who moves it stays");
        assertEquals(end("switch.OUT+"), node.part("bolt").orElseThrow().feeds().get("V+"));
        assertEquals(end("wall.+"), node.part("switch").orElseThrow().feeds().get("V+"));
        assertEquals(List.of(), stops(after));
        RuleKit.everyWayOut(table, CODE);
    }

    @Test
    void oneThatNothingMovesYetGetsThePinOfTheLoad() throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("bolt", "solenoid", "V+=switch.OUT+")
                .wire("bolt.IN", "board.D8");
        Node after = way(table, "switch-by-switch")
                .orElseThrow()
                .apply(table.build())
                .nodes()
                .get(0);
        assertEquals(
                end("board.D8"), after.wire(end("switch.SIG")).orElseThrow().to());
        assertEquals(
                end("switch.OUT-"), after.wire(end("bolt.IN")).orElseThrow().to());
    }

    @Test
    void oneThatSwitchesSomethingElseOrHasAnotherRailIsLeft() {
        Builds taken = lock().part("other", "solenoid", "V+=wall.+").wire("other.IN", "board.D9");
        List<String> ways = RuleKit.firesAt(taken, CODE, "other.IN").fixes().stream()
                .map(Fix::id)
                .toList();
        assertEquals(List.of("switch-board"), ways);
        Builds apart = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("five", "wall-supply-5v-strong")
                .part("switch", "switch-transistor", "V+=five.+")
                .part("bolt", "solenoid", "V+=wall.+")
                .wire("bolt.IN", "board.D8");
        assertTrue(way(apart, "switch-by-switch").isEmpty());
        assertTrue(way(apart, "switch-board").isPresent());
    }

    /** A strip of lamps takes 480 mA, and a pin of the board may give or take 20 mA. */
    @Test
    void aStripOfLampsOnAPinIsSwitchedByABoardToo() throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("shelf", "lamp-strip-12v", "V+=wall.+")
                .wire("shelf.V-", "board.D9");
        Finding finding = RuleKit.firesAt(table, "power.pin_current", "shelf.V-");
        assertEquals(
                List.of("switch-board"), finding.fixes().stream().map(Fix::id).toList());
        Build after = finding.fixes().get(0).apply(table.build());
        assertEquals(List.of(), stops(after));
        assertFalse(diode(after, "shelf").isPresent(), "a lamp has no kick");
    }

    /** All pins of the board may give 200 mA together: one strip of 480 mA away is enough, one of two is not. */
    @Test
    void whatIsTooMuchForAllPinsTogetherIsTakenOffThem() throws Exception {
        Builds one = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("shelf", "lamp-strip-12v", "V+=wall.+")
                .wire("shelf.V-", "board.D9");
        Finding finding = RuleKit.firesAt(one, "power.pin_current", "board");
        RuleKit.waysOut(one.build(), finding, "switch-board");
        Builds two = one.part("door", "lamp-strip-12v", "V+=wall.+").wire("door.V-", "board.D10");
        assertEquals(
                List.of(), RuleKit.firesAt(two, "power.pin_current", "board").fixes());
    }

    /** The planner takes the board that is there and never a bare pin. */
    @Test
    void itIsWhatTheWindingIsGiven() throws Exception {
        Builds open = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("fan", "fan-12v", "V+=switch.OUT+")
                .part("second", "switch-transistor", "V+=wall.+")
                .part("valve", "valve-12v", "V+=second.OUT+")
                .part("radio", "packet-radio", "VCC=board.3V3");
        Node planned = RandomBuilds.planned(open.build()).nodes().get(0);
        assertEquals(
                end("switch.OUT-"), planned.wire(end("fan.V-")).orElseThrow().to());
        assertEquals(
                end("second.OUT-"), planned.wire(end("valve.IN")).orElseThrow().to());
        assertEquals("board", planned.wire(end("radio.CE")).orElseThrow().to().part(), "a plain input is no load");
        assertEquals("board", planned.wire(end("switch.SIG")).orElseThrow().to().part());
    }

    private static Optional<WireStep> diode(Build build, String part) {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        return WireList.of(node).steps().stream()
                .filter(step -> step.fitting()
                        .filter(fitting -> fitting.sort() == Fitting.Sort.DIODE)
                        .isPresent())
                .filter(step -> step.subject().part().equals(part))
                .findFirst();
    }

    @Test
    void aDiodeAcrossTheWindingIsInTheWireListAndOnTheShoppingList() {
        WireStep diode = diode(lock().build(), "bolt").orElseThrow();
        assertEquals("bolt.IN@1", diode.from().id());
        assertEquals("bolt.V+@1", diode.to().id());
        assertEquals(1, bought(lock(), "have.flyback_diode"));
        // The kick begins with the current that flowed: 1.1 A is more than a small diode carries.
        Builds strong = lock().figure("bolt", "load/IN/most", "1.1 A");
        assertEquals(0, bought(strong, "have.flyback_diode"));
        assertEquals(1, bought(strong, "have.power_diode"));
    }

    private static int bought(Builds table, String what) {
        return PartsList.of(WireList.of(table.circuit())).lines().stream()
                .filter(line -> line.what().key().equals(what))
                .mapToInt(PartsList.Line::count)
                .sum();
    }

    /** A load that comes to the table hangs on the free screws; nothing else that runs at 12 V does. */
    @Test
    void whatIsAddedIsFedByTheScrewsWhereItHangsOnASupply() {
        NodeCircuit free = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .circuit();
        assertEquals(Optional.of(end("switch.OUT+")), fed(free, "valve-12v", "V+"));
        assertEquals(Optional.of(end("wall.+")), fed(free, "regulator-down", "IN+"));
        assertEquals(Optional.of(end("wall.+")), fed(lock().circuit(), "fan-12v", "V+"));
    }

    private static Optional<Endpoint> fed(NodeCircuit node, String cls, String pin) {
        AddPart added = (AddPart) AddParts.of(node, Builds.CATALOG.get(cls), 1).get(0);
        return Optional.ofNullable(added.part().feeds().get(pin));
    }

    /** What is bought for the board must suit the solenoid behind it: 9 V to 13 V, not the board's 4.5 V to 36 V. */
    @Test
    void whatHangsBehindCountsWhereTheBoardIsFed() throws Exception {
        Builds unfed = Builds.classic()
                .part("switch", "switch-transistor")
                .part("bolt", "solenoid", "V+=switch.OUT+")
                .wire("bolt.IN", "switch.OUT-")
                .wire("switch.SIG", "board.D8");
        Finding finding = RuleKit.firesAt(unfed, "parts.no_supply", "switch");
        assertFalse(finding.fixes().isEmpty());
        for (Fix fix : finding.fixes()) {
            NodeCircuit after =
                    Circuit.of(fix.apply(unfed.build()), Builds.CATALOG).nodes().get(0);
            var volts = after.rail(end("switch.OUT+")).orElseThrow().volts().orElseThrow();
            assertTrue(volts.lowest().volts() >= 9 && volts.highest().volts() <= 13, fix.id());
        }
    }
}
