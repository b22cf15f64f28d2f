package inkel.core.circuit;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.Leave;
import inkel.core.document.edit.Measure;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** A reading counts for what it was taken on, and for nothing else. */
class ReadingsTest {
    private static final Instant AT = Instant.parse("2026-05-01T18:30:00Z");
    private static final Voltage READ = Voltage.ofVolts(3.3);

    /** A 3.3 V reader on a 5 V board, its clock behind a shifter, all fed from a bench supply. */
    private static Build build() {
        return Builds.classic()
                .part("bench", "bench-supply")
                .part("reg", "regulator-linear-3v3", "IN=bench.+")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .part("shifter", "shifter-4", "HV=board.5V", "LV=reg.OUT")
                .setting("bench", "volts", "5 V")
                .wire("reader.SCK", "board.D13")
                .between(new Between.ShifterWay(end("reader.SCK"), "shifter", 1, Extras.NONE))
                .build();
    }

    private static Build measured() throws EditRefused {
        return new Measure(NODE, end("reader.SCK"), LogLine.What.HIGH, READ, "3.3", LogLine.By.TYPED, AT)
                .apply(build());
    }

    private static Optional<Voltage> valid(Build build) {
        return Circuit.of(build, CATALOG)
                .node(NODE)
                .orElseThrow()
                .reading(end("reader.SCK"))
                .high();
    }

    private static Optional<Voltage> stale(Build build) {
        return Circuit.of(build, CATALOG)
                .node(NODE)
                .orElseThrow()
                .staleReading(end("reader.SCK"))
                .high();
    }

    private static Verdict verdict(Build build) {
        return Assessment.assess(build, CATALOG)
                .reports()
                .levels()
                .verdict(place("reader.SCK"))
                .orElseThrow();
    }

    static Stream<Arguments> changes() {
        return Stream.of(
                Arguments.of("the shifter taken out", new TakeOut(NODE, end("reader.SCK"))),
                Arguments.of(
                        "a divider in its place",
                        new Insert(
                                NODE,
                                new Between.Divider(
                                        end("reader.SCK"),
                                        Resistance.ofOhms(1000),
                                        Resistance.ofOhms(2000),
                                        Extras.NONE))),
                Arguments.of("another pin", new SetWire(NODE, Wire.placed(end("reader.SCK"), end("board.D12")))),
                Arguments.of("another rail at the reader", new Feed(NODE, "reader", "3.3V", end("board.3V3"))),
                Arguments.of("another rail at the shifter", new Feed(NODE, "shifter", "HV", end("bench.+"))),
                Arguments.of("another rail at the regulator", new Feed(NODE, "reg", "IN", end("board.5V"))),
                Arguments.of("another voltage at the source", new SetSetting(NODE, "bench", Settings.VOLTS, "6 V")),
                Arguments.of(
                        "another class of reader",
                        new Exchange(
                                NODE, "reader", CATALOG.find("packet-radio").orElseThrow())));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("changes")
    void aReadingDoesNotOutliveWhatItStoodOn(String name, Edit change) throws EditRefused {
        assertEquals(Optional.of(READ), valid(measured()));
        Build changed = change.apply(measured());
        assertEquals(Optional.empty(), valid(changed));
        assertEquals(Optional.of(READ), stale(changed), "it is still shown");
    }

    static Stream<Arguments> indifferent() {
        return Stream.of(
                Arguments.of("a name", new RenamePart(NODE, "reader", "Boat reader")),
                Arguments.of("a hold", new Hold(NODE, List.of(end("reader.SCK")), true, "shield")),
                Arguments.of("a rate", new SetSetting(NODE, "board", Settings.SPI_CLOCK, "1 MHz")),
                Arguments.of("another part", new AddPart(NODE, Part.of("lamp", "led", "Lamp", ""))));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("indifferent")
    void whatChangesNothingOnTheWireLeavesTheReading(String name, Edit change) throws EditRefused {
        Build changed = change.apply(measured());
        assertEquals(Optional.of(READ), valid(changed));
        assertEquals(Optional.empty(), stale(changed));
    }

    @Test
    void leavingAThinWireAsItIsDoesNotChangeIt() throws EditRefused {
        Build direct = new TakeOut(NODE, end("reader.SCK")).apply(build());
        Build read =
                new Measure(NODE, end("reader.SCK"), LogLine.What.HIGH, READ, "", LogLine.By.TYPED, AT).apply(direct);
        assertEquals(Optional.of(READ), valid(new Leave(NODE, end("reader.SCK"), "short", AT).apply(read)));
    }

    @Test
    void harmIsSeenAgainOnceTheShifterIsOut() throws EditRefused {
        Build without = new TakeOut(NODE, end("reader.SCK")).apply(measured());
        assertNotEquals(Verdict.HARMS, verdict(measured()));
        assertEquals(Verdict.HARMS, verdict(without));
    }

    @Test
    void aNewPieceOfTheSameIdHasNotBeenMeasured() throws EditRefused {
        Build measured = measured();
        Part reader = measured.nodes().get(0).part("reader").orElseThrow();
        Between way = measured.nodes().get(0).between(end("reader.SCK")).orElseThrow();
        Build again = Edit.applyAll(
                measured,
                List.of(
                        new RemovePart(NODE, "reader"),
                        new AddPart(NODE, reader),
                        new SetWire(NODE, Wire.placed(end("reader.SCK"), end("board.D13"))),
                        new Insert(NODE, way)));
        assertEquals(Optional.empty(), valid(again));
        assertEquals(Optional.of(READ), stale(again));
        assertEquals(Optional.of(READ), valid(measured.backTo(measured, AT)));
    }

    @Test
    void undoneItNoLongerCountsAndRedoneItDoes() throws EditRefused {
        Build before = build();
        Build after = measured();
        Build undone = after.backTo(before, AT);
        assertEquals(2, undone.log().size());
        assertEquals(Optional.empty(), valid(undone));
        assertEquals(Optional.empty(), stale(undone), "what was taken back is not even shown at the wire");
        assertEquals(Optional.of(READ), valid(undone.backTo(after, AT)));
    }
}
