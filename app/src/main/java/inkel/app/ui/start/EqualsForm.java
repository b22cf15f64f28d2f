package inkel.app.ui.start;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** Asks how many more boards like the shown one there are. */
final class EqualsForm extends VBox {
    private static final int MOST = 20;

    private final Session session;
    private final Runnable close;
    private final Caption title = Ui.word("", "row-name");
    private final TextField count = new TextField("1");
    private final Caption trouble = Ui.text("", "stop-text", "small");

    EqualsForm(Session session, Runnable close) {
        super(6);
        this.session = session;
        this.close = close;
        count.setId("equals-count");
        count.setPrefWidth(64);
        count.setAccessibleText(Words.get("node.copies.count"));
        count.setOnAction(event -> add());
        trouble.setId("equals-trouble");
        Tile add = Ui.pill("equals-add", Words.get("node.copies.do"), this::add);
        WrapRow row = new WrapRow(10, title, count, add, Ui.word(Words.get("node.copies.text"), "quiet"), trouble);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(row);
        session.build()
                .flatMap(build -> build.node(session.nodeProperty().get()))
                .ifPresent(node -> title.setText(Words.get("node.copies", "board", node.name())));
    }

    private void add() {
        String typed = count.getText().strip();
        int wanted = typed.matches("\\d{1,2}") ? Integer.parseInt(typed) : 0;
        if (wanted < 1 || wanted > MOST) {
            trouble.setText(Words.get("node.copies.bad"));
            return;
        }
        session.boards().copy(session.nodeProperty().get(), wanted);
        close.run();
    }
}
