package inkel.core.remedy;

import inkel.core.catalog.Battery;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** A battery of one cell more: what comes to mind first where something gets too little from it. */
public final class MoreCells {
    private MoreCells() {}

    /** One cell more in the battery that a rail comes from; empty where it comes from none or from a block, or something would get too much. */
    public static Optional<Fix> of(Circuit circuit, NodeCircuit node, Rail rail) {
        List<Endpoint> way = node.upToSource(rail.id());
        Endpoint source = way.get(way.size() - 1);
        return node.rail(source)
                .flatMap(from -> from.output().battery())
                .filter(battery -> !battery.isBlock())
                .map(battery -> fix(node, source, battery))
                .filter(fix -> Tried.after(fix, circuit)
                        .flatMap(after -> after.node(node.node().id()))
                        .filter(after ->
                                tooHigh(after, id -> after.upToSource(id).contains(source)) == 0)
                        .isPresent());
    }

    private static Fix fix(NodeCircuit node, Endpoint source, Battery battery) {
        int more = battery.cells() + 1;
        return new Fix(
                "cells",
                Fact.of("fix.cells").with("count", more),
                Fact.of("fix.cells.cost").with("rail", RailNames.of(node, source)),
                List.of(new SetSetting(node.node().id(), source.part(), Settings.CELLS, String.valueOf(more))));
    }

    /** How many supply pins get more than they work at. */
    public static long tooHigh(NodeCircuit node) {
        return tooHigh(node, id -> true);
    }

    private static long tooHigh(NodeCircuit node, Predicate<Endpoint> isOfThese) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().supplies().stream().filter(supply -> node.railOf(placed, supply.pin())
                        .filter(rail -> isOfThese.test(rail.id()))
                        .flatMap(Rail::volts)
                        .filter(volts ->
                                volts.highest().isAbove(supply.range().range().highest()))
                        .isPresent()))
                .count();
    }
}
