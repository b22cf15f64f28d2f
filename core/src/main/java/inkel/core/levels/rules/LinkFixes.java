package inkel.core.levels.rules;

import inkel.core.catalog.Catalog;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Fix;
import inkel.core.formula.DividerSearch;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.Link;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Ways to make a wire's levels fit: through a shifter or a buffer, a divider, another supply, another board. */
final class LinkFixes {
    /** A source beyond this picks up its neighbours on a breadboard, however slow the wire is. */
    private static final Resistance MOST_SOURCE = Resistance.ofOhms(10_000);

    private final NodeCircuit node;
    private final Catalog catalog;

    LinkFixes(NodeCircuit node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
    }

    List<Fix> of(Link link) {
        List<Fix> fixes = new ArrayList<>();
        // A resistor in line changes no level, so that a divider or a shifter may take its place.
        boolean isOpen = link.between().filter(Between::changesLevels).isEmpty();
        if (isOpen) {
            WayFixes ways = new WayFixes(node, catalog);
            Optional<Fix> there = ways.there(link);
            // No part before a part: the right rail comes before anything in the wire.
            new OtherSupply(node).of(link.signal(), far(link)).ifPresent(fixes::add);
            there.ifPresent(fixes::add);
            divider(link).ifPresent(fixes::add);
            if (there.isEmpty()) {
                fixes.addAll(ways.added(link));
            }
            new BoardFixes(node, catalog).of(link).ifPresent(fixes::add);
        } else {
            fixes.add(new Fix(
                    "take-out",
                    Fact.of("fix.take_out").with("signal", link.signal().pin()),
                    Fact.of("fix.take_out.cost"),
                    List.of(new TakeOut(nodeId(), link.signal().endpoint()))));
        }
        return fixes;
    }

    private String nodeId() {
        return node.node().id();
    }

    /** Only for a wire that goes one way, from a higher level to a lower one. */
    private Optional<Fix> divider(Link link) {
        boolean isTwoWay =
                node.pin(link.signal().endpoint()).orElseThrow().use().isTwoWay();
        boolean isTooHigh =
                link.check().verdict() == Verdict.HARMS || link.check().isAboveRecommended();
        if (isTwoWay || !isTooHigh) {
            return Optional.empty();
        }
        LevelCheck check = link.check();
        Voltage ceiling = check.recommendedMax()
                .map(limit -> Quantity.smaller(limit, check.absoluteMax()))
                .orElse(check.absoluteMax());
        Resistance most = WireSpeed.of(node, link.signal().endpoint())
                .map(WireSpeed::mostResistance)
                .map(through -> Quantity.smaller(through, MOST_SOURCE))
                .orElse(MOST_SOURCE);
        return DividerSearch.sparing(
                        check.vohMin(), check.vohMax(), ceiling, check.vih().plus(check.wantedMargin()), most)
                .map(pair -> DividerFix.of(link.signal(), pair, check.vohMax()));
    }

    private static Endpoint far(Link link) {
        return link.signal().endpoint().equals(link.from()) ? link.to() : link.from();
    }
}
