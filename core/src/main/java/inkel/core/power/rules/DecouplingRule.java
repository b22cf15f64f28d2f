package inkel.core.power.rules;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/** Notes capacitors that the parts of a table want beside their supply pins and that are not said to be there. */
public final class DecouplingRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.decoupling", Severity.NOTE, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.circuit().nodes().stream()
                .filter(node -> node.habits().is(Habit.DECOUPLING, Habit.Decoupling.WANTED))
                .flatMap(node -> describe(
                        node,
                        node.parts().stream()
                                .filter(placed -> !placed.cls().decoupling().isEmpty())
                                .filter(placed -> !isFitted(node, placed) && !placed.isForLater())
                                .toList())
                        .stream())
                .toList();
    }

    /** Said to be there, or each ticked off as put in. */
    private static boolean isFitted(NodeCircuit node, Placed placed) {
        List<Fitting> wanted = placed.decouplers();
        return placed.own(Settings.DECOUPLING).isPresent()
                || !wanted.isEmpty() && wanted.stream().allMatch(capacitor -> node.isFitted(placed, capacitor));
    }

    private static Optional<Finding> describe(NodeCircuit node, List<Placed> wanting) {
        if (wanting.isEmpty()) {
            return Optional.empty();
        }
        List<String> names =
                wanting.stream().map(placed -> placed.part().name()).toList();
        Finding.Builder finding =
                Finding.of(INFO, wanting.stream().map(node::place).toList());
        if (wanting.size() > 1) {
            finding.variant("several");
        }
        wanting.stream()
                .flatMap(placed -> placed.cls().decoupling().stream())
                .forEach(wanted -> finding.number("wanted", wanted.value(), Source.CLASS));
        return Optional.of(finding.withAll("part", names)
                .with(
                        "values",
                        wanting.size() == 1
                                ? values(wanting.get(0))
                                : wanting.stream()
                                        .map(placed -> Fact.of("decoupling.of")
                                                .with("part", placed.part().name())
                                                .with("values", values(placed)))
                                        .toList())
                .fix(new Fix(
                        "fitted",
                        Fact.of("fix.decoupling").with("part", names),
                        Fact.of("fix.decoupling.cost"),
                        wanting.stream()
                                .<Edit>map(placed ->
                                        new SetSetting(node.node().id(), placed.id(), Settings.DECOUPLING, "fitted"))
                                .toList()))
                .build());
    }

    private static List<Fact> values(Placed placed) {
        return placed.cls().decoupling().stream()
                .map(wanted ->
                        Fact.of("decoupling.at").with("value", wanted.value()).with("pin", wanted.pin()))
                .toList();
    }
}
