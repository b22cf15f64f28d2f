package inkel.core.power.rules;

import inkel.core.catalog.Supply;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.finding.Fix;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import inkel.core.quantity.Current;
import inkel.core.remedy.FeedFixes;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Ways to take load off a rail: the smallest load that is enough moves first, so that least is changed. */
final class LoadFixes {
    private static final int MOST = 4;

    private LoadFixes() {}

    static List<Fix> of(RailBudget budget, PowerReport report) {
        FeedFixes feeds = new FeedFixes(budget.node(), report.catalog());
        Current tooMuch = budget.rail().peak().minus(budget.rail().rating());
        List<Rail.Load> bySize = budget.rail().loads().stream()
                .sorted(Comparator.comparing(Rail.Load::peak))
                .toList();
        Stream<Rail.Load> enough = bySize.stream().filter(load -> !tooMuch.isAbove(load.peak()));
        Stream<Rail.Load> rest = bySize.stream()
                .filter(load -> tooMuch.isAbove(load.peak()))
                .sorted(Comparator.comparing(Rail.Load::peak).reversed());
        return Stream.concat(enough, rest)
                .filter(load -> load.peak().isAbove(Current.ZERO))
                .flatMap(load -> moves(load, budget, feeds).stream().limit(2))
                .limit(MOST)
                .toList();
    }

    private static List<Fix> moves(Rail.Load load, RailBudget budget, FeedFixes feeds) {
        Placed placed = budget.node().part(load.pin().part()).orElseThrow();
        Supply supply = placed.cls().supply(load.pin().pin()).orElseThrow();
        return feeds.of(placed, supply).stream()
                .map(fix -> new Fix(fix.id() + "-" + placed.id(), fix.title(), fix.cost(), fix.edits()))
                .toList();
    }
}
