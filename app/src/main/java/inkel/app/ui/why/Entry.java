package inkel.app.ui.why;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.util.Optional;
import javafx.scene.control.TextField;

/**
 * A field of a form with what is wrong with its text. A form is made anew whenever the build was judged anew; what
 * somebody is typing then moves to the new one, and the old one takes nothing any more.
 */
final class Entry {
    private final TextField field;
    private final Caption trouble = Ui.text("", "stop-text", "small");
    private String asMade;
    private int anchor;
    private int caret;
    private boolean isReplaced;

    Entry(TextField field, Runnable take) {
        this.field = field;
        asMade = field.getText();
        Ui.show(trouble, false);
        field.setOnAction(event -> take.run());
        field.focusedProperty().addListener((property, old, next) -> {
            if (!next && !isReplaced) {
                take.run();
            }
        });
    }

    TextField field() {
        return field;
    }

    Caption trouble() {
        return trouble;
    }

    /** Says what is wrong; empty where nothing is. */
    void tell(Optional<Fact> problem) {
        problem.ifPresent(reason -> trouble.setText(Words.say(reason)));
        Ui.show(trouble, problem.isPresent());
    }

    /** The text that stands there is no longer being typed: it was taken. */
    void taken() {
        asMade = field.getText();
    }

    /** Puts a text there that is no typing of anybody. */
    void reset(String text) {
        field.setText(text);
        tell(Optional.empty());
        taken();
    }

    /** Goes on where the same field of an earlier form was left. */
    void follow(Entry before) {
        before.isReplaced = true;
        anchor = before.field.getAnchor();
        caret = before.field.getCaretPosition();
        if (before.field.getText().equals(before.asMade)) {
            return;
        }
        field.setText(before.field.getText());
        trouble.setText(before.trouble.getText());
        Ui.show(trouble, before.trouble.isVisible());
    }

    /** Puts the keyboard here, with the caret where it was. */
    void focus() {
        field.requestFocus();
        field.selectRange(anchor, caret);
    }
}
