package inkel.app.ui.wire;

import inkel.app.words.Words;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** A part seen from above: its rows of pins, counted from the marked end, with one pin ringed. */
public final class HeaderPlan extends Region {
    private static final PseudoClass TARGET = PseudoClass.getPseudoClass("target");
    private static final double MOST_PITCH = 22;

    private final PartClass cls;
    private final int target;
    private final Region body = new Region();
    private final Region mark = new Region();
    private final Label markName;
    private final Region ring = new Region();
    private final List<Integer> shown = new ArrayList<>();
    private final List<Region> holes = new ArrayList<>();
    private final List<Label> names = new ArrayList<>();
    private final List<Label> counts = new ArrayList<>();

    /** @param target which pin to ring, from 0 in physical order */
    public HeaderPlan(PartClass cls, int target) {
        this.cls = cls;
        this.target = target;
        getStyleClass().add("header-plan");
        body.getStyleClass().add("plan-body");
        mark.getStyleClass().add("plan-mark");
        ring.getStyleClass().add("plan-ring");
        markName = new Label(Words.get("plan.mark." + cls.from()));
        markName.getStyleClass().add("plan-mark-name");
        getChildren().addAll(body, mark, markName);
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin pin = cls.pins().get(i);
            if (pin.row().equals("left")
                    || pin.row().equals("right")
                    || pin.row().equals("single")) {
                shown.add(i);
                Region hole = new Region();
                hole.getStyleClass().add("plan-hole");
                Label name = new Label(pin.label());
                name.getStyleClass().add("plan-name");
                Label count = new Label(String.valueOf(pin.place()));
                count.getStyleClass().add("plan-count");
                boolean isTarget = i == target;
                name.pseudoClassStateChanged(TARGET, isTarget);
                count.pseudoClassStateChanged(TARGET, isTarget);
                boolean isInRow = pin.row().equals(cls.pins().get(target).row());
                count.setVisible(
                        isInRow && pin.place() <= cls.pins().get(target).place());
                holes.add(hole);
                names.add(name);
                counts.add(count);
                getChildren().addAll(hole, name, count);
            }
        }
        getChildren().add(ring);
        setMinSize(200, 160);
    }

    @Override
    protected void layoutChildren() {
        int most = shown.stream().mapToInt(i -> cls.pins().get(i).place()).max().orElse(1);
        double top = 30;
        double pitch = Math.min(MOST_PITCH, (getHeight() - top - 16) / most);
        boolean hasTwoRows =
                shown.stream().anyMatch(i -> cls.pins().get(i).row().equals("right"));
        double bodyWidth = hasTwoRows ? 116 : 72;
        double left = (getWidth() - bodyWidth) / 2;
        body.resizeRelocate(left, 12, bodyWidth, top - 12 + pitch * most + 8);
        mark.resizeRelocate(left + bodyWidth / 2 - 20, 4, 40, 14);
        double markWidth = markName.prefWidth(-1);
        markName.resizeRelocate(left + bodyWidth / 2 - markWidth / 2, 18, markWidth, markName.prefHeight(-1));
        for (int n = 0; n < shown.size(); n++) {
            Pin pin = cls.pins().get(shown.get(n));
            boolean isRight = pin.row().equals("right");
            double y = top + pitch * (pin.place() - 0.5);
            double x = isRight ? left + bodyWidth - 14 : left + 14;
            double size = Math.min(10, pitch * 0.6);
            holes.get(n).resizeRelocate(x - size / 2, y - size / 2, size, size);
            Label name = names.get(n);
            double width = name.prefWidth(-1);
            double height = name.prefHeight(-1);
            name.resizeRelocate(isRight ? left + bodyWidth + 12 : left - 12 - width, y - height / 2, width, height);
            Label count = counts.get(n);
            double countWidth = count.prefWidth(-1);
            count.resizeRelocate(
                    isRight ? x - 14 - countWidth : x + 14,
                    y - count.prefHeight(-1) / 2,
                    countWidth,
                    count.prefHeight(-1));
            if (shown.get(n) == target) {
                ring.resizeRelocate(x - 11, y - 11, 22, 22);
            }
        }
        ring.setVisible(shown.contains(target));
    }
}
