package inkel.app.ui.tune.capture;

import inkel.core.capture.decode.Stitches;
import inkel.core.capture.decode.Stitches.Stitch;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * Widths as stitches, one after the other like letters: a flat strip for each band, the longest above, each stitch as high in its
 * strip as it is long within what the band allows. What lies in no band stands below all of them.
 */
final class StitchRow extends Region {
    private static final double STRIP = 18;
    private static final double GAP = 5;
    private static final double TALL = 10;
    private static final double THICK = 3;

    private final Canvas canvas = new Canvas();
    private final Rectangle strips = swatch("stitch-strip");
    private final Rectangle inside = swatch("stitch-in");
    private final Rectangle outside = swatch("stitch-out");
    private final Rectangle marked = swatch("stitch-chosen");
    private List<Stitch> stitches = List.of();
    private List<Stitches.Band> bands = List.of();
    private List<Double> chosen = List.of();
    private int wide = 1;

    /** @param choose is told of a stitch that was pressed */
    StitchRow(Consumer<Stitch> choose) {
        canvas.setManaged(false);
        getChildren().addAll(canvas, strips, inside, outside, marked);
        setOnMouseClicked(event -> {
            int at = (int) (event.getX() / step());
            if (at >= 0 && at < stitches.size()) {
                choose.accept(stitches.get(at));
            }
        });
    }

    /** Holds the colour that the theme has for something; hundreds of nodes that come and go would not keep up with a wheel. */
    private Rectangle swatch(String style) {
        Rectangle swatch = new Rectangle(0, 0);
        swatch.getStyleClass().add(style);
        swatch.setManaged(false);
        swatch.setVisible(false);
        swatch.fillProperty().addListener(property -> requestLayout());
        return swatch;
    }

    /**
     * @param of the bands, from the shortest
     * @param room how many stitches a line has room for
     * @param marks the beginnings of those that are chosen, in seconds
     */
    void show(List<Stitch> shown, List<Stitches.Band> of, int room, List<Double> marks) {
        stitches = shown;
        bands = of;
        wide = room;
        chosen = marks;
        requestLayout();
    }

    private double step() {
        return getWidth() / wide;
    }

    private double top(int band) {
        return (bands.size() - 1 - band) * (STRIP + GAP);
    }

    /** With room for what lies in no band, so that all lines of a capture are as high. */
    static double height(int bands) {
        return (bands + 1) * (STRIP + GAP);
    }

    @Override
    protected double computePrefHeight(double width) {
        return height(bands.size());
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected void layoutChildren() {
        canvas.setWidth(Math.max(1, getWidth()));
        canvas.setHeight(Math.max(1, getHeight()));
        GraphicsContext pen = canvas.getGraphicsContext2D();
        pen.clearRect(0, 0, getWidth(), getHeight());
        pen.setFill(strips.getFill());
        for (int i = 0; i < bands.size(); i++) {
            pen.fillRect(0, top(i), stitches.size() * step(), STRIP);
        }
        double thick = Math.min(THICK, Math.max(1, step() * 0.5));
        for (int i = 0; i < stitches.size(); i++) {
            Stitch stitch = stitches.get(i);
            double off = stitch.band() < 0
                    ? 0
                    : (stitch.width() / bands.get(stitch.band()).middle() - 1) / Stitches.TOLERANCE;
            double y = top(stitch.band()) + (STRIP - TALL) / 2 - off * (STRIP - TALL) / 2;
            boolean isChosen = chosen.contains(stitch.at());
            pen.setFill((isChosen ? marked : stitch.band() < 0 ? outside : inside).getFill());
            // On whole dots, so that all are as sharp.
            pen.fillRect(
                    snapPositionX((i + 0.5) * step() - thick / 2),
                    snapPositionY(y),
                    isChosen ? thick + 2 : thick,
                    TALL);
        }
    }
}
