package inkel.app.ui.start;

import inkel.app.state.Session;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import javafx.scene.layout.VBox;

/** Adds a board to the open build. */
public final class BoardPage extends VBox {
    /** @param close goes back to the stage */
    public BoardPage(Session session, Runnable close) {
        getStyleClass().addAll("stage", "board-page");
        setId("board-page");
        Tile leave = Ui.pill("board-leave", Words.get("maker.leave"), close);
        leave.setMaxWidth(USE_PREF_SIZE);
        getChildren()
                .addAll(
                        Ui.word(Words.get("node.add.title"), "stage-title"),
                        Ui.text(Words.get("node.add.text"), "quiet"),
                        new EqualsForm(session, close),
                        new BuildMaker(session, Words.get("node.add.do"), node -> {
                            session.boards().add(node);
                            close.run();
                        }),
                        leave);
    }
}
