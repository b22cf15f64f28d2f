package inkel.app.ui.pins;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Knot;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;

/** One pin of a module with its wire and knot. */
final class LoomRow extends Pane {
    static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
    private static final PseudoClass NET = PseudoClass.getPseudoClass("net");
    private static final PseudoClass CLASH = PseudoClass.getPseudoClass("clash");
    private static final double LABEL_END = LoomGeometry.LABEL_WIDTH + 6;
    private static final double OFFSET = LoomGeometry.NAME_WIDTH + 4;
    private static final double MOST_STROKE = 7;
    private static final double BESIDE_KNOT = 15;

    private final LoomModel.Row row;
    private Knot knot;
    private Line wire;

    LoomRow(LoomModel.Row row, LoomGeometry geometry, int number, Loom.Lens lens) {
        this.row = row;
        getStyleClass().add("loom-row");
        setId("pin-" + row.place().part() + "-" + row.place().pin());
        setManaged(false);
        double end = LABEL_END + 20;
        if (row.other() >= 0) {
            end = Math.max(end, other(geometry));
        }
        if (row.thread() >= 0) {
            end = Math.max(end, wire(geometry, lens));
        } else if (row.isLoose()) {
            end = Math.max(end, words(Words.get("loom.loose"), LABEL_END + 2, "stop-text"));
        }
        resizeRelocate(OFFSET, geometry.y(number) - LoomGeometry.ROW / 2, end, LoomGeometry.ROW);
        setAccessibleRole(AccessibleRole.LIST_ITEM);
        setAccessibleText(Words.say(Fact.of("loom.row")
                .with("pin", row.label())
                .with(
                        "thread",
                        row.thread() < 0
                                ? Words.get("loom.loose")
                                : geometry.model().threads().get(row.thread()).label())));
    }

    LoomModel.Row row() {
        return row;
    }

    /** The name of a row's pin, which stays at the left when the threads are moved across. */
    static Caption label(LoomModel.Row row, double middle) {
        Caption label = Ui.word(row.label(), "loom-pin").right();
        label.setManaged(false);
        label.setMouseTransparent(true);
        label.setMinWidth(LoomGeometry.LABEL_WIDTH);
        label.setMaxWidth(LoomGeometry.LABEL_WIDTH);
        label.resizeRelocate(OFFSET, middle - LoomGeometry.ROW / 2, LoomGeometry.LABEL_WIDTH, LoomGeometry.ROW);
        return label;
    }

    private double wire(LoomGeometry geometry, Loom.Lens lens) {
        double x = geometry.x(row.thread()) - OFFSET;
        double middle = LoomGeometry.ROW / 2;
        String colour = "wire-" + colour(lens);
        wire = new Line(LABEL_END, middle, x, middle);
        wire.getStyleClass().addAll("wire", colour);
        wire.pseudoClassStateChanged(CLASH, row.form() == Knot.Form.CLASH && lens == Loom.Lens.ROLES);
        if (lens == Loom.Lens.CURRENT) {
            row.load()
                    .ifPresent(load -> wire.setStyle(String.format(
                            Locale.ROOT,
                            "-fx-stroke-width: %.1f;",
                            stroke(load.current().amperes()))));
        }
        knot = new Knot(row.form(), colour);
        knot.relocateTo(x, middle);
        getChildren().addAll(wire, knot);
        mark(x - BESIDE_KNOT, middle, colour);
        if (lens == Loom.Lens.CURRENT && row.load().isPresent()) {
            String amperes = Numbers.print(row.load().get().current());
            return words(amperes, x + 10, row.load().get().isTooMuch() ? "stop-text" : "quiet");
        }
        return x + 10;
    }

    /** From a hair at nothing to a rope at three amperes. */
    private static double stroke(double amperes) {
        return Math.min(MOST_STROKE, 1 + 4 * Math.sqrt(Math.max(0, amperes)));
    }

    private String colour(Loom.Lens lens) {
        return switch (lens) {
            case ROLES -> row.family();
            case VOLTS ->
                row.volts()
                        .map(verdict -> "verdict-" + verdict.name().toLowerCase(Locale.ROOT))
                        .orElse("verdict-none");
            case CURRENT ->
                row.load()
                        .map(load -> load.isTooMuch() ? "verdict-harms" : "verdict-fine")
                        .orElse("verdict-none");
        };
    }

    /** What stands in the wire, as a small shape on it. */
    private void mark(double x, double y, String colour) {
        Shape shape =
                switch (row.mark()) {
                    case NONE -> null;
                    case RESISTORS -> new Rectangle(x - 7, y - 3.5, 14, 7);
                    case CONVERTER -> new Rectangle(x - 5, y - 7, 10, 14);
                    case TRANSISTOR -> new Circle(x, y, 6);
                    case LEFT -> new Circle(x, y, 3);
                };
        if (shape != null) {
            shape.getStyleClass().addAll("wire-mark", colour);
            shape.setMouseTransparent(true);
            getChildren().add(shape);
        }
    }

    /** Where the compared plan puts it: a dashed wire with a hollow knot. */
    private double other(LoomGeometry geometry) {
        double x = geometry.x(row.other()) - OFFSET;
        double middle = LoomGeometry.ROW / 2;
        double from = row.thread() < 0 ? LABEL_END : geometry.x(row.thread()) - OFFSET;
        Line ghost = new Line(Math.min(from, x), middle + 4, Math.max(from, x), middle + 4);
        ghost.getStyleClass().add("wire-other");
        Knot hollow = new Knot(Knot.Form.OPEN);
        hollow.relocateTo(x, middle);
        getChildren().addAll(ghost, hollow);
        return x + 10;
    }

    private double words(String text, double x, String style) {
        Caption words = Ui.word(text, style, "small");
        words.resizeRelocate(x, 0, 120, LoomGeometry.ROW);
        getChildren().add(words);
        return x + 122;
    }

    void mark(boolean isSelected, boolean isOfNet) {
        pseudoClassStateChanged(SELECTED, isSelected);
        pseudoClassStateChanged(NET, isOfNet);
        if (knot != null) {
            knot.setSelected(isSelected);
        }
    }

    /** Draws the wire to a place across while a hand holds the knot; a negative place puts it back. */
    void pullTo(double x, LoomGeometry geometry) {
        if (knot == null) {
            return;
        }
        double at = (x < 0 ? geometry.x(row.thread()) : x) - OFFSET;
        wire.setEndX(at);
        knot.relocateTo(at, LoomGeometry.ROW / 2);
        if (at + 10 > getWidth()) {
            resize(at + 10, LoomGeometry.ROW);
        }
    }
}
