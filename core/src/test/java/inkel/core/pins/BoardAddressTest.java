package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

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
import inkel.core.remedy.BoardAddress;
import inkel.core.remedy.JoinNodes;
import inkel.core.tune.code.CodeConstants;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** To what boards themselves answer on a bus that they share. The pressure sensor is at 0x76, by its strap at 0x77. */
class BoardAddressTest {
    private static final String NOBODY = "i2c.boards_address";
    private static final String CLASH = "i2c.address_clash";
    private static final String[] BUS = {"one.A4 > two.A4", "one.A5 > two.A5"};

    private static List<Finding> findings(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    private static Builds sensing() {
        return Builds.classic()
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "board.A4")
                .wire("air.SCL", "board.A5");
    }

    private static Build pair(String... wires) throws Exception {
        return TwoBoards.joined(sensing(), Builds.powered(CATALOG.get(TwoBoards.CLASSIC)), wires);
    }

    private static Build at(Build build, String node, String address) throws Exception {
        return new SetSetting(node, "board", Settings.ANSWERS_AT, address).apply(build);
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void aBusOnWhichNoBoardAnswersIsANote() throws Exception {
        Build silent = pair(BUS);
        Finding told = findings(silent, NOBODY).get(0);
        assertEquals(1, findings(silent, NOBODY).size());
        assertEquals(Severity.NOTE, told.severity());
        assertEquals(List.of("answers-two"), ids(told));
        RuleKit.everyWayOut(silent, told);
        Build answered = told.fixes().get(0).apply(silent);
        assertEquals(
                Optional.of(0x08),
                Circuit.of(answered, CATALOG).node("two").orElseThrow().board().answersAt());
        assertEquals(List.of(), findings(at(silent, "one", "0x30"), NOBODY), "one that answers is enough");
    }

    @Test
    void boardsWithoutABusAreQuiet() throws Exception {
        assertEquals(List.of(), findings(pair(), NOBODY));
        assertEquals(List.of(), findings(pair(BUS[0]), NOBODY), "one of the two lines is a plain wire");
        assertEquals(
                List.of(), findings(at(pair(), "two", "0x76"), CLASH), "what it answers to matters on a bus alone");
    }

    @Test
    void aPartAtTheAddressOfTheOtherBoardIsTold() throws Exception {
        Build clash = at(pair(BUS), "two", "0x76");
        Finding told = findings(clash, CLASH).get(0);
        assertEquals(1, findings(clash, CLASH).size());
        assertEquals(Severity.STOP, told.severity());
        // The board, by one higher that nobody has; the sensor by its strap.
        assertTrue(ids(told).containsAll(List.of("answers-two", "strap-air-0x77-on-one")), () -> "" + ids(told));
        RuleKit.everyWayOut(clash, told);
        assertEquals(List.of(), findings(at(pair(BUS), "two", "0x75"), CLASH));
    }

    @Test
    void aPartAtTheAddressOfItsOwnBoardIsToldToo() throws Exception {
        Build clash = at(pair(BUS), "one", "0x76");
        Finding told = findings(clash, CLASH).get(0);
        assertEquals(1, findings(clash, CLASH).size());
        assertTrue(
                ids(told).containsAll(List.of("answers-one", "strap-air-0x77", "leave-out-air")), () -> "" + ids(told));
        RuleKit.everyWayOut(clash, told);
    }

    @Test
    void twoBoardsOfOneClassMayNotAnswerToOneAddress() throws Exception {
        Build clash = at(at(pair(BUS), "one", "0x30"), "two", "0x30");
        Finding told = findings(clash, CLASH).get(0);
        assertEquals(1, findings(clash, CLASH).size());
        assertEquals(List.of("answers-two", "answers-one"), ids(told));
        RuleKit.everyWayOut(clash, told);
        Build apart = told.fixes().get(0).apply(clash);
        assertEquals(
                Map.of("answers_at", "0x31"),
                apart.node("two").orElseThrow().board().settings());
    }

    @Test
    void sharingOutKeepsPartsOffTheAddressOfABoard() throws Exception {
        for (String node : List.of("one", "two")) {
            Build planned = TwoBoards.planned(at(pair(BUS), node, "0x76"));
            assertEquals(List.of(), findings(planned, CLASH), node);
            assertEquals(
                    Optional.of(0x77),
                    Circuit.of(planned, CATALOG)
                            .node("one")
                            .flatMap(found -> found.part("air"))
                            .orElseThrow()
                            .address());
        }
    }

    @Test
    void aBusThatTheWindowMakesHasAnAddress() throws Exception {
        Build apart = pair();
        List<Edit> edits = JoinNodes.bus(Circuit.of(apart, CATALOG), "one", "two");
        Build joined = Edit.applyAll(apart, edits);
        assertEquals(List.of(), findings(joined, NOBODY));
        assertEquals(
                Map.of("answers_at", "0x08"),
                joined.node("two").orElseThrow().board().settings());
        Build answering = at(apart, "one", "0x20");
        assertEquals(
                2, JoinNodes.bus(Circuit.of(answering, CATALOG), "one", "two").size(), "one answers already");
    }

    @Test
    void theNearestFreeAddressIsTaken() throws Exception {
        Circuit circuit = Circuit.of(at(at(pair(BUS), "one", "0x77"), "two", "0x75"), CATALOG);
        // 0x75, 0x76 and 0x77 are taken, those above kept for the bus.
        assertEquals(Optional.of(0x74), BoardAddress.free(circuit, List.of("one", "two"), 0x77));
        assertEquals(Optional.of(0x08), BoardAddress.free(circuit, List.of("one", "two"), 0x08));
        assertEquals(Optional.of(0x76), BoardAddress.free(circuit, List.of(), 0x76));
    }

    @Test
    void bothProgramsHaveIt() throws Exception {
        Assessment assessment = Assessment.assess(at(pair(BUS), "two", "0x30"), CATALOG);
        assertEquals("I2C_SDA_PIN=A4 I2C_SCL_PIN=A5 TWO_ADDRESS=0x30", constants(assessment, "one"));
        assertEquals("I2C_SDA_PIN=A4 I2C_SCL_PIN=A5 OWN_ADDRESS=0x30", constants(assessment, "two"));
    }

    private static String constants(Assessment assessment, String id) {
        return CodeConstants.ofBoards(
                        assessment.circuit(id).orElseThrow(),
                        assessment.reports().pins())
                .stream()
                .map(entry -> entry.constant().name() + "=" + entry.constant().value())
                .collect(Collectors.joining(" "));
    }
}
