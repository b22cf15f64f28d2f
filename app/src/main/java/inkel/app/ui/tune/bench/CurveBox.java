package inkel.app.ui.tune.bench;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ticks;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.DoubleFunction;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;

/** A bent line on a grid, with corners that can be dragged or moved by the arrow keys, and other points to look at. */
public final class CurveBox extends Region {
    private static final double LEFT = 58;
    private static final double RIGHT = 14;
    private static final double TOP = 20;
    private static final double BOTTOM = 36;
    private static final double HANDLE = 6;
    private static final double DOT = 3.5;
    private static final double EACH = 60;
    private static final double KEYS = 100;

    private final Region ground = Ui.region("curve-ground");
    private final Polyline line = new Polyline();
    private final Line across;
    private final Line up;
    private final DoubleFunction<String> showX;
    private final DoubleFunction<String> showY;
    private final List<Node> made = new ArrayList<>();
    private List<Point> corners = List.of();
    private List<Point> drawn = List.of();
    private List<Point> dots = List.of();
    private List<Double> limits = List.of();
    private boolean isEven;
    private double fromX;
    private double toX = 1;
    private double fromY;
    private double toY = 1;
    private BiConsumer<Integer, Point> onMoved = (corner, to) -> {};

    /**
     * @param across what is along the bottom
     * @param up what is along the side
     */
    public CurveBox(String across, String up, DoubleFunction<String> showX, DoubleFunction<String> showY) {
        this.across = new Line(across, "scale-number");
        this.up = new Line(up, "scale-number");
        this.showX = showX;
        this.showY = showY;
        line.getStyleClass().add("curve-line");
        getChildren().addAll(ground, line, this.across, this.up);
        getStyleClass().add("curve-box");
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(Words.say(Fact.of("curve.told").with("up", up).with("across", across)));
        setMinSize(220, 180);
        setPrefSize(320, 240);
    }

    /** @param moved is told of a corner that was moved and where to */
    public void onMoved(BiConsumer<Integer, Point> moved) {
        onMoved = moved;
    }

    /** Between which values it shows. */
    public void range(double leastX, double mostX, double leastY, double mostY) {
        fromX = leastX;
        toX = mostX;
        fromY = leastY;
        toY = mostY;
        requestLayout();
    }

    /**
     * @param shown corners that can be moved
     * @param path the line as it is drawn
     * @param seen points that are only looked at
     * @param dashed values across which nothing should go
     */
    public void show(List<Point> shown, List<Point> path, List<Point> seen, List<Double> dashed) {
        corners = shown;
        drawn = path;
        dots = seen;
        limits = dashed;
        requestLayout();
    }

    /** One along the bottom is to be as long as one along the side. */
    public void even() {
        isEven = true;
        requestLayout();
    }

    /** Widens what is shown along one side until both have one scale. */
    private void makeEven() {
        double width = getWidth() - LEFT - RIGHT;
        double height = getHeight() - TOP - BOTTOM;
        double scale = Math.max((toX - fromX) / width, (toY - fromY) / height);
        double moreX = (scale * width - (toX - fromX)) / 2;
        double moreY = (scale * height - (toY - fromY)) / 2;
        fromX -= moreX;
        toX += moreX;
        fromY -= moreY;
        toY += moreY;
    }

    private double x(double value) {
        return LEFT + (value - fromX) / (toX - fromX) * (getWidth() - LEFT - RIGHT);
    }

    private double y(double value) {
        return getHeight() - BOTTOM - (value - fromY) / (toY - fromY) * (getHeight() - TOP - BOTTOM);
    }

    private Point at(double x, double y) {
        double valueX = fromX + (x - LEFT) / (getWidth() - LEFT - RIGHT) * (toX - fromX);
        double valueY = fromY + (getHeight() - BOTTOM - y) / (getHeight() - TOP - BOTTOM) * (toY - fromY);
        return new Point(held(valueX, fromX, toX), held(valueY, fromY, toY));
    }

    private static double held(double value, double least, double most) {
        return Math.max(least, Math.min(most, value));
    }

    @Override
    protected void layoutChildren() {
        getChildren().removeAll(made);
        made.clear();
        if (isEven) {
            makeEven();
        }
        double width = getWidth() - LEFT - RIGHT;
        double height = getHeight() - TOP - BOTTOM;
        ground.resizeRelocate(LEFT, TOP, width, height);
        double stepX = Ticks.step((toX - fromX) / Math.max(2, Math.floor(width / EACH)));
        for (double value : Ticks.between(fromX, toX, stepX)) {
            rule(x(value), TOP, 1, height, "curve-rule");
            Line number = number(showX.apply(value));
            number.place(x(value) - number.width() / 2, getHeight() - BOTTOM + 4, Double.MAX_VALUE);
        }
        double stepY = Ticks.step((toY - fromY) / Math.max(2, Math.floor(height / 44)));
        for (double value : Ticks.between(fromY, toY, stepY)) {
            rule(LEFT, y(value), width, 1, "curve-rule");
            Line number = number(showY.apply(value));
            number.place(LEFT - 6 - number.width(), y(value) - 7, Double.MAX_VALUE);
        }
        limits.stream()
                .filter(value -> value >= fromY && value <= toY)
                .forEach(value -> rule(LEFT, y(value), width, 1.5, "curve-limit"));
        across.place(LEFT + width / 2 - across.width() / 2, getHeight() - 16, Double.MAX_VALUE);
        up.place(LEFT, 2, Double.MAX_VALUE);
        line.getPoints().clear();
        drawn.forEach(point -> line.getPoints().addAll(x(point.x()), y(point.y())));
        line.toFront();
        dots.forEach(point -> add(new Circle(x(point.x()), y(point.y()), DOT), "curve-dot"));
        for (int i = 0; i < corners.size(); i++) {
            add(handle(i), "curve-handle");
        }
    }

    private void rule(double x, double y, double width, double height, String style) {
        Region rule = Ui.region(style);
        rule.resizeRelocate(x, y, width, height);
        rule.setManaged(false);
        made.add(rule);
        getChildren().add(rule);
    }

    private Line number(String text) {
        Line number = new Line(text, "scale-number");
        made.add(number);
        getChildren().add(number);
        number.applyCss();
        return number;
    }

    private void add(Node node, String style) {
        node.getStyleClass().add(style);
        node.setManaged(false);
        made.add(node);
        getChildren().add(node);
    }

    private Circle handle(int corner) {
        Point point = corners.get(corner);
        Circle handle = new Circle(x(point.x()), y(point.y()), HANDLE);
        handle.setId("curve-corner-" + corner);
        handle.setFocusTraversable(true);
        handle.setAccessibleRole(AccessibleRole.SLIDER);
        handle.setAccessibleText(showX.apply(point.x()) + ", " + showY.apply(point.y()));
        handle.setOnMouseDragged(event -> {
            Point to = at(event.getX(), event.getY());
            handle.setCenterX(x(to.x()));
            handle.setCenterY(y(to.y()));
        });
        handle.setOnMouseReleased(event -> {
            Point to = at(handle.getCenterX(), handle.getCenterY());
            if (!event.isStillSincePress()) {
                onMoved.accept(corner, to);
            }
        });
        handle.setOnKeyPressed(event -> moveByKey(corner, event));
        return handle;
    }

    private void moveByKey(int corner, KeyEvent event) {
        double x = event.getCode() == KeyCode.LEFT ? -1 : event.getCode() == KeyCode.RIGHT ? 1 : 0;
        double y = event.getCode() == KeyCode.DOWN ? -1 : event.getCode() == KeyCode.UP ? 1 : 0;
        if (x != 0 || y != 0) {
            Point now = corners.get(corner);
            onMoved.accept(
                    corner,
                    new Point(
                            held(now.x() + x * (toX - fromX) / KEYS, fromX, toX),
                            held(now.y() + y * (toY - fromY) / KEYS, fromY, toY)));
            event.consume();
        }
    }
}
