package inkel.core.io.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An editor that knows the published schema tells at every key what it is for. */
class SchemasTest {
    /** Where a key stands only for a condition. */
    private static final List<String> NOT_TOLD = List.of("if", "then");

    @ParameterizedTest
    @ValueSource(strings = {"build-2.schema.json", "part-class.schema.json"})
    void everyKeySaysWhatItIsFor(String name) throws IOException {
        JsonNode schema = new ObjectMapper().readTree(SchemasTest.class.getResource("/inkel/core/schema/" + name));
        List<String> lacking = new ArrayList<>();
        int told = walk(schema, "", lacking);
        assertEquals(List.of(), lacking);
        assertTrue(told > 100, told + " keys");
    }

    /** @return how many keys are told */
    private static int walk(JsonNode at, String path, List<String> lacking) {
        int told = 0;
        for (var field : at.properties()) {
            if (NOT_TOLD.contains(field.getKey()) && !path.endsWith("/properties")) {
                continue;
            }
            if (field.getKey().equals("properties") && !path.endsWith("/properties")) {
                for (var key : field.getValue().properties()) {
                    if (key.getValue().path("description").asText().isBlank()) {
                        lacking.add(path + "/" + key.getKey());
                    } else {
                        told++;
                    }
                }
            }
            told += walk(field.getValue(), path + "/" + field.getKey(), lacking);
        }
        for (int i = 0; at.isArray() && i < at.size(); i++) {
            told += walk(at.get(i), path + "/" + i, lacking);
        }
        return told;
    }
}
