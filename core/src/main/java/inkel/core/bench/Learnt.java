package inkel.core.bench;

import inkel.core.quantity.Source;
import java.util.HashMap;
import java.util.Map;

/**
 * What readings that were kept say of the figures of a bench: a regulator that reads 3.31 V is no longer one of 3.20 to
 * 3.40 V, in whatever it feeds. A reading narrows the one figure that it mostly follows, by what the meter and all its other
 * figures leave open.
 */
public final class Learnt {
    /** A figure is known by a reading when it has at least this share of all that moves it. */
    private static final double MOSTLY = 0.6;

    private final Map<String, Ends> ends = new HashMap<>();

    private record Ends(double low, double high) {}

    /**
     * Takes a reading.
     *
     * @param band what was foretold of it, without the meter
     * @param error how far the meter may be off
     */
    public void learn(Band band, double value, double error) {
        if (band.causes().isEmpty()) {
            return;
        }
        Band.Cause first = band.causes().get(0);
        double all = band.causes().stream()
                .mapToDouble(cause -> Math.abs(cause.most() - cause.least()))
                .sum();
        double own = first.most() - first.least();
        Unknown unknown = first.unknown();
        double range = unknown.high() - unknown.low();
        if (range <= 0 || Math.abs(own) < MOSTLY * all) {
            return;
        }
        double slope = own / range;
        double least = 0;
        double most = 0;
        for (Band.Cause cause : band.causes().subList(1, band.causes().size())) {
            least += Math.min(cause.least(), cause.most());
            most += Math.max(cause.least(), cause.most());
        }
        double one = unknown.expected() + (value - error - band.expected() - most) / slope;
        double other = unknown.expected() + (value + error - band.expected() - least) / slope;
        narrow(unknown, Math.min(one, other), Math.max(one, other));
    }

    private void narrow(Unknown unknown, double low, double high) {
        double lower = Math.max(low, unknown.low());
        double upper = Math.min(high, unknown.high());
        // A reading that contradicts what is known is no knowledge of this figure.
        if (lower < upper) {
            ends.put(unknown.key(), new Ends(lower, upper));
        }
    }

    /** A figure as it is known now. */
    Unknown known(Unknown unknown) {
        Ends found = ends.get(unknown.key());
        if (found == null) {
            return unknown;
        }
        double low = Math.max(unknown.low(), found.low());
        double high = Math.min(unknown.high(), found.high());
        if (low >= high) {
            return unknown;
        }
        return new Unknown(unknown.key(), low, (low + high) / 2, high, Source.MEASURED, unknown.isWild());
    }
}
