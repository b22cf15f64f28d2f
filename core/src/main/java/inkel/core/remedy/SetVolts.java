package inkel.core.remedy;

import inkel.core.catalog.Output;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * The knob of a bench supply or the screw of a regulator turned to other volts: what comes to mind first where something gets too
 * little or too much from it.
 */
public final class SetVolts {
    private final Circuit circuit;
    private final NodeCircuit node;

    private SetVolts(Circuit circuit, NodeCircuit node) {
        this.circuit = circuit;
        this.node = node;
    }

    /**
     * The first on the way up from a rail that can be turned to volts which do; empty where none can, or where something else on
     * it would get too much, or more than before too little.
     *
     * @param wanted what lacks the right volts; its usual ones are tried first, then those of what else hangs there
     * @param isMended asked of each way out
     */
    public static Optional<Fix> of(
            Circuit circuit, NodeCircuit node, Rail rail, Supply wanted, Predicate<Fix> isMended) {
        if (wanted.isMeasured()) {
            return Optional.empty();
        }
        SetVolts set = new SetVolts(circuit, node);
        return node.upToSource(rail.id()).stream()
                .flatMap(at -> node.rail(at).stream())
                .flatMap(at -> set.turned(at, wanted, isMended).stream())
                .findFirst();
    }

    private Optional<Fix> turned(Rail rail, Supply wanted, Predicate<Fix> isMended) {
        return rail.output().setTo().flatMap(range -> volts(rail, wanted)
                .filter(volts -> !volts.isBelow(range.lowest()) && !volts.isAbove(range.highest()))
                .distinct()
                .map(volts -> fix(rail, volts))
                .filter(fix -> isBorne(rail.id(), fix) && isMended.test(fix))
                .findFirst());
    }

    private Stream<Voltage> volts(Rail rail, Supply wanted) {
        Stream<Voltage> others = node.parts().stream()
                .flatMap(placed -> placed.cls().supplies().stream()
                        .filter(supply -> !supply.isMeasured() && hangs(placed, supply, rail.id()))
                        .map(supply -> supply.range().range().expected()))
                .sorted();
        return Stream.concat(Stream.of(wanted.range().range().expected()), others);
    }

    private boolean hangs(Placed placed, Supply supply, Endpoint rail) {
        return node.railOf(placed, supply.pin())
                .filter(fed -> node.upToSource(fed.id()).contains(rail))
                .isPresent();
    }

    private Fix fix(Rail rail, Voltage volts) {
        String text = Engineering.print(volts);
        String id = node.node().id();
        Endpoint at = rail.id();
        Edit edit = rail.output().way() == Output.Way.SOURCE
                ? new SetSetting(id, at.part(), Settings.VOLTS, text)
                : new SetFigure(id, at.part(), "rail/" + at.pin() + "/volts", text);
        return new Fix(
                "set-volts",
                Fact.of("fix.set_volts")
                        .with("part", node.part(at.part()).orElseThrow().part().name())
                        .with("volts", volts),
                Fact.of("fix.set_volts.cost"),
                List.of(edit));
    }

    private boolean isBorne(Endpoint rail, Fix fix) {
        return Tried.after(fix, circuit)
                .flatMap(after -> after.node(node.node().id()))
                .filter(after -> Room.over(after) <= Room.over(node)
                        && MoreCells.tooHigh(after, rail) == 0
                        && MoreCells.tooLow(after, rail) <= MoreCells.tooLow(node, rail))
                .isPresent();
    }
}
