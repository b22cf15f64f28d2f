package inkel.core.wiring;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireStep.Kind;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WireListTest {
    private static WireList of(Build build) {
        return WireList.of(Circuit.of(build, Builds.CATALOG).nodes().get(0));
    }

    private static List<String> ids(WireList list) {
        return list.steps().stream().map(WireStep::id).toList();
    }

    @Test
    void groundsThenSuppliesThenTiesThenBusesThenSignals() {
        List<Kind> kinds =
                of(Builds.locks()).steps().stream().map(WireStep::kind).toList();
        assertEquals(kinds.stream().sorted().toList(), kinds);
        Set<Kind> all = new HashSet<>(Set.of(Kind.values()));
        all.removeAll(Set.of(Kind.PROGRAMMING, Kind.PULL));
        assertEquals(all, new HashSet<>(kinds), "the example has wires of every kind");
    }

    @Test
    void numbersRunAndIdsAreUnique() {
        WireList list = of(Builds.locks());
        for (int i = 0; i < list.steps().size(); i++) {
            assertEquals(i + 1, list.steps().get(i).number());
        }
        assertEquals(list.steps().size(), new HashSet<>(ids(list)).size());
    }

    @Test
    void oneModuleIsWiredPinToPin() {
        // Ground, supply and one signal: three jumpers, no breadboard row needed, not for the capacitor between its
        // legs.
        WireList list = of(Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D4")
                .build());
        assertEquals(
                List.of(
                        "board.GND@1 > handset.GND@1",
                        "board.5V@1 > handset.VS@1",
                        "handset.VS@1 > handset.GND@1 by capacitor 100 nF of handset.VS",
                        "board.D4@1 > handset.OUT@1"),
                ids(list));
        assertEquals(WireColour.BLACK, list.steps().get(0).colour());
        assertEquals(WireColour.RED, list.steps().get(1).colour());
    }

    @Test
    void moreTakersShareARow() {
        WireList list = of(Builds.classic()
                .part("one", "infrared-receiver", "VS=board.5V")
                .part("two", "infrared-receiver", "VS=board.5V")
                .build());
        assertEquals(
                List.of(
                        "board.GND@1 > row ground",
                        "row ground > one.GND@1",
                        "row ground > two.GND@1",
                        "board.5V@1 > row board.5V",
                        "row board.5V > one.VS@1",
                        "row board.5V > two.VS@1",
                        "one.VS@1 > one.GND@1 by capacitor 100 nF of one.VS",
                        "two.VS@1 > two.GND@1 by capacitor 100 nF of two.VS"),
                ids(list));
    }

    @Test
    void aWayThroughAShifterIsTwoWiresAndASharedEndIsPluggedOnce() {
        List<String> ids = ids(of(Builds.locks()));
        assertTrue(ids.contains("board.D12@1 > shifter.HV4@1")
                || ids.stream().anyMatch(id -> id.startsWith("board.D12") && id.contains("shifter.HV4")));
        assertEquals(1, ids.stream().filter(id -> id.contains("> shifter.HV4")).count());
        assertEquals(2, ids.stream().filter(id -> id.startsWith("shifter.LV4")).count());
    }

    @Test
    void aDividerStandsInItsWire() {
        Between.Divider divider =
                new Between.Divider(end("radio.MOSI"), Resistance.ofOhms(1000), Resistance.ofOhms(2200), Extras.NONE);
        WireList list = of(Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.MOSI", "board.D11")
                .between(divider)
                .build());
        WireStep step = list.steps().get(list.steps().size() - 1);
        assertEquals(divider, step.inLine().orElseThrow());
        assertEquals(WireColour.ORANGE, list.steps().get(2).colour(), "a 3.3 V supply, behind two grounds of a row");
    }

    @Test
    void aBareChipHasAllItsLegsAndWhatGoesAroundIt() {
        // 28 legs: VCC 7, GND 8, X1 9, X2 10 on the left; AVCC 20, AREF 21, GND 22 on the right, counted from the top.
        WireList list = of(Builds.on("chip-28pin").boardOnly("VCC", "usb.5V").build());
        PartClass cls = Builds.CATALOG.get("chip-28pin");
        List<String> told = list.steps().stream()
                .map(step -> leg(cls, step.from()) + " > " + leg(cls, step.to())
                        + step.fitting().map(part -> " " + part.value()).orElse(""))
                .toList();
        assertEquals(6, list.wireCount());
        assertEquals(6, list.openWireCount());
        assertEquals(13, list.openCount(), "seven small parts besides");
        assertEquals(
                List.of(
                        "8 > row ground",
                        "22 > row ground",
                        "row ground > usb.GND@1",
                        "usb.5V@1 > row usb.5V",
                        "row usb.5V > 7",
                        "row usb.5V > 20",
                        "9 > 10 20 MHz",
                        "9 > row ground 22 pF",
                        "10 > row ground 22 pF",
                        "1 > row usb.5V 10 kΩ",
                        "7 > 8 100 nF",
                        "20 > 22 100 nF",
                        "21 > 22 100 nF"),
                told);
    }

    private static String leg(PartClass cls, Terminal terminal) {
        return terminal instanceof Terminal.OnPin pin && pin.pin().part().equals("board")
                ? String.valueOf(cls.pins().get(pin.index()).header())
                : terminal.id();
    }

    @Test
    void aStrapToItsOwnBusWireGoesThere() {
        WireList list = of(Builds.classic()
                .part("adc", "adc-16", "VDD=board.5V")
                .wire("adc.SDA", "board.A4")
                .wire("adc.ADDR", "adc.SDA")
                .build());
        WireStep strap = list.steps().stream()
                .filter(step -> step.kind() == Kind.TIE)
                .findFirst()
                .orElseThrow();
        assertEquals("adc.SDA@1 > adc.ADDR@1", strap.id());
        assertEquals(WireColour.BLUE, strap.colour(), "that of the data wire");
        assertEquals("board.GND@1 > adc.GND@1", list.steps().get(0).id(), "no ground row is wanted for it");
    }

    @Test
    void aSourceThatFeedsNothingIsNotWired() {
        WireList list = of(Builds.classic().part("six", "wall-supply-6v").build());
        assertEquals(List.of(), ids(list), "the board comes on its cable");
    }

    @Test
    void aPortWithoutASocketIsWiredByItsLeads() {
        WireList list = of(Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=usb.5V")
                .build());
        assertEquals(
                List.of(
                        "board.GND@1 > row ground",
                        "row ground > usb.GND@1",
                        "row ground > reg.GND@1",
                        "usb.5V@1 > reg.IN@1",
                        "reg.IN@1 > reg.GND@1 by capacitor 10 µF of reg.IN",
                        "reg.OUT@1 > reg.GND@1 by capacitor 22 µF of reg.OUT"),
                ids(list));
    }

    @Test
    void everyGroundOfAPartIsWiredUnlessThePartJoinsThem() {
        // The display's second ground is that of its light; the shifter joins its two itself.
        WireList list = of(Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("shifter", "shifter-4", "LV=board.3V3", "HV=board.5V")
                .build());
        List<String> grounds = list.steps().stream()
                .filter(step -> step.kind() == Kind.GROUND)
                .map(step -> step.to().id())
                .toList();
        assertEquals(List.of("row ground", "text.VSS@1", "text.K@1", "shifter.GND@1"), grounds);
    }

    @Test
    void tickingOffLeadsToTheNext() throws EditRefused {
        Build build = Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D4")
                .build();
        WireList list = of(build);
        assertEquals(4, list.openCount());
        Build after = new Plug(Builds.NODE, Set.of(list.steps().get(0).id()), true).apply(build);
        assertEquals(3, of(after).openCount());
        assertEquals(2, of(after).next().orElseThrow().number());
    }

    @Test
    void aPluggedWireThatLeavesThePlanIsToUnplug() throws EditRefused {
        Build build = Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D4")
                .build();
        Build plugged = new Plug(Builds.NODE, new HashSet<>(ids(of(build))), true).apply(build);
        assertEquals(0, of(plugged).openCount());
        Build moved = new SetWire(Builds.NODE, Wire.placed(end("handset.OUT"), end("board.D7"))).apply(plugged);
        WireList list = of(moved);
        assertEquals(
                List.of("board.D4@1 > handset.OUT@1"),
                list.pulls().stream().map(WireStep::id).toList());
        assertEquals(2, list.openCount(), "one to pull and one to plug");
        assertFalse(list.next().orElseThrow().plugged());
    }

    // Counted on the class: 18 holes on the right of the classic board from the USB end, 14 on the left.
    @ParameterizedTest(name = "{0}: {1} {2} and {3}")
    @CsvSource({"D13, right, 5, 14", "D0, right, 18, 1", "5V, left, 5, 10", "A5, left, 14, 1", "RST, left, 3, 12"})
    void placesAreCountedFromBothEnds(String label, String row, int fromStart, int fromEnd) {
        var cls = Builds.CATALOG.get("board-classic-5v");
        int index = cls.pins().indexOf(cls.pin(label).orElseThrow());
        assertEquals(new HeaderPlace(row, fromStart, fromEnd), HeaderPlace.of(cls, index));
    }

    /** A plug on the driver's sockets brings one ground; the other leg of the light is wired all the same. */
    @Test
    void aPlugBringsOneGroundAndTheOthersAreWired() {
        WireList list = of(Builds.classic()
                .part("bench", "bench-supply")
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                .part("view", "display-graphic-128", "VCC=driver.V+OUT", "BLA=driver.V+OUT")
                .build());
        assertTrue(
                ids(list).stream().anyMatch(id -> id.contains("view.BLK")),
                ids(list).toString());
        assertTrue(
                ids(list).stream().noneMatch(id -> id.contains("view.GND")),
                ids(list).toString());
    }

    /** What lies on the table for later asks for nothing, not for the resistor at its select either. */
    @Test
    void whatIsForLaterHasNoSmallParts() {
        Builds table = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .setting("radio", "select_pull_up", "10 kΩ");
        assertTrue(ids(of(table.build())).stream().anyMatch(id -> id.startsWith("radio.CSN@1 > ")));
        List<String> later = ids(of(table.setting("radio", "later", "yes").build()));
        assertTrue(later.stream().noneMatch(id -> id.contains("radio.CSN")), later.toString());
    }
}
