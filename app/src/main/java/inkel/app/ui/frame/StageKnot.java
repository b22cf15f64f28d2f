package inkel.app.ui.frame;

import inkel.app.ui.kit.Icons;
import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.finding.Stage;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;

/** One knot of the selvedge: a stage, and how far it is. */
final class StageKnot extends Pressable {
    private static final PseudoClass LOOSE = PseudoClass.getPseudoClass("loose");
    private static final PseudoClass TIGHT = PseudoClass.getPseudoClass("tight");
    private static final double DISC = 26;
    private static final double GAP = 5;
    private static final double NAME_PADDING = 4;

    private final String stageName;
    private final Region disc = new Region();
    private final Line count = new Line("", "knot-number");
    private final Region nameGround = new Region();
    private final Line name;
    private SVGPath tick;

    StageKnot(Stage stage, Runnable action) {
        super(action, "knot");
        setId("stage-" + stage.text());
        stageName = Words.get("stage." + stage.text());
        name = new Line(stageName, "knot-name");
        disc.getStyleClass().add("knot-count");
        nameGround.getStyleClass().add("knot-name-ground");
        getChildren().addAll(disc, count, nameGround, name);
        setMinHeight(DISC + GAP + 18);
        setMaxSize(Double.MAX_VALUE, 140);
    }

    /** @param loose how many things are left to do here, with {@code isTight} false for a stage not begun */
    void show(long loose, boolean isTight) {
        count.say(loose > 0 ? String.valueOf(loose) : "");
        if (isTight && tick == null) {
            tick = Ui.icon(Icons.TICK, "knot-tick");
            tick.setManaged(false);
            getChildren().add(tick);
        }
        if (tick != null) {
            tick.setVisible(isTight);
        }
        disc.pseudoClassStateChanged(LOOSE, loose > 0);
        disc.pseudoClassStateChanged(TIGHT, isTight);
        String how = isTight
                ? Words.get("selvedge.tight")
                : loose > 0 ? Words.get("selvedge.loose", "count", loose) : Words.get("selvedge.not_begun");
        setAccessibleText(stageName + ", " + how);
        requestLayout();
    }

    @Override
    protected double computePrefHeight(double width) {
        return 62;
    }

    @Override
    protected void layoutChildren() {
        double middle = getWidth() / 2;
        double nameHeight = name.height();
        double top = Math.round((getHeight() - DISC - GAP - nameHeight) / 2);
        double numberWidth = Math.max(DISC, count.width() + 12);
        disc.resizeRelocate(Math.round(middle - numberWidth / 2), top, numberWidth, DISC);
        count.relocate(middle - count.width() / 2, top + (DISC - count.height()) / 2);
        if (tick != null) {
            tick.relocate(
                    middle - tick.getLayoutBounds().getWidth() / 2,
                    top + (DISC - tick.getLayoutBounds().getHeight()) / 2);
        }
        name.place(Math.max(2, middle - name.width() / 2), top + DISC + GAP, getWidth() - 4);
        nameGround.resizeRelocate(
                Math.round(middle - name.width() / 2 - NAME_PADDING),
                top + DISC + GAP,
                name.width() + 2 * NAME_PADDING,
                nameHeight);
    }
}
