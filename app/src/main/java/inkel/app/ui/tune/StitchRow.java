package inkel.app.ui.tune;

import inkel.app.ui.kit.Ui;
import inkel.core.capture.decode.Stitches;
import inkel.core.capture.decode.Stitches.Stitch;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.layout.Region;

/**
 * Widths as stitches, one after the other like letters: a flat strip for each band, the longest above, each stitch as high in its
 * strip as it is long within what the band allows. What lies in no band stands below all of them.
 */
final class StitchRow extends Region {
    private static final double STRIP = 18;
    private static final double GAP = 5;
    private static final double TALL = 10;
    private static final double THICK = 3;

    private final Consumer<Stitch> choose;
    private List<Stitch> stitches = List.of();
    private List<Stitches.Band> bands = List.of();
    private List<Double> chosen = List.of();
    private int wide = 1;

    /** @param choose is told of a stitch that was pressed */
    StitchRow(Consumer<Stitch> choose) {
        this.choose = choose;
        setOnMouseClicked(event -> {
            int at = (int) (event.getX() / step());
            if (at >= 0 && at < stitches.size()) {
                choose.accept(stitches.get(at));
            }
        });
    }

    /**
     * @param room how many stitches a line has room for
     * @param marked the beginnings of those that are chosen, in seconds
     */
    void show(List<Stitch> shown, List<Stitches.Band> of, int room, List<Double> marked) {
        stitches = shown;
        bands = of;
        wide = room;
        chosen = marked;
        getChildren().clear();
        for (int i = 0; i <= bands.size(); i++) {
            getChildren().add(Ui.region(i < bands.size() ? "stitch-strip" : "stitch-rest"));
        }
        for (Stitch stitch : stitches) {
            Region mark = Ui.region("stitch");
            mark.getStyleClass().add(stitch.band() < 0 ? "stitch-out" : "stitch-in");
            if (chosen.contains(stitch.at())) {
                mark.getStyleClass().add("stitch-chosen");
            }
            getChildren().add(mark);
        }
        requestLayout();
    }

    private double step() {
        return getWidth() / wide;
    }

    private double top(int band) {
        return (bands.size() - 1 - band) * (STRIP + GAP);
    }

    @Override
    protected double computePrefHeight(double width) {
        return (bands.size() + (stitches.stream().anyMatch(stitch -> stitch.band() < 0) ? 1 : 0)) * (STRIP + GAP);
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected void layoutChildren() {
        if (getChildren().isEmpty()) {
            return;
        }
        for (int i = 0; i < bands.size(); i++) {
            getChildren().get(i).resizeRelocate(0, top(i), stitches.size() * step(), STRIP);
        }
        getChildren().get(bands.size()).resizeRelocate(0, 0, 0, 0);
        for (int i = 0; i < stitches.size(); i++) {
            Stitch stitch = stitches.get(i);
            double middle = top(stitch.band()) + (STRIP - TALL) / 2;
            double off = stitch.band() < 0
                    ? 0
                    : (stitch.width() / bands.get(stitch.band()).middle() - 1) / Stitches.TOLERANCE;
            double thick = Math.min(THICK, Math.max(1, step() * 0.5));
            getChildren()
                    .get(bands.size() + 1 + i)
                    .resizeRelocate((i + 0.5) * step() - thick / 2, middle - off * (STRIP - TALL) / 2, thick, TALL);
        }
    }
}
