package inkel.app.state;

import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** What the builder looks at: the stage, the node, a place on it, or a class that is not on the table yet. */
public final class Selection {
    private final ObjectProperty<Stage> stage = new SimpleObjectProperty<>(Stage.PARTS);
    private final ObjectProperty<String> node = new SimpleObjectProperty<>("");
    private final ObjectProperty<Place> place = new SimpleObjectProperty<>();
    private final ReadOnlyObjectWrapper<PartClass> inspected = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<String> wire = new SimpleObjectProperty<>();
    private String wantedNode;
    private Place wantedPlace;

    Selection() {
        place.addListener((property, old, next) -> inspected.set(null));
        node.addListener((property, old, next) -> inspected.set(null));
        stage.addListener((property, old, next) -> inspected.set(null));
    }

    public ObjectProperty<Stage> stageProperty() {
        return stage;
    }

    /** The id of the node that the stages show; empty while nothing is open. */
    public ObjectProperty<String> nodeProperty() {
        return node;
    }

    /** What the Why panel is about; null for the node as a whole. */
    public ObjectProperty<Place> placeProperty() {
        return place;
    }

    /** A class of part that is looked at before it is on the table; null for what is selected on it. */
    public ReadOnlyObjectProperty<PartClass> inspectedProperty() {
        return inspected.getReadOnlyProperty();
    }

    /** The id of a wire that is to be shown next; null when there is none, or it is shown. */
    public ObjectProperty<String> wireProperty() {
        return wire;
    }

    /** Shows a wire of a node on its stage. */
    public void showWire(String ofNode, String id) {
        node.set(ofNode);
        wire.set(id);
        stage.set(Stage.WIRE);
    }

    /** Shows a class in the Why panel; null goes back to what is selected. */
    public void inspect(PartClass cls) {
        inspected.set(cls);
    }

    /** Shows a place: the stage, its node, and the place itself as what is selected. */
    public void show(Stage at, Place shown) {
        node.set(shown.node());
        stage.set(at);
        place.set(shown);
    }

    /** Selects a place as soon as it is in an assessment. */
    void wantPlace(Place wanted) {
        wantedPlace = wanted;
    }

    /** Shows a node as soon as it is in an assessment. */
    void wantNode(String wanted, Assessment now) {
        place.set(null);
        wantedNode = wanted;
        showWantedNode(now);
    }

    /** Another build: its first node, and nothing selected. */
    void startOver(String firstNode) {
        place.set(null);
        wantedNode = null;
        wantedPlace = null;
        node.set(firstNode);
    }

    /** Before a new assessment is shown: the node may be gone from it, so that changes first where the old has both. */
    void beforeShown(Assessment old, Assessment next) {
        if (next.circuit(node.get()).isEmpty()) {
            String other = next.build().nodes().get(0).id();
            if (old.circuit(other).isPresent()) {
                node.set(other);
            }
        }
        if (!isThere(next, place.get())) {
            place.set(null);
        }
    }

    void afterShown(Assessment now) {
        showWantedNode(now);
        if (wantedPlace != null && isThere(now, wantedPlace)) {
            place.set(wantedPlace);
            wantedPlace = null;
        }
    }

    private static boolean isThere(Assessment now, Place at) {
        return at == null
                || now.circuit(at.node())
                        .filter(circuit ->
                                at.part().isEmpty() || circuit.part(at.part()).isPresent())
                        .isPresent();
    }

    /** A node that was just added is shown as soon as it is assessed; one that is gone gives way to the first. */
    private void showWantedNode(Assessment now) {
        if (wantedNode != null && now != null && now.circuit(wantedNode).isPresent()) {
            node.set(wantedNode);
            wantedNode = null;
        } else if (now != null && now.circuit(node.get()).isEmpty()) {
            node.set(now.build().nodes().get(0).id());
        }
    }
}
