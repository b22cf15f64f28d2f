package inkel.app.ui.why;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.Place;
import inkel.core.finding.Fix;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** How fast two boards talk over a serial line; one field, taken by Enter. */
final class LinkRate extends VBox {
    private static final double WIDTH = 104;

    private final Session session;
    private final BoardLine line;
    private final TextField field;
    private final Caption trouble = Ui.text("", "stop-text", "small");

    LinkRate(Session session, BoardLine line) {
        super(2);
        this.session = session;
        this.line = line;
        field = new TextField(said(line));
        field.setId("link-rate");
        field.setPromptText(Words.get("setting.example", "value", "9600"));
        field.getStyleClass().add("figure-field");
        field.setPrefWidth(WIDTH);
        field.setMinWidth(WIDTH);
        field.setAccessibleText(Words.get("why.rate"));
        field.setOnAction(event -> take());
        Caption name = Ui.text(Words.get("why.rate"), "row-name");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, name, field);
        row.setAlignment(Pos.CENTER_LEFT);
        Ui.show(trouble, false);
        getChildren().addAll(row, trouble);
    }

    /** Whether it has the keyboard. */
    boolean isTyping() {
        return field.isFocused();
    }

    /** Goes on where an earlier one was left, if it was for the same line. */
    void follow(LinkRate before) {
        if (places(before.line).equals(places(line))) {
            if (!before.field.getText().equals(said(before.line))) {
                field.setText(before.field.getText());
            }
            field.requestFocus();
            field.end();
        }
    }

    private static String said(BoardLine line) {
        return line.rates().stream().findFirst().map(Engineering::bare).orElse("");
    }

    private static List<Place> places(BoardLine line) {
        return line.ends().stream().map(LinkEnd::here).toList();
    }

    /** Emptied it says nothing of the rate any more. */
    private void take() {
        String text = Numbers.typed(field.getText().strip());
        Optional<Frequency> rate =
                Engineering.parse(text, Unit.HERTZ).filter(value -> value > 0).map(Frequency::ofHertz);
        boolean isBad = !text.isEmpty() && rate.isEmpty();
        Ui.show(trouble, isBad);
        if (isBad) {
            trouble.setText(Words.say(Fact.of("why.rate.bad").with("found", text)));
        } else {
            session.apply(new Fix("rate", Fact.of("why.rate"), Fact.of("fix.boards_rate.cost"), line.at(rate)));
        }
    }
}
