package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Grounds that large currents lift. A jumper of 26 AWG has d = 0.127 mm · 92^(10/39) = 0.4049 mm, 0.12876 mm², so that 0.2 m
 * of it have 1.724e-8 · 0.2 / 0.12876e-6 = 26.78 mΩ; with two contacts of 15 mΩ a ground wire has 56.78 mΩ.
 */
class GroundLiftTest {
    private static final double WIRE = 0.05678;

    private static double above(Builds builds, String one, String other) {
        return builds.circuit().grounds().above(one, other).volts();
    }

    /** A servo of 750 mA and a sensor, both from the board's 5 V. */
    private static Builds onTheBoard() {
        return Builds.classic().part("servo", "servo-micro", "V+=board.5V").part("level", "water-level", "+=board.5V");
    }

    @Test
    void whatComesBackOverTheBoardsWireLiftsTheRowAndAllThatHangsOnIt() {
        // 750 mA over the board's three ground pins beside each other, or over as many wires as it has.
        long grounds = Builds.CATALOG.get("board-classic-5v").pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND && pin.isWanted())
                .count();
        double row = 0.75 * WIRE / grounds;
        assertEquals(row, above(onTheBoard(), "level", "board"), 1e-5);
        assertEquals(row + 0.75 * WIRE, above(onTheBoard(), "servo", "board"), 1e-5);
        assertEquals(0.75 * WIRE, above(onTheBoard(), "servo", "level"), 1e-5);
        assertEquals(0, above(onTheBoard(), "board", "servo"), 1e-9);
    }

    @Test
    void aSupplyOfItsOwnKeepsTheCurrentOffTheBoardsWire() {
        Builds apart = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=bench.+")
                .part("level", "water-level", "+=board.5V");
        assertEquals(0, above(apart, "level", "board"), 1e-9);
        assertEquals(0.75 * WIRE, above(apart, "servo", "board"), 1e-5);
        // The supply's own ground goes below the row by as much.
        assertEquals(2 * 0.75 * WIRE, above(apart, "servo", "bench"), 1e-5);
    }

    @Test
    void aWayBackOfItsOwnLiftsOnlyThePartItself() {
        Builds star = onTheBoard().setting("servo", "ground", "own");
        assertEquals(0, above(star, "level", "board"), 1e-9);
        assertEquals(0.75 * WIRE, above(star, "servo", "board"), 1e-5);
    }

    /** Four servos ride on a driver, whose wire carries all that they take. */
    private static Builds onADriver() {
        Builds builds = Builds.classic()
                .part("bench", "bench-supply")
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=bench.+");
        for (int i = 0; i < 4; i++) {
            builds.part("servo-" + i, "servo-micro", "V+=driver.V+OUT");
        }
        return builds.wire("driver.SDA", "board.A4").wire("driver.SCL", "board.A5");
    }

    @Test
    void whatRidesOnADriverComesBackOverItsWire() {
        assertEquals(3 * WIRE, above(onADriver(), "driver", "board"), 1e-4);
        assertEquals(3 * WIRE + 0.75 * WIRE, above(onADriver(), "servo-0", "board"), 1e-4);
    }

    @Test
    void whereTheSupplysGroundGoesToTheDriverTheRowIsLeftInPeace() {
        assertEquals(0, above(onADriver().setting("driver", "ground", "own"), "driver", "board"), 1e-4);
    }

    @Test
    void solderedThickWiresLiftLess() {
        // 16 AWG: 1.3087 mm², 2.635 mΩ, and no contacts.
        Builds thick = onADriver().setting("driver", "gauge", "16").habit(Habit.JOINTS, Settings.Contact.SOLDER);
        assertEquals(3 * 0.002635, above(thick, "driver", "board"), 1e-4);
    }

    @Test
    void whatNeverMeetsIsNotAddedUp() {
        Builds moments = Builds.classic()
                .part("bench", "bench-supply")
                .part("one", "servo-micro", "V+=bench.+")
                .part("level", "water-level", "+=board.5V");
        double alone = above(moments, "bench", "board");
        assertEquals(0, alone, 1e-9, "a supply is below, never above");
        assertEquals(0.75 * WIRE, above(moments, "board", "bench"), 1e-5);
    }

    @Test
    void groundsThatAreKeptApartAreNotCompared() {
        Builds apart = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=bench.+")
                .groundApart("servo")
                .groundApart("bench");
        assertEquals(0, above(apart, "servo", "board"), 1e-9);
    }

    // --- the rule

    /** A level sensor of 5 V: 1 % of it are 50 mV. */
    private static Builds sensor(int servos) {
        Builds builds =
                Builds.classic().part("level", "water-level", "+=board.5V").wire("level.S", "board.A0");
        for (int i = 0; i < servos; i++) {
            builds.part("servo-" + i, "servo-micro", "V+=board.5V");
        }
        return builds;
    }

    @Test
    void aSensorIsOffByWhatItsGroundIsLifted() throws Exception {
        RuleKit.quiet(sensor(0), "levels.ground_lift");
        RuleKit.quiet(sensor(1), "levels.ground_lift");
        Finding finding = RuleKit.fires(sensor(6), "levels.ground_lift");
        assertEquals("levels.ground_lift.analog", finding.sentence().key());
        assertEquals("bench/level", finding.place().toString());
    }

    @Test
    void eachWayOutOfALiftedSensorIsEnoughByItself() throws Exception {
        // Two servos: 85 mV on 5 V. One less would lift it by 43 mV, below 1 %; one of three does not.
        Finding finding = RuleKit.fires(sensor(2), "levels.ground_lift");
        assertEquals(2 * 0.75 * WIRE, RuleKit.si(finding, "ground_lift"), 1e-4);
        assertEquals(
                List.of(
                        "star-servo-0",
                        "star-level",
                        "add-wall-supply-5v",
                        "add-wall-supply-5v-strong",
                        "add-bench-supply"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.waysOut(sensor(2), "levels.ground_lift", "star-servo-0", "star-level", "add-wall-supply-5v");
        assertEquals(
                List.of("star-level"),
                RuleKit.fires(sensor(3), "levels.ground_lift").fixes().stream()
                        .map(Fix::id)
                        .toList());
        Builds apart = sensor(2).setting("level", "ground", "own");
        RuleKit.quiet(apart, "levels.ground_lift");
    }

    @Test
    void aBusThatIsLiftedHasLessToSpareAndAStarMendsIt() throws Exception {
        // 20 servos of 750 mA through 57 mΩ: 0.85 V under a low that must stay below 1.5 V.
        Builds many = onADriver();
        for (int i = 4; i < 20; i++) {
            many.part("servo-" + i, "servo-micro", "V+=driver.V+OUT");
        }
        Finding finding = RuleKit.fires(many, "levels.ground_lift");
        assertEquals("bench/driver", finding.place().toString());
        assertEquals(15 * WIRE, RuleKit.si(finding, "ground_lift"), 1e-3);
        List<String> ids = finding.fixes().stream().map(Fix::id).toList();
        assertEquals("star-driver", ids.get(0), ids.toString());
        assertTrue(ids.stream().anyMatch(id -> id.startsWith("gauge-driver")), ids.toString());
        RuleKit.waysOut(many, "levels.ground_lift", "star-driver", "gauge-driver-16");
        // The servos hang on a supply of their own already.
        assertTrue(ids.stream().noneMatch(id -> id.startsWith("add-")), ids.toString());
    }

    @Test
    void bothLinesOfALiftedBusAreOneThing() {
        Builds many = onADriver();
        for (int i = 4; i < 20; i++) {
            many.part("servo-" + i, "servo-micro", "V+=driver.V+OUT");
        }
        List<GroundShift> shifts = GroundShift.of(LevelReport.of(Circuit.of(many.build(), Builds.CATALOG)));
        assertEquals(1, shifts.size());
        GroundShift shift = shifts.get(0);
        assertEquals("driver", shift.lifted().id());
        assertEquals("servo-0", shift.lifter().id(), "all servos take the same");
        assertEquals(
                List.of("SCL", "SDA"),
                shift.signals().stream().map(Place::pin).sorted().toList());
        assertEquals(15 * WIRE, shift.volts().volts(), 1e-3);
        Finding finding = RuleKit.fires(many, "levels.ground_lift");
        assertEquals(
                shift.worst() == Verdict.THIN ? "levels.ground_lift.thin" : "levels.ground_lift.not_read",
                finding.sentence().key());
    }

    @Test
    void aWayBackOfItsOwnIsNotOfferedTwice() {
        Builds star = sensor(6).setting("servo-0", "ground", "own");
        Finding finding = RuleKit.fires(star, "levels.ground_lift");
        assertTrue(
                finding.fixes().stream().noneMatch(fix -> fix.id().equals("star-servo-0")), () -> "" + finding.fixes());
    }

    @Test
    void theStarIsInTheWireList() throws Exception {
        Build build = onADriver().setting("driver", "ground", "own").build();
        List<String> grounds = WireList.of(Circuit.of(build, Builds.CATALOG)).get(0).steps().stream()
                .map(WireStep::id)
                .filter(id -> id.contains("GND") || id.contains("bench.-"))
                .toList();
        assertTrue(
                grounds.stream().anyMatch(id -> id.contains("driver.GND") && id.contains("bench.-")),
                grounds.toString());
        assertEquals(1, grounds.stream().filter(id -> id.contains("bench.-")).count(), grounds.toString());
        List<String> straight = steps(onTheBoard().setting("servo", "ground", "own"));
        assertTrue(
                straight.stream().anyMatch(id -> id.contains("board.GND") && id.contains("servo.GND")),
                straight.toString());
    }

    private static List<String> steps(Builds builds) {
        return Stream.of(builds.build())
                .flatMap(build -> WireList.of(Circuit.of(build, Builds.CATALOG)).get(0).steps().stream())
                .map(WireStep::id)
                .toList();
    }
}
