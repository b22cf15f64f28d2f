package inkel.app.ui.power;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.power.RiverModel.Leaf;

/** A load at the end of its flow: whose it is and what it takes. */
final class RiverLeaf extends Pressable {
    static final double HEIGHT = 19;

    private final Leaf leaf;
    private final Line name;
    private final Line amount;

    RiverLeaf(Leaf leaf, Runnable choose) {
        super(choose, "river-leaf");
        this.leaf = leaf;
        setId("load-" + leaf.pin().part() + "-" + leaf.pin().pin());
        name = new Line(leaf.name(), "river-load");
        amount = new Line(leaf.amount(), "row-value");
        setAccessibleText(leaf.name() + ", " + leaf.amount());
        getChildren().addAll(name, amount);
        Ui.tip(this, getAccessibleText());
    }

    Leaf leaf() {
        return leaf;
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    @Override
    protected void layoutChildren() {
        double middle = getHeight() / 2;
        name.place(8, middle - name.height() / 2, getWidth() - amount.width() - 22);
        amount.placeRight(getWidth() - 6, middle - amount.height() / 2);
    }
}
