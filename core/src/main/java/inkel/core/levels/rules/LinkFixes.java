package inkel.core.levels.rules;

import inkel.core.catalog.PinLoad;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Fix;
import inkel.core.levels.Link;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.LampFeed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Ways to make a wire's levels fit: through a shifter or a buffer, a divider, another supply, another board. */
final class LinkFixes {
    private final NodeCircuit node;
    private final Circuit circuit;

    LinkFixes(NodeCircuit node, Circuit circuit) {
        this.node = node;
        this.circuit = circuit;
    }

    List<Fix> of(Link link) {
        Optional<Placed> lit = node.part(link.to().part());
        Optional<PinLoad> lamp =
                lit.flatMap(placed -> LampFeed.lamp(placed, link.to().pin()));
        if (lamp.isPresent()) {
            return LampFeed.of(node, circuit.catalog(), lit.get(), lamp.get());
        }
        List<Fix> fixes = new ArrayList<>();
        // A resistor in line changes no level, so that a divider or a shifter may take its place.
        boolean isOpen = link.between().filter(Between::changesLevels).isEmpty();
        if (isOpen) {
            WayFixes ways = new WayFixes(node, circuit);
            Optional<Fix> there = ways.there(link);
            // No part before a part: the right rail comes before anything in the wire.
            new OtherSupply(node)
                    .of(link.signal(), far(link))
                    .filter(fix -> Proof.isBetter(circuit, fix, link))
                    .ifPresent(fixes::add);
            there.ifPresent(fixes::add);
            divider(link).ifPresent(fixes::add);
            if (there.isEmpty()) {
                fixes.addAll(ways.added(link));
            }
            new BoardFixes(node, circuit).of(link).ifPresent(fixes::add);
        } else {
            fixes.add(TakeOutFix.of(
                    link.signal().endpoint(),
                    new TakeOut(nodeId(), link.signal().endpoint())));
        }
        return fixes;
    }

    private String nodeId() {
        return node.node().id();
    }

    /** Two resistors in a wire that is too high and has nothing in it that changes its levels; empty where they do not help. */
    Optional<Fix> divided(Link link) {
        boolean isOpen = link.between().filter(Between::changesLevels).isEmpty();
        return isOpen ? divider(link) : Optional.empty();
    }

    /** Only for a wire that goes one way, from a higher level to a lower one. */
    private Optional<Fix> divider(Link link) {
        Endpoint signal = link.signal().endpoint();
        if (node.pin(signal).orElseThrow().use().isTwoWay()) {
            return Optional.empty();
        }
        Resistance most =
                WireSpeed.of(node, signal).map(WireSpeed::mostResistance).orElse(DividerFix.MOST_SOURCE);
        return DividerFix.pair(link.check(), most)
                .map(pair -> DividerFix.of(signal, pair, link.check().vohMax(), piece -> InWire.put(link, piece)));
    }

    private static Endpoint far(Link link) {
        return link.signal().endpoint().equals(link.from()) ? link.to() : link.from();
    }
}
