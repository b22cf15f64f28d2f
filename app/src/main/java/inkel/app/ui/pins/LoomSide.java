package inkel.app.ui.pins;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Icons;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.layout.Pane;

/** A module's name and purpose, with a press that folds it. Stays at the left when the threads are moved across. */
final class LoomSide extends Pane {
    static final double WIDTH = LoomGeometry.LEFT - 10;
    private static final PseudoClass APART = PseudoClass.getPseudoClass("apart");
    private static final double FOLD = 18;

    LoomSide(LoomModel.Module module, double top, double height, LoomActions actions) {
        getStyleClass().add("loom-side");
        setManaged(false);
        resizeRelocate(0, top, WIDTH, height);
        double pad = module.isFolded() ? 6 : LoomGeometry.CARD_PAD;
        Tile fold = new Tile(
                () -> actions.toggleFold(module.id()),
                Ui.icon(module.isFolded() ? Icons.OPEN : Icons.FOLD, "fold-icon"),
                Pos.CENTER,
                "fold");
        fold.setId("fold-" + module.id());
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

    /** Whether the threads run beneath it: then it hides them, and presses do not reach the rows below. */
    void setApart(boolean isApart) {
        pseudoClassStateChanged(APART, isApart);
        setPickOnBounds(isApart);
    }
}
