package inkel.core.pins.rules;

import inkel.core.catalog.Programming;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ProgramLines;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.AddParts;
import java.util.ArrayList;
import java.util.List;

/** Notes a bare chip that nothing on the table can program. */
public final class NoProgrammerRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.no_programmer", Severity.NOTE, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .map(NodePins::node)
                .filter(NoProgrammerRule::isWithout)
                .map(node -> describe(report, node))
                .toList();
    }

    private static boolean isWithout(NodeCircuit node) {
        Placed board = node.board();
        return board.cls().handling().make().isChip()
                && !ProgramLines.ways(node).isEmpty()
                && board.own(Settings.PROGRAMMED).isEmpty()
                && ProgramLines.of(node).isEmpty();
    }

    private static Finding describe(PinReport report, NodeCircuit node) {
        return Finding.of(INFO, node.place(node.board()))
                .with("board", node.board().part().name())
                .fixes(() -> fixes(report, node))
                .build();
    }

    private static List<Fix> fixes(PinReport report, NodeCircuit node) {
        List<String> ways =
                ProgramLines.ways(node).stream().map(Programming::way).toList();
        List<Fix> fixes = new ArrayList<>();
        report.circuit().catalog().all().stream()
                .filter(cls -> cls.handling().programs().filter(ways::contains).isPresent())
                .map(cls -> new Fix(
                        "add-" + cls.id(),
                        Fact.of("fix.add_programmer").with("programmer", cls.name()),
                        Fact.of("fix.add_programmer.cost"),
                        AddParts.of(node, cls, 1)))
                .forEach(fixes::add);
        fixes.add(new Fix(
                "elsewhere",
                Fact.of("fix.programmed_elsewhere")
                        .with("board", node.board().part().name()),
                Fact.of("fix.programmed_elsewhere.cost"),
                List.of(new SetSetting(node.node().id(), node.board().id(), Settings.PROGRAMMED, "elsewhere"))));
        return fixes;
    }
}
