package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A table that was only written down is fed as its builder would. */
class FeedTableTest {
    private static String fed(Builds table) {
        return FeedTable.of(Circuit.of(table.build(), Builds.CATALOG), Builds.NODE).stream()
                .map(feed -> feed.part() + "." + feed.pin() + "<" + feed.rail())
                .collect(Collectors.joining(" "));
    }

    /** 12 V in, 5 V for the board, its own 3.3 V for what is read. */
    @Test
    void aChainIsFedFromItsSourceOn() {
        Builds table = Builds.on("board-wireless-3v3")
                .boardUnfed()
                .part("water", "temperature-water")
                .part("down", "regulator-down")
                .part("wall", "wall-supply-12v");
        assertEquals("board.VIN<down.OUT+ down.IN+<wall.+ water.VDD<board.3V3", fed(table));
    }

    @Test
    void nothingIsToBeDoneWhereAllIsFed() {
        assertEquals("", fed(Builds.classic().part("radio", "packet-radio", "VCC=board.3V3")));
    }

    /** A rail that a wire names comes before the one that suits best: the builder has said it. */
    @Test
    void whatAWireSaysIsFedSo() {
        Builds table = Builds.classic()
                .part("air", "climate-wire")
                .part("soil", "soil-moisture")
                .wire("air.VCC", "board.3V3");
        assertEquals("air.VCC<board.3V3 soil.VCC<board.5V", fed(table));
    }

    /** Whoever puts a fuse and a switch on the table wants all behind them. */
    @Test
    void allIsFedThroughWhatStandsInTheLine() {
        Builds table = Builds.on("board-small-5v")
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("down", "regulator-servo")
                .part("fuse", "fuse")
                .part("off", "switch-supply")
                .part("arm", "servo-micro");
        String fed = fed(table);
        assertTrue(fed.startsWith("fuse.IN<pack.+ off.IN<fuse.OUT "), fed);
        assertTrue(fed.contains("down.IN+<off.OUT"), fed);
        assertEquals(1, fed.split("<pack").length - 1, fed);
    }

    /** Nothing is bought: what nothing suits stays as it is. */
    @Test
    void whatNoRailSuitsIsLeft() {
        assertEquals(
                "radio.VCC<board.3V3",
                fed(Builds.classic().part("modem", "text-modem").part("radio", "packet-radio")));
    }

    private static Builds overloaded(String peak) {
        return Builds.on("board-small-5v")
                .part("strip", "led-strip-60", "V+=board.5V")
                .part("walker", "motion-detector")
                .figure("walker", "current/VCC/active", peak);
    }

    /** The strip is what has to move: a tenth of 500 mA is nothing beside its 3.6 A. */
    @ParameterizedTest
    @CsvSource({"0.1 mA, walker.VCC<board.5V", "50 mA, walker.VCC<board.5V", "51 mA, ''"})
    void whatIsNextToNothingHangsOnARailThatIsOverAsItIs(String peak, String fed) {
        assertEquals(fed, fed(overloaded(peak)));
        List<String> ways = overloaded(peak).findings("parts.no_supply").get(0).fixes().stream()
                .map(Fix::id)
                .toList();
        assertEquals(!fed.isEmpty(), ways.get(0).equals("feed-VCC-from-board.5V"), () -> "" + ways);
    }

    /** What has room comes first. */
    @Test
    void aRailWithRoomComesBeforeOneThatIsOver() {
        assertEquals("walker.VCC<wall.+", fed(overloaded("1 mA").part("wall", "wall-supply-5v")));
    }

    /** A servo's supply is its own, where there is one; the small one that feeds the board too is not. */
    @Test
    void motorsAreFedApart() {
        assertEquals("", fed(Builds.classic().part("arm", "servo-micro")));
        assertEquals(
                "arm.V+<wall.+", fed(Builds.classic().part("arm", "servo-micro").part("wall", "wall-supply-6v")));
    }

    /** 12 V ± 5 % are up to 12.6 V, and the board's socket is made for 12 V; a sagging cell it may have. */
    @Test
    void theBoardIsNeverFedAboveWhatItWorksAt() {
        assertEquals("", fed(Builds.classic().boardUnfed().part("wall", "wall-supply-12v")));
        assertEquals(
                "board.RAW<pack.+",
                fed(Builds.on("board-native-usb").boardUnfed().part("pack", "battery-lithium-two")));
    }

    /** A vehicle has one pack: its motors hang on it beside the board's regulator. */
    @Test
    void aMotorSharesThePackOfItsVehicle() {
        Builds boat = Builds.on("board-native-usb")
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("down", "regulator-down", "IN+=pack.+")
                .boardOnly("VCC", "down.OUT+")
                .part("screw", "speed-controller");
        assertEquals("screw.V+<pack.+", fed(boat));
        assertEquals("screw.V+<own.+", fed(boat.part("own", "battery-lithium-two")), "one of its own goes before that");
    }

    /** The board that is to switch a fan comes before the fan, which then hangs on its screw. */
    @Test
    void aLoadHangsOnTheBoardThatSwitchesIt() {
        Builds tank = Builds.on("board-wireless-3v3")
                .boardUnfed()
                .part("wall", "wall-supply-12v")
                .part("down", "regulator-down", "IN+=wall.+")
                .boardOnly("VIN", "down.OUT+")
                .part("sw", "switch-transistor")
                .part("fan", "fan-12v");
        assertEquals("sw.V+<wall.+ fan.V+<sw.OUT+", fed(tank));
        // What the board stands for until then leaves the others their room.
        assertEquals("sw.V+<wall.+ fan.V+<sw.OUT+ water.VDD<board.3V3", fed(tank.part("water", "temperature-water")));
    }

    /** 2 A: two valves of 450 mA and a regulator are 1.2 A at the most, though each board stands for 2 A until it has its valve. */
    @Test
    void aBoardAndItsLoadAreFedTogether() {
        Builds garden = Builds.on("chip-40pin")
                .boardUnfed()
                .part("wall", "wall-supply-12v")
                .part("reg", "regulator-linear-5v", "IN=wall.+")
                .boardOnly("VCC", "reg.OUT")
                .part("v1", "valve-12v")
                .part("v2", "valve-12v")
                .part("q1", "switch-transistor")
                .part("q2", "switch-transistor");
        assertEquals("q1.V+<wall.+ v1.V+<q1.OUT+ q2.V+<wall.+ v2.V+<q2.OUT+", fed(garden));
        // 0.8 A bear one of them beside the regulator, and the other is left with its board.
        assertEquals("q1.V+<wall.+ v1.V+<q1.OUT+", fed(garden.figure("wall", "rail/+/rating", "0.8 A")));
    }

    /** The pin that its builder named, though the rail is not there, goes before the other ways into a board. */
    @Test
    void thePinThatWasNamedIsTheOneThatIsFed() {
        assertEquals(
                "board.5V<wall.+",
                fed(Builds.on("computer-40pin")
                        .boardUnfed()
                        .part("wall", "wall-supply-5v-strong")
                        .boardOnly("5V", "wall.OUT")));
    }

    /** The fuse is next to the cell, the charger behind it, the switch behind that, and the board at the end of all. */
    @ParameterizedTest
    @CsvSource({
        "button, chg.B+<cell.+ board.VSYS<chg.OUT+",
        "fuse, x.IN<cell.+ chg.B+<x.OUT board.VSYS<chg.OUT+",
        "switch-supply, chg.B+<cell.+ x.IN<chg.OUT+ board.VSYS<x.OUT"
    })
    void whatACellFeedsHangsOnItsCharger(String line, String fed) {
        assertEquals(
                fed,
                fed(Builds.on("board-dual-core-3v3")
                        .boardUnfed()
                        .part("x", line)
                        .part("cell", "battery-lithium")
                        .part("chg", "charger-up")));
    }

    /** Both would do for the regulator; what a charger guards is taken behind it. */
    @Test
    void aRegulatorHangsOnTheChargerToo() {
        assertEquals(
                "chg.B+<cell.+ board.3V3<reg.OUT reg.IN<chg.OUT+",
                fed(Builds.on("board-wireless-3v3")
                        .boardUnfed()
                        .part("reg", "regulator-small-3v3")
                        .part("cell", "battery-lithium")
                        .part("chg", "charger-lithium")));
    }

    /** The lamp of 0.48 A hangs on the supply as it is, if not on its switch yet: no 2 A more are to be kept for it. */
    @ParameterizedTest
    @CsvSource({"true, q.V+<wall.+", "false, ''"})
    void aSwitchBoardIsFedForALoadThatIsFedAndNotWiredToItYet(boolean isThere, String fed) {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .figure("wall", "rail/+/rating", "1 A")
                .part("q", "switch-transistor");
        assertEquals(fed, fed(isThere ? table.part("lamp", "lamp-strip-12v", "V+=wall.+") : table));
        // Of two boards one is for the lamp, and the other stands for what is not there.
        assertEquals(fed, fed(table.part("spare", "switch-transistor")));
    }

    /** Its builder named the supply, if not its rail; 12 V are too much for a relay of 5 V, and the name does not count then. */
    @ParameterizedTest
    @CsvSource({"fan-12v, V+, wall.OUT, fan.V+<wall.+", "relay-one, VCC, wall.OUT, fan.VCC<board.5V"})
    void theOnlyRailOfASupplyThatWasNamedIsMeant(String cls, String pin, String named, String fed) {
        assertEquals(fed, fed(Builds.classic().part("wall", "wall-supply-12v").part("fan", cls, pin + "=" + named)));
    }

    /** What is to be measured is a battery where there is one, else what comes in; never first what the board makes of it. */
    @ParameterizedTest
    @CsvSource({
        "battery-9v, volts.VIN<source.+",
        "battery-lithium-two, volts.VIN<source.+",
        "wall-supply-12v, volts.VIN<source.+",
        "button, volts.VIN<usb.5V"
    })
    void aBatteryIsWhatIsMeasured(String source, String fed) {
        assertEquals(fed, fed(Builds.classic().part("volts", "voltage-sensor").part("source", source)));
    }

    /** 2 A of strip and 2 A of modem do not both go on a supply of 3 A. */
    @Test
    void noRailIsAskedForMoreThanItGives() throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-4v")
                .part("one", "text-modem")
                .part("two", "text-modem");
        assertEquals("one.VCC<wall.+", fed(table).split(" two")[0]);
        Circuit circuit = Circuit.of(table.build(), Builds.CATALOG);
        Build after = Edit.applyAll(table.build(), FeedTable.of(circuit, Builds.NODE));
        assertTrue(Circuit.of(after, Builds.CATALOG).nodes().get(0).rails().stream()
                .noneMatch(inkel.core.circuit.Rail::isOver));
    }

    /** 750 mA each on 1.6 A: two of them are 1.5 A, and the third is left to its builder, however often it is looked. */
    @Test
    void asManyAsARailBearsAreFed() {
        Builds table = Builds.classic()
                .part("bench", "bench-supply")
                .figure("bench", "rail/+/rating", "1.6 A")
                .part("one", "servo-micro")
                .part("two", "servo-micro")
                .part("three", "servo-micro");
        assertEquals("one.V+<bench.+ two.V+<bench.+", fed(table));
    }

    private static Optional<Fix> offered(Builds table) {
        return table.findings("parts.no_supply").stream()
                .map(Finding::fixes)
                .flatMap(List::stream)
                .filter(fix -> fix.id().equals("feed-all"))
                .findFirst();
    }

    /** All at once is a way out of each, unless there is but one, or a rail suits only as long as nothing sags. */
    @Test
    void allAtOnceIsOfferedWhereThereIsMoreThanOne() throws Exception {
        Builds two = Builds.classic().part("radio", "packet-radio").part("air", "climate-i2c");
        Fix all = offered(two).orElseThrow();
        assertEquals(
                List.of("radio", "air"),
                all.edits().stream().map(edit -> ((Feed) edit).part()).toList());
        assertEquals(
                List.of(),
                Builds.of(
                        inkel.core.checks.Assessment.assess(all.apply(two.build()), Builds.CATALOG),
                        "parts.no_supply"));
        assertEquals(Optional.empty(), offered(Builds.classic().part("radio", "packet-radio")));
        // A screw has no volts before its board has; what it will have counts.
        Builds screw = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("sw", "switch-transistor")
                .part("fan", "fan-12v");
        assertEquals(2, offered(screw).orElseThrow().edits().size());
        Builds sagging = Builds.on("board-small-5v")
                .part("usb", "usb-port")
                .boardOnly("USB", "usb.5V")
                .part("one", "display-4x20-i2c")
                .part("two", "display-4x20-i2c");
        assertEquals("one.VCC<board.5V two.VCC<board.5V", fed(sagging));
        assertEquals(Optional.empty(), offered(sagging));
    }

    /** 1 A of 9 V: a bolt of 1 A would leave nothing for the board and what it reads, so it is left for a supply of its own. */
    @Test
    void whatIsSwitchedIsLeftWhereItWouldTakeAll() {
        Builds table = Builds.on("board-big-5v")
                .boardUnfed()
                .part("wall", "wall-supply-9v")
                .part("rtc", "clock-memory")
                .part("screen", "display-4x20-i2c")
                .part("switch", "switch-transistor")
                .part("bolt", "solenoid");
        assertEquals("board.VIN<wall.+ rtc.VCC<board.5V screen.VCC<board.5V", fed(table));
        Builds strong = Builds.on("board-big-5v")
                .boardUnfed()
                .part("wall", "wall-supply-9v")
                .figure("wall", "rail/+/rating", "3 A")
                .part("rtc", "clock-memory")
                .part("screen", "display-4x20-i2c")
                .part("switch", "switch-transistor")
                .part("bolt", "solenoid");
        assertEquals(
                "board.VIN<wall.+ switch.V+<wall.+ bolt.V+<switch.OUT+ rtc.VCC<board.5V screen.VCC<board.5V",
                fed(strong));
    }
}
