package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Catalog;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeenTest {
    private static final Catalog CATALOG = CatalogReader.shipped();

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a\\u0007b | a\\u0007b",
                "a\\u000ab | a\\u000Ab",
                "\\u202eright | \\u202Eright",
                "\\u200bhidden | \\u200Bhidden",
                "3.3\\u00a0V ± 5 % | 3.3\\u00a0V ± 5 %",
                "μΩ ä 世 | μΩ ä 世",
            })
    void everyLetterCanBeSeen(String text, String seen) {
        boolean isPlain = text.contains("00a0");
        assertEquals(isPlain ? unescaped(seen) : seen, Seen.brief(unescaped(text)));
    }

    private static String unescaped(String text) {
        return java.util.regex.Pattern.compile("\\\\u([0-9a-fA-F]{4})")
                .matcher(text)
                .replaceAll(found -> String.valueOf((char) Integer.parseInt(found.group(1), 16)));
    }

    @Test
    void whatIsLongIsCut() {
        assertEquals("a".repeat(120), Seen.brief("a".repeat(120)));
        assertEquals("a".repeat(120) + "…", Seen.brief("a".repeat(121)));
    }

    @Test
    void whateverAFileSaysARefusalIsOneShortLine() {
        String text = "{\"format\": 2, \"name\": \"x\", \"nodes\": [{\"id\": \"a\\n\\u001b[31m" + "b".repeat(9000)
                + "\", \"name\": \"n\", \"board\": {\"class\": \"\\u202e\", \"name\": \"b\"}}]}";
        UnreadableFile refused = Assertions.assertThrows(
                UnreadableFile.class, () -> BuildReader.parse(Path.of("x.inkel.json"), text, CATALOG));
        refused.problems().forEach(problem -> {
            String said = Words.say(problem);
            assertTrue(said.length() < 400, said);
            assertTrue(said.chars().allMatch(letter -> letter >= ' ' && letter != 0x202e), said);
        });
    }
}
