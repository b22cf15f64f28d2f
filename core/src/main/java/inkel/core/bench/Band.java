package inkel.core.bench;

import inkel.core.document.Meter;
import java.util.List;

/**
 * Where a reading lies on a healthy bench, before the meter adds its own error.
 *
 * @param low in the SI base unit of the probe, as all its figures
 * @param causes what moves it, the strongest first
 */
public record Band(double low, double expected, double high, List<Cause> causes) {
    /** What lies just inside of an end may already be read in the next range. */
    private static final double BESIDE = 1.01;

    public Band {
        causes = List.copyOf(causes);
    }

    /**
     * A figure that a reading follows.
     *
     * @param least what the figure at its one end makes of the reading, against what is expected
     * @param most what its other end makes of it
     */
    public record Cause(Unknown unknown, double least, double most) {
        double reach() {
            return Math.max(Math.abs(least), Math.abs(most));
        }
    }

    /** With what a meter may be off by at either end. */
    public Band readBy(Meter meter) {
        return new Band(low - meter.error(low * BESIDE), expected, high + meter.error(high * BESIDE), causes);
    }

    /** A share of it: of its ends and of what moves it. */
    Band times(double share) {
        return new Band(
                low * share,
                expected * share,
                high * share,
                causes.stream()
                        .map(cause -> new Cause(cause.unknown(), cause.least() * share, cause.most() * share))
                        .toList());
    }

    public boolean holds(double reading) {
        return reading >= low && reading <= high;
    }
}
