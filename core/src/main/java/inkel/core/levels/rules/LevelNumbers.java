package inkel.core.levels.rules;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.finding.Finding;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Source;

/** The arithmetic of a verdict on levels: the side that fails, or fails by more, with its figures and their sources. */
final class LevelNumbers {
    private LevelNumbers() {}

    /**
     * Takes the sentence that suits and adds its numbers.
     *
     * @param isOnlyAtTheEnds whether it is only to be looked at, for it takes both supplies at their ends
     * @param isOfSeveral whether it is said of several wires at once
     * @param habits what the builder does with a signal above the supply of the pin that hears it
     * @param says where the driver's high comes from, {@code saysLow} its low, {@code hears} the receiver's limits
     */
    static void put(
            Finding.Builder finding,
            LevelCheck check,
            Habits habits,
            boolean isOnlyAtTheEnds,
            boolean isOfSeveral,
            Source says,
            Source saysLow,
            Source hears) {
        String several = isOfSeveral ? "_several" : "";
        String ends = (isOnlyAtTheEnds ? "_ends" : "") + several;
        if (isOnlyAtTheEnds) {
            finding.onlyToLookAt();
        }
        if (check.verdict() == Verdict.HARMS) {
            if (!ends.isEmpty()) {
                finding.variant(ends.substring(1));
            }
            finding.number("highest_output", check.vohMax(), says)
                    .number("tolerated", check.absoluteMax(), hears)
                    .number("too_much_by", check.headroom().times(-1), Source.COMPUTED);
        } else if (isLowTheWorse(check)) {
            finding.variant("low" + ends)
                    .number("lowest_output_at_most", check.volMax(), saysLow)
                    .number("reads_low_below", check.vil(), hears)
                    .number("low_margin", check.lowMargin(), Source.COMPUTED)
                    .number("wanted_margin", check.wantedMargin(), Source.RULE);
        } else if (check.verdict() == Verdict.THIN && !check.highMargin().isBelow(check.wantedMargin())) {
            if (habits.is(Habit.ABOVE_SUPPLY, Habit.AboveSupply.DIRECT)) {
                finding.onlyToKnow();
            }
            finding.variant("above_recommended" + several)
                    .number("highest_output", check.vohMax(), says)
                    .number("recommended", check.recommendedMax().orElseThrow(), hears)
                    .number("tolerated", check.absoluteMax(), hears);
        } else {
            finding.variant("high" + ends)
                    .number("highest_output_at_least", check.vohMin(), says)
                    .number("reads_high_above", check.vih(), hears)
                    .number("high_margin", check.highMargin(), Source.COMPUTED)
                    .number("wanted_margin", check.wantedMargin(), Source.RULE);
        }
    }

    /** The low side is told when it is the one that fails, or fails by more. */
    private static boolean isLowTheWorse(LevelCheck check) {
        return check.tightest() == LevelCheck.Side.LOW && check.lowMargin().isBelow(check.wantedMargin());
    }
}
