package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.AddPart;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FeedFixesTest {
    private static List<String> ids(Builds builds, String part, String pin) {
        NodeCircuit node = builds.circuit();
        Placed placed = node.part(part).orElseThrow();
        Supply supply = placed.cls().supply(pin).orElseThrow();
        return new FeedFixes(node, Builds.CATALOG)
                .of(placed, supply).stream().map(Fix::id).toList();
    }

    @Test
    void aRailWithoutRoomIsNotOffered() {
        // The reader's 100 mA do not fit the board's 50 mA rail. What hangs on the board's own supply goes on and off
        // with
        // it, and comes before a supply that need not.
        assertEquals(
                List.of("add-regulator-linear-3v3", "add-regulator-small-3v3", "add-regulator-down-3v3"),
                ids(Builds.classic().part("reader", "tag-reader-spi"), "reader", "3.3V"));
    }

    /** (8.4 V − 3.25 V) · 180 mA + 8.4 V · 10 mA = 1.01 W at 90 °C/W: 131 °C of 125 °C; at 160 mA 122 °C. */
    @Test
    void aLinearRegulatorThatWouldGetTooHotIsNotOffered() {
        Builds pack = Builds.on("chip-28pin")
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("net", "network-wired");
        String linear = "add-regulator-linear-3v3";
        assertFalse(ids(pack, "net", "VCC").contains(linear));
        pack.figure("net", "current/VCC/active", "160 mA");
        assertTrue(ids(pack, "net", "VCC").contains(linear));
        pack.setting("board", "ambient", "50 °C");
        assertFalse(ids(pack, "net", "VCC").contains(linear));
    }

    @Test
    void whatACellGivesIsSteppedUpBehindItsChargerToo() {
        // The detector works from 4.5 V; a cell has 3.0 to 4.2 V, and its charger passes them on.
        Builds trap = Builds.on("board-dual-core-3v3")
                .boardUnfed()
                .part("cell", "battery-lithium")
                .part("charger", "charger-lithium", "B+=cell.+")
                .boardOnly("VSYS", "charger.OUT+")
                .part("warm", "motion-detector");
        assertEquals("add-regulator-up", ids(trap, "warm", "VCC").get(0));
        // Nobody steps up what a regulator has stepped down.
        Builds wall = Builds.classic()
                .part("down", "regulator-linear-3v3", "IN=usb.5V")
                .part("warm", "motion-detector");
        assertFalse(ids(wall, "warm", "VCC").contains("add-regulator-up"));
    }

    /** Where one rail has too many volts for it, another one feeds it. */
    @Test
    void aLinearRegulatorTakesWhatKeepsItCool() {
        NodeCircuit node = Builds.classic()
                .part("pack", "battery-lithium-two")
                .part("net", "network-wired")
                .circuit();
        Placed net = node.part("net").orElseThrow();
        Fix fix = new FeedFixes(node, Builds.CATALOG)
                .of(net, net.cls().supply("VCC").orElseThrow()).stream()
                        .filter(way -> way.id().equals("add-regulator-linear-3v3"))
                        .findFirst()
                        .orElseThrow();
        assertEquals(
                "board.5V",
                ((AddPart) fix.edits().get(0)).part().feeds().get("IN").toString());
    }

    @Test
    void whatHasSignalsOfItsOwnIsNotBoughtForItsRail() {
        // The controller of a motor has a rail of 5 V as well.
        assertTrue(Builds.CATALOG.get("speed-controller").outputs().size() == 1);
        List<String> ids = ids(Builds.on("board-classic-3v3").part("level", "water-level"), "level", "+");
        assertFalse(ids.contains("add-speed-controller"), ids.toString());
    }

    @Test
    void theRailWithMostRoomComesFirst() {
        List<String> ids = ids(
                Builds.classic()
                        .part("reg", "regulator-linear-3v3", "IN=board.5V")
                        .part("radio", "packet-radio"),
                "radio",
                "VCC");
        assertEquals("feed-VCC-from-reg.OUT", ids.get(0), "800 mA of room");
        assertEquals("feed-VCC-from-board.3V3", ids.get(1), "50 mA of room");
    }

    @Test
    void aPartIsNotFedFromItself() {
        List<String> ids = ids(Builds.classic().part("driver", "servo-driver-16"), "driver", "V+");
        assertFalse(ids.contains("feed-V+-from-driver.V+OUT"));
        assertTrue(ids.contains("feed-V+-from-usb.5V") || ids.contains("feed-V+-from-board.5V"));
    }

    // The radio works from 1.9 V to 3.6 V.
    @ParameterizedTest(name = "{0} to {1} V: {2}")
    @CsvSource({"1.9, 3.6, true", "3.2, 3.4, true", "1.8, 3.3, false", "3.3, 3.7, false", "4.75, 5.25, false"})
    void theWholeRangeMustFit(double low, double high, boolean fits) {
        Supply supply = Builds.CATALOG.get("packet-radio").supply("VCC").orElseThrow();
        assertEquals(fits, FeedFixes.fits(Range.between(Voltage.ofVolts(low), Voltage.ofVolts(high)), supply));
    }

    @Test
    void railsAndPinsHaveNames() {
        NodeCircuit node = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .circuit();
        assertEquals(
                "rail.of_board", RailNames.of(node, new Endpoint("board", "5V")).key());
        assertEquals(
                "rail.of_part", RailNames.of(node, new Endpoint("reg", "OUT")).key());
        assertEquals(
                "pin.of_board", PinNames.of(node, new Endpoint("board", "D4")).key());
        assertEquals("pin", PinNames.of(node, new Endpoint("reg", "IN")).key());
        assertEquals("part", PinNames.of(node, new Endpoint("reg", "")).key());
    }

    @Test
    void theRailOfTheBoardsOwnPinsComesFirst() {
        Builds build = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("clock", "clock-memory");
        assertEquals("feed-VCC-from-board.5V", ids(build, "clock", "VCC").get(0));
        Builds dual = Builds.dualCore().part("bench", "wall-supply-5v").part("clock", "clock-memory");
        assertEquals("feed-VCC-from-board.3V3", ids(dual, "clock", "VCC").get(0));
    }

    @Test
    void aCellIsSteppedUpAndARegulatedRailIsNot() {
        Builds cell = Builds.dualCore()
                .part("cell", "battery-aa-3")
                .boardOnly("VSYS", "cell.+")
                .part("view", "display-4x20-i2c");
        assertTrue(
                ids(cell, "view", "VCC").contains("add-regulator-up"),
                ids(cell, "view", "VCC").toString());
        Builds port = Builds.dualCore().part("view", "display-4x20-i2c");
        assertFalse(
                ids(port, "view", "VCC").contains("add-regulator-up"),
                ids(port, "view", "VCC").toString());
    }

    @Test
    void whatAModemIsFedFromIsNotTheFirstForADisplay() {
        Builds build = Builds.classic().part("screen", "display-colour");
        assertFalse(
                ids(build, "screen", "VCC").contains("add-wall-supply-4v"),
                ids(build, "screen", "VCC").toString());
    }
}
