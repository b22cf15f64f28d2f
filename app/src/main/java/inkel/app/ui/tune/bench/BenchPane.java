package inkel.app.ui.tune.bench;

import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What the panes of all benches share: sheets, fields, and one sentence for what cannot be taken. */
public abstract class BenchPane extends VBox {
    /** Where two sheets have no room beside each other. */
    private static final double NARROW = 560;

    /** Where a title and what is to be done have no room beside each other. */
    public static final double LITTLE = 380;

    private final TuneWork.At at;
    private final Caption problem = Ui.text("", "stop-text");

    protected BenchPane(TuneWork.At at) {
        super(12);
        this.at = at;
        problem.setId("tune-problem");
        Ui.show(problem, false);
        getChildren().add(problem);
    }

    /** Whose bench it is. */
    public final TuneWork.At at() {
        return at;
    }

    /** Shows the present draft anew. */
    public abstract void show();

    /** @param sentence what would be right; empty for nothing wrong */
    public final void say(String sentence) {
        problem.setText(sentence);
        Ui.show(problem, !sentence.isEmpty());
    }

    /** @param how what is to be done; may be empty */
    public static VBox sheet(String title, String how, Node... content) {
        Caption name = Ui.word(Words.get(title), "section");
        name.setMinWidth(USE_PREF_SIZE);
        VBox sheet = new VBox(10, how.isEmpty() ? name : head(name, how));
        sheet.getChildren().addAll(content);
        sheet.getStyleClass().addAll("sheet", "tune-sheet");
        sheet.setMinWidth(0);
        return sheet;
    }

    /** What is to be done stands behind the title, and under it where there is little room. */
    private static Node head(Caption name, String how) {
        Caption said = Ui.text(Words.get(how), "quiet");
        said.setMinWidth(0);
        HBox.setHgrow(said, Priority.ALWAYS);
        HBox wide = new HBox(14, name, said);
        wide.setAlignment(Pos.BASELINE_LEFT);
        VBox narrow = new VBox(4);
        VBox host = new VBox(wide);
        host.widthProperty().addListener((property, old, next) -> {
            boolean isNarrow = next.doubleValue() < LITTLE;
            if (isNarrow != host.getChildren().contains(narrow)) {
                wide.getChildren().clear();
                narrow.getChildren().clear();
                (isNarrow ? narrow : wide).getChildren().addAll(name, said);
                host.getChildren().setAll(isNarrow ? narrow : wide);
            }
        });
        return host;
    }

    /** Two sheets beside each other, or under each other where there is no room. */
    protected final Node twoSheets(Region left, Region right) {
        VBox host = new VBox();
        widthProperty().addListener((property, old, next) -> arrange(host, left, right, next.doubleValue()));
        arrange(host, left, right, NARROW);
        return host;
    }

    private static void arrange(VBox host, Region left, Region right, double width) {
        boolean isWide = width >= NARROW;
        boolean isDone = !host.getChildren().isEmpty() && (host.getChildren().get(0) instanceof HBox) == isWide;
        if (isDone) {
            return;
        }
        if (host.getChildren().size() == 1 && host.getChildren().get(0) instanceof Pane pane) {
            pane.getChildren().clear();
        }
        host.getChildren().clear();
        Pane pane = isWide ? new HBox(12, left, right) : new VBox(12, left, right);
        HBox.setHgrow(left, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        left.setPrefWidth(isWide ? 340 : Region.USE_COMPUTED_SIZE);
        right.setPrefWidth(isWide ? 280 : Region.USE_COMPUTED_SIZE);
        host.getChildren().add(pane);
    }

    /** A field with what it is of before it, and its unit behind it, that stay together where a row wraps. */
    public static Node named(String key, String unit, Node... fields) {
        HBox row = new HBox(6, Ui.word(Words.get(key), "quiet"));
        row.getChildren().addAll(fields);
        for (Node field : fields) {
            field.setAccessibleText((Words.get(key) + " " + unit).strip());
        }
        if (!unit.isEmpty()) {
            row.getChildren().add(Ui.word(unit, "quiet"));
        }
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** A field of one width, whatever room there is. */
    public static TextField field(String id, double width) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefWidth(width);
        field.setMinWidth(width);
        field.setMaxWidth(width);
        return field;
    }

    /** What is typed is taken with Enter, and when the field is left. */
    public static void onTyped(TextField field, Runnable take) {
        field.setOnAction(event -> take.run());
        field.focusedProperty().addListener((property, old, isFocused) -> {
            if (!isFocused) {
                take.run();
            }
        });
    }

    /** Puts a text in a field, unless somebody is typing there. */
    public static void fill(TextField field, String text) {
        if (!field.isFocused()) {
            field.setText(text);
        }
    }

    /** A choice that is on or off. */
    public static Tile toggle(String id, String key, Runnable action) {
        Tile pill = Ui.pill(id, Words.get(key), action);
        pill.getStyleClass().add("pill-toggle");
        return pill;
    }

    /** As people write a number, with a comma or a point. */
    public static OptionalDouble number(String text) {
        try {
            double value = Double.parseDouble(text.strip().replace(',', '.').replace('−', '-'));
            return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
        } catch (NumberFormatException notANumber) {
            return OptionalDouble.empty();
        }
    }

    /** As people write an amount. */
    public static Optional<Double> amount(String text, Unit unit) {
        return Engineering.parse(text.strip().replace(',', '.'), unit);
    }

    /** Without needless digits. */
    public static String plain(double value) {
        String text = String.format(Locale.ROOT, "%.4f", value).replaceAll("0+$", "");
        return Numbers.local(text.endsWith(".") ? text.substring(0, text.length() - 1) : text);
    }
}
