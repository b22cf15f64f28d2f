package inkel.core.power.rules;

import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports what stands in a supply line, a switch, a fuse or a monitor, and has nothing behind it: all goes past it. */
public final class NotInLineRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.not_in_line", Severity.LOOK, Stage.POWER);
    private static final int MOST = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.circuit().nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(placed ->
                                placed.cls().standsInLine() && !placed.part().isBoard() && !placed.isForLater())
                        .flatMap(placed -> idle(node, placed).stream()))
                .toList();
    }

    private static Optional<Finding> idle(NodeCircuit node, Placed placed) {
        Output output = placed.cls().outputs().get(0);
        Endpoint out = new Endpoint(placed.id(), output.pin());
        if (node.isFedFrom(out)) {
            return Optional.empty();
        }
        Optional<Rail> rail = output.from().map(placed.part().feeds()::get).flatMap(node::rail);
        List<Feed> past = rail.map(above -> past(node, placed, above, out)).orElse(List.of());
        return past.isEmpty() ? Optional.empty() : Optional.of(describe(node, placed, rail.orElseThrow(), past));
    }

    /** What hangs on the same rail beside it. */
    private static List<Feed> past(NodeCircuit node, Placed placed, Rail rail, Endpoint out) {
        return node.parts().stream()
                .filter(other -> !other.id().equals(placed.id()))
                .flatMap(other -> other.cls().supplies().stream()
                        .map(Supply::pin)
                        .filter(pin -> rail.id().equals(other.part().feeds().get(pin)))
                        .map(pin -> new Feed(node.node().id(), other.id(), pin, out)))
                .toList();
    }

    private static Finding describe(NodeCircuit node, Placed placed, Rail rail, List<Feed> past) {
        return Finding.of(INFO, node.place(placed))
                .with("part", placed.part().name())
                .with("rail", RailNames.of(node, rail.id()))
                .fixes(() -> ways(node, placed, rail, past))
                .build();
    }

    private static List<Fix> ways(NodeCircuit node, Placed placed, Rail rail, List<Feed> past) {
        List<Fix> ways = new ArrayList<>();
        String name = placed.part().name();
        ways.add(new Fix(
                "all-through",
                Fact.of("fix.all_through").with("part", name).with("rail", RailNames.of(node, rail.id())),
                Fact.of("fix.all_through.cost"),
                List.<Edit>copyOf(past)));
        Stream<Feed> single = past.size() == 1 ? Stream.empty() : past.stream();
        single.limit(MOST)
                .map(feed -> new Fix(
                        "through-" + feed.part(),
                        Fact.of("fix.one_through")
                                .with("part", name)
                                .with(
                                        "load",
                                        node.part(feed.part())
                                                .orElseThrow()
                                                .part()
                                                .name()),
                        Fact.of("fix.through.cost"),
                        List.<Edit>of(feed)))
                .forEach(ways::add);
        return ways;
    }
}
