package inkel.core.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Settings;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is exchanged, copied or named can always be saved and read again. */
class FitTest {
    private static PartClass cls(String id) {
        return CATALOG.find(id).orElseThrow();
    }

    private static Build readAgain(Build build) throws Exception {
        return BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG);
    }

    /** A servo with a figure that every servo has and one that only its mode has, a choice, and a moment that raises it. */
    private static Build withServo() {
        Build build = Builds.classic()
                .part("gate", "servo-micro", "V+=board.5V")
                .figure("gate", "supply/V+/max", "5.5 V")
                .figure("gate", "current/V+/peak", "900 mA")
                .setting("gate", "later", "yes")
                .build();
        Moment moment = new Moment(
                "opens",
                "Opens",
                List.of(new Moment.Raise("gate", "peak"), new Moment.Raise("board", "active")),
                TimeSpan.ofSeconds(1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
        return build.withNode(NODE, node -> node.withMoments(List.of(moment)));
    }

    @Test
    void whatFitsTheOtherClassStays() throws Exception {
        Build after = new Exchange(NODE, "gate", cls("servo-standard")).apply(withServo());
        Part gate = after.nodes().get(0).part("gate").orElseThrow();
        assertEquals("servo-standard", gate.classId());
        assertEquals(Set.of("supply/V+/max", "current/V+/peak"), gate.figures().keySet());
        assertEquals(Map.of("later", "yes"), gate.settings());
        assertEquals(2, after.nodes().get(0).moments().get(0).raises().size());
        assertEquals(after, readAgain(after));
    }

    @Test
    void whatMeansNothingForTheOtherClassGoes() throws Exception {
        Build after = new Exchange(NODE, "gate", cls("button")).apply(withServo());
        Part gate = after.nodes().get(0).part("gate").orElseThrow();
        assertEquals(Map.of(), gate.figures());
        assertEquals(
                List.of(new Moment.Raise("board", "active")),
                after.nodes().get(0).moments().get(0).raises());
        assertEquals(after, readAgain(after));
    }

    @Test
    void figuresThatContradictTheOtherClassGoAndTheOthersStay() throws Exception {
        // 4 V at most is below the 4.8 V that the larger servo needs at least.
        Build build = Builds.classic()
                .part("gate", "servo-micro", "V+=board.5V")
                .figure("gate", "supply/V+/min", "3 V")
                .figure("gate", "supply/V+/max", "4 V")
                .build();
        for (String other : List.of("servo-standard", "servo-large", "servo-continuous")) {
            Build after = new Exchange(NODE, "gate", cls(other)).apply(build);
            assertEquals(after, readAgain(after), other);
        }
    }

    @Test
    void whyAPartCannotBeOfAClassIsTold() {
        Node node = withServo().nodes().get(0);
        Part gate = node.part("gate").orElseThrow();
        assertEquals(Optional.empty(), Fit.problem(node, gate, cls("servo-micro")));
        assertEquals(
                "problem.no_figure",
                Fit.problem(node, gate, cls("button")).orElseThrow().key());
        assertEquals(
                "problem.no_mode",
                Fit.problem(
                                node,
                                gate.withFigure("supply/V+/max", null).withFigure("current/V+/peak", null),
                                cls("button"))
                        .orElseThrow()
                        .key());
        assertEquals(
                "problem.expected_value",
                Fit.problem(
                                node.withMoments(List.of()),
                                gate.withFigure("supply/V+/max", null)
                                        .withFigure("current/V+/peak", null)
                                        .withSetting(Settings.VOLTS, "much"),
                                cls("bench-supply"))
                        .orElseThrow()
                        .key());
    }

    @Test
    void aLongNameMakesAnIdThatIsOne() throws Exception {
        String name = "A board at the far end of the long corridor behind the third door on the left, upstairs";
        Build build = withServo();
        for (int i = 0; i < 12; i++) {
            String id = build.freeNodeId(name);
            assertTrue(Ids.isId(id), id);
            build = new CopyNode(NODE, id, name + i).apply(build);
        }
        assertEquals(13, build.nodes().stream().map(Node::id).distinct().count());
        assertEquals(build, readAgain(build));
        Build named = new RenamePart(NODE, "gate", name.repeat(20)).apply(build);
        assertEquals(named, readAgain(named));
    }

    @Test
    void anIdIsOneToSixtyFourSmallLettersDigitsAndDashes() {
        List.of("a", "0", "a-b", "a".repeat(64)).forEach(id -> assertTrue(Ids.isId(id), id));
        List.of("", "-a", "A", "ä", "a.b", "../a", "a/b", "a b", "a".repeat(65))
                .forEach(id -> assertTrue(!Ids.isId(id), id));
    }
}
