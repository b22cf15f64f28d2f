package inkel.core.log.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class RecordTouchedRuleTest {
    private static Build build(String... changed) throws Exception {
        Logbook log = Logbook.EMPTY;
        for (int i = 0; i < 8; i++) {
            log = log.with(new LogLine.Noted(
                    Instant.parse("2026-05-09T19:04:00Z"), Place.NOWHERE, "line " + i + ".", Extras.NONE));
        }
        String text = BuildWriter.print(Builds.classic().build().withLog(log));
        for (String line : changed) {
            text = text.replace(line, line + " or not");
        }
        return BuildReader.parse(Path.of("record"), text, Builds.CATALOG);
    }

    private static List<Finding> found(Build build) {
        return new RecordTouchedRule().check(Circuit.of(build, Builds.CATALOG));
    }

    @Test
    void aRecordAsItWasWrittenIsQuiet() throws Exception {
        assertEquals(List.of(), found(build()));
        assertEquals(List.of(), found(Builds.classic().build()));
    }

    @Test
    void linesThatWereChangedAreNamedByWhatTheListCallsThem() throws Exception {
        Finding finding = found(build("line 2.", "line 5.")).get(0);
        assertEquals("3, 6", finding.sentence().values().get("lines"));
        assertEquals(2, finding.sentence().values().get("count"));
    }

    @Test
    void ofManyFiveAreNamed() throws Exception {
        Finding finding = found(build("line 0.", "line 1.", "line 2.", "line 3.", "line 4.", "line 6."))
                .get(0);
        assertEquals("1, 2, 3, 4, 5", finding.sentence().values().get("lines"));
        assertEquals(6, finding.sentence().values().get("count"));
    }
}
