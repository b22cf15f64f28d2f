package inkel.core.tune.colour;

import inkel.core.formula.SampleBand;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.List;

/**
 * Where a colour lies in each channel: the mean of its shares, and three deviations of a reading either way, at least two
 * percent of white.
 *
 * @param means each with what it may itself be off by
 * @param halves half of the band of each channel
 */
public record Band(String name, List<Estimate> means, List<Double> halves) {
    /** No band is narrower, either way. */
    public static final double LEAST = 0.02;

    private static final double WIDE = 3;

    public Band {
        means = List.copyOf(means);
        halves = List.copyOf(halves);
    }

    static double half(List<Double> shares) {
        return Math.max(LEAST, WIDE * SampleBand.of(shares).deviation());
    }

    /** The bands of means of some readings: narrower by their root, though never than two percent of white. */
    public static List<Band> averaged(List<Band> bands, int readings) {
        return bands.stream()
                .map(band -> new Band(
                        band.name,
                        band.means,
                        band.halves.stream()
                                .map(half -> Math.max(LEAST, half / Math.sqrt(readings)))
                                .toList()))
                .toList();
    }

    /** The narrowest band that has both in it, by the name of this one. */
    Band with(Band other) {
        List<Estimate> middles = new ArrayList<>();
        List<Double> wide = new ArrayList<>();
        for (int i = 0; i < Reading.COLOURS; i++) {
            double low = Math.min(low(i), other.low(i));
            double high = Math.max(high(i), other.high(i));
            double off = Math.max(means.get(i).off(), other.means.get(i).off());
            middles.add(new Estimate((low + high) / 2, off));
            wide.add((high - low) / 2);
        }
        return new Band(name, middles, wide);
    }

    private double low(int channel) {
        return means.get(channel).value() - halves.get(channel);
    }

    private double high(int channel) {
        return means.get(channel).value() + halves.get(channel);
    }

    /** One standard deviation as the matching takes it. */
    double deviation(int channel) {
        return halves.get(channel) / WIDE;
    }

    /** Whether two colours' bands meet in a channel. */
    public boolean meets(Band other, int channel) {
        return Math.abs(means.get(channel).value() - other.means.get(channel).value())
                < halves.get(channel) + other.halves.get(channel);
    }

    /** Whether they meet in all three, so that no channel alone tells them apart. */
    public boolean mixes(Band other) {
        return meets(other, 0) && meets(other, 1) && meets(other, 2);
    }

    /** By how many deviations of both the channel that tells them best keeps them apart. */
    public double apart(Band other) {
        double most = 0;
        for (int i = 0; i < Reading.COLOURS; i++) {
            double off = means.get(i).value() - other.means.get(i).value();
            most = Math.max(most, Math.abs(off) / Math.hypot(deviation(i), other.deviation(i)));
        }
        return most;
    }
}
