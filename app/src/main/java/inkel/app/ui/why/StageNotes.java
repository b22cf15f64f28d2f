package inkel.app.ui.why;

import inkel.app.ui.why.Why.Section;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Fix;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;

/** What a stage adds to what the Why panel says everywhere. Lists are empty where it adds nothing. */
public interface StageNotes {
    /** A stage that adds nothing. */
    StageNotes NONE = new StageNotes() {};

    /** What is said whatever is selected; empty for nearly all stages. */
    default Optional<Why> whole(Assessment assessment, NodeCircuit node) {
        return Optional.empty();
    }

    /** What is said of a place instead of all that is said elsewhere; empty for nearly all stages. */
    default Optional<Why> instead(Assessment assessment, NodeCircuit node, Place place) {
        return Optional.empty();
    }

    /** Sections behind the figures of a part. */
    default List<Section> sections(Assessment assessment, NodeCircuit node, Placed placed) {
        return List.of();
    }

    /** What can be done with a part here. */
    default List<Fix> actions(Assessment assessment, NodeCircuit node, Placed placed) {
        return List.of();
    }

    /** Sections before the others of a pin. */
    default List<Section> sections(Assessment assessment, NodeCircuit node, Endpoint pin) {
        return List.of();
    }

    /** What can be done with a pin here. */
    default List<Fix> actions(Assessment assessment, NodeCircuit node, Endpoint pin) {
        return List.of();
    }

    /** Whether a part's figures can be changed from here. */
    default boolean hasFigures() {
        return false;
    }

    /** What explains the signs of the stage, at the end of the panel. */
    default List<Node> legend() {
        return List.of();
    }
}
