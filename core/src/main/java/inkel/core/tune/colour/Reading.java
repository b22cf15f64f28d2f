package inkel.core.tune.colour;

import inkel.core.formula.SampleBand;
import java.util.List;

/** Codes or rates of the four channels at once, all at least 0. */
public record Reading(double red, double green, double blue, double clear) {
    /** How many channels there are that tell a colour, without clear. */
    public static final int COLOURS = 3;

    public double channel(int number) {
        return switch (number) {
            case 0 -> red;
            case 1 -> green;
            case 2 -> blue;
            default -> clear;
        };
    }

    /** The mean of each channel. */
    static Reading mean(List<Reading> readings) {
        return new Reading(mean(readings, 0), mean(readings, 1), mean(readings, 2), mean(readings, COLOURS));
    }

    static double mean(List<Reading> readings, int channel) {
        return readings.stream()
                .mapToDouble(one -> one.channel(channel))
                .average()
                .orElse(0);
    }

    /** The square of the standard deviation of a sample; 0 for fewer than two. */
    static double variance(List<Reading> readings, int channel) {
        double deviation = readings.isEmpty()
                ? 0
                : SampleBand.of(readings.stream()
                                .map(one -> one.channel(channel))
                                .toList())
                        .deviation();
        return deviation * deviation;
    }
}
