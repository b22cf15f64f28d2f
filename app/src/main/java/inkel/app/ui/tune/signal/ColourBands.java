package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ticks;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.tune.colour.Band;
import inkel.core.tune.colour.ColourDraft;
import inkel.core.tune.colour.Mixing;
import inkel.core.tune.colour.Reading;
import inkel.core.tune.colour.Shares;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** A row for each colour, a column for each channel: its band, its readings as points in it, and a thread for what is under it now. */
final class ColourBands extends Region {
    private static final double NAMES = 96;
    private static final double BETWEEN = 26;
    private static final double TOP = 24;
    private static final double ROW = 30;
    private static final double BOTTOM = 30;
    private static final double TALL = 18;
    private static final double DOT = 3;
    private static final double PERCENT = 100;

    private final List<Node> made = new ArrayList<>();
    private ColourDraft draft;

    ColourBands() {
        setMinWidth(0);
    }

    void show(ColourDraft shown) {
        draft = shown;
        requestLayout();
    }

    private int rows() {
        return draft == null ? 0 : draft.bands().size();
    }

    @Override
    protected double computePrefHeight(double width) {
        return TOP + rows() * ROW + BOTTOM;
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        getChildren().removeAll(made);
        made.clear();
        if (rows() == 0) {
            return;
        }
        List<Band> bands = draft.bands();
        double most = 1;
        for (Band band : bands) {
            for (int i = 0; i < Reading.COLOURS; i++) {
                most = Math.max(
                        most, band.means().get(i).value() + band.halves().get(i));
            }
        }
        double wide = (getWidth() - NAMES - (Reading.COLOURS - 1) * BETWEEN) / Reading.COLOURS;
        Optional<Mixing> mixing = draft.worst();
        Optional<Shares> now = draft.now().flatMap(draft.correction()::shares);
        for (int channel = 0; channel < Reading.COLOURS; channel++) {
            double left = NAMES + channel * (wide + BETWEEN);
            double scale = wide / most;
            text(Words.get("tune.colour." + ColourDraft.channels().get(channel)), left, 0, "colour-" + channel);
            axis(left, scale, most);
            for (int row = 0; row < bands.size(); row++) {
                Band band = bands.get(row);
                boolean isMixed = mixing.filter(pair -> isIn(pair, band)).isPresent();
                row(band, channel, left, scale, TOP + row * ROW, isMixed);
            }
            int of = channel;
            now.ifPresent(shares ->
                    rule(left + Math.max(0, shares.channel(of)) * scale, TOP - 4, 1.5, rows() * ROW + 4, "colour-now"));
        }
        for (int row = 0; row < bands.size(); row++) {
            text(bands.get(row).name(), 0, TOP + row * ROW + 1, "tune-name");
        }
    }

    private static boolean isIn(Mixing pair, Band band) {
        return band.name().equals(pair.one()) || band.name().equals(pair.other());
    }

    private void axis(double left, double scale, double most) {
        double y = TOP + rows() * ROW + 2;
        rule(left, y, most * scale, 1, "scale-axis");
        for (double value : Ticks.between(0, most, Ticks.step(most / 3))) {
            rule(left + value * scale, y, 1, 5, "scale-axis");
            text(Math.round(value * PERCENT) + " %", left + value * scale - 8, y + 7, "scale-number");
        }
    }

    private void row(Band band, int channel, double left, double scale, double top, boolean isMixed) {
        double middle = band.means().get(channel).value();
        double half = band.halves().get(channel);
        Region box = Ui.region("colour-band");
        box.getStyleClass().add(isMixed ? "mixed" : "clear");
        put(box, left + (middle - half) * scale, top, 2 * half * scale, TALL);
        List<Shares> shares = draft.shares(band.name());
        for (int i = 0; i < shares.size(); i++) {
            // Side by side above and below the middle, so that points that are alike are seen as several.
            double y = top + TALL / 2 - DOT / 2 + (i % 5 - 2) * 2.5;
            put(Ui.region("colour-dot"), left + shares.get(i).channel(channel) * scale - DOT / 2, y, DOT, DOT);
        }
        rule(left + middle * scale, top, 1.5, TALL, "colour-mean");
    }

    private void rule(double x, double y, double width, double height, String style) {
        put(Ui.region(style), x, y, width, height);
    }

    private void put(Region region, double x, double y, double width, double height) {
        region.setManaged(false);
        region.resizeRelocate(x, y, width, height);
        made.add(region);
        getChildren().add(region);
    }

    private void text(String text, double x, double y, String style) {
        Line line = new Line(text, style);
        made.add(line);
        getChildren().add(line);
        line.applyCss();
        line.place(Math.max(0, x), y, Double.MAX_VALUE);
    }
}
