package inkel.app.ui.parts;

import inkel.app.ui.kit.Scroller;
import inkel.core.document.Place;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

/** The cards of a node, in as many columns as fit, all of one width. Arrow keys go from card to card. */
final class PartsTable extends Scroller {
    private final Grid grid;

    PartsTable() {
        this(new Grid());
    }

    private PartsTable(Grid grid) {
        super(grid);
        this.grid = grid;
        setId("parts-table");
        addEventFilter(KeyEvent.KEY_PRESSED, this::walk);
    }

    void show(List<PartCard> cards) {
        grid.getChildren().setAll(cards);
        requestLayout();
    }

    List<PartCard> cards() {
        return grid.getChildren().stream().map(PartCard.class::cast).toList();
    }

    void mark(Place selected) {
        cards().forEach(card -> card.setSelected(card.place().equals(selected)));
    }

    Optional<PartCard> selected() {
        return cards().stream().filter(PartCard::isSelected).findFirst();
    }

    Optional<PartCard> focused() {
        return cards().stream().filter(Node::isFocused).findFirst();
    }

    private void walk(KeyEvent event) {
        Optional<PartCard> from = focused();
        if (from.isEmpty() || event.isShortcutDown() || event.isAltDown()) {
            return;
        }
        int at = cards().indexOf(from.get());
        int to =
                switch (event.getCode()) {
                    case LEFT -> at - 1;
                    case RIGHT -> at + 1;
                    case UP -> at - grid.columns();
                    case DOWN -> at + grid.columns();
                    case HOME -> 0;
                    case END -> cards().size() - 1;
                    default -> -1;
                };
        if (to >= 0 && to < cards().size()) {
            cards().get(to).requestFocus();
            event.consume();
        }
    }

    @Override
    protected void seen(double top, double bottom) {
        for (PartCard card : cards()) {
            if (card.getLayoutY() < bottom && card.getLayoutY() + card.getHeight() > top) {
                card.fill();
            }
        }
    }

    /** Lays the cards out. */
    private static final class Grid extends Region {
        private static final double CARD_WIDTH = 240;
        private static final double GAP = 10;

        int columns() {
            return columns(getWidth());
        }

        private static int columns(double width) {
            return (int) Math.max(1, Math.floor((width + GAP) / (CARD_WIDTH + GAP)));
        }

        @Override
        protected javafx.collections.ObservableList<Node> getChildren() {
            return super.getChildren();
        }

        @Override
        protected double computePrefHeight(double width) {
            int rows = (int) Math.ceil(getChildren().size() / (double) columns(width));
            return Math.max(0, rows * (PartCard.HEIGHT + GAP) - GAP) + 2;
        }

        @Override
        protected void layoutChildren() {
            int columns = columns();
            double width = Math.floor((getWidth() - 6 - (columns - 1) * GAP) / columns);
            for (int i = 0; i < getChildren().size(); i++) {
                double x = 1 + i % columns * (width + GAP);
                double y = 1 + i / columns * (PartCard.HEIGHT + GAP);
                getChildren().get(i).resizeRelocate(x, y, width, PartCard.HEIGHT);
            }
        }
    }
}
