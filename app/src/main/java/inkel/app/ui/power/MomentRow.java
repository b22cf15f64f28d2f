package inkel.app.ui.power;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.core.circuit.Round;
import inkel.core.document.Moment;
import inkel.core.quantity.TimeSpan;
import java.util.function.BiConsumer;
import javafx.scene.layout.Region;

/** One moment in the strip: its name, a press on which opens it, and its times. */
public final class MomentRow extends Region {
    /** How wide the names are, in all rows. */
    static final double NAMES = 132;

    /** How tall a row is. */
    public static final double HEIGHT = 20;

    private final Tile name;
    private final MomentBar bar;

    public MomentRow(Moment moment, Round round, Runnable open, BiConsumer<Moment, TimeSpan> move) {
        name = new Tile(open, new Caption(moment.name(), false, "moment-name"), "quiet-tile");
        name.setId("moment-name-" + moment.id());
        name.setAccessibleText(moment.name());
        bar = new MomentBar(moment, round, () -> {}, move);
        bar.setAccessibleText(moment.name());
        getChildren().addAll(name, bar);
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    @Override
    protected void layoutChildren() {
        name.resizeRelocate(0, 0, NAMES - 6, HEIGHT);
        bar.resizeRelocate(NAMES, 1, Math.max(10, getWidth() - NAMES), HEIGHT - 2);
    }
}
