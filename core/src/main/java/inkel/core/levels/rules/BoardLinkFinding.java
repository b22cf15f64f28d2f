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
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The verdicts on wires between boards: the same arithmetic as on a board's own wires. */
final class BoardLinkFinding {
    private BoardLinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        Map<Object, List<BoardLink>> alike = new LinkedHashMap<>();
        levels.boards().stream()
                .filter(link -> link.check().verdict() == verdict)
                .filter(link -> !LinkFinding.isSettled(link))
                .forEach(link -> alike.computeIfAbsent(cause(link), cause -> new ArrayList<>())
                        .add(link));
        return alike.values().stream()
                .map(links -> describe(info, levels, links))
                .toList();
    }

    /** The two lines of a bus have the same pull-ups, and so the same to tell of each way. */
    private static Object cause(BoardLink link) {
        return link.isBus()
                ? List.of(
                        link.from().node().id(),
                        link.to().node().id(),
                        link.says().part(),
                        link.hears().part(),
                        link.check())
                : List.of(link.link(), link.says(), link.hears());
    }

    private static Finding describe(RuleInfo info, LevelReport levels, List<BoardLink> links) {
        BoardLink link = links.get(0);
        Finding.Builder finding = Finding.of(
                        info,
                        links.stream().map(one -> one.link().from()).distinct().toList())
                .with("from", name(link.from(), link.says()))
                .with("to", name(link.to(), link.hears()));
        LevelNumbers.put(
                finding,
                link.check(),
                link.to().habits(),
                link.isOnlyAtTheEnds(),
                false,
                link.saysHigh(),
                link.saysLow(),
                link.listens());
        finding.fix(() -> EndsFix.series(link)).fixes(() -> new BoardLinkFixes(levels.circuit(), link).list());
        if (link.verdict() == Verdict.THIN) {
            finding.fix(LeaveFix.of(links));
        }
        return finding.build();
    }

    private static Fact name(NodeCircuit node, Endpoint pin) {
        return pin.part().equals(Part.BOARD)
                ? Fact.of("pin.of_node").with("node", node.node().name()).with("pin", pin.pin())
                : PinNames.of(node, pin);
    }
}
