package inkel.core.formula;

import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * One driver against one receiver.
 *
 * <p>High margin = V_OH,min − V_IH; low margin = V_IL − V_OL,max; headroom = absolute maximum − V_OH,max. Below zero
 * headroom harms; below zero margin is not read; a margin under 5 % of the receiver's supply, or a high above the
 * recommended maximum, is thin.
 *
 * @param supply the receiver's supply; what the driver reaches at the most where that is lower and the receiver's levels do
 *     not hang on its supply, as those of a transistor's gate beside 12 V
 */
public record LevelCheck(
        Voltage vohMin,
        Voltage vohMax,
        Voltage volMax,
        Voltage vih,
        Voltage vil,
        Voltage absoluteMax,
        Optional<Voltage> recommendedMax,
        Voltage supply) {
    /**
     * A clamp diode takes up little less than this before it conducts, and a driver that is the softer one gives it no more
     * than it bears.
     */
    public static final Voltage CLAMPED = Voltage.ofMillivolts(600);

    /** Margins below this share of the receiver's supply are thin. */
    public static final double THIN_SHARE = 0.05;

    /**
     * The same while the grounds of the two do not stand at one height.
     *
     * @param above how much the driver's ground stands above the receiver's at the most
     * @param below how much it stands below it at the most
     */
    public LevelCheck lifted(Voltage above, Voltage below) {
        return new LevelCheck(
                vohMin.minus(below),
                vohMax.plus(above),
                volMax.plus(above),
                vih,
                vil,
                absoluteMax,
                recommendedMax,
                supply);
    }

    public Voltage highMargin() {
        return vohMin.minus(vih);
    }

    public Voltage lowMargin() {
        return vil.minus(volMax);
    }

    public Voltage headroom() {
        return absoluteMax.minus(vohMax);
    }

    /** Which of the three distances is told first. */
    public enum Side {
        /** To the absolute maximum: only told where it is passed. */
        HEADROOM,
        LOW,
        HIGH
    }

    /** The headroom where it is passed, else the smaller margin; the high one where both are the same. */
    public Side tightest() {
        if (headroom().isBelow(Voltage.ZERO)) {
            return Side.HEADROOM;
        }
        return lowMargin().isBelow(highMargin()) ? Side.LOW : Side.HIGH;
    }

    /** The distance of {@link #tightest}. */
    public Voltage tightestMargin() {
        return switch (tightest()) {
            case HEADROOM -> headroom();
            case LOW -> lowMargin();
            case HIGH -> highMargin();
        };
    }

    /** The margin that is aimed for. */
    public Voltage wantedMargin() {
        return supply.times(THIN_SHARE);
    }

    public boolean isAboveRecommended() {
        return recommendedMax.isPresent() && vohMax.isAbove(recommendedMax.get());
    }

    /**
     * Whether what is wrong here is wrong only when both supplies are at their ends: not at what they usually are, and by no
     * more than {@link #CLAMPED}.
     *
     * @param nominal the same driver and receiver at what their supplies usually are
     */
    public boolean isOnlyAtTheEnds(LevelCheck nominal) {
        Verdict usual = nominal.verdict();
        return switch (verdict()) {
            case HARMS -> usual != Verdict.HARMS && !headroom().isBelow(CLAMPED.times(-1));
            case NOT_READ -> usual != Verdict.HARMS && usual != Verdict.NOT_READ;
            default -> false;
        };
    }

    public Verdict verdict() {
        if (headroom().isBelow(Voltage.ZERO)) {
            return Verdict.HARMS;
        }
        Voltage high = highMargin();
        Voltage low = lowMargin();
        if (high.isBelow(Voltage.ZERO) || low.isBelow(Voltage.ZERO)) {
            return Verdict.NOT_READ;
        }
        Voltage wanted = wantedMargin();
        boolean isThin = high.isBelow(wanted) || low.isBelow(wanted);
        return isThin || isAboveRecommended() ? Verdict.THIN : Verdict.FINE;
    }
}
