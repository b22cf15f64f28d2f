package inkel.app.ui.kit;

import javafx.geometry.Orientation;
import javafx.scene.layout.Region;

/** A stage's titles with its controls at their right, or below them, on as many lines as they need, where there is less room. */
public final class StageHeader extends Region {
    private static final double GAP = 8;

    private final Region titles;
    private final Region controls;

    public StageHeader(Region titles, Region controls) {
        this.titles = titles;
        this.controls = controls;
        getChildren().addAll(titles, controls);
        setMinWidth(0);
    }

    private boolean isBeside(double width) {
        return width < 0 || titles.prefWidth(-1) + GAP + controls.prefWidth(-1) <= width;
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computePrefHeight(double width) {
        if (isBeside(width)) {
            return Math.max(titles.prefHeight(-1), controls.prefHeight(controls.prefWidth(-1)));
        }
        double beneath = controls.prefHeight(width);
        return titles.prefHeight(width) + (beneath > 0 ? GAP + beneath : 0);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double wanted = controls.prefWidth(-1);
        if (isBeside(width)) {
            titles.resizeRelocate(0, 0, width - wanted - GAP, titles.prefHeight(width - wanted - GAP));
            controls.resizeRelocate(width - wanted, 0, wanted, controls.prefHeight(wanted));
        } else {
            double height = titles.prefHeight(width);
            titles.resizeRelocate(0, 0, width, height);
            controls.resizeRelocate(0, height + GAP, Math.min(wanted, width), controls.prefHeight(width));
        }
    }
}
