package inkel.app.ui.help;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.util.function.BooleanSupplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Four sentences for whoever is here for the first time, one after the other, in nobody's way. */
public final class TourBar extends HBox {
    private static final int SENTENCES = 4;

    private final Caption count = Ui.word("", "quiet", "small");
    private final Caption said = Ui.text("", "notice-text");
    private final Button next;
    private final Button practise;
    private final BooleanSupplier canPractise;
    private final Runnable left;
    private int at;

    /**
     * @param canPractise whether there is an example to practise on
     * @param practise opens an example to practise on
     * @param left told when somebody has seen enough
     */
    public TourBar(BooleanSupplier canPractise, Runnable practise, Runnable left) {
        super(12);
        this.canPractise = canPractise;
        this.left = left;
        getStyleClass().addAll("notice", "tour");
        setId("tour");
        setAlignment(Pos.CENTER_LEFT);
        count.setMinWidth(USE_PREF_SIZE);
        said.setId("tour-said");
        said.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(said, Priority.ALWAYS);
        next = button("tour-next", "pill-button", () -> show(at + 1));
        next.setText(Words.get("tour.next"));
        this.practise = button("tour-practise", "pill-button", () -> {
            leave();
            practise.run();
        });
        this.practise.setText(Words.get("tour.practise"));
        Button leave = button("tour-leave", "quiet-button", this::leave);
        leave.setText(Words.get("tour.leave"));
        getChildren().addAll(count, said, next, this.practise, leave);
        Ui.show(this, false);
    }

    private static Button button(String id, String style, Runnable action) {
        Button button = new Button();
        button.setId(id);
        button.getStyleClass().add(style);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(event -> action.run());
        return button;
    }

    /** Begins with the first sentence. */
    public void begin() {
        show(1);
        Ui.show(this, true);
    }

    private void show(int sentence) {
        at = sentence;
        count.setText(Words.say(Fact.of("tour.of").with("number", at).with("count", SENTENCES)));
        said.setText(Words.get("tour." + at));
        Ui.show(next, at < SENTENCES);
        Ui.show(practise, at == SENTENCES && canPractise.getAsBoolean());
    }

    private void leave() {
        Ui.show(this, false);
        left.run();
    }
}
