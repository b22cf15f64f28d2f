package inkel.core.remedy;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.Unfeed;
import java.util.ArrayList;
import java.util.List;

/** Parts that lie on the table and come into the plan later. */
public final class ForLater {
    private ForLater() {}

    /** Leaves a part out of the plan: no wire, no feed, nothing asked for. Wires that the builder holds stay. */
    public static List<Edit> leaveOut(NodeCircuit node, Placed placed) {
        String id = node.node().id();
        List<Edit> edits = new ArrayList<>();
        edits.add(new SetSetting(id, placed.id(), Settings.LATER, "yes"));
        node.node().wires().stream()
                .filter(wire -> wire.from().part().equals(placed.id()) && !wire.held())
                .map(Wire::from)
                .forEach(signal -> edits.add(new RemoveWire(id, signal)));
        placed.part().feeds().keySet().forEach(pin -> edits.add(new Unfeed(id, placed.id(), pin)));
        return edits;
    }

    /** Takes it into the plan, fed from rails that suit it; its pins are shared out with the next plan. */
    public static List<Edit> takeIn(NodeCircuit node, Placed placed) {
        String id = node.node().id();
        List<Edit> edits = new ArrayList<>();
        edits.add(new SetSetting(id, placed.id(), Settings.LATER, null));
        AddParts.feeds(node, placed.cls()).forEach((pin, rail) -> {
            if (!placed.part().feeds().containsKey(pin)) {
                edits.add(new Feed(id, placed.id(), pin, rail));
            }
        });
        return edits;
    }
}
