package inkel.core.remedy;

import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetSetting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What a builder wants of a part's signals against what its class says: one more, or one less. */
public final class Wishes {
    private Wishes() {}

    /** Asks for a signal that the part would do without, or no longer does without one; it goes where the plan puts it. */
    public static List<Edit> want(NodeCircuit node, Placed placed, Pin pin) {
        Map<String, String> declined = declined(placed);
        List<Edit> edits = new ArrayList<>();
        if (declined.remove(pin.label()) != null) {
            edits.add(declined(node, placed, declined));
        }
        if (!pin.isWanted()) {
            Set<String> wanted = wanted(placed);
            wanted.add(pin.label());
            edits.add(wanted(node, placed, wanted));
        }
        return edits;
    }

    /**
     * Does without a signal, and takes its wire off.
     *
     * @param reason in the builder's words; may be empty
     */
    public static List<Edit> decline(NodeCircuit node, Placed placed, Pin pin, String reason) {
        List<Edit> edits = new ArrayList<>();
        Set<String> wanted = wanted(placed);
        if (wanted.remove(pin.label())) {
            edits.add(wanted(node, placed, wanted));
        }
        if (pin.isWanted()) {
            Map<String, String> declined = declined(placed);
            declined.put(pin.label(), reason.replaceAll("[()]", "").strip());
            edits.add(declined(node, placed, declined));
        }
        if (node.wire(placed.endpoint(pin)).isPresent()) {
            edits.add(new RemoveWire(node.node().id(), placed.endpoint(pin)));
        }
        return edits;
    }

    private static Set<String> wanted(Placed placed) {
        return new LinkedHashSet<>(placed.own(Settings.WANTED).orElse(List.of()));
    }

    private static Map<String, String> declined(Placed placed) {
        return new LinkedHashMap<>(placed.own(Settings.DECLINED).orElse(Map.of()));
    }

    private static Edit wanted(NodeCircuit node, Placed placed, Set<String> pins) {
        return new SetSetting(
                node.node().id(), placed.id(), Settings.WANTED, pins.isEmpty() ? null : String.join(", ", pins));
    }

    private static Edit declined(NodeCircuit node, Placed placed, Map<String, String> pins) {
        List<String> texts = pins.entrySet().stream()
                .map(pin -> pin.getValue().isEmpty() ? pin.getKey() : pin.getKey() + " (" + pin.getValue() + ")")
                .toList();
        return new SetSetting(
                node.node().id(), placed.id(), Settings.DECLINED, texts.isEmpty() ? null : String.join(", ", texts));
    }
}
