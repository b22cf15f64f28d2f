package inkel.core.remedy;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Puts parts of a class on a node's table, fed from rails that suit them where there are any. */
public final class AddParts {
    private AddParts() {}

    /**
     * The edits that add parts of one class, each with a name and an id of its own.
     *
     * @param count how many, at least 1
     */
    public static List<Edit> of(NodeCircuit circuit, PartClass cls, int count) {
        List<Edit> edits = new ArrayList<>();
        Node node = circuit.node();
        for (int i = 0; i < count; i++) {
            String id = node.freeId(cls.id());
            Part part = Part.of(id, cls.id(), freeName(node, cls.name()), "").withFeeds(feeds(circuit, cls));
            edits.add(new AddPart(node.id(), part));
            List<Part> more = new ArrayList<>(node.parts());
            more.add(part);
            node = node.withParts(more);
        }
        return edits;
    }

    private static String freeName(Node node, String wanted) {
        String name = wanted;
        for (int number = 2; isTaken(node, name); number++) {
            name = wanted + " " + number;
        }
        return name;
    }

    private static boolean isTaken(Node node, String name) {
        return node.parts().stream().anyMatch(part -> part.name().equals(name));
    }

    /** The rails that would feed a part of a class, by its supply pins; none for a pin that no rail suits. */
    static Map<String, Endpoint> feeds(NodeCircuit circuit, PartClass cls) {
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        for (Supply supply : cls.supplies()) {
            bestRail(circuit, cls, supply).ifPresent(rail -> feeds.put(supply.pin(), rail.id()));
        }
        return feeds;
    }

    /** The rail nearest to the typical voltage that has room for the part's peak; of those, the one with most room. */
    private static Optional<Rail> bestRail(NodeCircuit circuit, PartClass cls, Supply supply) {
        Voltage wanted = supply.range().range().expected();
        return circuit.rails().stream()
                .filter(rail -> rail.volts()
                        .filter(volts -> FeedFixes.fits(volts, supply))
                        .isPresent())
                .filter(rail -> !cls.peak(supply.pin()).isAbove(rail.room()))
                .min(Comparator.<Rail>comparingDouble(rail ->
                                Math.abs(rail.volts().orElseThrow().expected().volts() - wanted.volts()))
                        .thenComparing(Comparator.comparing(Rail::room).reversed()));
    }
}
