package inkel.core.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveMoment;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.Unfeed;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.SchemaCheck;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MomentEditsTest {
    private static Moment moment(String id, String part, String... never) {
        return new Moment(
                id,
                "Moment " + id,
                List.of(new Moment.Raise(part, "peak")),
                TimeSpan.ofSeconds(0.02),
                Optional.of(TimeSpan.ofSeconds(0.5)),
                Optional.of(TimeSpan.ofSeconds(0.1)),
                Set.of(never),
                Extras.NONE);
    }

    private static Builds two() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi")
                .moment(moment("sends", "radio"))
                .moment(moment("field", "reader", "sends"));
    }

    private static Node after(Edit... edits) throws EditRefused {
        return Edit.applyAll(two().build(), List.of(edits)).nodes().get(0);
    }

    @Test
    void aMomentIsAddedOrPutInPlace() throws EditRefused {
        Node node = after(new SetMoment(NODE, moment("third", "radio")));
        assertEquals(3, node.moments().size());
        Moment moved = moment("sends", "radio").withAt(Optional.empty());
        assertEquals(moved, after(new SetMoment(NODE, moved)).moments().get(0), "in the place it had");
        EditRefused refused =
                assertThrows(EditRefused.class, () -> after(new SetMoment(NODE, moment("ghost", "nobody"))));
        assertEquals("refused.no_part", refused.reason().key());
    }

    @Test
    void aMomentThatGoesIsForgottenByTheOthers() throws EditRefused {
        Node node = after(new RemoveMoment(NODE, "sends"));
        assertEquals(1, node.moments().size());
        assertEquals(Set.of(), node.moments().get(0).never());
        EditRefused refused = assertThrows(EditRefused.class, () -> after(new RemoveMoment(NODE, "never-there")));
        assertEquals("refused.no_moment", refused.reason().key());
    }

    @Test
    void aPartThatGoesTakesItsMomentsAlong() throws EditRefused {
        Node node = after(new RemovePart(NODE, "radio"));
        assertEquals(List.of("field"), node.moments().stream().map(Moment::id).toList());
    }

    @Test
    void twoMeetUnlessOneOfThemSaysNo() {
        assertFalse(moment("a", "radio", "b").mayMeet(moment("b", "reader")));
        assertFalse(moment("b", "reader").mayMeet(moment("a", "radio", "b")));
        assertTrue(moment("a", "radio").mayMeet(moment("b", "reader")));
    }

    @Test
    void aPinIsTakenOffItsRail() throws EditRefused {
        Node node = after(new Unfeed(NODE, "radio", "VCC"));
        assertTrue(node.part("radio").orElseThrow().feeds().isEmpty());
    }

    @Test
    void momentsAndWhatStandsInWiresGoThroughTheFile() throws Exception {
        Build build = two().wire("radio.CE", "board.D9")
                .between(new Between.Series(
                        Builds.end("radio.CE"), inkel.core.quantity.Resistance.ofOhms(330), Extras.NONE))
                .between(new Between.CoilDriver(
                        Builds.end("reader.RST"), inkel.core.quantity.Resistance.ofOhms(1000), Extras.NONE))
                .build();
        String written = BuildWriter.print(build);
        assertEquals(List.of(), SchemaCheck.ofBuild().check(written));
        assertEquals(build, BuildReader.parse(Path.of("x"), written, CATALOG));
    }

    /** One replacement makes the file wrong; the field is named. */
    @ParameterizedTest(name = "{0} -> {1}: {2} at {3}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            "length" : "20 ms"  | "length" : "20 mA"  | problem.expected_value | /nodes/0/moments/0/length
            "length" : "20 ms"  | "length" : "0 s"    | problem.expected_value | /nodes/0/moments/0/length
            "length" : "20 ms"  | "duration" : "1 s"  | problem.required_beside | /nodes/0/moments/0
            "repeat" : "500 ms" | "repeat" : "often"  | problem.expected_value | /nodes/0/moments/0/repeat
            "at" : "100 ms"     | "at" : "-1 s"       | problem.expected_value | /nodes/0/moments/0/at
            "part" : "radio"    | "part" : "nobody"   | problem.no_part        | /nodes/0/moments/0/raises/0/part
            "mode" : "peak"     | "mode" : "wild"     | problem.expected_value | /nodes/0/moments/0/raises/0/mode
            "id" : "field"      | "id" : "sends"      | problem.duplicate      | /nodes/0/moments/1/id
            """)
    void badMomentsAreRefusedWithTheirField(String good, String bad, String reason, String field) {
        String text = BuildWriter.print(two().build());
        assertTrue(text.contains(good), text);
        String wrong = text.replaceFirst(java.util.regex.Pattern.quote(good), bad);
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), wrong, CATALOG));
        assertTrue(
                refused.problems().stream()
                        .anyMatch(problem -> problem.field().equals(field)
                                && problem.reason().key().equals(reason)),
                refused.problems().toString());
    }
}
