package inkel.core.tune.colour;

import java.util.List;
import java.util.Optional;

/**
 * Dark and white of a sensor where it sits: {@code (raw − dark)/(white − dark)} of each channel, then each colour's share of
 * clear.
 *
 * @param dark read with the sensor covered; may be empty, then nothing is taken off
 * @param white read on a white sheet at the same distance; may be empty, then the channels stay as they are
 */
public record Correction(List<Reading> dark, List<Reading> white) {
    private static final int CLEAR = 3;

    public Correction {
        dark = List.copyOf(dark);
        white = List.copyOf(white);
    }

    private double dark(int channel) {
        return Reading.mean(dark, channel);
    }

    private double span(int channel) {
        return white.isEmpty() ? 1 : Reading.mean(white, channel) - dark(channel);
    }

    /** Whether every channel reads more on white than in the dark. */
    public boolean isRight() {
        return span(0) > 0 && span(1) > 0 && span(2) > 0 && span(CLEAR) > 0;
    }

    /** A channel between dark, 0, and white, 1. */
    public double corrected(Reading reading, int channel) {
        return (reading.channel(channel) - dark(channel)) / span(channel);
    }

    /** Empty for a reading with nothing in clear. */
    public Optional<Shares> shares(Reading reading) {
        double clear = corrected(reading, CLEAR);
        return clear > 0
                ? Optional.of(new Shares(
                        corrected(reading, 0) / clear, corrected(reading, 1) / clear, corrected(reading, 2) / clear))
                : Optional.empty();
    }

    /**
     * The square of what the mean of a colour's share is off by chance: of its own readings, and of those of dark and white, each
     * carried through {@code x = (r − d)/(w − d)} and {@code x/c} to first order.
     */
    double variance(List<Reading> readings, int channel) {
        double x = readings.stream()
                .mapToDouble(one -> corrected(one, channel))
                .average()
                .orElse(0);
        double c = readings.stream()
                .mapToDouble(one -> corrected(one, CLEAR))
                .average()
                .orElse(1);
        return ofMean(readings, channel, x) / (c * c) + x * x * ofMean(readings, CLEAR, c) / Math.pow(c, 4);
    }

    private double ofMean(List<Reading> readings, int channel, double at) {
        double own = Reading.variance(readings, channel) / Math.max(1, readings.size());
        double ofDark = dark.isEmpty() ? 0 : Reading.variance(dark, channel) / dark.size();
        double ofWhite = white.isEmpty() ? 0 : Reading.variance(white, channel) / white.size();
        return (own + (1 - at) * (1 - at) * ofDark + at * at * ofWhite) / (span(channel) * span(channel));
    }

    /** The share of a colour that the means of readings have. */
    double share(List<Reading> readings, int channel) {
        return mean(readings, channel) / mean(readings, CLEAR);
    }

    private double mean(List<Reading> readings, int channel) {
        return (Reading.mean(readings, channel) - dark(channel)) / span(channel);
    }

    /**
     * The square of what the difference of two shares is off by chance. Both stand on one dark and one white, which mostly
     * cancel: {@code s = x/c} changes by {@code −s/(w − d)} with the white of its channel, by {@code s/(w − d)} with that of
     * clear, by {@code −(1 − x)/(c·(w − d))} with the dark of its channel and by {@code s·(1 − c)/(c·(w − d))} with that of
     * clear.
     */
    double varianceOfDifference(List<Reading> one, List<Reading> other, int channel) {
        double first = share(one, channel);
        double second = share(other, channel);
        double darks = darkSlope(other, channel) - darkSlope(one, channel);
        double clears = clearSlope(other, channel) - clearSlope(one, channel);
        return ownVariance(one, channel)
                + ownVariance(other, channel)
                + square((second - first) / span(channel)) * meanVariance(white, channel)
                + square((second - first) / span(CLEAR)) * meanVariance(white, CLEAR)
                + square(darks) * meanVariance(dark, channel)
                + square(clears) * meanVariance(dark, CLEAR);
    }

    private double darkSlope(List<Reading> readings, int channel) {
        return -(1 - mean(readings, channel)) / (mean(readings, CLEAR) * span(channel));
    }

    private double clearSlope(List<Reading> readings, int channel) {
        double clear = mean(readings, CLEAR);
        return share(readings, channel) * (1 - clear) / (clear * span(CLEAR));
    }

    private double ownVariance(List<Reading> readings, int channel) {
        double clear = mean(readings, CLEAR);
        return meanVariance(readings, channel) / square(clear * span(channel))
                + square(share(readings, channel) / (clear * span(CLEAR))) * meanVariance(readings, CLEAR);
    }

    private static double meanVariance(List<Reading> readings, int channel) {
        return readings.isEmpty() ? 0 : Reading.variance(readings, channel) / readings.size();
    }

    private static double square(double value) {
        return value * value;
    }

    /** What the room adds: clear with the sensor's own lamp off, as a share of white. */
    public double leak(List<Reading> lampOff) {
        return lampOff.stream()
                .mapToDouble(one -> corrected(one, CLEAR))
                .average()
                .orElse(0);
    }
}
