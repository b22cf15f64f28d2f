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
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
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
                        .filter(after -> tooHigh(after, source) == 0)
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
        return counted(node, id -> true, (volts, supply) -> volts.highest().isAbove(supply.highest()));
    }

    /** The same of what comes from one source. */
    static long tooHigh(NodeCircuit node, Endpoint source) {
        return counted(node, id -> node.upToSource(id).contains(source), (volts, supply) -> volts.highest()
                .isAbove(supply.highest()));
    }

    /** How many supply pins of what comes from one source may get less than they work at. */
    static long tooLow(NodeCircuit node, Endpoint source) {
        return counted(node, id -> node.upToSource(id).contains(source), (volts, supply) -> volts.lowest()
                .isBelow(supply.lowest()));
    }

    private static long counted(
            NodeCircuit node, Predicate<Endpoint> isOfThese, BiPredicate<Range<Voltage>, Range<Voltage>> isWrong) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().supplies().stream().filter(supply -> node.railOf(placed, supply.pin())
                        .filter(rail -> isOfThese.test(rail.id()))
                        .flatMap(Rail::volts)
                        .filter(volts -> isWrong.test(volts, supply.range().range()))
                        .isPresent()))
                .count();
    }
}
