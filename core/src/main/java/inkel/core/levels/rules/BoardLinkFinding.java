package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.MoveNodeWire;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.JoinNodes;
import java.util.List;
import java.util.Optional;

/** The verdicts on wires between boards: the same arithmetic as on a board's own wires, with fewer ways out. */
final class BoardLinkFinding {
    private BoardLinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        return levels.boards().stream()
                .filter(link -> link.check().verdict() == verdict)
                .map(link -> describe(info, levels, link))
                .toList();
    }

    private static Finding describe(RuleInfo info, LevelReport levels, BoardLink link) {
        Source says = source(link.from(), link.link().from());
        Finding.Builder finding = Finding.of(info, link.link().from())
                .with("from", name(link.from(), link.link().from()))
                .with("to", name(link.to(), link.link().to()));
        LevelNumbers.put(
                finding,
                link.check(),
                link.to().habits(),
                link.isOnlyAtTheEnds(),
                says,
                says,
                source(link.to(), link.link().to()));
        return finding.fix(() -> otherPin(levels, link))
                .fixes(() -> List.of(takenAway(link)))
                .build();
    }

    private static Fact name(NodeCircuit node, Place place) {
        return Fact.of("pin.of_node").with("node", node.node().name()).with("pin", place.pin());
    }

    private static Source source(NodeCircuit node, Place place) {
        return node.io(place.endpoint()).map(IoFamily::source).orElse(Source.CLASS);
    }

    /** A free pin of the listening board that bears and reads it, such as one that tolerates 5 V. */
    private static Optional<Fix> otherPin(LevelReport levels, BoardLink link) {
        NodeCircuit to = link.to();
        return JoinNodes.freePins(levels.circuit(), to)
                .map(pin -> moved(link, pin))
                .filter(moved -> BoardLink.of(levels.circuit(), moved)
                        .filter(found -> found.verdict() == Verdict.FINE)
                        .isPresent())
                .findFirst()
                .map(moved -> new Fix(
                        "link-to-" + moved.to().pin(),
                        Fact.of("fix.move_link")
                                .with("node", to.node().name())
                                .with("pin", moved.to().pin()),
                        Fact.of("fix.move.cost"),
                        List.of(new MoveNodeWire(link.link(), moved))));
    }

    private static NodeWire moved(BoardLink link, Place pin) {
        NodeWire wire = link.link();
        return new NodeWire(wire.from(), pin, wire.groundJoined(), wire.extras());
    }

    private static Fix takenAway(BoardLink link) {
        return new Fix(
                "link-off",
                Fact.of("fix.link_off").with("node", link.to().node().name()),
                Fact.of("fix.link_off.cost"),
                List.of(new RemoveNodeWire(link.link())));
    }
}
