package inkel.core.circuit;

import inkel.core.catalog.IoFamily;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * What a driver puts on a wire over its supply range, behind a divider's share.
 *
 * @param topAtLow the most its high can be when its supply is lowest
 */
public record Drive(
        Voltage vohMin, Voltage vohMax, Voltage volMax, Voltage highAtLow, Voltage highAtHigh, Voltage topAtLow) {
    /** Stands in for the thresholds of a pin that only drives and is asked what it survives. */
    private static final Threshold UNREAD = Threshold.fixed(Voltage.ZERO);

    /** A Schottky diode drops at least this much at what a pull-up sends through it. */
    private static final Voltage LEAST_DIODE = Voltage.ofMillivolts(200);

    /** A small transistor that is fully on leaves at most this much. */
    private static final Voltage SATURATED = Voltage.ofMillivolts(400);

    /** The pull-ups together decide what an open-drain wire can reach: see {@link PullUp#together}. */
    public static Optional<Drive> pulled(IoFamily says, Range<Voltage> at, List<PullUp> pulls, double share) {
        Optional<Range<Voltage>> reach = PullUp.together(pulls);
        if (reach.isEmpty()) {
            return Optional.empty();
        }
        Voltage vol = says.signalLow().orElseThrow().at(at.highest()).times(share);
        Voltage low = reach.get().lowest().times(share);
        Voltage high = reach.get().highest().times(share);
        return Optional.of(new Drive(low, high, vol, low, high, low));
    }

    public static Optional<Drive> pushed(IoFamily says, Range<Voltage> at, double share) {
        if (says.signalHigh().isEmpty()) {
            return Optional.empty();
        }
        Threshold voh = says.signalHigh().get();
        Voltage vol = says.signalLow().orElseThrow().at(at.highest()).times(share);
        Voltage least = voh.at(at.lowest()).times(share);
        return Optional.of(new Drive(
                least,
                says.highest(at.highest()).times(share),
                vol,
                least,
                voh.at(at.highest()).times(share),
                says.highest(at.lowest()).times(share)));
    }

    /**
     * Behind a diode that lets only the low through: the high is the listener's own supply, unless the driver's own high
     * and the diode hold it lower; the low is that of the driver and the diode.
     */
    public static Optional<Drive> overDiode(IoFamily says, Range<Voltage> at, Range<Voltage> listener) {
        Voltage vol = says.signalLow().orElseThrow().at(at.highest()).plus(Placed.DIODE);
        Drive own = rail(listener, vol);
        return Optional.of(
                says.openDrain()
                        ? own
                        : pushed(says, at, 1)
                                .map(driver -> own.heldBelow(driver))
                                .orElse(own));
    }

    /** Behind a transistor that pulls to ground or lets go: an optocoupler's. */
    public static Drive switched(Range<Voltage> listener) {
        return rail(listener, SATURATED);
    }

    private static Drive rail(Range<Voltage> listener, Voltage vol) {
        return new Drive(
                listener.lowest(), listener.highest(), vol, listener.lowest(), listener.highest(), listener.lowest());
    }

    /** A driver's high takes current from the listener's pull-up as soon as that is a diode above it. */
    private Drive heldBelow(Drive driver) {
        return new Drive(
                Quantity.smaller(vohMin, driver.vohMin.plus(LEAST_DIODE)),
                Quantity.smaller(vohMax, driver.vohMax.plus(Placed.DIODE)),
                volMax,
                Quantity.smaller(highAtLow, driver.vohMin.plus(LEAST_DIODE)),
                Quantity.smaller(highAtHigh, driver.vohMin.plus(LEAST_DIODE)),
                Quantity.smaller(topAtLow, driver.vohMax.plus(Placed.DIODE)));
    }

    /**
     * How a driver that makes its own high stands against one that listens, at the worst corner of both supplies.
     *
     * @return empty when either has no figures for this, as an open drain has no high of its own
     */
    public static Optional<LevelCheck> check(
            IoFamily says, Range<Voltage> saysAt, IoFamily hears, Range<Voltage> hearsAt, boolean isSameRail) {
        boolean isKnown =
                says.vol().isPresent() && hears.vih().isPresent() && hears.vil().isPresent();
        return isKnown
                ? pushed(says, saysAt, 1).map(drive -> drive.against(hears, hearsAt, isSameRail))
                : Optional.empty();
    }

    /**
     * Whether that is something to stop for: it harms or is not read, and not only when both supplies are at their ends.
     */
    public static boolean isTrouble(
            IoFamily says, Range<Voltage> saysAt, IoFamily hears, Range<Voltage> hearsAt, boolean isSameRail) {
        Optional<LevelCheck> worst = check(says, saysAt, hears, hearsAt, isSameRail);
        boolean isWrong = worst.map(LevelCheck::verdict)
                .filter(verdict -> verdict == Verdict.HARMS || verdict == Verdict.NOT_READ)
                .isPresent();
        return isWrong
                && check(says, saysAt.usual(), hears, hearsAt.usual(), isSameRail)
                        .filter(worst.get()::isOnlyAtTheEnds)
                        .isEmpty();
    }

    /** What was measured takes the place of the figures. */
    public Drive measured(Reading reading) {
        Voltage low = reading.low().orElse(volMax);
        if (reading.high().isEmpty()) {
            return new Drive(vohMin, vohMax, low, highAtLow, highAtHigh, topAtLow);
        }
        Voltage high = reading.high().get();
        return new Drive(high, high, low, high, high, high);
    }

    Drive atLow() {
        return new Drive(highAtLow, topAtLow, volMax, highAtLow, highAtHigh, topAtLow);
    }

    Drive atHigh() {
        return new Drive(highAtHigh, vohMax, volMax, highAtLow, highAtHigh, topAtLow);
    }

    /** Against one that listens: the worst of the corners of both supplies. One rail has one voltage at a time. */
    public LevelCheck against(IoFamily hears, Range<Voltage> at, boolean isSameRail) {
        LevelCheck low = check(isSameRail ? atLow() : this, hears, at.lowest());
        LevelCheck high = check(isSameRail ? atHigh() : this, hears, at.highest());
        LevelCheck highSide = low.highMargin().isAbove(high.highMargin()) ? high : low;
        LevelCheck lowSide = low.lowMargin().isAbove(high.lowMargin()) ? high : low;
        LevelCheck headSide = low.headroom().isAbove(high.headroom()) ? high : low;
        return new LevelCheck(
                highSide.vohMin(),
                headSide.vohMax(),
                lowSide.volMax(),
                highSide.vih(),
                lowSide.vil(),
                headSide.absoluteMax(),
                headSide.recommendedMax(),
                swing(hears, at.expected()));
    }

    /** The receiver's supply; what the driver reaches where that is lower and the receiver's levels do not hang on its own. */
    private Voltage swing(IoFamily hears, Voltage supply) {
        boolean isFixed = hears.vih().filter(level -> level.share() == 0).isPresent();
        return isFixed && vohMax.isBelow(supply) ? vohMax : supply;
    }

    private LevelCheck check(Drive driver, IoFamily hears, Voltage supply) {
        return new LevelCheck(
                driver.vohMin(),
                driver.vohMax(),
                volMax,
                hears.vih().orElse(UNREAD).at(supply),
                hears.vil().orElse(UNREAD).at(supply),
                hears.absoluteMax().at(supply),
                hears.recommendedMax().isPresent()
                        ? Optional.of(hears.recommendedMax().get().at(supply))
                        : Optional.empty(),
                supply);
    }
}
