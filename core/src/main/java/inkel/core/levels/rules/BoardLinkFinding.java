package inkel.core.levels.rules;

import inkel.core.build.Edit;
import inkel.core.build.Endpoint;
import inkel.core.build.NodeWire;
import inkel.core.build.Place;
import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.levels.BoardLink;
import inkel.core.levels.LevelCheck;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Verdict;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/** The verdicts on wires between boards: the same arithmetic as on a board's own wires, with fewer ways out. */
final class BoardLinkFinding {
    private BoardLinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        return levels.boards().stream()
                .filter(link -> link.verdict() == verdict)
                .map(link -> describe(info, levels, link))
                .toList();
    }

    private static Finding describe(RuleInfo info, LevelReport levels, BoardLink link) {
        LevelCheck check = link.check();
        Finding.Builder finding = Finding.of(info, link.link().from())
                .with("from", name(link.from(), link.link().from()))
                .with("to", name(link.to(), link.link().to()));
        if (link.verdict() == Verdict.HARMS) {
            finding.number(
                            "highest_output",
                            check.vohMax(),
                            source(link.from(), link.link().from()))
                    .number(
                            "tolerated",
                            check.absoluteMax(),
                            source(link.to(), link.link().to()))
                    .number("too_much_by", check.headroom().times(-1), Source.COMPUTED);
        } else if (check.lowMargin().isBelow(check.highMargin())) {
            finding.variant("low")
                    .number(
                            "lowest_output_at_most",
                            check.volMax(),
                            source(link.from(), link.link().from()))
                    .number(
                            "reads_low_below",
                            check.vil(),
                            source(link.to(), link.link().to()))
                    .number("low_margin", check.lowMargin(), Source.COMPUTED)
                    .number("wanted_margin", check.wantedMargin(), Source.RULE);
        } else {
            finding.variant("high")
                    .number(
                            "highest_output_at_least",
                            check.vohMin(),
                            source(link.from(), link.link().from()))
                    .number(
                            "reads_high_above",
                            check.vih(),
                            source(link.to(), link.link().to()))
                    .number("high_margin", check.highMargin(), Source.COMPUTED)
                    .number("wanted_margin", check.wantedMargin(), Source.RULE);
        }
        return finding.fix(otherPin(levels, link)).fix(takenAway(link)).build();
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
        return to.board()
                .cls()
                .offers()
                .filter(pin -> pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.CONSOLE))
                .map(to.board()::endpoint)
                .filter(pin -> !to.nets().containsKey(pin))
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
                        List.of(new Edit.MoveNodeWire(link.link(), moved))));
    }

    private static NodeWire moved(BoardLink link, Endpoint pin) {
        NodeWire wire = link.link();
        return new NodeWire(wire.from(), Place.of(wire.to().node(), pin), wire.groundJoined(), wire.extras());
    }

    private static Fix takenAway(BoardLink link) {
        return new Fix(
                "link-off",
                Fact.of("fix.link_off").with("node", link.to().node().name()),
                Fact.of("fix.link_off.cost"),
                List.of(new Edit.RemoveNodeWire(link.link())));
    }
}
