package inkel.core.checks;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildReader;
import inkel.core.kit.Builds;
import inkel.core.pins.Planner;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A definition that was written by hand and says too little: nothing of it is taken to be well. */
class ThinDefinitionTest {
    private static final String SUPPLY =
            """
            "supplies": [{"pin": "VCC", "range": {"min": "3 V", "typ": "3.3 V", "max": "3.6 V"}, "absolute_max": "4 V"}],""";
    private static final String LEVELS =
            """
            "io": [{"name": "io", "supply": "VCC", "vih": "0.7 VCC", "vil": "0.3 VCC", "voh": "VCC - 0.4 V", "vol": "0.4 V",
            "absolute_max": "VCC + 0.3 V"}],""";

    private static Build build(String more, String io, String feeds) throws Exception {
        String file =
                """
                {"format": 2, "name": "T", "classes": [{"id": "mine", "name": "Mine", "summary": "Measures.", "kind": "module", %s
                  "pins": [{"label": "VCC", "is": "supply"}, {"label": "GND", "is": "ground"}, {"label": "RX", "is": "uart.rx"%s}]}],
                 "nodes": [{"id": "bench", "name": "Bench",
                  "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                  "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                   {"id": "mine", "class": "mine", "name": "Mine"%s}]}]}
                """
                        .formatted(more, io, feeds);
        Build build = BuildReader.parse(Path.of("t.inkel.json"), file, Builds.CATALOG);
        List<Edit> plan =
                List.of(new Planner(build, Builds.CATALOG).plan("bench").edit().orElseThrow());
        return Edit.applyAll(build, plan);
    }

    private static List<Finding> found(Build build, String code) {
        return Builds.of(Assessment.assess(build, Builds.CATALOG), code);
    }

    @Test
    void aSupplyPinOfWhichNothingIsSaid() throws Exception {
        List<Finding> found = found(build("", "", ""), "parts.supply_unknown");
        assertEquals(1, found.size());
        assertEquals(Severity.LOOK, found.get(0).severity());
        assertEquals("bench/mine", found.get(0).place().toString());
    }

    @Test
    void aSignalOfWhichNoLevelsAreSaid() throws Exception {
        Build build = build(SUPPLY, "", ", \"feeds\": {\"VCC\": \"board.3V3\"}");
        assertEquals(List.of(), found(build, "parts.supply_unknown"));
        List<Finding> found = found(build, "parts.figure_unknown");
        assertEquals(1, found.size());
        assertEquals("bench/mine.RX", found.get(0).place().toString());
    }

    @Test
    void aPartOfWhichNoCurrentIsSaidCountsAsNothingAndThatIsTold() throws Exception {
        String fed = ", \"feeds\": {\"VCC\": \"board.3V3\"}";
        List<Finding> found = found(build(SUPPLY, "", fed), "power.current_unknown");
        assertEquals(1, found.size());
        assertEquals("bench/mine", found.get(0).place().toString());
        String current =
                """
                "currents": [{"mode": "active", "supply": "VCC", "current": {"typ": "5 mA"}}],""";
        assertEquals(List.of(), found(build(SUPPLY + current, "", fed), "power.current_unknown"));
    }

    /** What only passes a supply on, and what its pins alone feed. */
    @Test
    void whatTakesNothingItselfIsQuiet() {
        for (String cls : List.of("regulator-linear-5v", "rgb-led-anode", "button", "usb-port")) {
            assertEquals(List.of(), found(Builds.classic().part("it", cls).build(), "power.current_unknown"), cls);
        }
    }

    @Test
    void aPartOnABusWhoseAddressIsNotSaid() throws Exception {
        String bus = "}, {\"label\": \"SDA\", \"is\": \"i2c.sda\"}, {\"label\": \"SCL\", \"is\": \"i2c.scl\"";
        List<Finding> found = found(build(SUPPLY, bus, ""), "i2c.address_unknown");
        assertEquals(1, found.size());
        assertEquals("bench/mine", found.get(0).place().toString());
        String address = "\"i2c\": {\"address\": \"0x76\", \"clock_max\": \"400 kHz\"},";
        assertEquals(List.of(), found(build(SUPPLY + address, bus, ""), "i2c.address_unknown"));
        Build later = new SetSetting("bench", "mine", Settings.LATER, "yes").apply(build(SUPPLY, bus, ""));
        assertEquals(List.of(), found(later, "i2c.address_unknown"));
        assertEquals(List.of(), found(later, "power.current_unknown"));
    }

    @Test
    void whatIsMissingBothWaysIsToldOnce() throws Exception {
        Build build = build(
                SUPPLY, "}, {\"label\": \"D\", \"is\": \"data-two-way\"", ", \"feeds\": {\"VCC\": \"board.3V3\"}");
        assertEquals(
                List.of("bench/mine.RX", "bench/mine.D"),
                found(build, "parts.figure_unknown").stream()
                        .map(finding -> finding.place().toString())
                        .toList());
    }

    /** 5 V at 3.6 V: as soon as it can be judged it is to be stopped for. */
    @Test
    void withFiguresItIsJudged() throws Exception {
        Build build = build(SUPPLY + LEVELS, ", \"io\": \"io\"", ", \"feeds\": {\"VCC\": \"board.3V3\"}");
        assertEquals(List.of(), found(build, "parts.figure_unknown"));
        assertEquals(1, found(build, "levels.harms").size());
    }

    /** Contacts, lamps and windings have no levels, and are none the worse. */
    @Test
    void whatHasNoElectronicsIsQuiet() throws Exception {
        for (String cls : List.of("button", "led", "keypad-16", "relay-coil", "motor-small", "solenoid")) {
            Build build = Builds.classic().part("it", cls).build();
            Build planned = new Planner(build, Builds.CATALOG)
                    .plan(Builds.NODE)
                    .edit()
                    .orElseThrow()
                    .apply(build);
            assertEquals(List.of(), found(planned, "parts.figure_unknown"), cls);
            assertEquals(List.of(), found(planned, "parts.supply_unknown"), cls);
        }
    }
}
