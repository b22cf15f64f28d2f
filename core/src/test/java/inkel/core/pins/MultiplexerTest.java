package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Buses behind a multiplexer: what hears what, and what its own bus has to carry. */
class MultiplexerTest {
    /** Two laser rangers that only answer to 0x29, on two ways of a multiplexer or one before it. */
    private static Builds rangers(String first, String second) {
        return Builds.dualCore()
                .part("mux", "i2c-multiplexer", "VIN=board.3V3")
                .part("one", "distance-laser", "VIN=board.3V3")
                .part("two", "distance-laser", "VIN=board.3V3")
                .wire("mux.SDA", "board.GP4")
                .wire("mux.SCL", "board.GP5")
                .wire("one.SDA", first)
                .wire("two.SDA", second);
    }

    @Test
    void partsOnTwoWaysDoNotHearEachOther() {
        assertEquals(List.of(), rangers("mux.SD0", "mux.SD1").findings("i2c.address_clash"));
    }

    @Test
    void partsOnOneWayDo() {
        assertEquals(
                1, rangers("mux.SD0", "mux.SD0").findings("i2c.address_clash").size());
    }

    @Test
    void aPartBehindHearsWhatGoesOnBefore() {
        assertEquals(
                1, rangers("mux.SD0", "board.GP4").findings("i2c.address_clash").size());
    }

    @Test
    void theBusBeforeCarriesThePollsOfThoseBehind() {
        PinReport report = PinReport.of(
                inkel.core.circuit.Circuit.of(rangers("mux.SD0", "mux.SD1").build(), Builds.CATALOG));
        I2cBus before = report.i2cBuses().stream()
                .filter(bus -> bus.line().part().equals("board"))
                .findFirst()
                .orElseThrow();
        // Each: 4 bytes and the address, nine clocks each, and two more: 47 clocks, thirty times a second at 100 kHz.
        assertEquals(2 * 47 * 30 / 100_000.0, before.use().ratio(), 1e-12);
    }

    @Test
    void thePlannerPutsRivalsOnDifferentWays() {
        Builds build = Builds.classic().part("mux", "i2c-multiplexer", "VIN=board.5V");
        for (int i = 0; i < 4; i++) {
            build.part("ranger-" + i, "distance-laser", "VIN=board.5V").setting("ranger-" + i, "bus", "hardware");
        }
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
        assertTrue(plan.placed());
        List<String> lines = plan.wires().stream()
                .filter(wire -> wire.from().pin().equals("SDA"))
                .filter(wire -> wire.from().part().startsWith("ranger"))
                .map(wire -> wire.to().toString())
                .toList();
        assertEquals(4, lines.stream().distinct().count(), lines.toString());
        assertTrue(lines.stream().allMatch(line -> line.startsWith("mux.")), "the board's own bus is heard by all");
    }

    @Test
    void oneIsOfferedWhereAddressesRunOut() {
        Builds build = Builds.classic();
        for (int i = 0; i < 2; i++) {
            build.part("ranger-" + i, "distance-laser", "VIN=board.5V").setting("ranger-" + i, "bus", "hardware");
        }
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
        assertTrue(plan.waysOut().stream().map(Fix::id).toList().contains("add-i2c-multiplexer"));
    }

    private static final String CLASH = "i2c.address_clash";

    private static Builds lasers(Builds board, int count, String rail, String sda, String scl) {
        for (int i = 0; i < count; i++) {
            board.part("l" + i, "distance-laser", "VIN=board." + rail)
                    .wire("l" + i + ".SDA", sda)
                    .wire("l" + i + ".SCL", scl);
        }
        return board;
    }

    private static Map<String, String> dataLines(Build build) {
        Map<String, String> at = new TreeMap<>();
        build.nodes().get(0).wires().stream()
                .filter(wire -> wire.from().pin().equals("SDA"))
                .forEach(wire -> at.put(wire.from().part(), wire.to().toString()));
        return at;
    }

    /** The board has a second block: GP6 and GP7 are its usual pins. */
    @Test
    void theSecondOfTwoGoesToTheOtherBusOfItsBoard() throws Exception {
        Builds build = lasers(Builds.dualCore(), 2, "3V3", "board.GP4", "board.GP5");
        Finding finding = RuleKit.firesAt(build, CLASH, "l1");
        assertEquals("own-bus", finding.fixes().get(0).id());
        assertEquals(
                "{l0=board.GP4, l1=board.GP6}",
                dataLines(finding.fixes().get(0).apply(build.build())).toString());
        RuleKit.everyWayOut(build, CLASH);
    }

    /** Any pin of this board reaches either of its two blocks. */
    @Test
    void aRoutedBusIsOneOfAsManyAsThereAreBlocks() throws Exception {
        Builds two = lasers(Builds.on("board-wireless-3v3"), 2, "3V3", "board.D21", "board.D22");
        assertEquals("own-bus", RuleKit.fires(two, CLASH).fixes().get(0).id());
        RuleKit.everyWayOut(two, CLASH);
        Builds three = lasers(Builds.on("board-wireless-3v3"), 3, "3V3", "board.D21", "board.D22");
        assertEquals(
                "add-i2c-multiplexer",
                RuleKit.fires(three, CLASH).fixes().get(0).id());
    }

    /** Three of them on two blocks want a multiplexer, behind which all must be: what is before it is heard behind it. */
    @Test
    void threeGoBehindAMultiplexerThatComes() throws Exception {
        Builds build = lasers(Builds.dualCore(), 3, "3V3", "board.GP4", "board.GP5");
        Finding finding = RuleKit.fires(build, CLASH);
        assertEquals("i2c.address_clash.several", finding.sentence().key());
        assertEquals(List.of("l0", "l1", "l2"), finding.sentence().values().get("parts"));
        assertEquals(2, finding.places().size(), "the first may stay");
        assertEquals(
                List.of("add-i2c-multiplexer", "leave-out"),
                finding.fixes().stream().map(Fix::id).toList());
        Map<String, String> at = dataLines(finding.fixes().get(0).apply(build.build()));
        assertEquals(
                "{i2c-multiplexer=board.GP4, l0=i2c-multiplexer.SD0, l1=i2c-multiplexer.SD1, l2=i2c-multiplexer.SD2}",
                at.toString());
        RuleKit.everyWayOut(build, CLASH);
    }

    /** On a board with one block the one that is there is taken. */
    @Test
    void theMultiplexerOfTheTableIsTakenFirst() throws Exception {
        Builds build = lasers(
                Builds.classic()
                        .part("mux", "i2c-multiplexer", "VIN=board.5V")
                        .wire("mux.SDA", "board.A4")
                        .wire("mux.SCL", "board.A5"),
                2,
                "5V",
                "board.A4",
                "board.A5");
        Finding finding = RuleKit.firesAt(build, CLASH, "l1");
        assertEquals(
                List.of("behind", "leave-out-l1"),
                finding.fixes().stream().map(Fix::id).toList());
        assertEquals(
                "{l0=mux.SD0, l1=mux.SD1, mux=board.A4}",
                dataLines(finding.fixes().get(0).apply(build.build())).toString());
        RuleKit.everyWayOut(build, CLASH);
    }

    /** Three with straps get an address each, the lowest that are free. */
    @Test
    void severalWithStrapsGetAnAddressEach() throws Exception {
        Builds build = Builds.classic();
        for (String id : List.of("one", "two", "three")) {
            build.part(id, "display-4x20-i2c", "VCC=board.5V")
                    .wire(id + ".SDA", "board.A4")
                    .wire(id + ".SCL", "board.A5");
        }
        Finding finding = RuleKit.fires(build, CLASH);
        assertEquals(
                List.of("straps", "leave-out"),
                finding.fixes().stream().map(Fix::id).toList());
        Build set = finding.fixes().get(0).apply(build.build());
        assertEquals(
                "{one=null, two=0x20, three=0x21}",
                set.nodes().get(0).parts().stream()
                        .filter(part -> part.classId().equals("display-4x20-i2c"))
                        .map(part -> part.id() + "=" + part.settings().get("address"))
                        .toList()
                        .toString()
                        .replace('[', '{')
                        .replace(']', '}'));
        RuleKit.everyWayOut(build, CLASH);
    }

    /** What has straps is set by them, as before. */
    @Test
    void strapsComeBeforeAnotherBus() {
        Builds build = Builds.dualCore()
                .part("one", "display-4x20-i2c", "VCC=board.VBUS")
                .part("two", "display-4x20-i2c", "VCC=board.VBUS")
                .wire("one.SDA", "board.GP4")
                .wire("one.SCL", "board.GP5")
                .wire("two.SDA", "board.GP4")
                .wire("two.SCL", "board.GP5");
        assertEquals(
                List.of("strap-two-0x20", "strap-one-0x20", "leave-out-two"),
                RuleKit.fires(build, CLASH).fixes().stream().map(Fix::id).toList());
    }
}
