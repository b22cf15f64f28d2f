package inkel.app.ui.parts;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.LateField;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.CatalogSearch;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

/**
 * Finds a part by what is printed on it, by kind or by what it does. Enter puts what is chosen on the table. While nothing
 * is asked it is folded to one line above the table; with an answer to show it stands beside it.
 */
final class PartFinder extends Region {
    private static final double GAP = 8;
    private static final double PADDING = 12;
    private static final double FIELD = 250;
    private static final double OWN = 200;

    private final Session session;
    private final TextField field = Fleeting.of(new LateField());
    private final Caption hint = Ui.text(Words.get("finder.hint"), "quiet", "small");
    private final Results results = new Results(new Column());
    private final Caption title = Ui.word(Words.get("finder.title"), "finder-title");
    private final Tile own;

    PartFinder(Session session, Subscriptions subscriptions, Runnable makeOwn) {
        this.session = session;
        getStyleClass().add("part-finder");
        setId("part-finder");
        field.setId("finder-field");
        field.setPromptText(Words.get("finder.prompt"));
        field.getStyleClass().add("finder-field");
        field.setAccessibleText(Words.get("finder.title"));
        field.textProperty().addListener((property, old, next) -> ask());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::fromField);
        results.addEventFilter(KeyEvent.KEY_PRESSED, this::walk);
        own = new Tile(
                makeOwn, Ui.text(Words.get("finder.make"), "pill-text"), Pos.CENTER, "pill-button", "light-button");
        own.setId("make-part");
        own.setAccessibleText(Words.get("finder.make"));
        getChildren().addAll(title, field, hint, results, own);
        subscriptions.on(session.catalogProperty(), (property, old, next) -> ask());
    }

    /** Whether nothing is asked, so that one line is enough. */
    boolean isFolded() {
        return field.getText().isBlank();
    }

    @Override
    protected double computePrefHeight(double width) {
        return field.prefHeight(-1) + 2 * GAP;
    }

    @Override
    protected void layoutChildren() {
        results.setVisible(!isFolded());
        if (isFolded()) {
            layoutLine();
        } else {
            layoutColumn();
        }
    }

    private void layoutLine() {
        double middle = getHeight() / 2;
        double buttonWidth = Math.min(OWN, own.prefWidth(-1) + 3 * PADDING);
        double right = getWidth() - PADDING - buttonWidth;
        double titleWidth = title.prefWidth(-1);
        double x = PADDING;
        boolean hasTitle = right - x - titleWidth - PADDING > FIELD / 2;
        title.setVisible(hasTitle);
        if (hasTitle) {
            put(title, x, middle, titleWidth);
            x += titleWidth + PADDING;
        }
        double fieldWidth = Math.min(FIELD, right - x - PADDING);
        put(field, x, middle, fieldWidth);
        x += fieldWidth + PADDING;
        hint.setVisible(right - x - PADDING > 120);
        double hintWidth = Math.max(0, right - x - PADDING);
        double hintHeight = hint.prefHeight(hintWidth);
        hint.resizeRelocate(x, middle - hintHeight / 2, hintWidth, hintHeight);
        put(own, getWidth() - PADDING - buttonWidth, middle, buttonWidth);
    }

    private void layoutColumn() {
        double width = getWidth() - 2 * PADDING;
        double y = PADDING;
        title.setVisible(true);
        hint.setVisible(true);
        for (Region line : new Region[] {title, field, hint}) {
            double height = line.prefHeight(width);
            line.resizeRelocate(PADDING, y, width, height);
            y += height + GAP;
        }
        double ownHeight = own.prefHeight(width);
        double ownTop = getHeight() - PADDING - ownHeight;
        results.resizeRelocate(PADDING, y, width, Math.max(0, ownTop - GAP - y));
        own.resizeRelocate(PADDING, ownTop, width, ownHeight);
    }

    private static void put(Region node, double x, double middle, double width) {
        double height = node.prefHeight(width);
        node.resizeRelocate(x, middle - height / 2, width, height);
    }

    /** Puts the keyboard in the field. */
    void takeFocus() {
        field.requestFocus();
        field.selectAll();
    }

    private void ask() {
        String question = field.getText();
        requestLayout();
        if (getParent() != null) {
            getParent().requestLayout();
        }
        if (question.isBlank()) {
            hint.setText(Words.get("finder.hint"));
            results.show(List.of());
            return;
        }
        session.parts().search(question, hits -> {
            if (question.equals(field.getText())) {
                hint.setText(
                        hits.isEmpty() ? Words.get("finder.none") : Words.get("finder.found", "count", hits.size()));
                results.show(hits.stream().map(this::card).toList());
            }
        });
    }

    private ResultCard card(CatalogSearch.Hit hit) {
        ResultCard card = new ResultCard(hit, () -> session.selection().inspect(hit.cls()));
        card.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                session.parts().add(hit.cls(), 1);
            }
        });
        return card;
    }

    private void fromField(KeyEvent event) {
        List<ResultCard> cards = results.cards();
        if (event.getCode() == KeyCode.DOWN && !cards.isEmpty()) {
            choose(cards.get(0));
            event.consume();
        } else if (event.getCode() == KeyCode.ENTER && !cards.isEmpty()) {
            session.parts().add(cards.get(0).cls(), 1);
            event.consume();
        } else if (event.getCode() == KeyCode.ESCAPE && !field.getText().isEmpty()) {
            field.clear();
            event.consume();
        }
    }

    private void choose(ResultCard card) {
        card.requestFocus();
        session.selection().inspect(card.cls());
    }

    private void walk(KeyEvent event) {
        List<ResultCard> cards = results.cards();
        int at = -1;
        for (int i = 0; i < cards.size(); i++) {
            at = cards.get(i).isFocused() ? i : at;
        }
        if (at < 0) {
            return;
        }
        if (event.getCode() == KeyCode.DOWN && at + 1 < cards.size()) {
            choose(cards.get(at + 1));
        } else if (event.getCode() == KeyCode.UP) {
            if (at == 0) {
                takeFocus();
            } else {
                choose(cards.get(at - 1));
            }
        } else if (event.getCode() == KeyCode.ENTER) {
            session.parts().add(cards.get(at).cls(), 1);
        } else {
            return;
        }
        event.consume();
    }

    /** The cards found, one under the other, filled when they are seen. */
    private static final class Results extends Scroller {
        private final Column column;

        Results(Column column) {
            super(column);
            this.column = column;
            setId("finder-results");
        }

        void show(List<ResultCard> cards) {
            column.getChildren().setAll(cards);
            scrollTo(0);
            requestLayout();
        }

        List<ResultCard> cards() {
            return column.getChildren().stream().map(ResultCard.class::cast).toList();
        }

        @Override
        protected void seen(double top, double bottom) {
            for (ResultCard card : cards()) {
                if (card.getLayoutY() < bottom && card.getLayoutY() + card.getHeight() > top) {
                    card.fill();
                }
            }
        }
    }

    /** Lays the cards out. */
    private static final class Column extends Region {
        @Override
        protected javafx.collections.ObservableList<Node> getChildren() {
            return super.getChildren();
        }

        @Override
        protected double computePrefHeight(double width) {
            return getChildren().size() * (ResultCard.HEIGHT + GAP);
        }

        @Override
        protected void layoutChildren() {
            double y = 0;
            for (Node card : getChildren()) {
                card.resizeRelocate(1, y + 1, getWidth() - 6, ResultCard.HEIGHT);
                y += ResultCard.HEIGHT + GAP;
            }
        }
    }
}
