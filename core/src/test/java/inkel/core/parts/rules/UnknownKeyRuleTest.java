package inkel.core.parts.rules;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Keys that nobody knows are kept, and told with what was probably meant. */
class UnknownKeyRuleTest {
    private static final String FILE =
            """
            {"format": 2, "name": "Slips", "nmae": "x", "nodes": [{"id": "a", "name": "A", "colour": "red",
             "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
             "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                       {"id": "eye", "class": "infrared-receiver", "name": "Eye", "feed": {}, "feeds": {"VS": "board.5V"},
                        "settings": {"decouplin": "fitted"}}],
             "wires": [{"from": "eye.OUT", "to": "board.D4", "hold": true}]}]}
            """;

    private static List<Finding> told(Build build) {
        return Builds.of(Assessment.assess(build, CATALOG), "parts.unknown_key");
    }

    @Test
    void everySlipIsToldWithWhatIsNearest() throws Exception {
        Build build = BuildReader.parse(Path.of("x"), FILE, CATALOG);
        assertEquals(
                List.of(
                        "a key_near nmae name",
                        "a key colour null",
                        "a/eye key_near feed feeds",
                        "a/eye setting_near decouplin decoupling",
                        "a/eye.OUT key_near hold held"),
                told(build).stream().map(UnknownKeyRuleTest::text).toList());
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG), "and kept");
    }

    private static String text(Finding finding) {
        String variant = finding.sentence().key().substring("parts.unknown_key.".length());
        return finding.place() + " " + variant + " "
                + finding.sentence().values().get("key") + " "
                + finding.sentence().values().get("nearest");
    }

    /** The known keys are those of the published schema, and no others. */
    @Test
    void theKnownKeysAreThoseOfTheSchema() throws Exception {
        JsonNode schema = new ObjectMapper()
                .readTree(UnknownKeyRuleTest.class.getResource("/inkel/core/schema/build-2.schema.json"));
        assertEquals(keys(schema), UnknownKeyRule.OF_BUILD);
        assertEquals(keys(schema.at("/$defs/node")), UnknownKeyRule.OF_NODE);
        assertEquals(keys(schema.at("/$defs/part")), UnknownKeyRule.OF_PART);
        assertEquals(keys(schema.at("/$defs/wire")), UnknownKeyRule.OF_WIRE);
        assertEquals(keys(schema.at("/$defs/piece")), UnknownKeyRule.OF_PIECE);
        assertEquals(keys(schema.at("/$defs/between")), List.of("signal", "shifter"));
        assertEquals(keys(schema.at("/$defs/moment")), UnknownKeyRule.OF_MOMENT);
        assertEquals(keys(schema.at("/$defs/moment/properties/raises/items")), UnknownKeyRule.OF_RAISE);
        assertEquals(keys(schema.at("/properties/air/items/properties/networks/items")), UnknownKeyRule.OF_NETWORK);
        assertEquals(keys(schema.at("/properties/links/items")), UnknownKeyRule.OF_LINK);
        assertEquals(keys(schema.at("/properties/air/items")), UnknownKeyRule.OF_GROUP);
        assertEquals(keys(schema.at("/properties/air/items/properties/stations/items")), UnknownKeyRule.OF_STATION);
    }

    private static List<String> keys(JsonNode object) {
        List<String> keys = new ArrayList<>();
        object.get("properties").fieldNames().forEachRemaining(keys::add);
        return keys;
    }

    @Test
    void aFileOfKnownKeysIsQuiet() {
        for (Build build : List.of(Builds.locks(), Builds.firstSketch(), Builds.example("moth-lamp.inkel.json"))) {
            assertEquals(List.of(), told(build));
        }
    }
}
