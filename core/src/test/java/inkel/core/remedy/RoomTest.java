package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.kit.Builds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A rail that is made from another has no more left than that. */
class RoomTest {
    private static FeedCheck check(Builds table, String part, String pin, String rail) {
        NodeCircuit node = table.circuit();
        Placed placed = node.part(part).orElseThrow();
        return FeedCheck.of(
                node,
                placed,
                placed.cls().supply(pin).orElseThrow(),
                node.rail(Builds.end(rail)).orElseThrow());
    }

    /** The driver passes 6 A on and takes 0.1 mA itself, a small servo 750 mA at the most: the supply before it decides. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"0.7502 A, FITS", "0.75 A, NO_ROOM"})
    void whatPassesOnHasWhatComesIn(String rating, FeedCheck expected) {
        Builds table = Builds.classic()
                .part("bench", "bench-supply")
                .figure("bench", "rail/+/rating", rating)
                .part("drv", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                .part("arm", "servo-micro");
        assertEquals(expected, check(table, "arm", "V+", "drv.V+OUT"));
    }

    /** 1.2 A at 5.1 V are 5.1 / (0.88 × 11.6) × 1.2 A = 599.5 mA at 11.6 V, and 5 mA for the regulator itself. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"0.605 A, FITS", "0.604 A, NO_ROOM"})
    void whatSwitchesDownAsksForLessThanItGives(String rating, FeedCheck expected) {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .figure("wall", "rail/+/rating", rating)
                .part("down", "regulator-down", "IN+=wall.+")
                .part("arm", "servo-standard");
        assertEquals(expected, check(table, "arm", "V+", "down.OUT+"));
    }

    /** A supply that gives the servo's 750 mA by way of the driver gives them without it as well. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"drv.V+OUT, FITS", "other.+, NO_ROOM"})
    void whatCarriesALoadAlreadyBearsItAgain(String now, FeedCheck expected) {
        Builds table = Builds.classic()
                .part("other", "bench-supply")
                .part("bench", "bench-supply")
                .figure("bench", "rail/+/rating", now.startsWith("drv") ? "0.7502 A" : "0.7 A")
                .part("drv", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                .part("arm", "servo-micro", "V+=" + now);
        assertEquals(expected, check(table, "arm", "V+", "bench.+"));
    }

    /**
     * 1.2 A of a servo on 1 A, whose 3.3 V regulator takes 10 mA of its own: what is asked for too much by another part is not
     * made better by leaving a sensor without a feed, and worse by a load of more than a tenth of the rating.
     */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"100 mA, FITS", "101 mA, NO_ROOM"})
    void aLittleMoreOnWhatIsOverIsAnotherMatter(String most, FeedCheck expected) {
        Builds table = Builds.classic()
                .part("bench", "bench-supply")
                .figure("bench", "rail/+/rating", "1 A")
                .part("arm", "servo-standard", "V+=bench.+")
                .part("reg", "regulator-linear-3v3", "IN=bench.+")
                .part("card", "memory-card")
                .figure("card", "current/VCC/peak", most);
        assertEquals(expected, check(table, "card", "VCC", "reg.OUT"));
    }

    private static double left(Builds table, String rail) {
        NodeCircuit node = table.circuit();
        return Room.of(node, node.rail(Builds.end(rail)).orElseThrow()).amperes();
    }

    /** Less the 0.1 mA of the driver; and of 605 mA at 11.6 V, less 5 mA, 600 mA × 0.88 × 11.6 / 5.1 are 1.2009 A at 5.1 V. */
    @Test
    void whatIsLeftIsWhatTheNarrowestLeaves() {
        Builds passed = Builds.classic()
                .part("bench", "bench-supply")
                .figure("bench", "rail/+/rating", "2 A")
                .part("drv", "servo-driver-16", "VCC=board.5V", "V+=bench.+");
        assertEquals(1.9999, left(passed, "drv.V+OUT"), 1e-9);
        Builds down = Builds.classic()
                .part("wall", "wall-supply-12v")
                .figure("wall", "rail/+/rating", "0.605 A")
                .part("down", "regulator-down", "IN+=wall.+");
        assertEquals(1.2009, left(down, "down.OUT+"), 1e-4);
    }
}
