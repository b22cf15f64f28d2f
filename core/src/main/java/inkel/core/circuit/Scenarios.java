package inkel.core.circuit;

import inkel.core.document.Moment;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Which moments can come at the same time. A moment that stands in the round is on at its times only; one that stands
 * nowhere may come at any time; two that the sketch keeps apart never meet. Everything else can coincide.
 *
 * <p>What a part takes never falls when one more moment is on, so the worst is among the largest sets that can coincide.
 */
final class Scenarios {
    /** Above this many moments the pairs that never meet are not looked at, which can only make the sums too high. */
    private static final int MOST = 24;

    private Scenarios() {}

    /** The largest sets of moments that can be on together; one empty set when there are no moments. */
    static List<Set<String>> of(Round round) {
        Set<Set<String>> largest = new LinkedHashSet<>();
        for (Set<String> placed : round.placedSets()) {
            largest.addAll(Scenario.largest(round.moments(), placed));
        }
        return withoutSubsets(largest);
    }

    /** The largest sets without a pair that never meets, out of those given. */
    static Collection<Set<String>> largestIn(Set<String> ids, Map<String, Moment> byId) {
        Set<Set<String>> found = new LinkedHashSet<>();
        boolean mayAllMeet = true;
        for (String id : ids) {
            mayAllMeet &= byId.get(id).never().isEmpty();
        }
        if (ids.size() > MOST || mayAllMeet) {
            found.add(ids);
        } else {
            grow(new TreeSet<>(), new ArrayList<>(ids), List.of(), byId, found);
        }
        return found;
    }

    /**
     * Bron and Kerbosch's search for the largest sets in which every two may meet, with the pivot of Tomita, Tanaka and
     * Takahashi ("The worst-case time complexity for generating all maximal cliques", 2006): whom the pivot may meet need
     * not be begun with, so that moments that meet all others cost nothing.
     */
    private static void grow(
            Set<String> together,
            List<String> candidates,
            List<String> done,
            Map<String, Moment> byId,
            Set<Set<String>> found) {
        if (candidates.isEmpty() && done.isEmpty()) {
            found.add(new TreeSet<>(together));
            return;
        }
        List<String> left = new ArrayList<>(candidates);
        List<String> tried = new ArrayList<>(done);
        Moment pivot = pivot(candidates, done, byId);
        for (String candidate : candidates) {
            boolean meetsPivot =
                    !candidate.equals(pivot.id()) && byId.get(candidate).mayMeet(pivot);
            if (meetsPivot) {
                continue;
            }
            Moment one = byId.get(candidate);
            Set<String> more = new TreeSet<>(together);
            more.add(candidate);
            grow(more, meeting(left, one, byId), meeting(tried, one, byId), byId, found);
            left.remove(candidate);
            tried.add(candidate);
        }
    }

    /** The one that most of the candidates may meet. */
    private static Moment pivot(List<String> candidates, List<String> done, Map<String, Moment> byId) {
        Moment pivot = null;
        int most = -1;
        for (List<String> from : List.of(candidates, done)) {
            for (String id : from) {
                int meeting = meeting(candidates, byId.get(id), byId).size();
                if (meeting > most) {
                    most = meeting;
                    pivot = byId.get(id);
                }
            }
        }
        return pivot;
    }

    private static List<String> meeting(List<String> ids, Moment one, Map<String, Moment> byId) {
        return ids.stream()
                .filter(id -> !id.equals(one.id()))
                .filter(id -> byId.get(id).mayMeet(one))
                .toList();
    }

    private static List<Set<String>> withoutSubsets(Set<Set<String>> sets) {
        List<Set<String>> largest = new ArrayList<>();
        for (Set<String> set : sets) {
            boolean isWithin = false;
            for (Set<String> other : sets) {
                isWithin |= other.size() > set.size() && other.containsAll(set);
            }
            if (!isWithin) {
                largest.add(set);
            }
        }
        return largest;
    }
}
