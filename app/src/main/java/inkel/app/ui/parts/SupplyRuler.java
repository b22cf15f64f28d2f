package inkel.app.ui.parts;

import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.text.Text;

/** What a supply pin works at, as a band on a volt scale, and what arrives there, as a needle. */
public final class SupplyRuler extends Region {
    private static final double BAR = 6;
    private static final double TOP = 18;
    private static final double LEAST_SCALE_VOLTS = 6;

    private final Region track = Ui.region("ruler-track");
    private final Region band = Ui.region("ruler-band");
    private final Region needle = Ui.region("ruler-needle");
    private final Text reading = new Text();
    private final Path ticks = new Path();
    private final double tickVolts;
    private final Range<Voltage> bears;
    private final double needleVolts;
    private final double scaleVolts;

    public SupplyRuler(Feed feed) {
        bears = feed.supply().range().range();
        needleVolts = feed.volts().map(volts -> volts.expected().volts()).orElse(Double.NaN);
        scaleVolts = Math.max(
                LEAST_SCALE_VOLTS,
                Math.ceil(Math.max(bears.highest().volts(), Double.isNaN(needleVolts) ? 0 : needleVolts)));
        getStyleClass().add("supply-ruler");
        reading.getStyleClass().add("ruler-reading");
        reading.setText(
                feed.volts().map(volts -> Numbers.print(volts.expected())).orElse(""));
        tickVolts = scaleVolts > 12 ? 5 : 1;
        ticks.getStyleClass().add("ruler-tick");
        ticks.setManaged(false);
        getChildren().addAll(track, band, ticks, needle, reading);
        boolean hasNeedle = !Double.isNaN(needleVolts);
        needle.setVisible(hasNeedle);
        for (Fit fit : Fit.values()) {
            pseudoClassStateChanged(
                    PseudoClass.getPseudoClass(
                            fit.name().toLowerCase(Locale.ROOT).replace('_', '-')),
                    fit == feed.fit());
        }
        setMinSize(80, 34);
        setPrefSize(150, 34);
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        track.resizeRelocate(0, TOP, width, BAR);
        double from = x(bears.lowest().volts());
        double to = x(bears.highest().volts());
        band.resizeRelocate(from, TOP, Math.max(3, to - from), BAR);
        ticks.getElements().clear();
        for (double volts = 0; volts <= scaleVolts; volts += tickVolts) {
            double at = Math.round(x(volts)) + 0.5;
            ticks.getElements().addAll(new MoveTo(at, TOP + BAR + 2), new LineTo(at, TOP + BAR + 6));
        }
        if (needle.isVisible()) {
            double at = x(needleVolts);
            needle.resizeRelocate(Math.round(at - 1), TOP - 4, 2, BAR + 8);
            double labelWidth = reading.getLayoutBounds().getWidth();
            double left = Math.max(0, Math.min(width - labelWidth, at - labelWidth / 2));
            reading.relocate(left, -2);
        }
    }

    private double x(double volts) {
        return getWidth() * volts / scaleVolts;
    }
}
