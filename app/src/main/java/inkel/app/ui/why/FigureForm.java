package inkel.app.ui.why;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.PartWords;
import inkel.app.words.Words;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.OwnFigures.Slot;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetSetting;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** One's own figures for one part: each is checked when it is entered, and the whole window follows at once. */
final class FigureForm extends VBox {
    private static final double VALUE_WIDTH = 104;

    private final Session session;
    private final Place place;
    private final Placed placed;
    private final PartClass shipped;
    private final Map<String, Entry> entries = new LinkedHashMap<>();

    FigureForm(Session session, Place place, Placed placed, Runnable done) {
        this.session = session;
        this.place = place;
        this.placed = placed;
        shipped = session.catalog().get(placed.part().classId());
        getStyleClass().add("figure-form");
        setId("figure-form");
        getChildren().add(Ui.text(Words.get("figures.hint"), "quiet", "small"));
        text("figures.name", "own-name", placed.part().name(), this::rename);
        text("figures.purpose", "own-purpose", placed.part().purpose(), this::setPurpose);
        List<Setting<?>> settings = Settings.typedFor(placed.cls());
        if (!settings.isEmpty()) {
            getChildren().add(Ui.word(Words.get("figures.choices"), "section-title"));
            settings.forEach(setting -> getChildren().add(row(setting)));
        }
        made();
        String group = "";
        // What a choice brought, such as a supply of its own, is no figure of the class and cannot be kept.
        Set<String> keys = OwnFigures.of(shipped).stream().map(Slot::key).collect(Collectors.toSet());
        for (Slot slot : OwnFigures.of(placed.cls())) {
            if (!keys.contains(slot.key())) {
                continue;
            }
            String heading = PartWords.slotGroup(slot);
            if (!heading.equals(group)) {
                getChildren().add(Ui.word(heading, "section-title"));
                group = heading;
            }
            getChildren().add(row(slot));
        }
        Tile finished = Ui.pill("figures-done", Words.get("figures.done"), done);
        getChildren().add(finished);
    }

    /**
     * Goes on where an earlier form of the same part was left: its texts and what was wrong with them.
     *
     * @return the field that has the keyboard, for when this form is in the window
     */
    Optional<Entry> follow(FigureForm before) {
        if (!before.place.equals(place)) {
            return Optional.empty();
        }
        Optional<Entry> focused = Optional.empty();
        for (Map.Entry<String, Entry> each : before.entries.entrySet()) {
            Entry entry = entries.get(each.getKey());
            if (entry != null) {
                entry.follow(each.getValue());
                focused = each.getValue().field().isFocused() ? Optional.of(entry) : focused;
            }
        }
        return focused;
    }

    private Part part() {
        return placed.part();
    }

    private Entry entry(TextField field, Consumer<Entry> take) {
        Entry[] made = new Entry[1];
        made[0] = new Entry(field, () -> take.accept(made[0]));
        entries.put(field.getId(), made[0]);
        return made[0];
    }

    private void text(String label, String id, String now, Consumer<String> take) {
        getChildren().add(Ui.word(Words.get(label), "row-name"));
        TextField field = new TextField(now);
        field.setId(id);
        field.setAccessibleText(Words.get(label));
        entry(field, entry -> {
            entry.taken();
            take.accept(field.getText().strip());
        });
        getChildren().add(field);
    }

    private void rename(String name) {
        if (!name.isEmpty() && !name.equals(part().name())) {
            session.apply(new RenamePart(place.node(), part().id(), name));
        }
    }

    private void setPurpose(String purpose) {
        if (!purpose.equals(part().purpose())) {
            session.apply(new SetPurpose(place.node(), part().id(), purpose));
        }
    }

    /** What was said of the part by ways out and actions, each to be taken back. */
    private void made() {
        List<Setting<?>> said = Settings.all().stream()
                .filter(setting -> setting.isChoice() && part().has(setting))
                .toList();
        if (said.isEmpty()) {
            return;
        }
        getChildren().add(Ui.word(Words.get("figures.said"), "section-title"));
        for (Setting<?> setting : said) {
            Caption name = Ui.text(
                    Words.say(Fact.of("choice." + setting.key())
                            .with("value", part().typed(setting).orElseThrow())),
                    "row-name");
            HBox.setHgrow(name, Priority.ALWAYS);
            name.setMaxWidth(Double.MAX_VALUE);
            Tile back = new Tile(
                    () -> session.apply(new SetSetting(place.node(), part().id(), setting, null)),
                    Ui.word(Words.get("figures.take_back"), "yours-text"),
                    Pos.CENTER,
                    "quiet-tile");
            back.setId("choice-" + setting.key());
            back.setMinWidth(USE_PREF_SIZE);
            back.setAccessibleText(name.getText() + ", " + Words.get("figures.take_back"));
            HBox line = new HBox(8, name, back);
            line.setAlignment(Pos.CENTER_LEFT);
            getChildren().add(line);
        }
    }

    /** A choice; emptied, it is left to the class again. */
    private VBox row(Setting<?> setting) {
        String now = part().typed(setting).orElse("");
        Caption name = Ui.text(Words.get("setting." + setting.key()), "row-name");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        TextField field = new TextField(now);
        field.setId("setting-" + setting.key());
        field.setPromptText(Words.get("setting.example", "value", Numbers.local(setting.example(placed.cls()))));
        field.getStyleClass().add("figure-field");
        field.setPrefWidth(VALUE_WIDTH);
        field.setMinWidth(VALUE_WIDTH);
        field.setAccessibleText(Words.get("setting." + setting.key()));
        Entry entry = entry(field, typed -> choose(setting, typed, now));
        HBox line = new HBox(8, name, field, Ui.word("", "row-source"));
        line.setAlignment(Pos.CENTER_LEFT);
        return new VBox(2, line, entry.trouble());
    }

    private void choose(Setting<?> setting, Entry entry, String now) {
        String typed = Numbers.typed(entry.field().getText());
        Optional<Fact> problem = typed.isEmpty() ? Optional.empty() : setting.problem(placed.cls(), typed);
        entry.tell(problem);
        if (problem.isEmpty() && !typed.equals(now)) {
            entry.taken();
            session.apply(new SetSetting(place.node(), part().id(), setting, typed.isEmpty() ? null : typed));
        }
    }

    private VBox row(Slot slot) {
        boolean isOwn = part().figures().containsKey(slot.key());
        Caption name = Ui.text(PartWords.slot(slot), "row-name");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        TextField field = new TextField(slot.shown());
        field.setId("figure-" + slot.key());
        field.getStyleClass().add("figure-field");
        field.setPrefWidth(VALUE_WIDTH);
        field.setMinWidth(VALUE_WIDTH);
        field.setAccessibleText(PartWords.slot(slot));
        Entry entry = entry(field, typed -> enter(slot, typed));
        HBox line = new HBox(8, name, field);
        line.setAlignment(Pos.CENTER_LEFT);
        if (isOwn) {
            Tile back = new Tile(
                    () -> session.apply(new SetFigure(place.node(), part().id(), slot.key(), null)),
                    Ui.word(Words.get("source." + (slot.source() == Source.YOURS ? "yours" : "class")), "yours-text"),
                    Pos.CENTER,
                    "quiet-tile");
            back.setId("class-" + slot.key());
            back.setMinWidth(USE_PREF_SIZE);
            back.setAccessibleText(Words.get("figures.back"));
            Ui.tip(back, Words.get("figures.back"));
            line.getChildren().add(back);
        } else {
            line.getChildren().add(Ui.word(Words.get("source.class"), "row-source"));
        }
        return new VBox(2, line, entry.trouble());
    }

    private void enter(Slot slot, Entry entry) {
        String typed = Numbers.typed(entry.field().getText());
        boolean isOwn = part().figures().containsKey(slot.key());
        if (typed.isEmpty() && isOwn) {
            entry.taken();
            session.apply(new SetFigure(place.node(), part().id(), slot.key(), null));
            return;
        }
        if (typed.equals(slot.shown()) || typed.isEmpty()) {
            entry.reset(slot.shown());
            return;
        }
        Map<String, String> figures = new LinkedHashMap<>(part().figures());
        figures.put(slot.key(), typed);
        Optional<Fact> problem = OwnFigures.problem(shipped, figures);
        entry.tell(problem);
        if (problem.isEmpty()) {
            entry.taken();
            session.apply(new SetFigure(place.node(), part().id(), slot.key(), typed));
        }
    }
}
