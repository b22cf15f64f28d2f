package inkel.app.ui.log;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.RecordWords;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.log.Entry;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.layout.Region;
import javafx.scene.shape.Polyline;

/** Readings of one place, one after the other, with the band that was foretold for the latest of them. */
final class PlacePlot extends Region {
    private static final double HIGH = 120;
    private static final double SIDE = 12;
    private static final double DOT = 8;
    private static final double HEAD = 20;
    private static final double FOOT = 12;

    private final List<LogLine.Measured> readings;
    private final Region band = Ui.region("plot-band");
    private final Polyline thread = new Polyline();
    private final List<Region> dots = new ArrayList<>();
    private final Line highest;
    private final Line lowest;

    /** @param shown the one that is looked at */
    PlacePlot(List<LogLine.Measured> readings, LogLine.Measured shown) {
        this.readings = readings;
        getStyleClass().add("place-plot");
        setMinSize(0, HIGH);
        setPrefHeight(HIGH);
        setMaxHeight(HIGH);
        thread.getStyleClass().add("plot-thread");
        getChildren().addAll(band, thread);
        for (LogLine.Measured reading : readings) {
            Region dot = Ui.region("plot-dot");
            boolean isWell = Entry.alone(reading).isWell();
            dot.getStyleClass().add(isWell ? "plot-well" : "plot-off");
            if (reading == shown) {
                dot.getStyleClass().add("plot-shown");
            }
            dots.add(dot);
        }
        getChildren().addAll(dots);
        highest = new Line(RecordWords.value(top()), "time-label");
        lowest = new Line(RecordWords.value(bottom()), "time-label");
        getChildren().addAll(highest, lowest);
        setAccessibleText(readings.stream()
                .map(reading -> RecordWords.value(reading.value()))
                .toList()
                .toString());
    }

    private Quantity top() {
        return readings.stream()
                .map(LogLine.Measured::value)
                .max((one, other) -> Double.compare(one.si(), other.si()))
                .orElseThrow();
    }

    private Quantity bottom() {
        return readings.stream()
                .map(LogLine.Measured::value)
                .min((one, other) -> Double.compare(one.si(), other.si()))
                .orElseThrow();
    }

    private Optional<Foretold> foretold() {
        return readings.get(readings.size() - 1).foretold();
    }

    @Override
    protected void layoutChildren() {
        Optional<Double> low = foretold().flatMap(Foretold::low).map(Quantity::si);
        Optional<Double> high = foretold().flatMap(Foretold::high).map(Quantity::si);
        double from = Math.min(bottom().si(), low.orElse(bottom().si()));
        double to = Math.max(top().si(), high.orElse(top().si()));
        double span = to - from == 0 ? Math.max(1e-9, Math.abs(to)) : to - from;
        double room = HIGH - HEAD - FOOT - 2 * DOT;
        double width = getWidth() - 2 * SIDE;
        DoubleUnaryOperator y = value -> HEAD + DOT + room * (1 - (value - from) / span);
        double bandTop = high.map(value -> y.applyAsDouble(value)).orElse(HEAD);
        double bandLow = low.map(value -> y.applyAsDouble(value)).orElse(HIGH - FOOT);
        band.setVisible(low.isPresent() || high.isPresent());
        band.resizeRelocate(0, bandTop, getWidth(), Math.max(2, bandLow - bandTop));
        thread.getPoints().clear();
        for (int i = 0; i < dots.size(); i++) {
            double x = SIDE + (dots.size() == 1 ? width / 2 : width * i / (dots.size() - 1));
            double at = y.applyAsDouble(readings.get(i).value().si());
            thread.getPoints().addAll(x, at);
            dots.get(i).resizeRelocate(x - DOT / 2, at - DOT / 2, DOT, DOT);
        }
        highest.relocate(6, 3);
        boolean isOne = highest.whole().equals(lowest.whole());
        lowest.setVisible(!isOne);
        lowest.relocate(6, HIGH - 16);
    }
}
