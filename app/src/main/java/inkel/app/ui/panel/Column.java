package inkel.app.ui.panel;

import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** A column of fixed width whose height follows its wrapped text; buttons cannot work that out for their graphics. */
final class Column extends VBox {
    private final double width;

    Column(double width, Node... children) {
        super(children);
        this.width = width;
        setMinWidth(width);
        setMaxWidth(width);
    }

    @Override
    protected double computePrefWidth(double height) {
        return width;
    }

    @Override
    protected double computePrefHeight(double given) {
        return super.computePrefHeight(width);
    }

    @Override
    protected double computeMinHeight(double given) {
        return computePrefHeight(width);
    }
}
