package inkel.app.ui.stages;

import inkel.app.ui.Ui;
import inkel.app.words.Words;
import inkel.core.finding.Stage;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What every stage has: its name, one sentence, and room for controls at the right. */
abstract class StagePane extends VBox {
    private final HBox controls = new HBox(8);

    StagePane(Stage stage) {
        getStyleClass().add("stage");
        setId("stage-pane-" + stage.text());
        VBox titles = new VBox(
                Ui.word(Words.get("stage." + stage.text()), "stage-title"),
                Ui.text(Words.get("stage." + stage.text() + ".purpose"), "quiet"));
        titles.getStyleClass().add("stage-titles");
        titles.setMinWidth(0);
        controls.setMinWidth(USE_PREF_SIZE);
        getChildren().add(new HBox(titles, Ui.spring(), controls));
    }

    void addControl(Node control) {
        controls.getChildren().add(control);
    }
}
