package inkel.core.circuit;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Supply;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What a part takes by itself, in its moments, in a burst and over time. */
class LoadsTest {
    private static Moment moment(String id, double length, Double repeat, Moment.Raise... raises) {
        return new Moment(
                id,
                id,
                List.of(raises),
                TimeSpan.ofSeconds(length),
                Optional.ofNullable(repeat).map(TimeSpan::ofSeconds),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
    }

    private static Moment.Raise servo(String mode) {
        return new Moment.Raise("servo", mode);
    }

    /** A servo: 10 mA at rest, 250 mA while it moves, 750 mA when it is held. */
    private static Builds servo() {
        return Builds.classic().part("six", "wall-supply-6v").part("servo", "servo-micro", "V+=six.+");
    }

    /** A modem: at most 20 mA at rest, 350 mA at work, 2 A for 577 µs of every 4.615 ms. */
    private static Builds modem() {
        return Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
    }

    private static double during(Builds builds, String part, boolean isBurst, String... on) {
        NodeCircuit node = builds.circuit();
        Placed placed = node.part(part).orElseThrow();
        Supply supply = placed.cls().supplies().get(0);
        return node.loads().during(placed, supply, Set.of(on), isBurst).amperes();
    }

    private static double average(Builds builds, String rail) {
        return builds.circuit().rail(end(rail)).orElseThrow().average().amperes();
    }

    @Test
    void aPartThatNoMomentNamesIsAtItsPeakAtAnyTime() {
        assertEquals(0.750, during(servo(), "servo", true), 1e-12);
        NodeCircuit node = servo().circuit();
        assertFalse(node.loads().isGoverned(node.part("servo").orElseThrow()));
    }

    @Test
    void oneThatIsNamedRestsOutsideOfItsMoments() {
        Builds swing = servo().moment(moment("swing", 1, null, servo("active")));
        assertEquals(0.010, during(swing, "servo", true), 1e-12);
        assertEquals(0.250, during(swing, "servo", true, "swing"), 1e-12);
        assertEquals(0.010, during(swing, "servo", true, "other"), 1e-12);
        NodeCircuit node = swing.circuit();
        assertTrue(node.loads().isGoverned(node.part("servo").orElseThrow()));
    }

    @Test
    void twoMomentsTogetherTakeTheMoreOfTheTwo() {
        Builds both = servo().moment(moment("swing", 1, null, servo("active")))
                .moment(moment("hold", 1, null, servo("peak")));
        assertEquals(0.750, during(both, "servo", true, "swing", "hold"), 1e-12);
    }

    @Test
    void betweenTwoBurstsItTakesTheNextBusiestMode() {
        assertEquals(2.0, during(modem(), "modem", true), 1e-12);
        assertEquals(0.350, during(modem(), "modem", false), 1e-12);
    }

    @Test
    void behindACapacitorTheAverageOfABurstIsFelt() {
        Builds carried = modem().setting("modem", "capacitor", "2200 µF");
        // 2 A · 577 µs/4.615 ms = 250 mA, and the next busiest mode is more.
        assertEquals(0.350, during(carried, "modem", true), 1e-12);
        assertEquals(
                2 * 577.0 / 4615,
                during(carried.figure("modem", "current/VCC/active", "100 mA"), "modem", true),
                1e-12);
    }

    @Test
    void overTimeEveryRepeatedMomentCountsItsShare() {
        // 10 mA, and 240 mA more for a quarter of the time, and 740 mA more for a tenth.
        Builds both =
                servo().moment(moment("swing", 1, 4.0, servo("active"))).moment(moment("hold", 1, 10.0, servo("peak")));
        assertEquals(0.010 + 0.240 / 4 + 0.740 / 10, average(both, "six.+"), 1e-12);
    }

    @Test
    void aMomentThatLastsLongerThanItsRepeatIsAlwaysOn() {
        assertEquals(0.250, average(servo().moment(moment("swing", 3, 2.0, servo("active"))), "six.+"), 1e-12);
    }

    @Test
    void withOneMomentThatDoesNotRepeatTheClassTellsTheAverage() {
        // The most of each mode for its share: 0.95 · 10 mA + 0.04 · 250 mA + 0.01 · 750 mA = 27 mA.
        Builds once =
                servo().moment(moment("swing", 1, 4.0, servo("active"))).moment(moment("hold", 1, null, servo("peak")));
        assertEquals(0.027, average(once, "six.+"), 1e-12);
    }
}
