package inkel.core.tune.code;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.checks.Reports;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;

class CodeBackTest {
    private static List<CodeBack.Told> read(String code) throws Exception {
        Place radio = Place.ofPart(Builds.NODE, "radio");
        Build build = Edit.applyAll(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .wire("radio.CE", "board.D9")
                        .wire("radio.CSN", "board.A1")
                        .build(),
                List.of(
                        new CopyNode(Builds.NODE, "second", "Second"),
                        new Stations.Join(Place.ofPart("second", "radio"), radio, "Locks")));
        Reports reports = Assessment.assess(build, Builds.CATALOG).reports();
        NodeCircuit node = reports.circuit().node(Builds.NODE).orElseThrow();
        return CodeBack.read(
                node,
                CodeConstants.of(node, reports.pins(), reports.loops().node(Builds.NODE), reports.radios()),
                code);
    }

    private static CodeBack.Told only(String code) throws Exception {
        List<CodeBack.Told> all = read(code);
        assertEquals(1, all.size(), all.toString());
        return all.get(0);
    }

    @Test
    void whatIsAsPlannedIsTheSameHoweverItIsWritten() throws Exception {
        for (String line : List.of(
                "#define RADIO_CHANNEL 76",
                "#define RADIO_CHANNEL (76)",
                "static const int RADIO_CHANNEL = 76;  // channel",
                "constexpr uint8_t RADIO_CHANNEL = 0x4C;",
                "RADIO_CHANNEL = 76  # channel",
                "RADIO_CHANNEL = 0x4c",
                "  const long RADIO_CHANNEL = 76L;")) {
            assertTrue(only(line).isSame(), line);
        }
        for (String line : List.of(
                "#define RADIO_CE_PIN 9",
                "RADIO_CE_PIN = 9",
                "const int RADIO_CSN_PIN = A1;",
                "RADIO_CSN_PIN = \"A1\"")) {
            assertTrue(only(line).isSame(), line);
        }
        for (String line : List.of(
                "static const int RADIO_ADDRESS[] = {0x00, 0xE1, 0x96, 0x3C, 0x5A};",
                "RADIO_ADDRESS = (0, 225, 150, 60, 90)",
                "byte RADIO_ADDRESS[5] = { 0, 0xe1, 0x96, 0x3c, 0x5a };")) {
            assertTrue(only(line).isSame(), line + " " + only(line));
        }
    }

    @Test
    void whatDiffersIsToldWithItsLineAndWhatItShouldBe() throws Exception {
        CodeBack.Told told = only("// made in May\n\nconst int RADIO_CHANNEL = 90; // was 76\n");
        assertEquals(new CodeBack.Told(3, "RADIO_CHANNEL", "90", "76", false), told);
        assertFalse(only("#define RADIO_CE_PIN 10").isSame());
        assertFalse(only("RADIO_CSN_PIN = \"A2\"").isSame());
        assertFalse(only("RADIO_ADDRESS = (0, 225, 150, 60)").isSame(), "one byte less");
        assertFalse(only("RADIO_RATE_BITS = 250000").isSame());
    }

    @Test
    void theLastWordOnANameCountsAndOtherNamesAreNobodysAffair() throws Exception {
        assertTrue(only("int RADIO_CHANNEL = 90;\nint RADIO_CHANNEL = 76;\nint SPEED = 7;")
                .isSame());
        assertEquals(
                List.of(), read("# RADIO_CHANNEL = 90\n// const int RADIO_CHANNEL = 90;\nif (RADIO_CHANNEL == 90) {"));
        assertEquals("90 [31m", only("#define RADIO_CHANNEL 90\u001b[31m\u0007").found(), "no control letters");
        assertEquals(List.of(), read("x".repeat(100_000) + " = 1"));
    }
}
