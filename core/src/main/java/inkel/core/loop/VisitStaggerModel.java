package inkel.core.loop;

import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.Solver;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.variables.IntVar;

/**
 * In which rounds each visit comes, so that the longest round is as short as can be. Rounds are begun as often as the most
 * urgent visit is wanted; the others come in every 2nd, 4th, 8th … of them, never less often than they are wanted, so that all
 * repeats after the longest of these.
 */
final class VisitStaggerModel {
    private static final int MOST_ROUNDS = 64;

    /** Times are counted in this many steps of the whole, rounded so that a sum is never too short. */
    private static final int STEPS = 100_000;

    /** Ends the search for something better; counted so that the outcome is the same on every machine. */
    private static final long FAIL_LIMIT = 4000;

    private VisitStaggerModel() {}

    static Staggered solve(List<Visit> visits) {
        double base = visits.stream()
                .flatMap(visit -> visit.every().stream())
                .mapToDouble(TimeSpan::seconds)
                .min()
                .orElse(0);
        TimeSpan all = NodeLoop.sum(visits);
        if (base <= 0 || all.seconds() <= 0) {
            return new Staggered(TimeSpan.ofSeconds(base), all, Map.of());
        }
        // The longest first: they decide, and equal ones then keep their order.
        List<Visit> order = visits.stream()
                .sorted((one, other) ->
                        Double.compare(other.time().seconds(), one.time().seconds()))
                .toList();
        Model model = new Model("round");
        int rounds = order.stream().mapToInt(visit -> each(visit, base)).max().orElse(1);
        int[] takes = order.stream()
                .mapToInt(visit -> (int) Math.ceil(visit.time().seconds() / all.seconds() * STEPS))
                .toArray();
        List<IntVar> from = new ArrayList<>();
        List<IntVar[]> isFrom = new ArrayList<>();
        for (Visit visit : order) {
            int each = each(visit, base);
            IntVar place = model.intVar(visit.placed().id(), 0, each - 1);
            IntVar[] is = new IntVar[each];
            for (int i = 0; i < each; i++) {
                is[i] = model.arithm(place, "=", i).reify();
            }
            from.add(place);
            isFrom.add(is);
        }
        IntVar worst = model.intVar("worst", 0, 2 * STEPS);
        for (int round = 0; round < rounds; round++) {
            IntVar[] here = new IntVar[order.size()];
            for (int i = 0; i < order.size(); i++) {
                here[i] = isFrom.get(i)[round % isFrom.get(i).length];
            }
            model.scalar(here, takes, "<=", worst).post();
        }
        Solution best = best(model, worst, from.toArray(IntVar[]::new));
        Map<String, Staggered.Place> places = new LinkedHashMap<>();
        for (int i = 0; i < order.size(); i++) {
            places.put(
                    order.get(i).placed().id(), new Staggered.Place(isFrom.get(i).length, best.getIntVal(from.get(i))));
        }
        return new Staggered(TimeSpan.ofSeconds(base), longest(order, places, rounds), places);
    }

    private static int each(Visit visit, double base) {
        double most = visit.every().map(every -> every.seconds() / base).orElse(1.0);
        int each = 1;
        while (each * 2 <= most * (1 + 1e-9) && each < MOST_ROUNDS) {
            each *= 2;
        }
        return each;
    }

    private static Solution best(Model model, IntVar worst, IntVar[] from) {
        model.setObjective(Model.MINIMIZE, worst);
        Solver solver = model.getSolver();
        solver.setSearch(Search.inputOrderLBSearch(from), Search.inputOrderLBSearch(worst));
        solver.limitFail(FAIL_LIMIT);
        Solution best = null;
        while (solver.solve()) {
            best = new Solution(model).record();
        }
        if (best == null) {
            throw new IllegalStateException("every visit can come in its first round");
        }
        return best;
    }

    private static TimeSpan longest(List<Visit> visits, Map<String, Staggered.Place> places, int rounds) {
        double longest = 0;
        for (int round = 0; round < rounds; round++) {
            double sum = 0;
            for (Visit visit : visits) {
                Staggered.Place place = places.get(visit.placed().id());
                sum += round % place.each() == place.from() ? visit.time().seconds() : 0;
            }
            longest = Math.max(longest, sum);
        }
        return TimeSpan.ofSeconds(longest);
    }
}
