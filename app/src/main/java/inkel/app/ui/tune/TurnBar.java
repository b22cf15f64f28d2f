package inkel.app.ui.tune;

import javafx.scene.layout.Region;

/** A bar of two parts, one behind the other: what a bus takes, and what is waited for. */
final class TurnBar extends Region {
    private static final double HEIGHT = 12;

    /** What takes anything at all is seen. */
    private static final double LEAST = 2;

    private final Region bus = new Region();
    private final Region waits = new Region();
    private final double ofBus;
    private final double ofWaits;

    /** Both as shares of the whole length. */
    TurnBar(double ofBus, double ofWaits) {
        this.ofBus = ofBus;
        this.ofWaits = ofWaits;
        getStyleClass().add("turn-bar");
        bus.getStyleClass().add("turn-bus");
        waits.getStyleClass().add("turn-waits");
        getChildren().addAll(bus, waits);
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
    }

    @Override
    protected void layoutChildren() {
        double first = ofBus > 0 ? Math.max(LEAST, getWidth() * ofBus) : 0;
        double second = ofWaits > 0 ? Math.max(LEAST, Math.min(getWidth() - first, getWidth() * ofWaits)) : 0;
        bus.resizeRelocate(0, 0, first, HEIGHT);
        waits.resizeRelocate(first, 0, second, HEIGHT);
    }
}
