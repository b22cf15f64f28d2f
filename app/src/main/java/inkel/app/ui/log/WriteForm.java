package inkel.app.ui.log;

import inkel.app.state.LogWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.document.Place;
import inkel.core.log.Entry;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A line that is written by hand: what sort, about what, what it says, and perhaps a value and a picture. */
final class WriteForm extends VBox {
    private static final double VALUE = 90;
    private static final double PICTURE = 190;

    private final Session session;
    private final Caption about = Ui.text("", "quiet");
    private final Caption problem = Ui.text("", "stop-text");
    private final TextField text = new TextField();
    private final TextField value = new TextField();
    private final TextField picture = new TextField();
    private final Map<Entry.Sort, Tile> sorts = new EnumMap<>(Entry.Sort.class);
    private Entry.Sort sort = Entry.Sort.NOTED;
    private Optional<Integer> answers = Optional.empty();
    private Place place = Place.NOWHERE;

    WriteForm(Session session) {
        super(10);
        this.session = session;
        getStyleClass().add("sheet");
        setId("log-form");
        WrapRow kinds = new WrapRow(8);
        for (Entry.Sort one : LogWork.written()) {
            Tile tile = Ui.pill(
                    "log-write-" + one.name().toLowerCase(Locale.ROOT), RecordWords.sort(one), () -> choose(one));
            tile.getStyleClass().add("pill-toggle");
            sorts.put(one, tile);
            kinds.getChildren().add(tile);
        }
        text.setId("log-text");
        text.setPromptText(Words.get("log.write.prompt"));
        text.setMinWidth(0);
        HBox.setHgrow(text, Priority.ALWAYS);
        value.setId("log-value");
        value.setPromptText("3.31 V");
        value.setPrefWidth(VALUE);
        picture.setId("log-picture");
        picture.setPromptText("photos/lock.jpg");
        picture.setPrefWidth(PICTURE);
        HBox said = new HBox(8, text, value);
        said.setAlignment(Pos.CENTER_LEFT);
        WrapRow end = new WrapRow(10);
        end.setAlignment(Pos.CENTER_LEFT);
        HBox shown = new HBox(6, Ui.word(Words.get("log.write.picture_of"), "quiet"), picture);
        shown.setAlignment(Pos.CENTER_LEFT);
        end.getChildren()
                .addAll(
                        shown,
                        Ui.pill("log-add", Words.get("log.write.add"), this::add),
                        Ui.textButton("log-drop", Words.get("log.write.drop"), this::close));
        text.setOnAction(event -> add());
        value.setOnAction(event -> add());
        picture.setOnAction(event -> add());
        getChildren().addAll(about, kinds, said, end, problem);
        close();
    }

    /** @param answered the line that is answered; empty for a line of its own */
    void open(Place at, Optional<Entry> answered) {
        place = answered.map(entry -> entry.line().place()).orElse(at);
        answers = answered.map(Entry::number);
        choose(Entry.Sort.NOTED);
        sorts.forEach((one, tile) -> tile.setDisable(answers.isPresent() && one != Entry.Sort.NOTED));
        about.setText(answered.map(entry -> Words.get("log.write.answers", "line", entry.number() + 1))
                .orElseGet(() -> Words.get("log.write.about", "place", session.ownBuildPlace(place))));
        say("");
        Ui.show(this, true);
        text.requestFocus();
    }

    private void close() {
        text.clear();
        value.clear();
        picture.clear();
        Ui.show(this, false);
    }

    private void choose(Entry.Sort chosen) {
        sort = chosen;
        sorts.forEach((one, tile) -> tile.setSelected(one == chosen));
    }

    private void say(String sentence) {
        problem.setText(sentence);
        Ui.show(problem, !sentence.isEmpty());
    }

    private void add() {
        Optional<String> wrong =
                session.log().write(sort, place, text.getText(), value.getText(), picture.getText(), answers);
        say(wrong.orElse(""));
        if (wrong.isEmpty()) {
            close();
        }
    }
}
