package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.boards.BoardTrials;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.kit.TwoBoards;
import inkel.core.remedy.JoinNodes;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Serial lines from board to board. Ports: D1 talks and D0 listens on the classic board, where its console is as well. */
class BoardsBySerialTest {
    private static final String CROSSED = "uart.boards_not_crossed";
    private static final String CLOCK = "uart.boards_clock";
    private static final String CONSOLE = "uart.boards_on_console";

    private static List<Finding> findings(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    @Test
    void aLineFromPortToPortStaysOnPorts() throws Exception {
        // The wireless board has a port beside its console: D17 talks, D16 listens.
        String[] hardware = {"one.D1 > two.D16", "two.D17 > one.D0"};
        assertEquals(
                List.of(hardware),
                TwoBoards.links(TwoBoards.planned(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, hardware))));
        String[] console = {"one.D1 > two.D0", "two.D1 > one.D0"};
        assertEquals(
                List.of(console),
                TwoBoards.links(TwoBoards.planned(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, console))));
    }

    @Test
    void aPortBesideTheConsoleIsBetter() throws Exception {
        assertEquals(
                List.of("one.D1 > two.D16", "two.D17 > one.D0"),
                TwoBoards.links(TwoBoards.planned(TwoBoards.joined(
                        TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D1 > two.RX0", "two.TX0 > one.D0"))));
    }

    @Test
    void aPlainWireKeepsOffTheConsole() throws Exception {
        List<String> links = TwoBoards.links(
                TwoBoards.planned(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D5")));
        assertTrue(links.get(0).endsWith("> two.D5"), () -> "" + links);
        assertTrue(!links.get(0).startsWith("one.D1 ") && !links.get(0).startsWith("one.D0 "), () -> "" + links);
    }

    @Test
    void whatIsJoinedLikeToLikeIsToldOnceAndCrossed() throws Exception {
        Build wrong = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D1 > two.TX0", "two.RX0 > one.D0");
        Finding finding = findings(wrong, CROSSED).get(0);
        assertEquals(1, findings(wrong, CROSSED).size());
        assertEquals(Severity.STOP, finding.severity());
        assertEquals("uart.boards_not_crossed.talk", finding.sentence().key());
        assertEquals(2, finding.places().size());
        RuleKit.everyWayOut(wrong, finding);
        assertEquals(
                List.of("one.D1 > two.RX0", "two.TX0 > one.D0"),
                TwoBoards.links(finding.fixes().get(0).apply(wrong)));
        // Shared out, it is crossed as well.
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), TwoBoards.links(TwoBoards.planned(wrong)));
    }

    @Test
    void twoThatListenAreToldToo() throws Exception {
        Build wrong = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D0 > two.D0");
        assertEquals(
                "uart.boards_not_crossed.listen",
                findings(wrong, CROSSED).get(0).sentence().key());
    }

    @Test
    void crossedLinesAndPlainWiresAreQuiet() throws Exception {
        assertEquals(
                List.of(),
                findings(
                        TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D0", "two.D1 > one.D0"),
                        CROSSED));
        assertEquals(
                List.of(),
                findings(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D5"), CROSSED));
        assertEquals(
                List.of(),
                findings(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D5"), CONSOLE));
    }

    @Test
    void theConsoleIsToldOncePerBoardWithAnotherPort() throws Exception {
        Build shared = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D1 > two.RX0", "two.TX0 > one.D0");
        List<Finding> told = findings(shared, CONSOLE);
        assertEquals(
                List.of("one", "two"),
                told.stream().map(finding -> finding.place().node()).toList());
        assertEquals(List.of(), told.get(0).fixes(), "the classic board has one port only");
        RuleKit.everyWayOut(shared, told.get(1));
        assertEquals(
                List.of("one.D1 > two.D16", "two.D17 > one.D0"),
                TwoBoards.links(told.get(1).fixes().get(0).apply(shared)));
    }

    @Test
    void aPlainWireLeavesTheConsoleForAPlainPin() throws Exception {
        Build plain = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D5");
        Finding finding = findings(plain, CONSOLE).get(0);
        RuleKit.everyWayOut(plain, finding);
        List<String> links = TwoBoards.links(finding.fixes().get(0).apply(plain));
        assertTrue(links.get(0).endsWith("> two.D5") && !links.get(0).startsWith("one.D0 "), () -> "" + links);
    }

    @Test
    void theLoginOfAComputerIsSwitchedOff() throws Exception {
        Build pair = TwoBoards.joined("computer-40pin", TwoBoards.CLASSIC, "one.GPIO14 > two.D0");
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
    void aClockThatMayBeFarOffIsTold() throws Exception {
        Build inner = chipAndBoard("inner 8 MHz", "one.PD1 > two.D0", "two.D1 > one.PD0");
        Finding finding = findings(inner, CLOCK).get(0);
        assertEquals(1, findings(inner, CLOCK).size());
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals("one", finding.place().node());
        RuleKit.everyWayOut(inner, finding);
        assertEquals(
                List.of("clock-crystal-8-MHz", "clock-crystal-16-MHz"),
                finding.fixes().stream().map(Fix::id).toList());
        assertEquals(List.of(), findings(chipAndBoard("crystal 8 MHz", "one.PD1 > two.D0", "two.D1 > one.PD0"), CLOCK));
        // A plain wire keeps no rate.
        assertEquals(List.of(), findings(chipAndBoard("inner 8 MHz", "one.PB0 > two.D5"), CLOCK));
    }

    private static Build chipAndBoard(String clock, String... wires) throws Exception {
        return new SetSetting("one", "board", Settings.CLOCK, clock)
                .apply(TwoBoards.joined("chip-28pin", TwoBoards.CLASSIC, wires));
    }

    @Test
    void twoBoardsAreJoinedByTheirPorts() throws Exception {
        Build apart = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS);
        List<Edit> edits = JoinNodes.serial(Circuit.of(apart, CATALOG), "one", "two");
        Build joined = Edit.applyAll(apart, edits);
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), TwoBoards.links(joined));
        assertTrue(joined.links().get(0).groundJoined());
        assertEquals(List.of(), JoinNodes.serial(Circuit.of(joined, CATALOG), "one", "two"), "its only port is taken");
    }

    @Test
    void anotherBoardIsJoinedByItsPortAsWell() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D0", "two.D1 > one.D0");
        Build after = new BoardTrials(build, CATALOG, "two", () -> false)
                .of(CATALOG.get(TwoBoards.WIRELESS))
                .edit()
                .orElseThrow()
                .apply(build);
        assertEquals(List.of("one.D1 > two.D16", "two.D17 > one.D0"), TwoBoards.links(after));
    }
}
