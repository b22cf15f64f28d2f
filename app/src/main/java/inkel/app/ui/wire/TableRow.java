package inkel.app.ui.wire;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.DrawerWords;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.drawer.Item;
import inkel.core.drawer.Shopping;
import inkel.core.drawer.Substitute;
import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;

/** One kind of thing: a ring that is full when all of it is there, what it is, how many are wanted, there, and to be got. */
final class TableRow extends HBox {
    static final double NUMBER = 58;
    static final double FIELD = 78;
    static final double PRICE = 98;
    private static final PseudoClass HERE = PseudoClass.getPseudoClass("here");

    /** What the builder does to a row. */
    interface Hand {
        void count(Item item, String typed);

        void price(Item item, String typed);

        /** All that is wanted is there. */
        void has(Shopping.Line line);

        void agree(Item item, Optional<Substitute> by);
    }

    TableRow(TableModel.Thing thing, int owned, Catalog catalog, Hand hand) {
        super(10);
        Shopping.Line line = thing.line();
        String id = id(line.item());
        setId("thing-" + id);
        getStyleClass().add("table-row");
        setAlignment(Pos.CENTER_LEFT);
        boolean isHere = line.toGet() == 0;
        pseudoClassStateChanged(HERE, isHere);
        Circle ring = new Circle(8);
        ring.getStyleClass().add(isHere ? "table-ring-full" : "table-ring");
        Tile has = new Tile(() -> hand.has(line), ring, Pos.CENTER, "table-has");
        has.setId("has-" + id);
        has.setDisable(isHere);
        has.setMaxHeight(USE_PREF_SIZE);
        has.setVisible(line.wanted() > 0);
        has.setAccessibleText(Words.get(isHere ? "table.has" : "table.have", "name", thing.name()));
        if (!isHere) {
            Ui.tip(has, has.getAccessibleText());
        }
        VBox what = new VBox(1, name(thing));
        thing.notes().forEach(note -> what.getChildren().add(Ui.text(note, "table-note")));
        DrawerWords.substitute(line, catalog)
                .ifPresent(said -> what.getChildren().add(substitute(line, said, id, hand)));
        what.setAlignment(Pos.CENTER_LEFT);
        what.setMinWidth(0);
        HBox.setHgrow(what, Priority.ALWAYS);
        getChildren()
                .addAll(
                        has,
                        what,
                        number(line.wanted() > 0 ? String.valueOf(line.wanted()) : "", "table-number"),
                        count(thing, owned, id, hand),
                        number(isHere ? "" : String.valueOf(line.toGet()), "table-get"),
                        price(thing, id, hand));
    }

    /** A text of its own for each kind of thing, which can stand in an id. */
    static String id(Item item) {
        return item.text()
                .replace("µ", "u")
                .replace("Ω", "ohm")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-");
    }

    static Caption number(String text, String style) {
        Caption number = Ui.word(text, style).right();
        number.setMinWidth(NUMBER);
        number.setPrefWidth(NUMBER);
        return number;
    }

    private static Node name(TableModel.Thing thing) {
        Caption called = Ui.text(thing.name(), "table-name");
        HBox name = new HBox(8, called);
        name.setAlignment(Pos.CENTER_LEFT);
        name.setMinWidth(0);
        if (!thing.bands().isEmpty()) {
            name.getChildren().add(body(thing));
        }
        if (!thing.mark().isEmpty()) {
            name.getChildren().add(Ui.text(thing.mark(), "quiet"));
        }
        if (!thing.uses().isEmpty()) {
            name.getChildren().add(Ui.text(thing.uses(), "table-note"));
        }
        return name;
    }

    /** The bands side by side, as they are read. */
    private static Node body(TableModel.Thing thing) {
        HBox body = new HBox(3);
        body.getStyleClass().add("band-body");
        body.setAlignment(Pos.CENTER_LEFT);
        for (String band : thing.bands()) {
            Region stripe = new Region();
            stripe.getStyleClass().addAll("band", "swatch-" + band);
            body.getChildren().add(stripe);
        }
        body.setMinWidth(USE_PREF_SIZE);
        body.setMaxHeight(USE_PREF_SIZE);
        return body;
    }

    private static Node substitute(Shopping.Line line, String said, String id, Hand hand) {
        boolean isAgreed = line.isAgreed();
        Tile agree = Ui.pill(
                "agree-" + id,
                Words.get(isAgreed ? "table.leave" : "table.take"),
                () -> hand.agree(line.item(), isAgreed ? Optional.empty() : line.substitute()));
        agree.setMinWidth(USE_PREF_SIZE);
        Caption text = Ui.text(said, "table-note");
        text.setMinWidth(0);
        HBox row = new HBox(8, text, agree);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static TextField field(String id, String text, String name, double width) {
        TextField field = new TextField(text);
        field.setId(id);
        field.getStyleClass().add("figure-field");
        field.setAlignment(Pos.CENTER_RIGHT);
        field.setMinWidth(width);
        field.setPrefWidth(width);
        field.setAccessibleText(name);
        return field;
    }

    private static Node count(TableModel.Thing thing, int owned, String id, Hand hand) {
        TextField field =
                field("count-" + id, String.valueOf(owned), Words.get("table.count", "name", thing.name()), FIELD);
        whenLeft(field, () -> hand.count(thing.line().item(), field.getText().strip()));
        return field;
    }

    private static Node price(TableModel.Thing thing, String id, Hand hand) {
        TextField field = field(
                "price-" + id,
                thing.line().price().map(BigDecimal::toPlainString).orElse(""),
                Words.get("table.price", "name", thing.name()),
                PRICE);
        whenLeft(field, () -> hand.price(thing.line().item(), Numbers.typed(field.getText())));
        return field;
    }

    /** With Enter, or when the builder turns to something else, and only when it is another text. */
    private static void whenLeft(TextField field, Runnable keep) {
        String before = field.getText();
        field.setOnAction(event -> {
            if (!field.getText().strip().equals(before)) {
                keep.run();
            }
        });
        field.focusedProperty().addListener((property, old, focused) -> {
            if (!focused && field.getScene() != null && !field.getText().strip().equals(before)) {
                keep.run();
            }
        });
    }
}
