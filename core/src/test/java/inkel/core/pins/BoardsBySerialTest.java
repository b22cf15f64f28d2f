package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.boards.BoardTrials;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.remedy.JoinNodes;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Serial lines from board to board. Ports: D1 talks and D0 listens on the classic board, where its console is as well. */
class BoardsBySerialTest {
    private static final String CLASSIC = "board-classic-5v";
    private static final String WIRELESS = "board-wireless-3v3";
    private static final String CROSSED = "uart.boards_not_crossed";
    private static final String CONSOLE = "uart.boards_on_console";

    /** Tables "one" and "two" with wires written as {@code one.D1 > two.D0}. */
    private static Build build(String first, String second, String... wires) throws EditRefused {
        Build build = Builds.powered(CATALOG.get(first)).build();
        Node one = called(first, "one");
        build = build.withNodes(List.of(one, called(second, "two")));
        return build.withLinks(Stream.of(wires)
                .map(wire -> wire.split(" > "))
                .map(ends -> new NodeWire(place(ends[0]), place(ends[1]), true, Extras.NONE))
                .toList());
    }

    private static Node called(String board, String name) throws EditRefused {
        Build copied = new CopyNode(Builds.NODE, name, name)
                .apply(Builds.powered(CATALOG.get(board)).build());
        return copied.node(name).orElseThrow();
    }

    private static Place place(String end) {
        String[] parts = end.split("\\.");
        return Place.of(parts[0], new Endpoint("board", parts[1]));
    }

    private static List<String> links(Build build) {
        return build.links().stream()
                .map(link -> link.from().node() + "." + link.from().pin() + " > "
                        + link.to().node() + "." + link.to().pin())
                .toList();
    }

    private static List<String> planned(Build build) throws Exception {
        Build at = build;
        for (Plan plan : new Planner(build, CATALOG).planAll()) {
            assertTrue(plan.placed());
            at = plan.edit().orElseThrow().apply(at);
        }
        return links(at);
    }

    private static List<Finding> findings(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    @Test
    void aLineFromPortToPortStaysOnPorts() throws Exception {
        // The wireless board has a port beside its console: D17 talks, D16 listens.
        String[] hardware = {"one.D1 > two.D16", "two.D17 > one.D0"};
        assertEquals(List.of(hardware), planned(build(CLASSIC, WIRELESS, hardware)));
        String[] console = {"one.D1 > two.D0", "two.D1 > one.D0"};
        assertEquals(List.of(console), planned(build(CLASSIC, CLASSIC, console)));
    }

    @Test
    void aPortBesideTheConsoleIsBetter() throws Exception {
        assertEquals(
                List.of("one.D1 > two.D16", "two.D17 > one.D0"),
                planned(build(CLASSIC, WIRELESS, "one.D1 > two.RX0", "two.TX0 > one.D0")));
    }

    @Test
    void aPlainWireKeepsOffTheConsole() throws Exception {
        List<String> links = planned(build(CLASSIC, CLASSIC, "one.D1 > two.D5"));
        assertTrue(links.get(0).endsWith("> two.D5"), () -> "" + links);
        assertTrue(!links.get(0).startsWith("one.D1 ") && !links.get(0).startsWith("one.D0 "), () -> "" + links);
    }

    @Test
    void whatIsJoinedLikeToLikeIsToldOnceAndCrossed() throws Exception {
        Build wrong = build(CLASSIC, WIRELESS, "one.D1 > two.TX0", "two.RX0 > one.D0");
        Finding finding = findings(wrong, CROSSED).get(0);
        assertEquals(1, findings(wrong, CROSSED).size());
        assertEquals(Severity.STOP, finding.severity());
        assertEquals("uart.boards_not_crossed.talk", finding.sentence().key());
        assertEquals(2, finding.places().size());
        RuleKit.everyWayOut(wrong, finding);
        assertEquals(
                List.of("one.D1 > two.RX0", "two.TX0 > one.D0"),
                links(finding.fixes().get(0).apply(wrong)));
        // Shared out, it is crossed as well.
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), planned(wrong));
    }

    @Test
    void twoThatListenAreToldToo() throws Exception {
        Build wrong = build(CLASSIC, CLASSIC, "one.D0 > two.D0");
        assertEquals(
                "uart.boards_not_crossed.listen",
                findings(wrong, CROSSED).get(0).sentence().key());
    }

    @Test
    void crossedLinesAndPlainWiresAreQuiet() throws Exception {
        assertEquals(List.of(), findings(build(CLASSIC, CLASSIC, "one.D1 > two.D0", "two.D1 > one.D0"), CROSSED));
        assertEquals(List.of(), findings(build(CLASSIC, CLASSIC, "one.D1 > two.D5"), CROSSED));
        assertEquals(List.of(), findings(build(CLASSIC, CLASSIC, "one.D5 > two.D5"), CONSOLE));
    }

    @Test
    void theConsoleIsToldOncePerBoardWithAnotherPort() throws Exception {
        Build shared = build(CLASSIC, WIRELESS, "one.D1 > two.RX0", "two.TX0 > one.D0");
        List<Finding> told = findings(shared, CONSOLE);
        assertEquals(
                List.of("one", "two"),
                told.stream().map(finding -> finding.place().node()).toList());
        assertEquals(List.of(), told.get(0).fixes(), "the classic board has one port only");
        RuleKit.everyWayOut(shared, told.get(1));
        assertEquals(
                List.of("one.D1 > two.D16", "two.D17 > one.D0"),
                links(told.get(1).fixes().get(0).apply(shared)));
    }

    @Test
    void aPlainWireLeavesTheConsoleForAPlainPin() throws Exception {
        Build plain = build(CLASSIC, CLASSIC, "one.D1 > two.D5");
        Finding finding = findings(plain, CONSOLE).get(0);
        RuleKit.everyWayOut(plain, finding);
        List<String> links = links(finding.fixes().get(0).apply(plain));
        assertTrue(links.get(0).endsWith("> two.D5") && !links.get(0).startsWith("one.D0 "), () -> "" + links);
    }

    @Test
    void theLoginOfAComputerIsSwitchedOff() throws Exception {
        Build pair = build("computer-40pin", CLASSIC, "one.GPIO14 > two.D0");
        Finding login = findings(pair, CONSOLE).get(0);
        assertEquals("uart.boards_on_console.login", login.sentence().key());
        Build off = new SetSetting("one", "board", Settings.CONSOLE, "off").apply(pair);
        assertEquals(
                List.of("two"),
                findings(off, CONSOLE).stream()
                        .map(finding -> finding.place().node())
                        .toList());
    }

    @Test
    void twoBoardsAreJoinedByTheirPorts() throws Exception {
        Build apart = build(CLASSIC, WIRELESS);
        List<Edit> edits = JoinNodes.serial(Circuit.of(apart, CATALOG), "one", "two");
        Build joined = Edit.applyAll(apart, edits);
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), links(joined));
        assertTrue(joined.links().get(0).groundJoined());
        assertEquals(List.of(), JoinNodes.serial(Circuit.of(joined, CATALOG), "one", "two"), "its only port is taken");
    }

    @Test
    void anotherBoardIsJoinedByItsPortAsWell() throws Exception {
        Build build = build(CLASSIC, CLASSIC, "one.D1 > two.D0", "two.D1 > one.D0");
        Build after = new BoardTrials(build, CATALOG, "two", () -> false)
                .of(CATALOG.get(WIRELESS))
                .edit()
                .orElseThrow()
                .apply(build);
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), links(after));
    }
}
