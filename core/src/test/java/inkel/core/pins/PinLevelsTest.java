package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PinLevelsTest {
    private static boolean isTrouble(Builds builds, String signal, String target) {
        NodeCircuit node = builds.circuit();
        Placed asking = node.part(end(signal).part()).orElseThrow();
        return PinLevels.isTrouble(node, asking, node.pin(end(signal)).orElseThrow(), end(target));
    }

    // C13 of that board bears 3.3 V and a little, B12 bears 5 V; the echo comes at 5 V.
    @ParameterizedTest
    @CsvSource({"board.C13, true", "board.B12, false"})
    void anEchoOfFiveVoltsIsTroubleWhereThePinDoesNotBearIt(String target, boolean isTrouble) {
        Builds builds = Builds.on("board-tolerant-3v3").part("far", "distance-ultrasonic", "VCC=board.5V");
        assertEquals(isTrouble, isTrouble(builds, "far.ECHO", target));
    }

    @Test
    void thePlanTakesThePinThatBearsIt() {
        Builds builds = Builds.on("board-tolerant-3v3").part("far", "distance-ultrasonic", "VCC=board.5V");
        Plan plan = new Planner(builds.build(), CATALOG).plan(NODE);
        Endpoint echo = to(plan, "far.ECHO").orElseThrow();
        assertFalse(isTrouble(builds, "far.ECHO", echo.toString()));
    }

    private static Optional<Endpoint> to(Plan plan, String signal) {
        return plan.wires().stream()
                .filter(wire -> wire.from().equals(end(signal)))
                .map(Wire::to)
                .findFirst();
    }

    @Test
    void aLampThatWouldStayDarkIsTroubleAtAPinThatHardlyGives() {
        // A pin of the expander gives 100 µA and takes 25 mA: an LED to ground wants at least a tenth of its 5 mA.
        Builds builds = Builds.classic()
                .part("more", "port-expander", "VCC=board.5V")
                .part("lamp", "led")
                .part("three", "rgb-led-anode", "A=board.5V");
        assertTrue(isTrouble(builds, "lamp.A", "more.P1"));
        assertFalse(isTrouble(builds, "lamp.A", "board.D7"));
        assertFalse(isTrouble(builds, "three.R", "more.P1"), "what hangs on the supply is taken from, not given to");
        Plan plan = new Planner(
                        Builds.classic()
                                .part("more", "port-expander", "VCC=board.5V")
                                .part("lamp", "led")
                                .build(),
                        CATALOG)
                .plan(NODE);
        assertEquals("board", to(plan, "lamp.A").orElseThrow().part());
    }

    @Test
    void whatMatchesLevelsIsLeftToDoSo() {
        Builds builds = Builds.on("board-tolerant-3v3")
                .part("far", "distance-ultrasonic", "VCC=board.5V")
                .between(new Between.Divider(
                        end("far.ECHO"), Resistance.ofOhms(1000), Resistance.ofOhms(2200), Extras.NONE));
        assertFalse(isTrouble(builds, "far.ECHO", "board.C13"));
    }

    private static Builds sensors() {
        return Builds.dualCore()
                .part("text", "display-backpack", "VCC=board.VBUS")
                .part("air", "pressure", "VCC=board.3V3");
    }

    private static boolean pulls(Builds builds, String one, String other) {
        NodeCircuit node = builds.circuit();
        return PinLevels.pullsTooHigh(
                node, node.part(one).orElseThrow(), node.part(other).orElseThrow());
    }

    // The backpack pulls to 5 V; the sensor bears 3.3 V and a little. The other way round nothing happens.
    @Test
    void aPullUpToAHigherSupplyIsTroubleForTheOtherPart() {
        assertTrue(pulls(sensors(), "text", "air"));
        assertFalse(pulls(sensors(), "air", "text"));
    }

    @Test
    void twoPartsOnOneRailDoNotEndEachOtherWhateverItsTolerance() {
        Builds builds = Builds.classic().part("one", "adc-16", "VDD=board.5V").part("two", "adc-16", "VDD=board.5V");
        assertFalse(pulls(builds, "one", "two"));
    }

    @Test
    void suchPartsAreOnTwoBusesWhereTheBoardHasTwo() {
        Plan plan = new Planner(sensors().build(), CATALOG).plan(NODE);
        assertNotEquals(to(plan, "text.SDA"), to(plan, "air.SDA"));
        assertTrue(plan.bySoftware().isEmpty());
    }

    @Test
    void theyStayOnOneWhereTheProgramWouldHaveToDriveTheOther() {
        Builds one = Builds.classic()
                .part("text", "display-backpack", "VCC=board.5V")
                .part("air", "pressure", "VCC=board.3V3");
        Plan plan = new Planner(one.build(), CATALOG).plan(NODE);
        assertEquals(to(plan, "text.SDA"), to(plan, "air.SDA"));
    }
}
