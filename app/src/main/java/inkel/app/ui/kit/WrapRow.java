package inkel.app.ui.kit;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;

/** Children side by side: on one line where there is room for all of them, on more lines where there is less. */
public final class WrapRow extends FlowPane {
    public WrapRow(double gap, Node... children) {
        super(gap, gap, children);
        setMinWidth(0);
    }

    /** As wide as all of them on one line; the toolkit's own wants a fixed length. */
    @Override
    protected double computePrefWidth(double height) {
        double wide = 0;
        int count = 0;
        for (Node child : getManagedChildren()) {
            wide += Math.ceil(child.prefWidth(-1));
            count++;
        }
        Insets insets = getInsets();
        return insets.getLeft() + insets.getRight() + wide + Math.max(0, count - 1) * getHgap();
    }
}
