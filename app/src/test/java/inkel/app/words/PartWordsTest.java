package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.io.document.BuildReader;
import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands on the card of a part. */
class PartWordsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            key.A | board.D99 | a pin is gone
            key.B | board.D9  | wired by its other end
            air.VCC | board.5V | its feed is only a wire
            board.D9 | key.A | written from its far end
            """)
    void aFindingInShortIsThatOfItsSentence(String from, String to, String words) throws Exception {
        String text =
                """
                {"format": 2, "name": "x", "nodes": [{"id": "a", "name": "A",
                   "board": {"class": "board-classic-5v", "name": "B"},
                   "parts": [{"id": "key", "class": "button", "name": "K"},
                             {"id": "air", "class": "climate-wire", "name": "C"}],
                   "wires": [{"from": "%s", "to": "%s"}]}]}
                """
                        .formatted(from, to);
        Assessment assessment = Assessment.assess(BuildReader.parse(Path.of("x"), text, Given.CATALOG), Given.CATALOG);
        assertEquals(
                words,
                assessment.findings().stream()
                        .filter(finding -> finding.code().equals("parts.pin_gone"))
                        .map(PartWords::inShort)
                        .findFirst()
                        .orElseThrow());
    }
}
