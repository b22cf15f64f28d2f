package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

/** Where moments are put so that a supply bears them: servos of 750 mA, 10 mA at rest, on a supply of 1 A. */
class StaggerTest {
    private static final double EXACT = 1e-9;

    private static Moment moment(String id, double length, Double repeat, Double at) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise("servo-" + id, "peak")),
                TimeSpan.ofSeconds(length),
                Optional.ofNullable(repeat).map(TimeSpan::ofSeconds),
                Optional.ofNullable(at).map(TimeSpan::ofSeconds),
                Set.of(),
                Extras.NONE);
    }

    private static Builds servos(String rating, Moment... moments) {
        Builds build = Builds.classic().part("six", "wall-supply-6v").figure("six", "rail/+/rating", rating);
        for (Moment moment : moments) {
            build.part("servo-" + moment.id(), "servo-micro", "V+=six.+").moment(moment);
        }
        return build;
    }

    private static Map<String, Double> starts(Builds build) {
        Map<String, Double> starts = new TreeMap<>();
        StaggerModel.solve(build.circuit(), () -> false)
                .orElseThrow()
                .forEach((id, start) -> starts.put(id, start.seconds()));
        return starts;
    }

    @Test
    void theSecondBeginsExactlyWhereTheFirstEnds() {
        // The shorter goes first, as that is the least delay.
        Map<String, Double> starts = starts(servos("1 A", moment("a", 1.7, null, 0.0), moment("b", 0.3, null, 0.0)));
        assertEquals(0.3, starts.get("a"), EXACT);
        assertEquals(0.0, starts.get("b"), EXACT);
    }

    @Test
    void whatFitsStaysWhereItIs() {
        Map<String, Double> starts = starts(
                servos("1 A", moment("a", 1, null, 0.25), moment("b", 1, null, 1.25), moment("c", 1, null, 7.0)));
        assertEquals(Map.of("a", 0.25, "b", 1.25, "c", 7.0), starts);
    }

    @Test
    void noneIsPutBeforeItsPlace() {
        // From 5 s on only one may move at a time, however free the time before is.
        Map<String, Double> starts = starts(servos("1 A", moment("a", 1, null, 5.0), moment("b", 1, null, 5.5)));
        assertEquals(5.0, starts.get("a"), EXACT);
        assertEquals(6.0, starts.get("b"), EXACT);
    }

    @Test
    void oneThatStandsNowhereIsPutWhereItFits() {
        Map<String, Double> starts = starts(servos("1 A", moment("a", 2, null, 0.0), moment("b", 1, null, null)));
        assertEquals(1.0, starts.get("a") + starts.get("b"), EXACT, "b first and a behind it is the least delay");
    }

    @Test
    void aSupplyThatIsExactlyEnoughNeedsNoDelay() {
        // 750 + 750 mA, and with a third at rest 10 mA more.
        Moment[] two = {moment("a", 1, null, 0.0), moment("b", 1, null, 0.0)};
        assertEquals(Map.of("a", 0.0, "b", 0.0), starts(servos("1.5 A", two)));
        assertEquals(
                1.0,
                starts(servos("1.4999 A", two)).values().stream()
                        .mapToDouble(start -> start)
                        .sum(),
                EXACT);
    }

    @Test
    void repeatsAreHeldApartEachTime() {
        // Each is on for 0.2 s of every second: 0.2 s of delay are enough.
        Map<String, Double> starts = starts(servos("1 A", moment("a", 0.2, 1.0, 0.0), moment("b", 0.2, 1.0, 0.0)));
        assertEquals(0.2, starts.get("a") + starts.get("b"), EXACT);
    }

    @Test
    void manyRepeatsCountAsOneThatLasts() {
        // 70 times in 7 s are more than are looked at one by one, so the long one has to wait for all of them.
        Map<String, Double> starts =
                starts(servos("1 A", moment("tick", 0.05, 0.1, 0.0), moment("long", 7, null, 0.0)));
        assertEquals(0.0, starts.get("tick"), EXACT);
        assertEquals(6.95, starts.get("long"), EXACT);
    }

    @Test
    void sixtyRepeatsAreStillLookedAtOneByOne() {
        // On for 1 s of every 10 s, sixty times: half a second fits between the first two.
        Map<String, Double> sixty = starts(servos(
                "1 A", moment("tick", 1, 10.0, 0.0), moment("short", 0.5, null, 0.0), moment("end", 1, null, 599.0)));
        assertEquals(0.5, sixty.get("tick") + sixty.get("short"), EXACT);
    }

    @Test
    void fewRepeatsLeaveRoomBetweenThem() {
        // On for 0.1 s at 0 and 1 s: half a second fits between.
        Map<String, Double> starts =
                starts(servos("1 A", moment("tick", 0.1, 1.0, 0.0), moment("mid", 0.5, null, 0.0)));
        assertEquals(0.1, starts.get("tick") + starts.get("mid"), EXACT);
    }

    @Test
    void nothingIsFoundWhereOneAloneIsTooMuchOrTheRestIs() {
        Moment[] one = {moment("a", 1, null, 0.0)};
        assertEquals(Optional.empty(), StaggerModel.solve(servos("0.7 A", one).circuit(), () -> false));
        assertEquals(Optional.empty(), StaggerModel.solve(servos("5 mA", one).circuit(), () -> false));
        assertEquals(Map.of("a", 0.0), starts(servos("750 mA", one)));
        assertEquals(Optional.empty(), StaggerModel.solve(Builds.classic().circuit(), () -> false));
    }

    @Test
    void aRailThatIsOverAtRestAndThatNoMomentTouchesIsLeftAside() {
        // The reader alone is too much for the 3.3 V rail; the servos on their own supply are moved apart all the same.
        Builds build = servos("1 A", moment("a", 1, null, 0.0), moment("b", 1, null, 0.0))
                .part("reader", "tag-reader-spi", "3.3V=board.3V3");
        assertEquals(
                1.0, starts(build).values().stream().mapToDouble(start -> start).sum(), EXACT);
    }

    @Test
    void stoppingIsNotAnAnswer() {
        Builds build = servos("1 A", moment("a", 1, null, 0.0), moment("b", 1, null, 0.0));
        assertThrows(CancellationException.class, () -> StaggerModel.solve(build.circuit(), () -> true));
    }
}
