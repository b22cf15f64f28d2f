package inkel.app.ui.kit;

import java.util.List;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;

/** Shows its content larger, all of it alike: texts, pictures, and the room between them. */
public final class Zoom extends Region {
    /** How much larger than usual, from step to step. */
    public static final List<Double> STEPS = List.of(1.0, 1.1, 1.25, 1.5, 1.75, 2.0);

    private final Region content;
    private double factor = 1;

    public Zoom(Region content) {
        this.content = content;
        getChildren().add(content);
    }

    public double factor() {
        return factor;
    }

    /** @param next one of {@link #STEPS}; the nearest of them is taken */
    public void show(double next) {
        factor = STEPS.stream()
                .min((one, other) -> Double.compare(Math.abs(one - next), Math.abs(other - next)))
                .orElseThrow();
        if (factor == 1) {
            content.getTransforms().clear();
        } else {
            content.getTransforms().setAll(new Scale(factor, factor));
        }
        requestLayout();
    }

    /** @param by how many steps larger, or smaller; it stays inside of {@link #STEPS} */
    public void step(int by) {
        int at = STEPS.indexOf(factor) + by;
        show(STEPS.get(Math.max(0, Math.min(STEPS.size() - 1, at))));
    }

    @Override
    protected void layoutChildren() {
        content.resizeRelocate(0, 0, getWidth() / factor, getHeight() / factor);
    }
}
