package inkel.app.ui.power;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.power.RiverModel.Bar;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;

/** A rail in the river: its name and figures, the bank that is its rating, and how full that is. */
final class RiverBar extends Pressable {
    static final double WIDTH = 66;
    private static final PseudoClass CUT = PseudoClass.getPseudoClass("cut");
    private static final PseudoClass CAN = PseudoClass.getPseudoClass("can");
    private static final PseudoClass CANNOT = PseudoClass.getPseudoClass("cannot");

    private final Bar bar;
    private final double room;
    private final Line name;
    private final Line amount;
    private final Region bank = part("river-bank");
    private final Region fill = part("river-fill");
    private final Region over = part("river-over");

    /** @param room how wide the texts may be */
    RiverBar(Bar bar, double room, Runnable choose) {
        super(choose, "river-bar");
        this.bar = bar;
        this.room = room;
        setId("rail-" + bar.rail().part() + "-" + bar.rail().pin());
        name = new Line(bar.name(), "river-name");
        amount = new Line(bar.amount(), "small", bar.tone() == RiverModel.Tone.OVER ? "stop-text" : "quiet");
        setAccessibleText(bar.name() + ", " + bar.amount());
        pseudoClassStateChanged(PseudoClass.getPseudoClass(bar.tone().name().toLowerCase(Locale.ROOT)), true);
        pseudoClassStateChanged(CUT, bar.isCut());
        getChildren().addAll(name, amount, bank, fill, over);
    }

    private static Region part(String style) {
        Region region = Ui.region(style);
        region.setMouseTransparent(true);
        return region;
    }

    Bar bar() {
        return bar;
    }

    /** While a load is dragged: whether it may be fed from here, and if not why. */
    void offer(boolean isAllowed, String reason) {
        pseudoClassStateChanged(CAN, isAllowed);
        pseudoClassStateChanged(CANNOT, !isAllowed);
        amount.say(reason);
        requestLayout();
    }

    void endOffer() {
        pseudoClassStateChanged(CAN, false);
        pseudoClassStateChanged(CANNOT, false);
        amount.say(bar.amount());
        requestLayout();
    }

    double tall() {
        return RiverModel.LABEL + bar.bottom() - bar.top();
    }

    @Override
    protected double computePrefHeight(double width) {
        return tall();
    }

    @Override
    protected void layoutChildren() {
        name.place(2, 0, room);
        amount.place(2, 17, room);
        double top = RiverModel.LABEL;
        double inside = Math.min(bar.filled(), bar.bank());
        bank.resizeRelocate(0, top, WIDTH, bar.bank());
        fill.resizeRelocate(1, top + 1, WIDTH - 2, Math.max(0, inside - 2));
        boolean isOver = bar.tone() == RiverModel.Tone.OVER;
        over.setVisible(isOver);
        over.resizeRelocate(0, top + bar.bank(), WIDTH, Math.max(3, bar.filled() - bar.bank()));
    }
}
