package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.Drive;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Reading;
import inkel.core.document.Between;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * Who says what to whom over what, whatever the supplies are.
 *
 * @param isPulled whether a pull-up makes the high
 * @param isSameRail whether the high comes from the listener's own supply, which has one voltage at a time
 * @param reading what was measured takes the place of figures
 */
record Hop(
        IoFamily says,
        IoFamily hears,
        Optional<Between> between,
        boolean isPulled,
        boolean isSameRail,
        Reading reading) {
    /**
     * How it stands at the worst corner of both supplies, and whether that is only to be looked at.
     *
     * @param mildness what is wrong only where both supplies are at their ends, or within what a clamp bears, is to be
     *     looked at
     */
    record Outcome(LevelCheck check, Mildness mildness) {}

    /** Empty when nothing makes a high. */
    Optional<Outcome> outcome(Range<Voltage> saysAt, Range<Voltage> hearsAt, List<PullUp> pulls) {
        return at(saysAt, hearsAt, pulls).map(worst -> {
            boolean isWrong = worst.verdict() == Verdict.HARMS || worst.verdict() == Verdict.NOT_READ;
            return new Outcome(
                    worst,
                    isWrong
                            ? at(saysAt.usual(), hearsAt.usual(), usual(pulls))
                                    .map(usual -> mildness(worst, usual))
                                    .orElse(Mildness.NONE)
                            : Mildness.NONE);
        });
    }

    private Optional<LevelCheck> at(Range<Voltage> saysAt, Range<Voltage> hearsAt, List<PullUp> pulls) {
        return overPiece(saysAt, hearsAt)
                .or(() -> isPulled ? Drive.pulled(says, saysAt, pulls, share()) : Drive.pushed(says, saysAt, share()))
                .map(drive -> drive.measured(reading).against(hears, hearsAt, isSameRail));
    }

    /** What a divider leaves of what is sent. */
    private double share() {
        return between.filter(Between.Divider.class::isInstance)
                .map(divider -> ((Between.Divider) divider).share())
                .orElse(1.0);
    }

    /** What a pin puts out as a high into inputs; its supply, where it only pulls low and lets go. */
    static Range<Voltage> high(IoFamily says, Range<Voltage> at) {
        Voltage most = says.highest(at.highest());
        return says.signalHigh()
                .map(least -> Range.between(Quantity.smaller(least.at(at.lowest()), most), most))
                .orElse(at);
    }

    /** Whether the high is the listener's own supply, which has one voltage at a time. */
    static boolean isOfListener(Optional<Between> between) {
        return between.filter(piece -> piece instanceof Between.Diode || piece instanceof Between.Opto)
                .isPresent();
    }

    /** What arrives behind a piece that makes the high itself, out of the listener's supply. */
    private Optional<Drive> overPiece(Range<Voltage> saysAt, Range<Voltage> hearsAt) {
        if (between.isEmpty()) {
            return Optional.empty();
        }
        if (between.get() instanceof Between.Opto) {
            return Optional.of(Drive.switched(hearsAt));
        }
        return between.get() instanceof Between.Diode ? Drive.overDiode(says, saysAt, hearsAt) : Optional.empty();
    }

    private Mildness mildness(LevelCheck worst, LevelCheck usual) {
        if (worst.isOnlyAtTheEnds(usual)) {
            return Mildness.AT_THE_ENDS;
        }
        boolean isClamped = isPulled
                && worst.verdict() == Verdict.HARMS
                && !usual.headroom().isBelow(LevelCheck.CLAMPED.times(-1));
        return isClamped ? Mildness.WITHIN_A_CLAMP : Mildness.NONE;
    }

    private static List<PullUp> usual(List<PullUp> pulls) {
        return pulls.stream().map(PullUp::usual).toList();
    }
}
