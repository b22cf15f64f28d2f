package inkel.app.ui.frame;

import inkel.app.ui.kit.Gauge;
import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.words.Words;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailNames;
import javafx.css.PseudoClass;

/** What one rail gives of what it can, in the strip. */
final class RailGauge extends Pressable {
    private static final PseudoClass NEAR = PseudoClass.getPseudoClass("near");
    private static final PseudoClass OVER = PseudoClass.getPseudoClass("over");
    private static final double BAR = 72;
    private static final double GAP = 8;
    private static final double SIDE = 4;

    private final Line name;
    private final Gauge bar;
    private final Line amount;

    RailGauge(RailBudget budget, Runnable action) {
        super(action, "rail-gauge");
        name = new Line(Words.say(RailNames.of(budget.node(), budget.rail().id())), "strip-name");
        double share = budget.peakShare().ratio();
        bar = new Gauge(Math.min(1, share));
        bar.pseudoClassStateChanged(OVER, budget.isPeakOver());
        bar.pseudoClassStateChanged(NEAR, PowerReport.isNear(budget.rail()));
        amount = new Line(Words.say(Fact.of(budget.isPeakOver() ? "strip.over" : "strip.of")
                .with("peak", budget.rail().peak())
                .with("rating", budget.rail().rating())));
        setAccessibleText(name.whole() + ", " + amount.whole());
        getChildren().addAll(name, bar, amount);
        setMinWidth(USE_PREF_SIZE);
    }

    @Override
    protected double computePrefWidth(double height) {
        return Math.ceil(name.width() + BAR + amount.width() + 2 * GAP + 2 * SIDE);
    }

    @Override
    protected double computePrefHeight(double width) {
        return 24;
    }

    @Override
    protected void layoutChildren() {
        double middle = getHeight() / 2;
        name.relocate(SIDE, middle - name.height() / 2);
        double left = SIDE + name.width() + GAP;
        bar.resizeRelocate(Math.round(left), Math.round(middle - 5), BAR, 10);
        amount.relocate(left + BAR + GAP, middle - amount.height() / 2);
    }
}
