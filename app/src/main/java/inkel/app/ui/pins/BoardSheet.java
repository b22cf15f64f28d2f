package inkel.app.ui.pins;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.BoardWords;
import inkel.app.words.Words;
import inkel.core.boards.BoardTrial;
import inkel.core.boards.BoardTrials;
import inkel.core.document.edit.PutBoard;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Every board tried on the shown table, as they come and best first when all are done; one press takes one. */
final class BoardSheet extends VBox {
    private final Session session;
    private final Runnable close;
    private final VBox rows = new VBox(8);
    private final Caption progress = Ui.word("", "quiet");
    private final List<BoardTrial> trials = new ArrayList<>();

    BoardSheet(Session session, Runnable close) {
        super(8);
        this.session = session;
        this.close = close;
        setId("board-sheet");
        getStyleClass().add("sheet");
        progress.setId("board-progress");
        Tile leave = pill("boards-close", Words.get("boards.close"), close);
        HBox head = new HBox(10, Ui.word(Words.get("boards.title"), "section-title"), progress, Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        Scroller scroller = new Scroller(rows);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        getChildren().addAll(head, scroller);
    }

    private static Tile pill(String id, String words, Runnable action) {
        Tile tile = Ui.pill(id, words, action);
        tile.setMinWidth(USE_PREF_SIZE);
        tile.setMaxHeight(USE_PREF_SIZE);
        return tile;
    }

    /** Begins anew. */
    void begin() {
        trials.clear();
        rows.getChildren().clear();
        told();
        session.planning().boards(this::add, this::finish);
    }

    private void add(BoardTrial trial) {
        trials.add(trial);
        rows.getChildren().add(row(trial));
        told();
    }

    private void finish(List<BoardTrial> all) {
        trials.clear();
        trials.addAll(all);
        rows.getChildren().setAll(all.stream().map(this::row).toList());
        progress.setText(Words.say(Fact.of("boards.done")
                .with("does", all.stream().filter(BoardTrial::does).count())
                .with("count", all.size())));
    }

    private void told() {
        progress.setText(Words.say(Fact.of("boards.progress")
                .with("done", trials.size())
                .with("count", BoardTrials.boards(session.catalog()).size())));
    }

    private HBox row(BoardTrial trial) {
        String present = trial.isPresent() ? " (" + Words.get("boards.present") + ")" : "";
        VBox texts = new VBox(2);
        texts.getChildren().add(Ui.text(trial.board().name() + present, "choice-title"));
        texts.getChildren()
                .add(Ui.text(
                        BoardWords.verdict(trial),
                        trial.does() ? "good-text" : trial.isPlaced() ? "look-text" : "stop-text"));
        BoardWords.details(trial).forEach(line -> texts.getChildren().add(Ui.text(line, "quiet", "small")));
        HBox.setHgrow(texts, Priority.ALWAYS);
        texts.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(10, texts);
        row.setId("board-" + trial.board().id());
        row.getStyleClass().add("choice");
        row.setAlignment(Pos.CENTER_LEFT);
        trial.edit().filter(edit -> !trial.isPresent()).ifPresent(edit -> row.getChildren()
                .add(take(trial, edit)));
        return row;
    }

    private Tile take(BoardTrial trial, PutBoard edit) {
        Tile take = pill("take-board-" + trial.board().id(), Words.get("boards.take"), () -> {
            if (session.apply(edit)) {
                session.notices()
                        .done(Words.get("boards.taken", "board", trial.board().name()));
                close.run();
            }
        });
        take.setAccessibleText(Words.get("boards.take") + ": " + trial.board().name());
        return take;
    }
}
