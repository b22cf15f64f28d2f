package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.document.Build;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A later version's key in any object of a file is written back as it was, and reads the same again. */
class UnknownKeysKeptTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    /** So many objects of one kind are tried. */
    private static final int OF_A_KIND = 2;

    /** Objects whose keys are names and not words of the format. */
    private static final List<String> BY_NAME = List.of("feeds", "numbers", "curves", "places", "choices", "figures");

    @ParameterizedTest
    @ValueSource(strings = {"otterbeck-season", "otterbeck-locks", "moth-lamp"})
    void itStaysWhereItWas(String example) throws Exception {
        JsonNode whole = JSON.readTree(Files.readString(Path.of("..", "examples", example + ".inkel.json")));
        List<String> lost = new ArrayList<>();
        List<String> objects = objects(whole);
        for (String pointer : objects) {
            JsonNode later = whole.deepCopy();
            ((ObjectNode) later.at(pointer)).put("from_later", "1");
            if (!isKept(later, pointer)) {
                lost.add(pointer);
            }
        }
        assertTrue(objects.size() > 10, "only " + objects);
        assertEquals(List.of(), lost);
    }

    private static boolean isKept(JsonNode later, String pointer) throws UnreadableFile, IOException {
        Build read = BuildReader.parse(Path.of("later"), later.toString(), Builds.CATALOG);
        String written = BuildWriter.print(read);
        return JSON.readTree(written).at(pointer).path("from_later").asText().equals("1")
                && read.equals(BuildReader.parse(Path.of("again"), written, Builds.CATALOG));
    }

    private static List<String> objects(JsonNode whole) {
        List<String> all = new ArrayList<>();
        collect(whole, "", all, new HashMap<>());
        return all;
    }

    private static void collect(JsonNode at, String pointer, List<String> all, Map<String, Integer> kinds) {
        String last = pointer.substring(pointer.lastIndexOf('/') + 1);
        boolean isPatch = pointer.contains("/back/") || pointer.contains("/classes/");
        if (at.isObject() && !isPatch && !BY_NAME.contains(last)) {
            String kind = pointer.replaceAll("/[0-9]+", "/*");
            if (kinds.merge(kind, 1, Integer::sum) <= OF_A_KIND) {
                all.add(pointer);
            }
        }
        if (at.isObject()) {
            at.fields()
                    .forEachRemaining(entry -> collect(
                            entry.getValue(),
                            pointer + "/" + entry.getKey().replace("~", "~0").replace("/", "~1"),
                            all,
                            kinds));
        }
        for (int i = 0; at.isArray() && i < at.size(); i++) {
            collect(at.get(i), pointer + "/" + i, all, kinds);
        }
    }
}
