package inkel.app.ui.kit;

import javafx.scene.layout.Region;

/** A bar that is filled up to a share of its length. */
public final class Gauge extends Region {
    private final Region fill = new Region();
    private final double share;

    /** @param share from 0 to 1 */
    public Gauge(double share) {
        this.share = share;
        getStyleClass().add("gauge");
        fill.getStyleClass().add("gauge-fill");
        getChildren().add(fill);
    }

    @Override
    protected void layoutChildren() {
        fill.resizeRelocate(1, 1, Math.max(0, (getWidth() - 2) * share), Math.max(0, getHeight() - 2));
    }
}
