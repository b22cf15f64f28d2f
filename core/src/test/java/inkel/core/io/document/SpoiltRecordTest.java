package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.document.Build;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Records that somebody changed by hand: refused with the place, or looked back into as far as there is a way. */
class SpoiltRecordTest {
    private static final Path FILE = Path.of("tried.inkel.json");

    private ObjectNode tree;

    @BeforeEach
    void season() throws Exception {
        tree = (ObjectNode) JsonText.parse(Files.readString(Path.of("../examples/otterbeck-season.inkel.json")));
    }

    private Build read() throws UnreadableFile {
        return BuildReader.parse(FILE, JsonText.pretty(tree), CATALOG);
    }

    /** The last line that says how to go back. */
    private ObjectNode lineWithAWayBack() {
        ArrayNode log = (ArrayNode) tree.get("log");
        for (int i = log.size() - 1; i > 0; i--) {
            if (log.get(i).has("back")) {
                return (ObjectNode) log.get(i);
            }
        }
        throw new AssertionError("the example has no way back");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[{\"op\": \"replace\", \"path\": \"nodes\", \"value\": 1}]",
                "[{\"op\": \"add\", \"path\": \"/nodes/x/y\", \"value\": 1}]",
                "[{\"op\": \"remove\", \"path\": \"/nodes/name\"}]",
                "[{\"op\": \"remove\", \"path\": \"/nodes/99\"}]",
                "[{\"op\": \"nothing\"}]",
                "[{}]",
                "[null]",
                "{}",
                "1",
                "no json"
            })
    void aWayBackThatIsNoneLeadsNowhere(String back) throws Exception {
        lineWithAWayBack().put("back", back);
        try {
            assertEquals(Optional.empty(), PlanPatch.at(read(), 0, CATALOG));
        } catch (UnreadableFile refused) {
            assertTrue(refused.problems().get(0).line() > 0, refused.toString());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"+1000000000-12-31T23:59:59Z", "-1000000000-01-01T00:00:00Z", "0000-01-01T00:00:00Z"})
    void aTimeThatIsInNoCalendarIsRefused(String at) {
        ((ObjectNode) tree.get("log").get(0)).put("at", at);
        UnreadableFile refused = assertThrows(UnreadableFile.class, this::read);
        assertEquals("/log/0/at", refused.problems().get(0).field());
    }

    private ObjectNode tunedWith(String key) {
        for (JsonNode line : tree.get("log")) {
            if (line.has(key)) {
                return (ObjectNode) line.get(key);
            }
        }
        throw new AssertionError("the example has no " + key);
    }

    @Test
    void aNumberBeyondAllMeasureIsRefused() {
        ObjectNode numbers = tunedWith("numbers");
        ((ObjectNode) numbers.elements().next()).put("value", 1e61);
        UnreadableFile refused = assertThrows(UnreadableFile.class, this::read);
        assertTrue(refused.problems().get(0).field().contains("/numbers/"), refused.toString());
    }

    @ParameterizedTest
    @ValueSource(strings = {"{\"x\": 1, \"y\": 2}", "[1]", "[1, \"2\"]", "[1, 1e61]", "null", "7"})
    void aCornerIsTwoNumbers(String corner) throws Exception {
        ObjectNode curves = tunedWith("curves");
        String name = curves.fieldNames().next();
        ((ArrayNode) curves.get(name)).set(0, JsonText.parse("[" + corner + "]").get(0));
        UnreadableFile refused = assertThrows(UnreadableFile.class, this::read);
        assertEquals(List.of(true), List.of(refused.problems().get(0).field().contains("/curves")), refused.toString());
    }
}
