package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import inkel.core.quantity.Fact;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class BroughtReadingsTest {
    private static final Instant NOW = Instant.parse("2026-06-01T10:00:00Z");
    private static final ZoneId ZONE = ZoneId.of("+02:00");
    private static final String THEN = "2026-05-20T18:00:00Z";

    private final Build build = Builds.locks();
    private final WakePlan wake = WakePlan.of(Circuit.of(build, Builds.CATALOG), Meter.USUAL);

    private static BroughtReadings.Row row(String at, String place, String what, String value, String unit) {
        return new BroughtReadings.Row(2, at, place, "", what, value, unit, "");
    }

    private BroughtReadings brought(BroughtReadings.Row... rows) {
        return BroughtReadings.of(build, wake, List.of(rows), NOW, ZONE);
    }

    private LogLine.Measured taken(BroughtReadings.Row row) throws Exception {
        BroughtReadings found = brought(row);
        assertEquals(List.of(), found.refused());
        Build after = Edit.applyAll(build, found.edits());
        return (LogLine.Measured) after.log().lines().get(build.log().size());
    }

    @Test
    void aReadingAnswersTheCheckThatReadsThatThere() throws Exception {
        LogLine.Measured read = taken(row(THEN, "lower-lock/radio.VCC", "", "3,29", "V"));
        assertEquals(LogLine.What.VOLTS, read.what());
        assertEquals(3.29, read.value().si(), 1e-12);
        assertEquals(Instant.parse(THEN), read.at());
        assertEquals(LogLine.By.IMPORTED, read.by());
        assertEquals("volts radio.VCC", read.foretold().orElseThrow().check());
        Build after = Edit.applyAll(
                build,
                brought(row(THEN, "lower-lock/radio.VCC", "", "3.29 V", "")).edits());
        WakeState state = WakeState.of(after, wake.node("lower-lock").orElseThrow());
        assertEquals(Status.IN, state.results().get("volts radio.VCC").status());
    }

    @Test
    void whatNoCheckReadsIsKeptAtItsPin() throws Exception {
        LogLine.Measured high = taken(row("", "lower-lock/radio.MISO", "high", "3.21", ""));
        assertEquals(LogLine.What.HIGH, high.what());
        assertEquals(NOW, high.at());
        assertTrue(high.foretold().isEmpty());
        assertEquals(
                LogLine.What.SECONDS,
                taken(row("", "lower-lock/gate-upper.SIG", "", "1500", "us")).what());
    }

    @Test
    void whatTheRecordHasIsNotTakenTwice() throws Exception {
        BroughtReadings.Row dated = row(THEN, "lower-lock/radio.VCC", "volts", "3.28", "V");
        BroughtReadings.Row later = row("2026-05-20T18:05:00Z", "lower-lock/radio.VCC", "volts", "3.28", "V");
        BroughtReadings once = brought(dated, dated, later);
        assertEquals(2, once.edits().size());
        assertEquals(1, once.known());
        Build after = Edit.applyAll(build, once.edits());
        BroughtReadings again = BroughtReadings.of(
                after, wake, List.of(dated, row("", "lower-lock/radio.VCC", "volts", "3.28", "V")), NOW, ZONE);
        assertEquals(0, again.edits().size());
        assertEquals(2, again.known());
    }

    /** Two tables of the example have a radio, one a tag reader. */
    @Test
    void aPlaceWithoutItsTableIsTheOnlyOneOfThatName() throws Exception {
        assertEquals(
                "lower-lock/reader.3.3V",
                taken(row("", "reader.3.3V", "", "3.3", "V")).place().toString());
        Fact why =
                brought(row("", "radio.VCC", "", "3.3", "V")).refused().get(0).why();
        assertEquals("brought.which_place", why.key());
        assertEquals(
                List.of("lower-lock/radio.VCC", "pump-house/radio.VCC"),
                why.values().get("places"));
    }

    /** Where the builder is, two hours ahead of the meridian. */
    @ParameterizedTest
    @CsvSource({
        "2026-05-09T17:05:00Z, 2026-05-09T17:05:00Z",
        "2026-05-09 17:05, 2026-05-09T15:05:00Z",
        "2026-05-09T17:05:30, 2026-05-09T15:05:30Z",
        "9.5.2026 7:05, 2026-05-09T05:05:00Z",
        "09.05.2026, 2026-05-08T22:00:00Z",
    })
    void aTimeIsReadAsPeopleWriteIt(String typed, String instant) throws Exception {
        assertEquals(
                Instant.parse(instant),
                taken(row(typed, "lower-lock/radio.VCC", "", "3.3", "V")).at());
    }

    @ParameterizedTest
    @ValueSource(strings = {"9/5/2026", "31.2.2026", "2026-05-09 25:00", "17:05", "soon"})
    void whatMayBeAnotherDayIsNoTime(String typed) {
        assertEquals(
                "brought.no_time",
                brought(row(typed, "lower-lock/radio.VCC", "", "3.3", "V"))
                        .refused()
                        .get(0)
                        .why()
                        .key());
    }

    @Test
    void whatIsNotUnderstoodIsToldAndStopsNothing() {
        BroughtReadings found = brought(
                row("", "lower-lock/nobody.VCC", "", "3.3", "V"),
                row("", "lower-lock/radio.NONE", "", "3.3", "V"),
                row("", "lower-lock/radio.VCC", "noise", "3.3", "V"),
                row("", "lower-lock/radio.VCC", "", "3.3", ""),
                row("", "lower-lock/radio.VCC", "volts", "soup", "V"),
                row("yesterday", "lower-lock/radio.VCC", "", "3.3", "V"),
                row("", "lower-lock", "", "3.3", "V"),
                row("", "radio.VCC", "", "3.3", "V"),
                row("", "lower-lock/radio.VCC", "", "3.3", "V"));
        assertEquals(
                List.of(
                        "brought.no_place",
                        "brought.no_place",
                        "brought.no_what",
                        "brought.no_value",
                        "brought.no_value",
                        "brought.no_time",
                        "brought.no_check",
                        "brought.which_place"),
                found.refused().stream().map(no -> no.why().key()).toList());
        assertEquals(1, found.edits().size());
    }

    @Test
    void voltsOfAConverterAnswerACodeOnlyWhereItIsNamed() throws Exception {
        Build sends = Builds.classic()
                .part("gives", "dac-12-i2c", "VCC=board.5V")
                .wire("gives.SDA", "board.A4")
                .wire("gives.SCL", "board.A5")
                .build();
        WakePlan plan = WakePlan.of(Circuit.of(sends, Builds.CATALOG), Meter.USUAL);
        Check code = plan.nodes().get(0).checks().stream()
                .filter(check -> check.kind() == Check.Kind.CODE)
                .findFirst()
                .orElseThrow();
        List<BroughtReadings.Row> rows = List.of(
                new BroughtReadings.Row(2, THEN, "gives.OUT", "", "", "2.5 V", "", ""),
                new BroughtReadings.Row(3, THEN, "gives.OUT", code.id(), "", "2.6 V", "", ""));
        Build after = Edit.applyAll(
                sends, BroughtReadings.of(sends, plan, rows, NOW, ZONE).edits());
        List<String> checks = after.log().lines().stream()
                .map(line -> ((LogLine.Measured) line)
                        .foretold()
                        .map(Foretold::check)
                        .orElse("none"))
                .toList();
        assertEquals(List.of("none", code.id()), checks);
    }

    @Test
    void onTheOnlyBoardItsNameNeedNotBeSaid() {
        Build one = Builds.example("moth-lamp.inkel.json");
        WakePlan plan = WakePlan.of(Circuit.of(one, Builds.CATALOG), Meter.USUAL);
        assertEquals(1, one.nodes().size());
        BroughtReadings found = BroughtReadings.of(one, plan, List.of(row("", "tilt.VCC", "", "3.3 V", "")), NOW, ZONE);
        assertEquals(List.of(), found.refused());
        assertEquals(1, found.edits().size());
    }
}
