package inkel.app.ui.wake;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ticks;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wake.Expected;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.Region;

/** A band on a scale, with what was read, and the most that the part bears where that is near. */
final class BandScale extends Region {
    private static final double HIGH = 98;
    private static final double AXIS = 48;
    private static final double BAND = 22;
    private static final double SIDE = 14;

    private final Region axis = Ui.region("scale-axis");
    private final Region band = Ui.region("scale-band");
    private final Region mark = Ui.region("scale-mark");
    private final Region limit = Ui.region("scale-limit");
    private final Line should;
    private final Line yours = new Line("", "scale-yours");
    private final Line ends = new Line(Words.get("wake.ends"), "scale-ends");
    private final List<Line> numbers = new ArrayList<>();
    private final List<Region> ticks = new ArrayList<>();
    private final Expected.Within within;
    private final Optional<Quantity> most;
    private Optional<Quantity> read = Optional.empty();
    private boolean isWell;

    /**
     * @param said what it should read, in words
     * @param most above this the part is damaged; empty where that is not told
     */
    BandScale(Expected.Within within, String said, Optional<Quantity> most) {
        this.within = within;
        this.most = most;
        should = new Line(Words.get("wake.should", "expected", said), "scale-should");
        getStyleClass().add("band-scale");
        setMinSize(0, HIGH);
        setPrefHeight(HIGH);
        setMaxHeight(HIGH);
        getChildren().addAll(axis, band, limit, mark, should, yours, ends);
        setAccessibleText(should.whole());
    }

    /** @param value what is typed so far; empty for nothing that can be read */
    void show(Optional<Quantity> value, boolean isWellNow) {
        read = value;
        isWell = isWellNow;
        requestLayout();
    }

    private double low() {
        return within.low().map(Quantity::si).orElse(0.0);
    }

    private double high() {
        return within.high().map(Quantity::si).orElseGet(() -> low() * 4);
    }

    @Override
    protected void layoutChildren() {
        double margin = Math.max((high() - low()) * 0.8, Math.abs(high()) * 0.02);
        double from = low() - margin;
        double to = high() + margin;
        boolean isLimitNear = most.isPresent() && most.get().si() < to + 2 * margin;
        if (isLimitNear) {
            to = Math.max(to, most.get().si() + margin / 4);
        }
        if (read.isPresent()) {
            double span = to - from;
            // What is far outside stands at the edge, so that the band stays to be seen.
            from = Math.min(from, Math.max(read.get().si() - span / 10, from - span));
            to = Math.max(to, Math.min(read.get().si() + span / 10, to + span));
        }
        boolean isNeverBelow = within.unit() != Unit.VOLT || low() > margin / 2;
        if (isNeverBelow && low() >= 0) {
            from = Math.max(from, 0);
        }
        double width = getWidth() - 2 * SIDE;
        double scale = width / (to - from);
        axis.resizeRelocate(SIDE, AXIS - 1, width, 2);
        double left = within.low().isEmpty() ? SIDE : SIDE + (low() - from) * scale;
        double right = within.high().isEmpty() ? SIDE + width : SIDE + (high() - from) * scale;
        band.resizeRelocate(left, AXIS - BAND / 2, Math.max(3, right - left), BAND);
        placeNumbers(from, to, scale);
        placeLimit(from, scale, isLimitNear);
        placeRead(from, to, scale);
        double middle = (left + right) / 2 - should.width() / 2;
        double x = clamp(middle, should.width());
        boolean isOver = yours.isVisible()
                && Math.abs(yours.getLayoutX() + yours.width() / 2 - x - should.width() / 2)
                        < (yours.width() + should.width()) / 2 + 12;
        if (isOver) {
            x = yours.getLayoutX() + yours.width() / 2 < (left + right) / 2
                    ? yours.getLayoutX() + yours.width() + 12
                    : yours.getLayoutX() - should.width() - 12;
        }
        boolean hasRoom = x >= 0 && x + should.width() <= getWidth();
        // Where both have no room beside each other, what it should read stands under the scale.
        should.place(hasRoom ? x : 0, hasRoom ? 8 : AXIS + 32, getWidth());
    }

    private double clamp(double x, double width) {
        return Math.max(0, Math.min(getWidth() - width, x));
    }

    private void placeNumbers(double from, double to, double scale) {
        getChildren().removeAll(numbers);
        getChildren().removeAll(ticks);
        numbers.clear();
        ticks.clear();
        double step = Ticks.step((to - from) / Math.max(2, Math.floor(getWidth() / 90)));
        for (double at : Ticks.between(from, to, step)) {
            Region tick = Ui.region("scale-tick");
            double x = SIDE + (at - from) * scale;
            tick.resizeRelocate(x, AXIS, 1, 6);
            ticks.add(tick);
            Line number = new Line(Words.show(Quantity.of(within.unit(), at)), "scale-number");
            numbers.add(number);
        }
        getChildren().addAll(ticks);
        getChildren().addAll(numbers);
        for (int i = 0; i < numbers.size(); i++) {
            Line number = numbers.get(i);
            number.applyCss();
            number.place(ticks.get(i).getLayoutX() - number.width() / 2, AXIS + 16, Double.MAX_VALUE);
        }
    }

    private void placeLimit(double from, double scale, boolean isNear) {
        limit.setVisible(isNear);
        ends.setVisible(isNear);
        if (isNear) {
            double x = SIDE + (most.orElseThrow().si() - from) * scale;
            limit.resizeRelocate(x - 1, AXIS - BAND / 2 - 3, 3, BAND + 6);
            ends.place(clamp(x - ends.width() / 2, ends.width()), AXIS + 32, Double.MAX_VALUE);
        }
    }

    private void placeRead(double from, double to, double scale) {
        mark.setVisible(read.isPresent());
        yours.setVisible(read.isPresent());
        yours.getStyleClass().removeAll("good-text", "stop-text");
        mark.getStyleClass().removeAll("good", "bad");
        read.ifPresent(value -> {
            yours.getStyleClass().add(isWell ? "good-text" : "stop-text");
            mark.getStyleClass().add(isWell ? "good" : "bad");
            yours.say(Words.get("wake.yours", "value", value));
            double x = SIDE + (Math.max(from, Math.min(to, value.si())) - from) * scale;
            mark.resizeRelocate(x - 5, AXIS - BAND / 2 - 10, 10, 10);
            yours.place(clamp(x - yours.width() / 2, yours.width()), 8, Double.MAX_VALUE);
        });
    }
}
