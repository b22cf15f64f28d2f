package inkel.core.remedy;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;

/** How a rail is called: by its owner alone when that has only one, else by owner and pin. */
public final class RailNames {
    private RailNames() {}

    public static Fact of(NodeCircuit node, Endpoint rail) {
        Placed owner = node.part(rail.part()).orElseThrow();
        boolean isOnlyOne = owner.cls().outputs().size() == 1;
        String key = owner.part().isBoard() ? "rail.of_board" : isOnlyOne ? "rail.of_part" : "rail.of_part_pin";
        return Fact.of(key).with("part", owner.part().name()).with("pin", rail.pin());
    }
}
