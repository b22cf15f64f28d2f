package inkel.core.boards;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.document.Build;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FoundWiringTest {
    private static final PartClass CLASSIC = CATALOG.get("board-classic-5v");
    private static final PartClass DUAL = CATALOG.get("board-dual-core-3v3");

    private static Builds table() {
        return Builds.classic()
                .part("air", "packet-radio", "VCC=board.3V3")
                .part("arm", "servo-micro", "V+=board.5V")
                .part("lamp", "led");
    }

    private static FoundLine only(Builds table, PartClass source, String text) {
        List<FoundLine> lines = FoundWiring.read(table.circuit(), source, text);
        assertEquals(1, lines.size());
        return lines.get(0);
    }

    /** All these say that the radio's CE was on the pin that programs call 9. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "CE → 9",
                "CE -> D9",
                "CE => 9",
                "CE: 9",
                "CE\tD9",
                "CE   9",
                "CE 9",
                "ce = 9",
                "| CE | D9 |",
                "D9 -> CE",
                "9: radio CE",
                "radio CE goes to pin 9",
                "air.CE — D9",
                "#define CE 9",
                "#define CE_PIN 9 // the radio",
                "#define RADIO_CE D9",
                "const int CE = 9;",
                "static constexpr uint8_t radioCE = 9; // enable",
                "const byte ce_pin = 9;",
                "CE = Pin(9, Pin.OUT)",
                "radio_ce = machine.Pin(9)  # output",
                "ce_pin = board.D9",
            })
    void aLineIsRead(String text) {
        FoundLine line = only(table(), CLASSIC, text);
        assertEquals(FoundLine.Kind.WIRE, line.kind(), () -> text + ": " + line.why());
        assertEquals(Optional.of(end("air.CE")), line.signal());
        assertEquals(Optional.of("D9"), line.pin());
    }

    @ParameterizedTest
    @CsvSource({
        "servoPin = 6, arm.SIG, D6",
        "#define LED_PIN 13, lamp.A, D13",
        "int servo = 5;, arm.SIG, D5",
        "LED -> A2, lamp.A, A2",
    })
    void aPartThatHasOneSignalNeedNotNameIt(String text, String signal, String pin) {
        FoundLine line = only(table(), CLASSIC, text);
        assertEquals(Optional.of(end(signal)), line.signal(), () -> "" + line.why());
        assertEquals(Optional.of(pin), line.pin());
    }

    @ParameterizedTest
    @CsvSource({"VCC -> 3.3V, FEED, air.VCC, 3V3", "radio VCC = 3V3, FEED, air.VCC, 3V3", "V+ → 5V, FEED, arm.V+, 5V"})
    void suppliesAreFeeds(String text, FoundLine.Kind kind, String pin, String rail) {
        FoundLine line = only(table(), CLASSIC, text);
        assertEquals(kind, line.kind(), () -> "" + line.why());
        assertEquals(Optional.of(end(pin)), line.signal());
        assertEquals(Optional.of(rail), line.pin());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "   ", "// pins of the radio", "# pins of the radio", "-----+----", "#include \"radio.h\""})
    void whatSaysNothingIsPassedOver(String text) {
        assertEquals(FoundLine.Kind.NOTHING, only(table(), CLASSIC, text).kind());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "CE -> D99|found.no_pin",
                "QQ -> 9|found.no_signal",
                "radio|found.no_pair",
                "CE -> 3.3V|found.no_match",
                "VCC -> D9|found.no_match",
            })
    void whatIsNotUnderstoodSaysWhy(String text, String why) {
        FoundLine line = only(table(), CLASSIC, text);
        assertEquals(FoundLine.Kind.UNCLEAR, line.kind());
        assertEquals(why, line.why().orElseThrow().key());
    }

    @Test
    void aNameThatTwoPartsHaveWantsOneOfThem() {
        Builds two = table().part("far", "packet-radio", "VCC=board.3V3");
        FoundLine both = only(two, CLASSIC, "CE -> 9");
        assertEquals("found.several", both.why().orElseThrow().key());
        assertEquals(
                Optional.of(end("far.CE")), only(two, CLASSIC, "far_CE = 9").signal());
    }

    @Test
    void pinsAreThoseOfTheBoardThatItWasMadeFor() {
        assertEquals(Optional.of("GP9"), only(table(), DUAL, "CE = 9").pin());
        assertEquals(Optional.of("GP9"), only(table(), DUAL, "CE = Pin(9)").pin());
    }

    private static final String RADIO =
            """
            VCC -> 3.3V
            GND -> GND
            CE  -> 9
            CSN -> 10
            SCK -> 13
            MOSI -> 11
            MISO -> 12
            IRQ -> not used
            """;

    @Test
    void aWiringForThisBoardIsTakenAsItIs() throws Exception {
        Build build = Builds.classic().part("air", "packet-radio").build();
        FoundPlan found = FoundPlan.of(build, CATALOG, NODE, CLASSIC, RADIO, () -> false);
        Build taken = Edit.applyAll(build, found.edits());
        assertEquals(
                List.of(
                        "air.CE board.D9",
                        "air.CSN board.D10",
                        "air.SCK board.D13",
                        "air.MOSI board.D11",
                        "air.MISO board.D12"),
                taken.nodes().get(0).wires().stream()
                        .map(wire -> wire.from() + " " + wire.to())
                        .toList());
        assertEquals(
                end("board.3V3"),
                taken.nodes().get(0).part("air").orElseThrow().feeds().get("VCC"));
        assertTrue(found.changes().stream().allMatch(change -> change.why().isEmpty()));
        assertEquals(
                List.of("IRQ -> not used"),
                found.lines().stream()
                        .filter(line -> line.kind() == FoundLine.Kind.UNCLEAR)
                        .map(FoundLine::text)
                        .toList());
        assertTrue(found.plan().isEmpty());
    }

    @Test
    void aWiringForAnotherBoardIsSharedOutForThisOneAndSaysWhatChanges() throws Exception {
        Build build = Builds.dualCore().part("air", "packet-radio").build();
        FoundPlan found = FoundPlan.of(build, CATALOG, NODE, CLASSIC, RADIO, () -> false);
        assertTrue(found.plan().orElseThrow().placed());
        Build taken = Edit.applyAll(build, found.edits());
        assertEquals(5, found.changes().size());
        for (FoundPlan.Change change : found.changes()) {
            assertEquals(taken.nodes().get(0).wire(change.signal()).map(Wire::to), change.now());
            assertEquals("found.change.no_pin", change.why().orElseThrow().key());
        }
        assertEquals(
                end("board.3V3"),
                taken.nodes().get(0).part("air").orElseThrow().feeds().get("VCC"));
    }

    /** A contact between 5 V and a pin, for a board of 5 V: here its pins bear 3.3 V. */
    @Test
    void theOtherLegOfAContactGoesToTheSupplyOfThePins() throws Exception {
        String lesson = "key A -> 2\nkey B -> 5V";
        Build same = Builds.classic().part("key", "button").build();
        FoundPlan asIs = FoundPlan.of(same, CATALOG, NODE, CLASSIC, lesson, () -> false);
        assertEquals(
                List.of(FoundLine.Kind.WIRE, FoundLine.Kind.FEED),
                asIs.lines().stream().map(FoundLine::kind).toList());
        assertEquals(
                end("board.5V"),
                Edit.applyAll(same, asIs.edits())
                        .nodes()
                        .get(0)
                        .part("key")
                        .orElseThrow()
                        .feeds()
                        .get("B"));
        Build other = Builds.dualCore().part("key", "button").build();
        FoundPlan moved = FoundPlan.of(other, CATALOG, NODE, CLASSIC, lesson, () -> false);
        Build taken = Edit.applyAll(other, moved.edits());
        assertEquals(
                end("board.3V3"),
                taken.nodes().get(0).part("key").orElseThrow().feeds().get("B"));
        // On ground nothing is to be said, as before.
        assertEquals(
                FoundLine.Kind.GROUND,
                only(Builds.classic().part("key", "button"), CLASSIC, "key B -> GND")
                        .kind());
    }

    @Test
    void aPinOfTheSameNameThatCannotDoItIsTheReason() throws Exception {
        // A6 of the small board only measures; on the classic board nothing is called so.
        Build build =
                Builds.on("board-small-5v").part("knob", "knob", "VCC=board.5V").build();
        FoundPlan found = FoundPlan.of(build, CATALOG, NODE, CLASSIC, "knob OUT -> A2", () -> false);
        assertEquals(1, found.changes().size());
        assertTrue(found.changes().get(0).now().isPresent());
    }

    @Test
    void aPastedBookTakesNoTime() {
        String line = "a = ".repeat(200_000);
        assertEquals(FoundLine.Kind.UNCLEAR, only(table(), CLASSIC, line).kind());
        assertEquals(
                5000,
                FoundWiring.read(table().circuit(), CLASSIC, "x -> y\n".repeat(4999))
                        .size());
    }

    @Test
    void whatTheBuilderHoldsStaysAndIsToldSo() throws Exception {
        Build build = table().hold("air.CE", "board.D7").build();
        FoundPlan found = FoundPlan.of(build, CATALOG, NODE, CLASSIC, "CE -> 9\nCSN -> 10", () -> false);
        Build taken = Edit.applyAll(build, found.edits());
        assertEquals(
                Optional.of(Wire.held(end("air.CE"), end("board.D7"), "for the test")),
                taken.nodes().get(0).wire(end("air.CE")));
        assertEquals(
                "found.change.held", found.changes().get(0).why().orElseThrow().key());
        assertEquals(Optional.empty(), found.changes().get(1).why());
    }

    @Test
    void nothingThatWasUnderstoodChangesNothing() throws Exception {
        Build build = table().build();
        FoundPlan found = FoundPlan.of(build, CATALOG, NODE, DUAL, "hello\nworld", () -> false);
        assertEquals(List.of(), found.edits());
        assertTrue(found.plan().isEmpty());
    }
}
