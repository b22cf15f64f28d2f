package inkel.core.io.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.quantity.Fact;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class JsonTextTest {
    @TempDir
    Path folder;

    private static Problem refusal(String text) {
        return assertThrows(JsonText.BadJson.class, () -> JsonText.parse(text)).problem();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"a\": 1,\\n \"a\": 2} | 2 | problem.key_twice",
                "{\"a\": 1}\\n{\"b\": 2} | 2 | problem.more_behind",
                "{\"a\": 1}\\n] | 2 | problem.more_behind",
                "{\"a\":\\n\\n  hello} | 3 | problem.not_json",
                "{\"a\": [1,\\n 2 | 2 | problem.cut_off",
                "{\"a\": \"x | 1 | problem.cut_off",
                "{\\n\"a\": 1e401} | 2 | problem.number_too_large",
                "{\\n\"a\": 1e-402} | 2 | problem.number_too_large",
            })
    void whatIsNoJsonIsToldWithItsLine(String text, int line, String key) {
        Problem problem = refusal(text.replace("\\n", "\n"));
        assertEquals(key, problem.reason().key());
        assertEquals(line, problem.line());
    }

    @Test
    void whatCannotBeReadIsShownAsItStandsThere() {
        assertEquals(
                Fact.of("problem.not_json").with("found", "hello, 2: 3}"),
                refusal("{\"a\":\n  hello, 2: 3}\n").reason());
    }

    @Test
    void aNumberThatIsTooLongIsNotCalledTooDeep() throws Exception {
        JsonText.parse("[" + "9".repeat(1000) + "]");
        assertEquals(
                "problem.too_long",
                refusal("[" + "9".repeat(1001) + "]").reason().key());
        assertEquals(
                "problem.too_long",
                refusal("{\"" + "k".repeat(60_000) + "\": 1}").reason().key());
    }

    @Test
    void sixtyFourLevelsAreRead() throws Exception {
        JsonText.parse("[".repeat(64) + "]".repeat(64));
        assertEquals(
                "problem.too_deep",
                refusal("[".repeat(65) + "]".repeat(65)).reason().key());
    }

    @Test
    void halfALetterSurvivesTheDisk() throws Exception {
        String odd = "a\ud800b\udc00 \ud83d\ude00";
        String text = JsonText.pretty(JsonText.object().put("odd", odd));
        assertTrue(text.contains("a\\ud800b\\udc00 \ud83d\ude00"), text);
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        assertEquals(
                odd,
                JsonText.parse(new String(bytes, StandardCharsets.UTF_8))
                        .get("odd")
                        .textValue());
    }

    @Test
    void theMarkThatSomeEditorsPutInFrontIsPassedOver() throws Exception {
        Path file = folder.resolve("marked.json");
        Files.write(file, new byte[] {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF, '{', '}'});
        assertEquals("{}", TextFile.read(file));
    }

    @Test
    void bytesThatAreNoUtf8AreToldWithTheirLine() throws Exception {
        Path file = folder.resolve("latin.json");
        Files.write(file, new byte[] {'{', '\n', '\n', '"', (byte) 0xE4, '"', '}'});
        Problem problem = assertThrows(UnreadableFile.class, () -> TextFile.read(file))
                .problems()
                .get(0);
        assertEquals("problem.not_utf8", problem.reason().key());
        assertEquals(3, problem.line());
    }

    @Test
    void isWrittenInOneLineAsTheLibraryItselfWouldAndKeptAsPlainValues() throws Exception {
        JsonNode tree =
                JsonText.parse("{\"a\": [1, -2.50, 1e-30, 123456789012345678901234567890, true, false, null, {}, []],"
                        + " \"Ω \\\" \\\\ \\u0007\": \"zwei\\nZeilen é 😀\"}");
        assertEquals(new ObjectMapper().writeValueAsString(tree), JsonText.compact(tree));
        assertEquals(tree, JsonText.parse(JsonText.compact(tree)));
        assertEquals(tree, JsonText.tree(JsonText.plain(tree)));
        assertEquals("7", JsonText.tree(7L).toString());
        assertEquals("0.5", JsonText.compact(JsonText.tree(0.5)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e401", "-1e-9999", "1e99999999999999999999999999", "1.5E-99999999999999999999999999"})
    void aNumberOfNoUseIsRefusedInWords(String number) {
        JsonText.BadJson refused =
                assertThrows(JsonText.BadJson.class, () -> JsonText.parse("{\"a\": " + number + "}"));
        assertEquals("problem.number_too_large", refused.problem().reason().key());
    }
}
