package inkel.app.ui.tune.servo;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ticks;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.tune.servo.ServoDraft;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import javafx.scene.shape.Polygon;

/** The pulses of a servo on a scale: where its ends are, its middle, and where it is now, which can be dragged. */
final class PulseScale extends Region {
    private static final double HIGH = 98;
    private static final double AXIS = 62;
    private static final double BAND = 26;
    private static final double SIDE = 16;
    private static final double MARGIN = 100e-6;
    private static final double MICRO = 1e-6;
    private static final double EACH = 48;

    /** Where words would stand on each other; the numbers alone are clear by their places. */
    private static final double NARROW = 340;

    private final Region outside = Ui.region("pulse-outside");
    private final Region inside = Ui.region("pulse-inside");
    private final Region axis = Ui.region("scale-axis");
    private final Polygon now = new Polygon(0, 0, -8, 14, 8, 14);
    private final Line nowText = new Line(Words.get("tune.servo.now"), "pulse-now-text");
    private final List<Node> made = new ArrayList<>();
    private ServoDraft draft;

    /** @param moved is told where the mark of now was dragged to, in seconds */
    PulseScale(DoubleConsumer moved) {
        setId("pulse-scale");
        setMinSize(0, HIGH);
        setPrefHeight(HIGH);
        setMaxHeight(HIGH);
        now.getStyleClass().add("pulse-now");
        now.setManaged(false);
        now.setCursor(Cursor.H_RESIZE);
        now.setOnMouseDragged(event -> now.setLayoutX(Math.max(
                SIDE,
                Math.min(getWidth() - SIDE, sceneToLocal(event.getSceneX(), 0).getX()))));
        now.setOnMouseReleased(event -> {
            if (!event.isStillSincePress()) {
                moved.accept(pulse(now.getLayoutX()));
            }
        });
        getChildren().addAll(outside, inside, axis, now, nowText);
    }

    void show(ServoDraft shown) {
        draft = shown;
        setAccessibleText(Words.get("tune.servo.now") + " " + ServoWords.micros(shown.now()));
        requestLayout();
    }

    private double from() {
        return Math.min(draft.rig().shortest(), draft.low()) - MARGIN;
    }

    private double to() {
        return Math.max(draft.rig().longest(), draft.high()) + MARGIN;
    }

    private double x(double pulse) {
        return SIDE + (pulse - from()) / (to() - from()) * (getWidth() - 2 * SIDE);
    }

    private double pulse(double x) {
        return from() + (x - SIDE) / (getWidth() - 2 * SIDE) * (to() - from());
    }

    @Override
    protected void layoutChildren() {
        getChildren().removeAll(made);
        made.clear();
        if (draft == null) {
            return;
        }
        double width = getWidth() - 2 * SIDE;
        outside.resizeRelocate(SIDE, AXIS - BAND, width, BAND);
        inside.resizeRelocate(x(draft.low()), AXIS - BAND, x(draft.high()) - x(draft.low()), BAND);
        axis.resizeRelocate(SIDE, AXIS, width, 2);
        double step = Ticks.step((to() - from()) / MICRO / Math.max(2, Math.floor(width / EACH)));
        for (double value : Ticks.between(from() / MICRO, to() / MICRO, step)) {
            Region tick = Ui.region("scale-tick");
            tick.resizeRelocate(x(value * MICRO), AXIS + 2, 1, 6);
            add(tick);
            Line number = new Line(String.valueOf(Math.round(value)), "scale-number");
            add(number);
            number.applyCss();
            number.place(x(value * MICRO) - number.width() / 2, AXIS + 12, Double.MAX_VALUE);
        }
        mark(draft.low(), "tune.servo.low", draft.ends().low().isPresent());
        mark(draft.high(), "tune.servo.high", draft.ends().high().isPresent());
        draft.middle().ifPresent(pulse -> mark(pulse, "tune.servo.centre", true));
        now.setLayoutX(x(draft.now()));
        now.setLayoutY(AXIS);
        now.toFront();
        double text = x(draft.now()) - nowText.width() / 2;
        nowText.place(Math.max(0, Math.min(getWidth() - nowText.width(), text)), AXIS - BAND + 6, Double.MAX_VALUE);
        nowText.toFront();
    }

    private void add(Node node) {
        node.setManaged(false);
        made.add(node);
        getChildren().add(node);
    }

    /** Where an end is; fainter where only the class says so. */
    private void mark(double pulse, String key, boolean isFound) {
        Region mark = Ui.region(isFound ? "pulse-mark" : "pulse-mark-class");
        mark.resizeRelocate(x(pulse) - 1, AXIS - BAND - 6, 2, BAND + 12);
        add(mark);
        String number = String.valueOf(Math.round(pulse / MICRO));
        Line text = new Line(
                getWidth() < NARROW ? number : Words.get(key, "pulse", number),
                isFound ? "pulse-found" : "scale-number");
        add(text);
        text.applyCss();
        double x = x(pulse) - text.width() / 2;
        text.place(Math.max(0, Math.min(getWidth() - text.width(), x)), AXIS - BAND - 28, Double.MAX_VALUE);
    }
}
