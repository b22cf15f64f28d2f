package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.edit.Measure;
import inkel.core.document.edit.TakeBack;
import inkel.core.finding.Evidence;
import inkel.core.formula.Verdict;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.nio.file.Path;
import java.time.Instant;
import org.junit.jupiter.api.Test;

/** What was measured takes the place of the figures, wire by wire. */
class MeasuredTest {
    private static final Instant AT = Instant.parse("2026-05-01T18:30:00Z");

    /** The tag reader at 3.3 V on a 3.3 V board: its MISO is read, and its inputs are driven by the board. */
    private static Build build() {
        return Builds.dualCore()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.MISO", "board.GP16")
                .wire("reader.MOSI", "board.GP19")
                .build();
    }

    private static Build measured(Build build, String signal, boolean isHigh, Double volts) throws EditRefused {
        Endpoint pin = end(signal);
        LogLine.What what = isHigh ? LogLine.What.HIGH : LogLine.What.LOW;
        return volts == null
                ? new TakeBack(place(signal), what, AT).apply(build)
                : new Measure(NODE, pin, what, Voltage.ofVolts(volts), volts + " V", LogLine.By.TYPED, AT).apply(build);
    }

    private static Verdict verdict(Build build, String signal) {
        return Assessment.assess(build, CATALOG)
                .reports()
                .levels()
                .verdict(place(signal))
                .orElseThrow();
    }

    @Test
    void threePointSevenVoltsOnAThreeVoltPinAreTooMuchForIt() throws EditRefused {
        // The reader bears its supply and 0.3 V: 3.6 V at its usual 3.3 V.
        assertEquals(Verdict.FINE, verdict(build(), "reader.MOSI"));
        Build high = measured(build(), "reader.MOSI", true, 3.7);
        assertEquals(Verdict.HARMS, verdict(high, "reader.MOSI"));
        Evidence first = Builds.of(Assessment.assess(high, CATALOG), "levels.harms")
                .get(0)
                .evidence()
                .get(0);
        assertEquals(3.7, first.value().si(), 1e-9);
        assertEquals(Source.MEASURED, first.source());
        assertEquals(Verdict.FINE, verdict(high, "reader.MISO"), "another wire is judged by its figures");
    }

    @Test
    void theLatestReadingCountsAndOneCanBeTakenBack() throws EditRefused {
        Build twice = measured(measured(build(), "reader.MOSI", true, 3.7), "reader.MOSI", true, 3.3);
        assertEquals(Verdict.FINE, verdict(twice, "reader.MOSI"));
        Build low = measured(build(), "reader.MOSI", false, 1.2);
        // Reads low below 0.3 · 3.2 V = 0.96 V.
        assertEquals(Verdict.NOT_READ, verdict(low, "reader.MOSI"));
        assertEquals(Verdict.FINE, verdict(measured(low, "reader.MOSI", false, null), "reader.MOSI"));
        assertEquals(2, twice.log().size(), "the record only grows");
    }

    @Test
    void readingsGoThroughTheFile() throws Exception {
        Build high = measured(build(), "reader.MOSI", true, 3.58);
        assertEquals(high, BuildReader.parse(Path.of("x"), BuildWriter.print(high), CATALOG));
        assertThrows(EditRefused.class, () -> measured(build(), "nobody.MOSI", true, 3.0));
    }
}
