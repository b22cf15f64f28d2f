package inkel.core.power.rules;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
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

/** Notes capacitors that a part wants beside its supply pin and that are not said to be there. */
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
                .flatMap(node -> node.parts().stream()
                        .filter(placed -> !placed.cls().decoupling().isEmpty())
                        .filter(placed -> !isFitted(node, placed) && !placed.isForLater())
                        .map(placed -> describe(node, placed)))
                .toList();
    }

    /** Said to be there, or each ticked off as put in. */
    private static boolean isFitted(NodeCircuit node, Placed placed) {
        List<Fitting> wanted = placed.decouplers();
        return placed.own(Settings.DECOUPLING).isPresent()
                || !wanted.isEmpty() && wanted.stream().allMatch(capacitor -> node.isFitted(placed, capacitor));
    }

    private static Finding describe(NodeCircuit node, Placed placed) {
        Finding.Builder finding =
                Finding.of(INFO, node.place(placed)).with("part", placed.part().name());
        placed.cls().decoupling().forEach(wanted -> finding.number("wanted", wanted.value(), Source.CLASS));
        return finding.with(
                        "values",
                        placed.cls().decoupling().stream()
                                .map(wanted -> Fact.of("decoupling.at")
                                        .with("value", wanted.value())
                                        .with("pin", wanted.pin()))
                                .toList())
                .fix(new Fix(
                        "fitted",
                        Fact.of("fix.decoupling").with("part", placed.part().name()),
                        Fact.of("fix.decoupling.cost"),
                        List.of(new SetSetting(node.node().id(), placed.id(), Settings.DECOUPLING, "fitted"))))
                .build();
    }
}
