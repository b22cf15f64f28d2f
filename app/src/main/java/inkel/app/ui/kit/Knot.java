package inkel.app.ui.kit;

import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.Group;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;

/** The shape where a wire crosses its thread: its form tells how the wire came there. */
public final class Knot extends Group {
    private static final double RADIUS = 6;

    /** What a knot stands for. */
    public enum Form {
        FIXED,
        PLACED,
        HELD,
        CLASH,
        OPEN
    }

    public Knot(Form form, String... styles) {
        Shape shape =
                switch (form) {
                    case FIXED -> diamond();
                    case HELD -> new Rectangle(-5, -5, 10, 10);
                    case CLASH -> new Circle(RADIUS + 1.5);
                    case OPEN -> new Circle(RADIUS - 1.5);
                    case PLACED -> new Circle(RADIUS - 0.5);
                };
        shape.getStyleClass().addAll("knot-shape", "knot-" + form.name().toLowerCase(Locale.ROOT));
        shape.getStyleClass().addAll(styles);
        getChildren().add(shape);
        if (form == Form.CLASH) {
            getChildren().addAll(cross(-3, -3, 3, 3), cross(-3, 3, 3, -3));
        }
        setMouseTransparent(true);
    }

    /** Puts the middle of the knot at a point. */
    public void relocateTo(double x, double y) {
        setLayoutX(x);
        setLayoutY(y);
    }

    /** Marks the knot as the selected one. */
    public void setSelected(boolean isSelected) {
        getChildren().get(0).pseudoClassStateChanged(PseudoClass.getPseudoClass("selected"), isSelected);
    }

    private static Shape diamond() {
        Rectangle square = new Rectangle(-4.6, -4.6, 9.2, 9.2);
        square.setRotate(45);
        return square;
    }

    private static Line cross(double x1, double y1, double x2, double y2) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().add("knot-cross");
        return line;
    }
}
