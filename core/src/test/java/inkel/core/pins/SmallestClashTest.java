package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SmallestClashTest {
    /** Impossible as soon as one of the quarrels is in it whole. */
    private static Predicate<List<Integer>> quarrels(List<Set<Integer>> quarrels) {
        return some -> quarrels.stream().anyMatch(some::containsAll);
    }

    private static List<Integer> upTo(int count) {
        return IntStream.range(0, count).boxed().toList();
    }

    @Test
    void oneQuarrelIsFoundWholeAndInOrder() {
        SmallestClash<Integer> smallest = new SmallestClash<>(quarrels(List.of(Set.of(17, 3, 11))));
        assertEquals(List.of(3, 11, 17), smallest.of(upTo(20)));
    }

    @Test
    void whatIsImpossibleAltogetherNeedsThemAll() {
        SmallestClash<Integer> smallest = new SmallestClash<>(some -> some.size() > 6);
        assertEquals(7, smallest.of(upTo(30)).size(), "six find room, a seventh does not");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatIsFoundIsImpossibleAndNothingCanBeLeftOut(long seed) {
        Random random = new Random(seed);
        List<Set<Integer>> quarrels = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Set<Integer> quarrel = new HashSet<>();
            while (quarrel.size() < 2 + random.nextInt(4)) {
                quarrel.add(random.nextInt(25));
            }
            quarrels.add(quarrel);
        }
        Predicate<List<Integer>> isImpossible = quarrels(quarrels);
        SmallestClash<Integer> smallest = new SmallestClash<>(isImpossible);
        for (List<Integer> found : List.of(smallest.of(upTo(25)), smallest.thinned(upTo(25)))) {
            assertTrue(isImpossible.test(found));
            for (Integer member : found) {
                List<Integer> without = new ArrayList<>(found);
                without.remove(member);
                assertFalse(isImpossible.test(without), "without " + member + " of " + found);
            }
        }
    }

    @Test
    void aSetOfOneKindIsTakenWhereItClashesByItself() {
        SmallestClash<Integer> smallest = new SmallestClash<>(quarrels(List.of(Set.of(4, 5))));
        assertEquals(Optional.of(List.of(4, 5, 6)), smallest.narrowed(List.of(List.of(1, 2, 4), List.of(4, 5, 6))));
        assertTrue(smallest.narrowed(List.of(List.of(4), List.of(5))).isEmpty());
    }
}
