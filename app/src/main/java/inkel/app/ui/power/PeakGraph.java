package inkel.app.ui.power;

import inkel.app.ui.kit.Line;
import inkel.core.power.PeakLine;
import java.util.List;
import javafx.scene.layout.Region;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;

/** What a rail must give over one round, as a line under its rating. */
final class PeakGraph extends Region {
    private static final double HEAD = 1.15;

    private final Path line = new Path();
    private final Path limit = new Path();
    private final Line limitName = new Line("", "small", "quiet");
    private List<PeakLine.Step> steps = List.of();
    private double rating;
    private double length;

    PeakGraph() {
        getStyleClass().add("peak-graph");
        line.getStyleClass().add("peak-line");
        limit.getStyleClass().add("peak-limit");
        line.setManaged(false);
        limit.setManaged(false);
        limitName.setManaged(false);
        getChildren().addAll(limit, line, limitName);
        setMinHeight(58);
        setPrefHeight(58);
    }

    void show(List<PeakLine.Step> newSteps, double ratingAmperes, double seconds, String ratingWords) {
        steps = newSteps;
        rating = ratingAmperes;
        length = seconds;
        limitName.say(ratingWords);
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        line.getElements().clear();
        limit.getElements().clear();
        if (steps.isEmpty() || length <= 0) {
            limitName.setVisible(false);
            return;
        }
        double highest = steps.stream()
                .mapToDouble(step -> step.current().amperes())
                .max()
                .orElse(0);
        double top = Math.max(rating, highest) * HEAD;
        double width = getWidth();
        double height = getHeight() - 4;
        double before = y(steps.get(0).current().amperes(), top, height);
        line.getElements().add(new MoveTo(0, before));
        for (PeakLine.Step step : steps) {
            double x = step.from() / length * width;
            double y = y(step.current().amperes(), top, height);
            line.getElements().addAll(new LineTo(x, before), new LineTo(x, y));
            before = y;
        }
        line.getElements().add(new LineTo(width, before));
        double limitY = y(rating, top, height);
        limit.getElements().addAll(new MoveTo(0, limitY), new LineTo(width, limitY));
        limitName.setVisible(true);
        limitName.relocate(
                width - limitName.width() - 4,
                limitY > limitName.height() + 1 ? limitY - limitName.height() - 1 : limitY + 2);
    }

    private static double y(double amperes, double top, double height) {
        return 2 + height - amperes / top * height;
    }
}
