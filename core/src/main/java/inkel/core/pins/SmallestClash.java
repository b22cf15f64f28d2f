package inkel.core.pins;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Shrinks a set that is impossible to one that becomes possible when any single member is left out, by halving (the
 * QuickXPlain scheme of U. Junker, "Preferred explanations and relaxations for over-constrained problems", 2004). Members
 * that come first are kept first.
 */
final class SmallestClash<T> {
    private final Predicate<List<T>> isImpossible;

    /** @param isImpossible false also where that cannot be told */
    SmallestClash(Predicate<List<T>> isImpossible) {
        this.isImpossible = isImpossible;
    }

    /** The first of some sets that is impossible by itself; empty when none is. */
    Optional<List<T>> narrowed(List<List<T>> sets) {
        return sets.stream().filter(isImpossible).findFirst();
    }

    /** Leaves out one after the other: best where hardly any can be left out. */
    List<T> thinned(List<T> all) {
        List<T> left = new ArrayList<>(all);
        for (T member : all) {
            List<T> without = new ArrayList<>(left);
            without.remove(member);
            if (isImpossible.test(without)) {
                left = without;
            }
        }
        return left;
    }

    /** @param all a set that is impossible as a whole */
    List<T> of(List<T> all) {
        if (all.size() <= 1) {
            return all;
        }
        List<T> found = shrink(List.of(), false, all);
        return all.stream().filter(found::contains).toList();
    }

    private List<T> shrink(List<T> base, boolean hasGrown, List<T> rest) {
        if (hasGrown && isImpossible.test(base)) {
            return List.of();
        }
        if (rest.size() == 1) {
            return rest;
        }
        int half = rest.size() / 2;
        List<T> first = rest.subList(0, half);
        List<T> second = rest.subList(half, rest.size());
        List<T> ofSecond = shrink(joined(base, first), !first.isEmpty(), second);
        List<T> ofFirst = shrink(joined(base, ofSecond), !ofSecond.isEmpty(), first);
        return joined(ofFirst, ofSecond);
    }

    private static <T> List<T> joined(List<T> one, List<T> other) {
        List<T> both = new ArrayList<>(one);
        both.addAll(other);
        return both;
    }
}
