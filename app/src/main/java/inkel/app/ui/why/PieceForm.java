package inkel.app.ui.why;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.PieceKind;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Fact;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Puts something in a wire: what it is, its values, each checked as it is typed. */
final class PieceForm extends VBox {
    private static final double VALUE_WIDTH = 104;

    private final Session session;
    private final Endpoint signal;
    private final Function<Between, Edit> into;
    private final Runnable done;
    private final FlowPane choices = new FlowPane(6, 6);
    private final VBox fields = new VBox(4);
    private final Map<String, TextField> typed = new LinkedHashMap<>();
    private final Map<String, Caption> troubles = new LinkedHashMap<>();
    private PieceKind kind;

    /**
     * @param kinds what it can be
     * @param signal the signal whose wire it is
     * @param now what stands in the wire already
     * @param into puts it in the wire
     */
    PieceForm(
            Session session,
            List<PieceKind> kinds,
            Endpoint signal,
            Optional<Between> now,
            Function<Between, Edit> into,
            Runnable done) {
        this.session = session;
        this.signal = signal;
        this.into = into;
        this.done = done;
        getStyleClass().add("figure-form");
        setId("piece-form");
        kinds.forEach(each -> choices.getChildren().add(choice(each)));
        Tile put = Ui.pill("piece-put", Words.get("piece.put"), this::put);
        Tile leave = Ui.pill("piece-leave", Words.get("piece.leave"), done);
        getChildren()
                .addAll(Ui.text(Words.get("piece.hint"), "quiet", "small"), choices, fields, new HBox(6, put, leave));
        choose(
                now.flatMap(PieceKind::of).orElse(PieceKind.SERIES),
                now.map(PieceKind::values).orElse(Map.of()));
    }

    private Tile choice(PieceKind each) {
        Tile tile = Ui.pill(
                "piece-" + each.name().toLowerCase(Locale.ROOT), Words.get(name(each)), () -> choose(each, values()));
        tile.getStyleClass().add("pill-toggle");
        tile.setUserData(each);
        return tile;
    }

    private static String name(PieceKind kind) {
        return "piece.kind." + kind.name().toLowerCase(Locale.ROOT);
    }

    private Map<String, String> values() {
        Map<String, String> values = new LinkedHashMap<>();
        typed.forEach((key, field) -> values.put(key, Numbers.typed(field.getText())));
        return values;
    }

    /** Values that the next kind takes too stay. */
    private void choose(PieceKind next, Map<String, String> values) {
        kind = next;
        choices.getChildren().forEach(tile -> ((Tile) tile).setSelected(tile.getUserData() == next));
        typed.clear();
        troubles.clear();
        fields.getChildren().clear();
        fields.getChildren().add(Ui.text(Words.get(name(next) + ".does"), "quiet", "small"));
        for (PieceKind.Slot slot : next.slots()) {
            fields.getChildren().add(row(slot, values.getOrDefault(slot.key(), "")));
        }
    }

    private VBox row(PieceKind.Slot slot, String value) {
        Caption name = Ui.text(Words.get("piece.value." + slot.key()), "row-name");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        TextField field = new TextField(value);
        field.setId("piece-value-" + slot.key());
        field.setPromptText(Words.get("setting.example", "value", slot.example()));
        field.getStyleClass().add("figure-field");
        field.setPrefWidth(VALUE_WIDTH);
        field.setMinWidth(VALUE_WIDTH);
        field.setAccessibleText(Words.get("piece.value." + slot.key()));
        field.setOnAction(event -> put());
        Caption trouble = Ui.text("", "stop-text", "small");
        Ui.show(trouble, false);
        typed.put(slot.key(), field);
        troubles.put(slot.key(), trouble);
        HBox line = new HBox(8, name, field);
        line.setAlignment(Pos.CENTER_LEFT);
        return new VBox(2, line, trouble);
    }

    private void put() {
        Map<String, String> values = values();
        for (PieceKind.Slot slot : kind.slots()) {
            Optional<Fact> problem = kind.problem(slot, values.get(slot.key()));
            Caption trouble = troubles.get(slot.key());
            problem.ifPresent(reason -> trouble.setText(Words.say(reason)));
            Ui.show(trouble, problem.isPresent());
        }
        kind.make(signal, values).ifPresent(piece -> {
            done.run();
            session.apply(into.apply(piece));
        });
    }

    /**
     * Goes on where an earlier form was left, if it was for the same wire.
     *
     * @return the field that has the keyboard
     */
    Optional<TextField> follow(PieceForm before) {
        if (!before.signal.equals(signal)) {
            return Optional.of(first());
        }
        choose(before.kind, before.values());
        return typed.entrySet().stream()
                .filter(each -> before.typed.get(each.getKey()).isFocused())
                .map(Map.Entry::getValue)
                .findFirst();
    }

    /** The first value, where the keyboard belongs. */
    TextField first() {
        return typed.values().iterator().next();
    }
}
