package inkel.core.formula;

import inkel.core.quantity.Current;
import java.util.List;
import java.util.Optional;

/** Sizes of small fuses, and how long they bear what flows (IEC 60127). */
public final class FuseSize {
    private static final List<Double> AMPERES = List.of(0.1, 0.2, 0.5, 1.0, 2.0, 3.15, 5.0, 6.3, 10.0, 16.0, 25.0);

    /** What flows at a peak stays this far below what is printed on it. */
    private static final double OVER_PEAK = 1.25;

    /** It bears this share of its rating for an hour at least, quick or slow. */
    private static final double BORNE = 1.5;

    /** At this share it goes within ten seconds, quick or slow. */
    private static final double GONE = 2.75;

    private FuseSize() {}

    /** The smallest size that a peak leaves alone; empty above the largest. */
    public static Optional<Current> suitable(Current peak) {
        double least = peak.amperes() * OVER_PEAK;
        return AMPERES.stream().filter(size -> size >= least).findFirst().map(Current::ofAmperes);
    }

    public static Current largest() {
        return Current.ofAmperes(AMPERES.get(AMPERES.size() - 1));
    }

    /** The most that a fuse bears for an hour. */
    public static Current borne(Current rating) {
        return rating.times(BORNE);
    }

    /** What takes a fuse away within seconds. */
    public static Current gone(Current rating) {
        return rating.times(GONE);
    }
}
