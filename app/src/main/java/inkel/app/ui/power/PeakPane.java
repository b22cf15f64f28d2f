package inkel.app.ui.power;

import inkel.app.ui.kit.Line;
import inkel.core.power.PeakLine;
import java.util.List;
import javafx.scene.layout.Region;

/** The line of one rail under the moments, with the rail's name in front and the length of the round behind. */
public final class PeakPane extends Region {
    private static final double HEIGHT = 66;

    private final PeakGraph graph = new PeakGraph();
    private final Line rail = new Line("", "small");
    private final Line round = new Line("", "small", "quiet");

    public PeakPane() {
        setId("peak-line");
        getChildren().addAll(graph, rail, round);
        setMinHeight(HEIGHT);
    }

    /**
     * Shows a line.
     *
     * @param length of the round, in seconds
     */
    public void show(
            String railName,
            List<PeakLine.Step> steps,
            double ratingAmperes,
            double length,
            String ratingWords,
            String roundWords) {
        rail.say(railName);
        round.say(roundWords);
        setAccessibleText(railName + ", " + ratingWords);
        graph.show(steps, ratingAmperes, length, ratingWords);
        requestLayout();
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    @Override
    protected void layoutChildren() {
        rail.place(2, 14, MomentRow.NAMES - 10);
        round.place(2, 32, MomentRow.NAMES - 10);
        graph.resizeRelocate(MomentRow.NAMES, 2, Math.max(10, getWidth() - MomentRow.NAMES), HEIGHT - 4);
    }
}
