package inkel.core.levels.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.List;

/** The verdicts on wires between boards: the same arithmetic as on a board's own wires. */
final class BoardLinkFinding {
    private BoardLinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        return levels.boards().stream()
                .filter(link -> link.check().verdict() == verdict)
                .filter(link -> !LinkFinding.isSettled(link))
                .map(link -> describe(info, levels, link))
                .toList();
    }

    private static Finding describe(RuleInfo info, LevelReport levels, BoardLink link) {
        Finding.Builder finding = Finding.of(info, link.link().from())
                .with("from", name(link.from(), link.says()))
                .with("to", name(link.to(), link.hears()));
        LevelNumbers.put(
                finding,
                link.check(),
                link.to().habits(),
                link.isOnlyAtTheEnds(),
                link.saysHigh(),
                link.saysLow(),
                link.listens());
        finding.fix(() -> EndsFix.series(link)).fixes(() -> new BoardLinkFixes(levels.circuit(), link).list());
        if (link.verdict() == Verdict.THIN) {
            finding.fix(LeaveFix.of(link));
        }
        return finding.build();
    }

    private static Fact name(NodeCircuit node, Endpoint pin) {
        return pin.part().equals(Part.BOARD)
                ? Fact.of("pin.of_node").with("node", node.node().name()).with("pin", pin.pin())
                : PinNames.of(node, pin);
    }
}
