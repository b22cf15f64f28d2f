package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;

/** The plus screw of a board that switches a load: it is for that load alone, whose other end goes to the screw beside it. */
final class LoadScrews {
    private LoadScrews() {}

    static boolean isOne(NodeCircuit node, Rail rail) {
        return node.part(rail.id().part()).stream()
                .flatMap(owner -> owner.cls().pins().stream())
                .anyMatch(pin -> pin.can(Ability.Kind.SINK));
    }

    /** Whether a rail may feed a part: any that is no such screw, and one that is free for what hangs between such screws. */
    static boolean mayFeed(NodeCircuit node, Rail rail, PartClass cls) {
        return !isOne(node, rail)
                || rail.loads().isEmpty() && cls.demands().pinLoads().stream().anyMatch(PinLoad::isFromSupply);
    }
}
