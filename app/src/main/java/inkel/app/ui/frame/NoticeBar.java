package inkel.app.ui.frame;

import inkel.app.lane.Notice;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Says what happened, above the stage, with what can be done about it. Never in the way. */
final class NoticeBar extends VBox {
    private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");

    NoticeBar(Session session, Subscriptions subscriptions) {
        getStyleClass().add("notice");
        setId("notice");
        subscriptions.on(session.notices().property(), (property, old, next) -> show(session, next));
        show(session, session.notices().property().get());
    }

    private void show(Session session, Notice notice) {
        getChildren().clear();
        Ui.show(this, notice != null);
        if (notice == null) {
            return;
        }
        pseudoClassStateChanged(TROUBLE, notice.tone() == Notice.Tone.TROUBLE);
        Caption text = Ui.text(notice.text(), "notice-text");
        text.setId("notice-text");
        HBox.setHgrow(text, Priority.ALWAYS);
        text.setMaxWidth(Double.MAX_VALUE);
        Button close = new Button(Words.get("notice.close"));
        close.setId("notice-close");
        close.setMinWidth(USE_PREF_SIZE);
        close.getStyleClass().add("quiet-button");
        close.setOnAction(event -> session.notices().property().set(null));
        getChildren().add(new HBox(12, text, close));
        if (!notice.actions().isEmpty()) {
            FlowPane buttons = new FlowPane(8, 6);
            notice.actions().forEach(action -> {
                Button button = new Button(action.title());
                button.getStyleClass().add("pill-button");
                button.setOnAction(event -> action.run().run());
                buttons.getChildren().add(button);
            });
            getChildren().add(buttons);
        }
    }
}
