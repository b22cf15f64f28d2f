package inkel.core.remedy;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class AddPartsTest {
    private static List<Part> after(Builds builds, String classId, int count) throws Exception {
        Build build = Edit.applyAll(builds.build(), AddParts.of(builds.circuit(), CATALOG.get(classId), count));
        List<Part> parts = build.nodes().get(0).parts();
        return parts.subList(parts.size() - count, parts.size());
    }

    @Test
    void fourServosAreFourPartsWithNames() throws Exception {
        List<Part> servos = after(Builds.classic(), "servo-micro", 4);
        assertEquals(4, servos.stream().map(Part::id).distinct().count());
        assertEquals(4, servos.stream().map(Part::name).distinct().count());
    }

    @Test
    void aPartIsFedFromTheRailThatSuitsItAndHasRoom() throws Exception {
        // The radio bears 3.6 V and takes 14 mA: the 3.3 V rail of 50 mA has room.
        assertEquals(
                Map.of("VCC", end("board.3V3")),
                after(Builds.classic(), "packet-radio", 1).get(0).feeds());
        // The reader's 100 mA do not fit there, and 5 V would end it: it stays unfed.
        assertEquals(
                Map.of(), after(Builds.classic(), "tag-reader-spi", 1).get(0).feeds());
    }

    private static Map<String, String> resistors(Builds builds, String classId) throws Exception {
        Build build = Edit.applyAll(builds.build(), AddParts.of(builds.circuit(), CATALOG.get(classId), 1));
        Map<String, String> found = new TreeMap<>();
        for (Between between : build.nodes().get(0).between()) {
            found.put(
                    between.signal().pin(),
                    ((Between.Series) between).resistance().toString());
        }
        return found;
    }

    /**
     * 5.25 V less 1.8 V at 5 mA are 690 Ω, less 2.6 V 530 Ω; 3.4 V less 1.2 V at the 12 mA of a pin 183 Ω, though the lamp
     * is meant for 15 mA. The next values of E12 above are taken.
     */
    @Test
    void lampsComeWithTheirResistorsWhicheverEndHangsOnTheSupply() throws Exception {
        assertEquals(Map.of("R", "820 Ω", "G", "560 Ω", "B", "560 Ω"), resistors(Builds.classic(), "rgb-led-anode"));
        assertEquals(Map.of("A", "220 Ω"), resistors(Builds.dualCore(), "infrared-led"));
        assertEquals(Map.of(), resistors(Builds.classic(), "lamp-strip-12v"), "it brings its own");
    }

    static Stream<PartClass> boards() {
        return CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    @ParameterizedTest
    @MethodSource("boards")
    void everyBoardHasASourceThatSuitsItAndBeginsWithoutAFault(PartClass board) {
        List<PartClass> suiting = CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.SOURCE && NewNode.suits(board, cls))
                .toList();
        assertFalse(suiting.isEmpty(), board.id());
        for (PartClass source : suiting) {
            Node node = NewNode.of("n", "New", board, source);
            List<Finding> findings = Assessment.assess(
                            new Build("New", List.of(node), Logbook.EMPTY, Extras.NONE), CATALOG)
                    .findings();
            assertTrue(
                    findings.stream()
                            .noneMatch(finding -> finding.code().startsWith("parts.supply_too_high")
                                    || finding.code().equals("parts.no_supply")),
                    board.id() + " on " + source.id() + ": " + findings);
        }
    }
}
