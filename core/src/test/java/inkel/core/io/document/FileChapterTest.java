package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.kit.Builds;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The chapter on the file names every key and every setting, and its example is a file. */
class FileChapterTest {
    private static String chapter() throws Exception {
        return Files.readString(Path.of("..", "docs", "file.md"));
    }

    @Test
    void everyKeyOfTheSchemaIsThere() throws Exception {
        JsonNode schema = new ObjectMapper()
                .readTree(FileChapterTest.class.getResource("/inkel/core/schema/build-2.schema.json"));
        List<JsonNode> objects = new ArrayList<>(List.of(schema, schema.at("/properties/links/items")));
        schema.get("$defs").forEach(objects::add);
        List<String> missing = new ArrayList<>();
        for (JsonNode object : objects) {
            if (object.has("properties")) {
                object.get("properties").fieldNames().forEachRemaining(key -> {
                    if (!isNamed(key)) {
                        missing.add(key);
                    }
                });
            }
        }
        assertEquals(List.of(), missing);
    }

    private static boolean isNamed(String key) {
        try {
            return chapter().contains("`" + key + "`");
        } catch (Exception unreadable) {
            throw new AssertionError(unreadable);
        }
    }

    @Test
    void everySettingIsThere() {
        assertEquals(
                List.of(),
                Settings.all().stream()
                        .map(setting -> setting.key())
                        .filter(key -> !isNamed(key))
                        .toList());
    }

    @Test
    void theExampleOpens() throws Exception {
        Matcher block = Pattern.compile("```json\n(.*?)```", Pattern.DOTALL).matcher(chapter());
        assertTrue(block.find());
        Build build = BuildReader.parse(Path.of("file.md"), block.group(1), Builds.CATALOG);
        assertEquals("Moth lamp", build.name());
        assertEquals(3, build.nodes().get(0).wires().size());
    }
}
