package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Numbers and labels of definitions that no part has are told, before anything counts up to them. */
class BoundsTest {
    private static List<Problem> problems(ObjectNode tree) {
        return assertThrows(
                        UnreadableFile.class, () -> CatalogReader.read(Path.of("tried.json"), JsonText.pretty(tree)))
                .problems();
    }

    private static ObjectNode shipped(String id) throws Exception {
        return (ObjectNode) JsonText.parse(CatalogReader.resource(id + ".json"));
    }

    @ParameterizedTest(name = "{0}{1}: {2}")
    @CsvSource({
        "port-expander, /i2c, straps, 2147483647",
        "port-expander, /i2c, straps, 7",
        "port-expander, /i2c, straps, -1",
        "board-classic-5v, /pins/0, place, 0",
        "board-classic-5v, /pins/0, place, 1001",
        "battery-lithium, /outputs/0/battery, cells, 0",
        "battery-lithium, /outputs/0/battery, cells, 101",
        "packet-radio, /spi, mode, 4",
        "packet-radio, /spi, mode, -1",
        "memory-card, /wake/0, idle, 33",
        "memory-card, /wake/0, idle, -1",
        "memory-card, /wake/0, late, 33",
    })
    void numbersHaveBounds(String id, String in, String key, int number) throws Exception {
        ObjectNode tree = shipped(id);
        JsonNode at = tree.at(in);
        assertTrue(at.isObject(), "the class has no " + in);
        ((ObjectNode) at).put(key, number);
        List<Problem> problems = problems(tree);
        assertTrue(
                problems.stream()
                        .anyMatch(problem -> problem.reason().key().equals("problem.out_of_bounds")
                                && problem.field().equals(in + "/" + key)),
                problems.toString());
    }

    @ParameterizedTest
    @CsvSource({"16 ms, true", "16.1 ms, false", "0 ms, false", "5 V, false"})
    void aPulseIsNoLongerThanEveryBoardCanWait(String width, boolean isTaken) throws Exception {
        ObjectNode tree = shipped("servo-continuous");
        ((ObjectNode) tree.at("/wake/0/drive")).put("width", width);
        if (isTaken) {
            CatalogReader.read(Path.of("tried.json"), JsonText.pretty(tree));
        } else {
            assertEquals(
                    List.of("/wake/0/drive/width"),
                    problems(tree).stream().map(Problem::field).toList());
        }
    }

    @Test
    void whatIsHeldMeanwhileIsAPinOfThePart() throws Exception {
        ObjectNode tree = shipped("motor-driver");
        ((ObjectNode) tree.at("/wake/0/with/0")).put("pin", "CIN1");
        assertTrue(
                problems(tree).toString().contains("CIN1"), () -> problems(tree).toString());
    }

    @Test
    void whatAPinIsWantedWithIsAPinOfThePart() throws Exception {
        ObjectNode tree = shipped("motor-driver");
        ((ObjectNode) tree.at("/pins/4")).putArray("wanted_with").add("CO1");
        assertTrue(
                problems(tree).toString().contains("CO1"), () -> problems(tree).toString());
    }

    /** Programs and reports are made of them. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "at, chip id",
        "at, chip/id",
        "at, 0x123456789",
        "send, 0x1FFFF",
        "send, 9F 9F 9F 9F 9F 9F 9F 9F 9F",
        "send, read",
        "mask, FF",
        "mask, 0x1FFFFFFFF",
    })
    void whatAPartIsAskedForIsWrittenInBytes(String key, String value) throws Exception {
        ObjectNode tree = shipped("memory-serial");
        ((ObjectNode) tree.at("/wake/0")).put(key, value);
        List<Problem> problems = problems(tree);
        assertEquals(1, problems.size(), problems.toString());
        assertEquals("/wake/0/" + key, problems.get(0).field());
    }

    /** A word alone says nothing to a part. */
    @Test
    void aWordWantsBytesThatAsk() throws Exception {
        ObjectNode tree = shipped("memory-serial");
        ((ObjectNode) tree.at("/wake/0")).remove("send");
        assertEquals("/wake/0/at", problems(tree).get(0).field());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "A B", "A#1", "A@1", "A>B", "A\u0007", "A\u202e", "ABCDEFGHIJKLMNOPQRSTUVWXY"})
    void aLabelIsOneShortWord(String label) throws Exception {
        ObjectNode tree = shipped("button");
        ((ObjectNode) tree.at("/pins/0")).put("label", label);
        List<Problem> problems = problems(tree);
        assertEquals("problem.bad_label", problems.get(0).reason().key());
        assertEquals("/pins/0/label", problems.get(0).field());
    }

    @ParameterizedTest
    @ValueSource(strings = {"+", "3.3V", "A/B", "V+OUT", "ABCDEFGHIJKLMNOPQRSTUVWX"})
    void whateverIsPrintedOnAPartIsALabel(String label) throws Exception {
        ObjectNode tree = shipped("led");
        ((ObjectNode) tree.at("/pins/1")).put("label", label);
        assertEquals(
                label,
                CatalogReader.read(Path.of("tried.json"), JsonText.pretty(tree))
                        .pins()
                        .get(1)
                        .label());
    }

    @Test
    void everyShippedClassIsWithinThem() {
        CatalogReader.shipped().all();
    }
}
