package inkel.app.ui.parts;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinUse;
import inkel.core.io.catalog.PartForm;
import inkel.core.io.catalog.PartForm.Levels;
import inkel.core.io.catalog.PinList;
import inkel.core.io.catalog.PinList.Item;
import inkel.core.io.json.Problem;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A form that makes an own part, from nothing or from a class; it checks as one types and shows the part. */
final class PartMaker extends Scroller {
    private static final double FIELD_WIDTH = 92;

    private final Session session;
    private final Runnable close;
    private final PartForm start;
    private final TextField name = new TextField();
    private final TextField summary = new TextField();
    private final TextField kinds = new TextField();
    private final TextArea pins = new TextArea();
    private final TextField supplyMin = narrow();
    private final TextField supplyMax = narrow();
    private final TextField supplyLimit = narrow();
    private final TextField idle = narrow();
    private final TextField peak = narrow();
    private final TextField address = narrow();
    private final TextField clock = narrow();
    private final TextField baud = narrow();
    private final HBox buses = new HBox(12);
    private final PinRows rows = new PinRows(this::setRole);
    private final Caption trouble = Ui.text("", "stop-text", "small");
    private final Map<Levels, Tile> levelTiles = new EnumMap<>(Levels.class);
    private final Tile save;
    private Levels levels;
    private PartForm.Outcome outcome;

    /** @param from the class to begin with; null for nothing */
    PartMaker(Session session, PartClass from, Runnable close) {
        this(session, from, close, new VBox());
    }

    private PartMaker(Session session, PartClass from, Runnable close, VBox page) {
        super(page);
        this.session = session;
        this.close = close;
        start = from == null ? PartForm.blank() : PartForm.of(from, session.textOf(from));
        levels = start.levels();
        setId("part-maker");
        page.getStyleClass().addAll("part-maker", "sheet");
        save = new Tile(this::save, Ui.word(Words.get("maker.save"), "main-button-text"), Pos.CENTER, "main-button");
        save.setId("maker-save");
        save.setAccessibleText(Words.get("maker.save"));
        Tile leave = Ui.pill("maker-leave", Words.get("maker.leave"), close);
        pins.setPrefRowCount(9);
        pins.setPrefWidth(200);
        VBox texts = new VBox(
                6,
                labelled("maker.name", name),
                labelled("maker.summary", summary),
                labelled("maker.kinds", kinds),
                labelled("maker.pins", pins));
        VBox.setVgrow(texts.getChildren().get(3), Priority.ALWAYS);
        VBox figures = new VBox(
                6,
                new HBox(
                        12,
                        labelled("maker.supply_min", supplyMin),
                        labelled("maker.supply_max", supplyMax),
                        labelled("maker.supply_limit", supplyLimit)),
                new HBox(12, labelled("maker.idle", idle), labelled("maker.peak", peak)),
                Ui.text(Words.get("maker.levels"), "row-name"),
                levelChoices(from != null),
                buses,
                Ui.text(Words.get("maker.rows"), "row-name"),
                rows);
        texts.setMinWidth(180);
        HBox.setHgrow(texts, Priority.ALWAYS);
        HBox.setHgrow(figures, Priority.ALWAYS);
        HBox columns = new HBox(20, texts, figures);
        trouble.setId("maker-problems");
        HBox buttons = new HBox(10, save, leave);
        buttons.setAlignment(Pos.CENTER_LEFT);
        page.getChildren()
                .addAll(
                        Ui.word(Words.get(from == null ? "maker.title" : "maker.title_from"), "section-title"),
                        columns,
                        trouble,
                        buttons);
        fill();
        fields().forEach((id, field) -> {
            field.setId("maker-" + id);
            field.textProperty().addListener((property, old, next) -> check());
        });
        check();
    }

    private static TextField narrow() {
        TextField field = new TextField();
        field.setPrefWidth(FIELD_WIDTH);
        field.setMinWidth(60);
        return field;
    }

    private Map<String, TextInputControl> fields() {
        return Map.ofEntries(
                Map.entry("part-name", name),
                Map.entry("summary", summary),
                Map.entry("kinds", kinds),
                Map.entry("pins", pins),
                Map.entry("supply-min", supplyMin),
                Map.entry("supply-max", supplyMax),
                Map.entry("supply-limit", supplyLimit),
                Map.entry("idle", idle),
                Map.entry("peak", peak),
                Map.entry("address", address),
                Map.entry("clock", clock),
                Map.entry("baud", baud));
    }

    private static VBox labelled(String key, TextInputControl field) {
        field.setAccessibleText(Words.get(key));
        VBox box = new VBox(2, Ui.text(Words.get(key), "row-name"), field);
        VBox.setVgrow(field, Priority.ALWAYS);
        return box;
    }

    private FlowPane levelChoices(boolean canKeep) {
        FlowPane choices = new FlowPane(6, 6);
        for (Levels choice : Levels.values()) {
            if (choice == Levels.KEPT && !canKeep) {
                continue;
            }
            String key = "maker.levels." + choice.name().toLowerCase(Locale.ROOT);
            Tile tile = new Tile(
                    () -> {
                        levels = choice;
                        check();
                    },
                    Ui.word(Words.get(key), "pill-text"),
                    Pos.CENTER,
                    "pill-toggle");
            tile.setId("levels-" + choice.name().toLowerCase(Locale.ROOT));
            tile.setAccessibleText(Words.get(key));
            levelTiles.put(choice, tile);
            choices.getChildren().add(tile);
        }
        return choices;
    }

    private void fill() {
        boolean isShipped = !start.base().isEmpty() && !session.shelves().isOwn(PartForm.idOf(start.name()));
        name.setText(isShipped ? Words.get("maker.own_name", "name", start.name()) : start.name());
        summary.setText(start.summary());
        kinds.setText(start.kinds());
        pins.setText(start.pins());
        supplyMin.setText(start.supplyMin());
        supplyMax.setText(start.supplyMax());
        supplyLimit.setText(start.supplyLimit());
        idle.setText(start.idle());
        peak.setText(start.peak());
        address.setText(start.address());
        clock.setText(start.clock());
        baud.setText(start.baud());
    }

    private PartForm form() {
        return new PartForm(
                start.base(),
                name.getText().strip(),
                summary.getText().strip(),
                kinds.getText(),
                pins.getText(),
                Numbers.typed(supplyMin.getText()),
                Numbers.typed(supplyMax.getText()),
                Numbers.typed(supplyLimit.getText()),
                Numbers.typed(idle.getText()),
                Numbers.typed(peak.getText()),
                levels,
                address.getText(),
                Numbers.typed(clock.getText()),
                Numbers.typed(baud.getText()));
    }

    private void check() {
        List<Item> items = PinList.parse(pins.getText());
        rows.show(name.getText(), items);
        levelTiles.forEach((choice, tile) -> tile.setSelected(choice == levels));
        showBuses(items);
        outcome = form().outcome();
        List<String> sentences = outcome.problems().stream()
                .map(PartMaker::sentence)
                .distinct()
                .limit(4)
                .toList();
        trouble.setText(sentences.stream().collect(Collectors.joining("\n")));
        Ui.show(trouble, !sentences.isEmpty());
        save.setDisable(outcome.cls().isEmpty());
    }

    private void showBuses(List<Item> items) {
        List<VBox> wanted = new ArrayList<>();
        if (items.stream().anyMatch(item -> item.use() == PinUse.I2C_SDA)) {
            wanted.add(labelled("maker.address", address));
        }
        if (items.stream().anyMatch(item -> item.use() == PinUse.SPI_SCK)) {
            wanted.add(labelled("maker.clock", clock));
        }
        if (items.stream().anyMatch(item -> item.use() == PinUse.UART_TX || item.use() == PinUse.UART_RX)) {
            wanted.add(labelled("maker.baud", baud));
        }
        if (wanted.size() != buses.getChildren().size() || !isTyping()) {
            buses.getChildren().setAll(wanted);
        }
        Ui.show(buses, !wanted.isEmpty());
    }

    private boolean isTyping() {
        return address.isFocused() || clock.isFocused() || baud.isFocused();
    }

    private static String sentence(Problem problem) {
        String[] steps = problem.field().split("/");
        String field = steps.length > 1 ? "maker.field." + steps[1] : "";
        String reason = Words.say(problem.reason());
        return Words.has(field) ? Words.get(field) + ": " + reason : reason;
    }

    private void setRole(int index, PinUse use) {
        List<Item> items = new ArrayList<>(PinList.parse(pins.getText()));
        items.set(index, new Item(items.get(index).label(), use));
        pins.setText(PinList.print(items));
    }

    private void save() {
        outcome.cls().ifPresent(cls -> {
            session.parts().keep(new OwnClass(cls, outcome.json()));
            close.run();
        });
    }
}
