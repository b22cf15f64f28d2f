package inkel.app.ui.start;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.document.Build;
import inkel.core.document.edit.SetHabit;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Asks on one page all on which practitioners disagree: each question with its schools, what is usual, and why. */
public final class HabitsPage extends VBox {
    private static final double ASKED_WIDTH = 200;
    private static final double CHOICE_WIDTH = 282;

    private final Session session;
    private final Subscriptions subscriptions = new Subscriptions();
    private final Map<Enum<?>, Tile> tiles = new LinkedHashMap<>();

    /** @param close goes back to the stage */
    public HabitsPage(Session session, Runnable close) {
        this.session = session;
        getStyleClass().addAll("stage", "habits-page");
        setId("habits-page");
        Tile leave = Ui.pill("habits-leave", Words.get("habits.leave"), close);
        leave.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("habits.title"), "stage-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, Ui.text(Words.get("habits.text"), "quiet"));
        Habit.all().forEach(habit -> getChildren().add(question(habit)));
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> mark());
        mark();
    }

    /** The page is gone: it no longer listens. */
    public void dispose() {
        subscriptions.dispose();
    }

    private <E extends Enum<E>> HBox question(Habit<E> habit) {
        FlowPane choices = new FlowPane(10, 8);
        for (E option : habit.options().getEnumConstants()) {
            Tile tile = choice(habit, option);
            tiles.put(option, tile);
            choices.getChildren().add(tile);
        }
        VBox asked = new VBox(
                2,
                Ui.text(Words.get("habit." + habit.key()), "section-title"),
                Ui.text(Words.get("habit." + habit.key() + ".why"), "quiet", "small"));
        asked.setMinWidth(ASKED_WIDTH);
        asked.setPrefWidth(ASKED_WIDTH);
        HBox.setHgrow(choices, Priority.ALWAYS);
        HBox question = new HBox(16, asked, choices);
        return question;
    }

    private <E extends Enum<E>> Tile choice(Habit<E> habit, E option) {
        String key = "habit." + habit.key() + "." + Habit.text(option);
        HBox name = new HBox(8, Ui.text(Words.get(key), "choice-title"));
        name.setAlignment(Pos.CENTER_LEFT);
        if (option == habit.usual()) {
            Caption usual = Ui.word(Words.get("habits.usual"), "quiet", "small");
            usual.setMinWidth(USE_PREF_SIZE);
            name.getChildren().add(usual);
        }
        VBox texts = new VBox(2, name, Ui.text(Words.get(key + ".text"), "small"));
        Tile tile = new Tile(() -> choose(habit, option), texts, Pos.TOP_LEFT, "choice");
        tile.setId("habit-" + habit.key() + "-" + Habit.text(option));
        tile.setAccessibleText(Words.get("habit." + habit.key()) + ": " + Words.get(key));
        tile.setMinWidth(CHOICE_WIDTH);
        tile.setPrefWidth(CHOICE_WIDTH);
        tile.setMaxWidth(CHOICE_WIDTH);
        return tile;
    }

    private <E extends Enum<E>> void choose(Habit<E> habit, E option) {
        session.apply(new SetHabit<>(session.nodeProperty().get(), habit, option));
    }

    private void mark() {
        Habits now = session.build().map(Build::habits).orElse(Habits.USUAL);
        Habit.all().forEach(habit -> mark(now, habit));
    }

    private <E extends Enum<E>> void mark(Habits now, Habit<E> habit) {
        for (E option : habit.options().getEnumConstants()) {
            tiles.get(option).setSelected(now.is(habit, option));
        }
    }
}
