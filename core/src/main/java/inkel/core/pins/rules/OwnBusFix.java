package inkel.core.pins.rules;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A bus of its own for a part on free plain pins, driven by the program. */
final class OwnBusFix {
    private OwnBusFix() {}

    /** Empty when there are not enough pins for it, or the builder wants the board's hardware. */
    static Optional<Fix> of(NodePins pins, Placed member) {
        List<Pin> lines = member.cls()
                .signals()
                .filter(pin -> pin.use().sharedLine().isPresent())
                .toList();
        boolean isOnHardware =
                member.own(Settings.BUS).filter(Settings.Bus.HARDWARE::equals).isPresent();
        if (lines.isEmpty() || isOnHardware) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>();
        String node = pins.node().node().id();
        edits.add(new SetSetting(node, member.id(), Settings.BUS, "software"));
        Set<Endpoint> used = new HashSet<>();
        for (Pin line : lines) {
            BusLine of = line.use().sharedLine().orElseThrow();
            Optional<Endpoint> target =
                    pins.freeForSoftware(of).stream().filter(used::add).findFirst();
            if (target.isEmpty()) {
                return Optional.empty();
            }
            edits.add(new SetWire(node, Wire.placed(member.endpoint(line), target.get())));
        }
        return Optional.of(new Fix(
                "own-bus",
                Fact.of("fix.own_bus").with("part", member.part().name()),
                Fact.of("fix.own_bus.cost").with("count", lines.size()),
                edits));
    }
}
