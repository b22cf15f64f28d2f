package inkel.app.ui.stage;

import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.finding.Stage;
import javafx.scene.layout.VBox;

/** A stage that is not built yet: says in one line what will be in it. */
public final class LaterStage extends StagePane {
    public LaterStage(Stage stage) {
        super(stage);
        VBox sheet = new VBox(Ui.text(Words.get("stage." + stage.text() + ".later"), "later"));
        sheet.getStyleClass().add("sheet");
        getChildren().add(sheet);
    }
}
