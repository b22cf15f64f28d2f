package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.formula.I2cAddress;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.StrapWires;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Ways out that set a part's address straps. */
final class StrapFixes {
    private StrapFixes() {}

    /**
     * The lowest address that the part's straps can give and that nobody else on its bus answers to; at most one way
     * out.
     */
    static List<Fix> toFree(NodePins pins, Placed placed) {
        Set<Integer> taken = new HashSet<>();
        pins.lineOf(placed.id()).stream()
                .flatMap(line -> pins.hearing(line).stream())
                .filter(other -> !other.id().equals(placed.id()))
                .forEach(other -> taken.addAll(other.addresses()));
        // What answers on other tables counts where the part's bus goes on to them.
        pins.linkEnds().stream()
                .filter(end ->
                        pins.lineOf(placed.id()).filter(end.pin()::equals).isPresent())
                .forEach(end -> taken.addAll(end.answering()));
        return placed.cls().i2c().orElseThrow().choices().stream()
                .filter(address -> !taken.contains(address) && !I2cAddress.isReserved(address))
                .filter(address -> StrapWires.isOpen(pins.node(), placed, address))
                .limit(1)
                .map(address -> fix(pins, placed, address))
                .toList();
    }

    /** An address of its own for each of several, one after the other; nothing where that is not to be had for all. */
    static List<Fix> each(Circuit circuit, NodePins pins, List<Placed> parts) {
        String node = pins.node().node().id();
        List<Edit> edits = new ArrayList<>();
        Circuit now = circuit;
        for (Placed part : parts) {
            Optional<NodePins> here = PinReport.of(now).node(node);
            Optional<Fix> fix = here.filter(table -> part.cls().i2c().isPresent())
                    .flatMap(table -> table.node().part(part.id()).flatMap(placed -> toFree(table, placed).stream()
                            .findFirst()));
            Optional<Circuit> after = fix.isEmpty() ? Optional.empty() : Tried.after(fix.get(), now);
            if (after.isEmpty()) {
                return List.of();
            }
            edits.addAll(fix.get().edits());
            now = after.get();
        }
        return List.of(new Fix(
                "straps",
                Fact.of("fix.straps")
                        .with(
                                "parts",
                                parts.stream().map(one -> one.part().name()).toList())
                        .with("count", parts.size()),
                Fact.of("fix.straps.cost"),
                edits));
    }

    /** The address, and the ties that give it where it is not chosen on the part. */
    private static Fix fix(NodePins pins, Placed placed, int address) {
        List<Edit> edits = new ArrayList<>(StrapWires.edits(pins.node(), placed, address));
        int wires = edits.size();
        edits.add(new SetSetting(pins.node().node().id(), placed.id(), Settings.ADDRESS, Engineering.address(address)));
        return new Fix(
                "strap-" + placed.id() + "-" + Engineering.address(address),
                Fact.of("fix.strap").with("part", placed.part().name()).with("address", Engineering.address(address)),
                Fact.of(wires == 0 ? "fix.strap.cost" : "fix.strap_wires.cost").with("count", wires),
                edits);
    }
}
