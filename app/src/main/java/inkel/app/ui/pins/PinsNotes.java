package inkel.app.ui.pins;

import inkel.app.ui.kit.Knot;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why.Section;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.finding.Fix;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;

/** What the stage Pins adds to the Why panel. */
final class PinsNotes implements StageNotes {
    private static final List<Knot.Form> LEGEND =
            List.of(Knot.Form.FIXED, Knot.Form.PLACED, Knot.Form.HELD, Knot.Form.CLASH, Knot.Form.OPEN);

    private static PinNotes notes(Assessment assessment, NodeCircuit node) {
        return new PinNotes(assessment, assessment.pins(node.node().id()).orElseThrow());
    }

    @Override
    public List<Fix> actions(Assessment assessment, NodeCircuit node, Placed placed) {
        return placed.part().isBoard()
                ? claims(assessment, node).actions()
                : notes(assessment, node).actions(placed);
    }

    @Override
    public List<Section> sections(Assessment assessment, NodeCircuit node, Placed placed) {
        return placed.part().isBoard() ? claims(assessment, node).sections() : List.of();
    }

    private static ClaimNotes claims(Assessment assessment, NodeCircuit node) {
        return new ClaimNotes(assessment.pins(node.node().id()).orElseThrow());
    }

    @Override
    public List<Section> sections(Assessment assessment, NodeCircuit node, Endpoint pin) {
        return notes(assessment, node).sections(pin);
    }

    @Override
    public List<Fix> actions(Assessment assessment, NodeCircuit node, Endpoint pin) {
        return notes(assessment, node).actions(pin);
    }

    @Override
    public List<Node> legend() {
        List<Node> lines = new ArrayList<>();
        lines.add(Ui.text(Words.get("loom.knots"), "section-title"));
        for (Knot.Form form : LEGEND) {
            StackPane shape = new StackPane(new Knot(form, "wire-digital"));
            shape.setMinWidth(22);
            HBox line = new HBox(
                    8, shape, Ui.word(Words.get("loom.knot." + form.name().toLowerCase(Locale.ROOT))));
            line.setAlignment(Pos.CENTER_LEFT);
            lines.add(line);
        }
        return lines;
    }
}
