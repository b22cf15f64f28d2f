package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Pull-ups that lift a wire too high. A clock pulls by 4.7 kΩ to at most 5.25 V, a sensor by 10 kΩ to at most 3.4 V: together
 * (5.25/4.7 + 3.4/10) / (1/4.7 + 1/10) = 4.658 V.
 */
class PullupHarmsTest {
    private static final String CODE = "levels.pullup_harms";

    /** A clock on the bus of a 5 V board, with a sensor of 3.3 V beside it. */
    private static Builds bus(String clockFeed, String sensor) {
        return Builds.classic()
                .part("clock", "clock-memory", "VCC=" + clockFeed)
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .part("sensor", sensor, "VCC=board.3V3")
                .wire("sensor.SDA", "board.A4")
                .wire("sensor.SCL", "board.A5");
    }

    private static List<String> ways(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void bothWiresOfOneCauseAreToldOnce() throws Exception {
        Finding stop = RuleKit.firesAt(bus("board.5V", "pressure"), CODE, "sensor.SDA");
        assertEquals(Severity.STOP, stop.severity());
        assertEquals(4.658, RuleKit.si(stop, "highest_output"), 0.001);
        // The sensor bears 0.3 V above its supply, 3.2 V at least.
        assertEquals(3.5, RuleKit.si(stop, "tolerated"), 1e-9);
        assertEquals(1.158, RuleKit.si(stop, "too_much_by"), 0.001);
        RuleKit.everyWayOut(bus("board.5V", "pressure"), CODE);
    }

    /** 4.7 kΩ to 5.25 V beside the wire and 10 kΩ to 3.4 V on the sensor: 4.658 V, as with a clock that brings them. */
    @Test
    void aResistorBesideTheWireIsTakenOut() throws Exception {
        Builds alone = Builds.classic()
                .part("sensor", "pressure", "VCC=board.3V3")
                .wire("sensor.SDA", "board.A4")
                .wire("sensor.SCL", "board.A5");
        RuleKit.quiet(alone, CODE);
        Builds pulled =
                alone.between(new Between.PulledUp(Builds.end("sensor.SDA"), Resistance.ofOhms(4700), Extras.NONE));
        Finding stop = RuleKit.firesAt(pulled, CODE, "sensor.SDA");
        assertEquals(4.658, RuleKit.si(stop, "highest_output"), 0.001);
        assertEquals("take-out", ways(stop).get(0));
        RuleKit.everyWayOut(pulled, CODE);
    }

    /**
     * A motion unit makes 3.3 V of 5 V for itself and bears 3.8 V, so that no shifter can stand before it as it is fed. Its
     * 4.7 kΩ to 3.3 V and one of 4.7 kΩ to 5.25 V make 4.28 V, two of them 4.6 V.
     */
    @Test
    void whatMakesItsOwnLowerVoltsRunsFromThemBehindAShifter() throws Exception {
        Builds one = Builds.classic()
                .part("lcd", "display-4x20-i2c", "VCC=board.5V")
                .wire("lcd.SDA", "board.A4")
                .wire("lcd.SCL", "board.A5")
                .part("unit", "motion-unit", "VCC=board.5V")
                .wire("unit.SDA", "board.A4")
                .wire("unit.SCL", "board.A5");
        Finding look = RuleKit.firesAt(one, CODE, "unit.SDA");
        assertEquals(4.275, RuleKit.si(look, "highest_output"), 0.001);
        Fix first = look.fixes().get(0);
        assertEquals("run-and-shift", first.id());
        assertEquals(
                new Feed(Builds.NODE, "unit", "VCC", Builds.end("board.3V3")),
                first.edits().get(0));
        assertEquals(
                List.of("unit.SDA", "unit.SCL"),
                first.edits().stream()
                        .filter(Insert.class::isInstance)
                        .map(edit -> ((Insert) edit).between().signal().toString())
                        .toList());
        RuleKit.everyWayOut(one, CODE);
        // With a second one that pulls up, cutting off the first's is not enough.
        Builds two = one.part("clock", "clock-memory", "VCC=board.5V")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5");
        Finding stop = RuleKit.firesAt(two, CODE, "unit.SDA");
        assertEquals(Severity.STOP, stop.severity());
        assertEquals(List.of("run-and-shift"), ways(stop));
        RuleKit.everyWayOut(two, CODE);
    }

    @Test
    void pulledToTheSensorsOwnSupplyAllIsWell() {
        RuleKit.quiet(bus("board.3V3", "pressure"), CODE);
    }

    @Test
    void aModulesPullUpsCanBeCutOffAndTheSensorsOwnGoOn() throws Exception {
        Finding stop = RuleKit.fires(bus("board.5V", "pressure"), CODE);
        // Without them the board reads the sensor with little to spare, so the way that leaves nothing comes first.
        assertEquals(List.of("module-shift", "pull-ups-off-clock", "shift-new"), ways(stop));
        RuleKit.everyWayOut(bus("board.5V", "pressure"), CODE);
        Fix off = stop.fixes().get(1);
        assertEquals("fix.pull_ups_off.cost", off.cost().key());
        Build after = off.apply(bus("board.5V", "pressure").build());
        assertEquals(1, off.edits().size(), "the sensor has a pair of its own");
        assertEquals(
                List.of(),
                LevelReport.of(Circuit.of(after, Builds.CATALOG)).links().stream()
                        .filter(link -> link.check().verdict() == Verdict.HARMS)
                        .toList());
    }

    @Test
    void whereNoneIsLeftAPairIsAdded() throws Exception {
        // A sensor whose own pull-ups were taken off before.
        Builds bare = bus("board.5V", "pressure").setting("sensor", "pull_ups", "off");
        Finding stop = RuleKit.fires(bare, CODE);
        assertEquals(List.of("module-shift", "pull-ups-off-clock", "shift-new"), ways(stop));
        RuleKit.everyWayOut(bare, CODE);
    }

    @Test
    void whatTheBoardItselfPullsOrHearsIsNotCutOff() throws Exception {
        // The board's own 10 kΩ to 5 V cannot be cut off, and what it cannot bear itself is mended at its own supply.
        Builds onBoard = Builds.powered(Builds.CATALOG.get("board-big-5v"))
                .part("sensor", "pressure", "VCC=board.3V3")
                .wire("sensor.SDA", "board.D20")
                .wire("sensor.SCL", "board.D21");
        Finding byBoard = RuleKit.fires(onBoard, CODE);
        assertTrue(
                ways(byBoard).stream().noneMatch(id -> id.startsWith("pull-ups-off")),
                ways(byBoard).toString());
        Builds heard = Builds.on("board-single-core-3v3")
                .part("hall", "hall-switch", "VCC=usb.5V")
                .wire("hall.OUT", "board.D5");
        assertEquals(List.of("run-at-other-supply", "divide", "shift-new"), ways(RuleKit.fires(heard, CODE)));
    }
}
