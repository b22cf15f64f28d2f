package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** When moments are on, how long a round is, and which of them can meet. Times are in seconds. */
class RoundTest {
    private static Moment moment(String id, double length, Double repeat, Double at, String... never) {
        return new Moment(
                id,
                id,
                List.of(),
                TimeSpan.ofSeconds(length),
                Optional.ofNullable(repeat).map(TimeSpan::ofSeconds),
                Optional.ofNullable(at).map(TimeSpan::ofSeconds),
                Set.of(never),
                Extras.NONE);
    }

    private static Round round(Moment... moments) {
        return new Round(List.of(moments));
    }

    @Test
    void aRoundIsAsLongAsTheLatestEndAndTheLongestRepeat() {
        assertEquals(0, round().length().seconds());
        assertEquals(
                7,
                round(moment("a", 3, null, 4.0), moment("b", 1, 6.0, 0.0))
                        .length()
                        .seconds());
        assertEquals(
                8,
                round(moment("a", 3, null, 4.0), moment("b", 1, 8.0, 0.0))
                        .length()
                        .seconds());
    }

    @Test
    void aMomentComesAgainAsOftenAsItFits() {
        Moment blink = moment("blink", 1, 4.0, 2.0);
        Round round = round(blink, moment("long", 10, null, 0.0));
        assertEquals(
                List.of(new Round.Span("blink", 2, 3), new Round.Span("blink", 6, 7)),
                round.spansOf(blink),
                "the third would begin where the round ends");
    }

    @Test
    void aMomentThatLastsAsLongAsItsRepeatIsAlwaysOn() {
        Moment on = moment("on", 2, 2.0, 1.0);
        assertEquals(
                List.of(new Round.Span("on", 1, 9)),
                round(on, moment("long", 9, null, 0.0)).spansOf(on));
        Moment nearly = moment("on", 1.5, 2.0, 1.0);
        assertEquals(
                4, round(nearly, moment("long", 9, null, 0.0)).spansOf(nearly).size());
    }

    @Test
    void tooManyOccurrencesAreTakenAsOne() {
        Moment tick = moment("tick", 0.5, 1.0, 0.0);
        assertEquals(
                2000, round(tick, moment("long", 2000, null, 0.0)).spansOf(tick).size());
        assertEquals(
                List.of(new Round.Span("tick", 0, 2001)),
                round(tick, moment("long", 2001, null, 0.0)).spansOf(tick));
    }

    @Test
    void oneThatEndsDoesNotMeetTheOneThatBeginsThen() {
        Set<Set<String>> sets = round(moment("first", 1, null, 0.0), moment("second", 1, null, 1.0))
                .placedSets();
        assertEquals(Set.of(Set.of(), Set.of("first"), Set.of("second")), sets);
        assertTrue(round(moment("first", 1.001, null, 0.0), moment("second", 1, null, 1.0))
                .placedSets()
                .contains(Set.of("first", "second")));
    }

    @Test
    void timesThatDifferByNoMoreThanIsRoundedAreTheSame() {
        Set<Set<String>> sets = round(moment("first", 1, null, 0.0), moment("second", 1, null, 1 - Round.TINY))
                .placedSets();
        assertEquals(Set.of(Set.of(), Set.of("first"), Set.of("second")), sets);
    }

    /** Against every set of moments tried: those in which all may meet and to which none can be added. */
    @Test
    void theLargestSetsAreThoseThatTryingAllFinds() {
        Random random = new Random(24);
        for (int round = 0; round < 60; round++) {
            int count = 2 + random.nextInt(7);
            boolean[][] apart = new boolean[count][count];
            List<Moment> moments = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                List<String> never = new ArrayList<>();
                for (int j = 0; j < i; j++) {
                    if (random.nextInt(3) == 0) {
                        apart[i][j] = true;
                        apart[j][i] = true;
                        never.add("m" + j);
                    }
                }
                moments.add(moment("m" + i, 1, null, null, never.toArray(String[]::new)));
            }
            Set<Set<String>> found = new HashSet<>();
            Scenarios.of(new Round(moments)).forEach(set -> found.add(new TreeSet<>(set)));
            assertEquals(largest(count, apart), found, "round " + round);
        }
    }

    private static Set<Set<String>> largest(int count, boolean[][] apart) {
        Set<Set<String>> largest = new HashSet<>();
        for (int set = 1; set < 1 << count; set++) {
            boolean canGrow = false;
            for (int more = 0; more < count; more++) {
                canGrow |= (set >> more & 1) == 0 && mayAllMeet(set | 1 << more, count, apart);
            }
            if (mayAllMeet(set, count, apart) && !canGrow) {
                Set<String> names = new TreeSet<>();
                for (int i = 0; i < count; i++) {
                    if ((set >> i & 1) == 1) {
                        names.add("m" + i);
                    }
                }
                largest.add(names);
            }
        }
        return largest;
    }

    private static boolean mayAllMeet(int set, int count, boolean[][] apart) {
        for (int i = 0; i < count; i++) {
            for (int j = 0; j < i; j++) {
                if ((set >> i & 1) == 1 && (set >> j & 1) == 1 && apart[i][j]) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Two that never meet among as many moments as are looked at pair by pair, and among one more. */
    @Test
    void pairsAreLookedAtUpToTwentyFourMoments() {
        assertFalse(meet(24));
        assertTrue(meet(25), "beyond that all are taken to meet, which is never too low");
    }

    private static boolean meet(int count) {
        List<Moment> moments = new ArrayList<>();
        moments.add(moment("m0", 1, null, null, "m1"));
        for (int i = 1; i < count; i++) {
            moments.add(moment("m" + i, 1, null, null));
        }
        return Scenarios.of(new Round(moments)).stream()
                .anyMatch(set -> new TreeSet<>(set).containsAll(Set.of("m0", "m1")));
    }
}
