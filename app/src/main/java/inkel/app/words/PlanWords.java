package inkel.app.words;

import inkel.core.catalog.PinUse;
import inkel.core.pins.Plan;
import inkel.core.quantity.Fact;

/** What is said of a plan that cannot be made. */
public final class PlanWords {
    private PlanWords() {}

    /** The arithmetic of a clash: how many wires want one of how few pins. */
    public static String shortage(Plan.Shortage shortage) {
        String key = shortage.areChannels()
                ? "plan.shortage.channels"
                : shortage.pins() == 1
                        ? "plan.shortage.same"
                        : shortage.use()
                                .filter(use -> use == PinUse.ANALOG || use == PinUse.BIAS || use == PinUse.LEAD)
                                .map(use -> "plan.shortage." + use.text())
                                .orElse("plan.shortage");
        return Words.say(Fact.of(key).with("wires", shortage.wires()).with("pins", shortage.pins()));
    }
}
