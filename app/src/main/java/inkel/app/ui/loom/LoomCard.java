package inkel.app.ui.loom;

import inkel.app.ui.Icons;
import inkel.app.ui.Ui;
import inkel.app.ui.controls.Caption;
import inkel.app.ui.controls.Tile;
import inkel.app.words.Words;
import javafx.geometry.Pos;
import javafx.scene.layout.Pane;

/** The sheet behind a module's rows, with its name, and a press that folds it. */
final class LoomCard extends Pane {
    private static final double FOLD = 18;

    LoomCard(LoomModel.Module module, double top, double width, double height, LoomActions actions) {
        getStyleClass().add("loom-card");
        setManaged(false);
        resizeRelocate(0, top, width, height);
        double pad = module.isFolded() ? 6 : LoomGeometry.CARD_PAD;
        Tile fold = new Tile(
                () -> actions.toggleFold(module.place().part()),
                Ui.icon(module.isFolded() ? Icons.OPEN : Icons.FOLD, "fold-icon"),
                Pos.CENTER,
                "fold");
        fold.setId("fold-" + module.place().part());
        fold.setFocusTraversable(false);
        fold.setAccessibleText(Words.get(module.isFolded() ? "loom.open" : "loom.fold", "part", module.name()));
        fold.resizeRelocate(4, pad - 1, FOLD, FOLD);
        fold.setManaged(false);
        Caption name = Ui.word(module.name(), "loom-name");
        name.setMaxWidth(LoomGeometry.NAME_WIDTH - 12);
        name.relocate(4 + FOLD + 2, pad);
        getChildren().addAll(fold, name);
        if (!module.isFolded()) {
            Caption purpose = Ui.word(module.purpose(), "quiet", "small");
            purpose.setMaxWidth(LoomGeometry.NAME_WIDTH - 12);
            purpose.relocate(4 + FOLD + 2, pad + 18);
            getChildren().add(purpose);
        }
        setOnMouseClicked(event -> actions.select(module.place()));
    }
}
